import { listBodies, listLenses } from '@/server/catalogue'
import { LensForm } from '../form/LensForm'

export const metadata = { title: 'A new lens' }

export default async function NewLensPage() {
  const [lenses, bodies] = await Promise.all([listLenses(), listBodies()])
  return <LensForm lens={undefined} revision={0} makers={[...new Set(lenses.map(l => l.maker))]} bodies={bodies} />
}
