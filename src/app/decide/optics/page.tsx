import { inHandOf, param, type SearchParams } from '@/app/search-params'
import { readStandard } from '@/server/catalogue'
import { readInHand } from '@/server/concordance'
import { readDeskFigures } from '@/server/optics'
import { ownLayers, scopesOf } from '@/core/standards'
import { OpticsView } from './OpticsView'

export const metadata = { title: 'Optics desk' }

export default async function OpticsPage({ searchParams }: { searchParams: SearchParams }) {
  const { standard, ref, chosen } = await readInHand(await inHandOf(searchParams))
  const [figures, read, scene] = await Promise.all([
    readDeskFigures(),
    ref === undefined ? undefined : readStandard(ref),
    param(searchParams, 'scene'),
  ])
  return (
    <OpticsView
      figures={figures}
      inHand={chosen.map(b => b.id)}
      scene={scene}
      standard={
        standard &&
        read && {
          id: standard.id,
          name: standard.name,
          layers: ownLayers(read.document)
            .filter(l => !l.applies?.scenes)
            .map(l => ({ id: l.id, name: l.name, isForAll: l.applies === undefined })),
          scenes: scopesOf(read.document.layers).scenes ?? [],
        }
      }
    />
  )
}
