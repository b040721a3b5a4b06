import { listLenses, units } from '@/server/catalogue'
import { listPutAwayLenses } from '@/server/lenses'
import { LensList } from './LensList'

export const metadata = { title: 'Lenses' }

export default async function LensesPage() {
  const [lenses, all, putAway] = await Promise.all([listLenses(), units(), listPutAwayLenses()])
  const tags = Object.fromEntries(lenses.map(l => [l.id, all.filter(u => u.lens_id === l.id).map(u => u.tag)]))
  return <LensList lenses={lenses} tags={tags} putAway={putAway} />
}
