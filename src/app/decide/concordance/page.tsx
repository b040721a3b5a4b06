import { inHandOf, type SearchParams } from '@/app/search-params'
import { Beginning } from '@/app/Beginning'
import { readStandard } from '@/server/catalogue'
import { readConcordance, readInHand } from '@/server/concordance'
import { ConcordanceView } from './ConcordanceView'

export const metadata = { title: 'Concordance' }

export default async function ConcordancePage({ searchParams }: { searchParams: SearchParams }) {
  const { standard, ref, context, chosen, bodies } = await readInHand(await inHandOf(searchParams))
  if (!standard || !ref || bodies.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={Boolean(standard)} />
  const [concordance, { document, state }] = await Promise.all([
    readConcordance(ref, chosen, context),
    readStandard(ref),
  ])
  // As one text: thousands of cells are written and read several times faster than as thousands of objects.
  return (
    <ConcordanceView
      text={JSON.stringify(concordance)}
      standardText={JSON.stringify(document)}
      reference={ref}
      state={state}
      {...(state === 'draft' || !standard.open ? {} : { drafted: standard.open.version })}
    />
  )
}
