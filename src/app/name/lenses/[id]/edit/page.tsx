import { orNotFound } from '@/server/or-not-found'
import { listBodies, listLenses } from '@/server/catalogue'
import { readLens } from '@/server/lenses'
import { LensForm } from '../../form/LensForm'

export const metadata = { title: 'Editing a lens' }

export default async function EditLensPage({ params }: { params: Promise<{ id: string }> }) {
  const [lens, lenses, bodies] = await Promise.all([
    orNotFound(readLens((await params).id)),
    listLenses(),
    listBodies(),
  ])
  const makers = [...new Set(lenses.map(l => l.maker))]
  return <LensForm lens={lens.document} revision={lens.revision} makers={makers} bodies={bodies} />
}
