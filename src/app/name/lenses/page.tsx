import { listLenses, units } from '@/server/catalogue'
import { LensList } from './LensList'

export const metadata = { title: 'Lenses' }

export default async function LensesPage() {
  const [lenses, all] = await Promise.all([listLenses(), units()])
  const tags = Object.fromEntries(lenses.map(l => [l.id, all.filter(u => u.lens_id === l.id).map(u => u.tag)]))
  return <LensList lenses={lenses} tags={tags} />
}
