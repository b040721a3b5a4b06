import { demoStandards } from '../../src/demo/world'
import { type Line, sendTo } from './measure'

interface Profile {
  readonly about?: string
}

/** Two people at the same moment: one is told. */
export const races = async (base: string, rounds: number): Promise<readonly Line[]> => {
  const get = async <T>(path: string) => (await (await fetch(base + path)).json()) as T
  const settled = (both: readonly Response[]) =>
    both
      .map(r => r.status)
      .sort()
      .join()
  const counts = new Map<string, number>()
  const count = (what: string, isRight: boolean) => counts.set(what, (counts.get(what) ?? 0) + (isRight ? 1 : 0))
  let revision = 1
  for (let i = 0; i < rounds; i++) {
    const document = await get<Profile>('/api/v1/bodies/linnet')
    const edit = (hand: string) =>
      sendTo(base, 'PUT', '/api/v1/bodies/linnet', {
        document: { ...document, about: `${hand} ${i}` },
        revision,
        what: 'described',
      })
    count('edits of one profile', settled(await Promise.all([edit('Anna'), edit('Bruno')])) === '200,409')
    revision++
    const [made] = demoStandards()
    const one = { ...made, id: `raced-${i}`, name: `Raced ${i}`, version: 1 }
    const other = { ...one, layers: one.layers?.map(l => ({ ...l, targets: l.targets.slice(1) })) }
    const take = (standard: object) => sendTo(base, 'POST', '/api/v1/standards?file=r.json', standard)
    const taken = settled(await Promise.all([take(one), take(other)]))
    count('one standard from two files', taken === '201,409')
    const units = await get<{ units: readonly { id: string; tag: string; revision: number }[] }>('/api/v1/units')
    const unit = units.units.find(u => u.id === 'tsp-s1')
    const { id: _, revision: seen, modelName: __, ...fields } = { modelName: '', ...unit } as Record<string, unknown>
    const note = (notes: string) =>
      sendTo(base, 'PUT', '/api/v1/units/tsp-s1', { unit: { ...fields, notes }, revision: seen })
    count('edits of one unit', settled(await Promise.all([note(`A${i}`), note(`B${i}`)])) === '200,409')
  }
  return [...counts].map(([what, right]) => ({
    what: `${rounds} races: ${what}`,
    measured: `${right} settled with one told`,
    goal: `${rounds}`,
    holds: right === rounds,
  }))
}
