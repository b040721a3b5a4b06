import { orNotFound } from '@/server/or-not-found'
import { inHandOf, param, type SearchParams } from '@/app/search-params'
import { listLenses, listStandards, units } from '@/server/catalogue'
import { readHouseGuide, rescueWords } from '@/server/guide'
import { listPeople } from '@/server/people'
import { readStandardView } from '@/server/standards'
import { refText } from '@/core/standards'
import { StandardView } from './StandardView'

export const metadata = { title: 'Standard' }

export default async function OneStandardPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>
  searchParams: SearchParams
}) {
  const { id } = await params
  const version = Number(await param(searchParams, 'version'))
  const view = await orNotFound(readStandardView(refText({ id, version: version || undefined })))
  const hand = await inHandOf(searchParams)
  const [people, allUnits, lenses, standards, house, called] = await Promise.all([
    listPeople(),
    units(),
    listLenses(),
    listStandards(),
    readHouseGuide(),
    rescueWords(hand.bodies),
  ])
  return (
    <StandardView
      key={`${id} ${view.document.version} ${view.state}`}
      view={view}
      bodies={hand.bodies?.join(',') ?? ''}
      standards={standards}
      house={house.document}
      called={called}
      choices={{
        people: people.map(p => ({ id: p.id, label: p.name })),
        units: allUnits.filter(u => u.kind === 'body').map(u => ({ id: u.id, label: u.tag })),
        lenses: lenses.map(l => ({ id: l.id, label: `${l.maker} ${l.model}` })),
        scenes: [],
      }}
    />
  )
}
