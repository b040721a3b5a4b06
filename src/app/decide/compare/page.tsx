import { Beginning } from '@/app/Beginning'
import { orNotFound } from '@/server/or-not-found'
import { inHandOf, param, type SearchParams } from '@/app/search-params'
import { schoolsOf } from '@/core/guide/guide'
import { refFrom } from '@/core/standards'
import { sideBySide, twoSchools, twoSelections } from '@/server/comparison'
import { readInHand } from '@/server/concordance'
import { CompareView } from './CompareView'

export const metadata = { title: 'Compare' }

export default async function ComparePage({ searchParams }: { searchParams: SearchParams }) {
  const asked = await inHandOf(searchParams)
  const { standards, bodies, ref, chosen, all } = await readInHand(asked)
  if (!ref || bodies.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={standards.length > 0} />
  const named = async (name: string) => param(searchParams, name)
  const ids = all ? undefined : chosen.map(b => b.id)
  const known = (text: string | undefined) => text?.split(',').filter(id => bodies.some(b => b.id === id)) ?? []
  const choices = { standards, bodies: bodies.map(({ id, model }) => ({ id, label: model })) }

  const [left, right] = [await named('left'), await named('right')]
  if (left !== undefined || right !== undefined) {
    const selections = await orNotFound(twoSelections(ref, known(left), known(right), asked.for))
    return <CompareView {...choices} shown={{ kind: 'bodies', left: known(left), right: known(right), selections }} />
  }
  const topic = await named('topic')
  if (topic !== undefined) {
    const schools = schoolsOf(topic).flatMap(p => p.school ?? [])
    const [one = '', other = ''] = [(await named('one')) ?? schools[0], (await named('other')) ?? schools[1]]
    const comparison = await orNotFound(twoSchools(ref, topic, [one, other], ids, asked.for))
    return <CompareView {...choices} shown={{ kind: 'schools', topic, one, other, comparison }} />
  }
  const before = (await named('before')) ?? standards.find(s => s.id !== refFrom(ref).id)?.id ?? ref
  const after = (await named('after')) ?? ref
  const comparison = await orNotFound(sideBySide(before, after, ids, asked.for))
  return <CompareView {...choices} shown={{ kind: 'standards', before, after, comparison }} />
}
