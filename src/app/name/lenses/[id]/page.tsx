import type { Metadata } from 'next'
import { orNotFound } from '@/server/or-not-found'
import { listBodies, listLenses, units } from '@/server/catalogue'
import { lastLensChange, readLens } from '@/server/lenses'
import { LensView } from './LensView'

interface Props {
  params: Promise<{ id: string }>
}

export const generateMetadata = async ({ params }: Props): Promise<Metadata> => ({
  title: (await orNotFound(readLens((await params).id))).document.model,
})

export default async function LensPage({ params }: Props) {
  const { id } = await params
  const [lens, all, owned, bodies, last] = await Promise.all([
    orNotFound(readLens(id)),
    listLenses(),
    units(),
    listBodies(),
    lastLensChange(id),
  ])
  return (
    <LensView
      lens={lens.document}
      revision={lens.revision}
      others={all}
      last={last}
      units={owned.filter(u => u.lens_id === id)}
      bodyNames={Object.fromEntries(bodies.map(b => [b.id, b.model]))}
    />
  )
}
