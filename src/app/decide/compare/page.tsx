import { Beginning } from '@/app/Beginning'
import { orNotFound } from '@/app/or-not-found'
import { inHandOf, param, type SearchParams } from '@/app/search-params'
import { sideBySide, twoSelections } from '@/server/comparison'
import { readInHand } from '@/server/concordance'
import { CompareView } from './CompareView'

export const metadata = { title: 'Compare' }

export default async function ComparePage({ searchParams }: { searchParams: SearchParams }) {
  const asked = await inHandOf(searchParams)
  const { standards, bodies, ref, chosen, all } = await readInHand(asked)
  if (!ref || bodies.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={standards.length > 0} />
  const [before, after, left, right] = await Promise.all(
    ['before', 'after', 'left', 'right'].map(name => param(searchParams, name)),
  )
  const known = (text: string | undefined) => text?.split(',').filter(id => bodies.some(b => b.id === id)) ?? []
  const isSelections = left !== undefined || right !== undefined
  const ids = all ? undefined : chosen.map(b => b.id)
  const [one, other] = [before ?? standards.find(s => `${s.id}` !== ref)?.id ?? ref, after ?? ref]
  return (
    <CompareView
      standards={standards}
      bodies={bodies.map(({ id, maker, model }) => ({ id, maker, model }))}
      before={one}
      after={other}
      comparison={isSelections ? undefined : await orNotFound(sideBySide(one, other, ids, asked.for))}
      left={known(left)}
      right={known(right)}
      selections={isSelections ? await orNotFound(twoSelections(ref, known(left), known(right), asked.for)) : undefined}
    />
  )
}
