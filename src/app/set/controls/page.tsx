import { Beginning } from '@/app/Beginning'
import { inHandOf, type SearchParams } from '@/app/search-params'
import { readFleetInHand, readShooters } from '@/server/controls'
import { readInHand } from '@/server/concordance'
import { readStandardView } from '@/server/standards'
import { ControlsView } from './ControlsView'

export const metadata = { title: 'Controls' }

export default async function ControlsPage({ searchParams }: { searchParams: SearchParams }) {
  const { standard, ref, context, chosen, bodies } = await readInHand(await inHandOf(searchParams))
  if (!standard || !ref || bodies.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={Boolean(standard)} />
  const [view, hands, shooters] = await Promise.all([
    readStandardView(ref),
    readFleetInHand(ref, chosen, context),
    readShooters(),
  ])
  return (
    <ControlsView
      key={`${view.id} ${view.document.version} ${view.state}`}
      view={view}
      // As text: the page holds it once, whatever refers to the same part twice.
      hands={JSON.stringify(hands)}
      shooters={shooters}
    />
  )
}
