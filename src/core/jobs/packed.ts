import type { JobFacts, Model, Walk } from './facts'

/**
 * Facts as a page carries them to a device. Walks are many (every set-up to every other, on every model), so each is
 * written in a few signs; what is alike on several models is written once.
 */

type Walks = Model['walks']

/** What two firmwares of a body, or bodies of one kind, have in common more often than not. */
const SHARED = ['fits', 'walks', 'rests', 'rows', 'keys', 'cautions'] as const
type Shared = (typeof SHARED)[number]

interface Packed {
  readonly facts: Omit<JobFacts, 'models'>
  /** Each with what is its own, and where each of what may be shared stands below; -1 where it has none. */
  readonly models: readonly (readonly [own: Omit<Model, Shared>, at: readonly number[]])[]
  readonly shared: readonly string[]
}

/** `50 64 0.2 3.1`: presses, seconds, then row and option of each step. */
const walkText = ({ presses, seconds, steps }: Walk): string =>
  [presses, seconds, ...steps.map(step => step.join('.'))].join(' ')

const walkFrom = (text: string): Walk => {
  const [presses, seconds, ...steps] = text.split(' ')
  return {
    presses: Number(presses),
    seconds: Number(seconds),
    steps: steps.map(step => {
      const [row, option] = step.split('.')
      return [Number(row), Number(option)] as const
    }),
  }
}

/** What was written and read last: walks are looked at again and again, and change seldom. */
const written = new WeakMap<Walks, { readonly keys: string; readonly text: string }>()
const read = new Map<string, Walks>()
const MOST_READ = 100

/** A line for each set-up that walks begin at, with a field for each that they lead to. */
const walksText = (walks: Walks, keys: readonly string[]): string => {
  const last = written.get(walks)
  const by = keys.join('\n')
  if (last?.keys === by) return last.text
  const text = keys
    .map(from => keys.map(to => (walks[from]?.[to] ? walkText(walks[from][to]) : '')))
    .map(fields => fields.join(','))
    .join('\n')
  written.set(walks, { keys: by, text })
  return text
}

const walksFrom = (text: string, keys: readonly string[]): Walks => {
  const name = [...keys, text].join('\n')
  const last = read.get(name)
  if (last) return last
  const walks = Object.fromEntries(
    text.split('\n').flatMap((line, at) => {
      const to = line.split(',').flatMap((field, i) => (field ? [[keys[i] ?? '', walkFrom(field)] as const] : []))
      return to.length ? [[keys[at] ?? '', Object.fromEntries(to)] as const] : []
    }),
  )
  for (const oldest of read.keys()) {
    if (read.size < MOST_READ) break
    read.delete(oldest)
  }
  read.set(name, walks)
  return walks
}

const areWalks = (part: Shared): part is 'walks' | 'rests' => part === 'walks' || part === 'rests'

const without = (model: Model): Omit<Model, Shared> =>
  Object.fromEntries(Object.entries(model).filter(([name]) => !SHARED.includes(name as Shared))) as Omit<Model, Shared>

/** @returns text that {@link unpackFacts} reads; walks lead from set-up to set-up of these facts */
export const packFacts = ({ models, ...facts }: JobFacts): string => {
  const keys = facts.setUps.map(s => s.key)
  const shared = new Map<string, number>()
  const placeOf = (model: Model, part: Shared): number => {
    const text = areWalks(part) ? walksText(model[part], keys) : JSON.stringify(model[part])
    if (text === undefined) return -1
    const at = shared.get(text) ?? shared.size
    shared.set(text, at)
    return at
  }
  const packed = models.map(m => [without(m), SHARED.map(part => placeOf(m, part))] as const)
  return JSON.stringify({ facts, models: packed, shared: [...shared.keys()] } satisfies Packed)
}

/** Facts as {@link packFacts} wrote them; what models share is one thing in all of them. */
export const unpackFacts = (text: string): JobFacts => {
  const { facts, models, shared } = JSON.parse(text) as Packed
  const keys = facts.setUps.map(s => s.key)
  const found = new Map<string, unknown>()
  const read = (part: Shared, at: number): unknown => {
    const name = `${part} ${at}`
    const said = shared[at] ?? ''
    if (!found.has(name)) found.set(name, areWalks(part) ? walksFrom(said, keys) : JSON.parse(said))
    return found.get(name)
  }
  return {
    ...facts,
    models: models.map(([own, at]) => {
      const parts = SHARED.flatMap((part, i) => ((at[i] ?? -1) < 0 ? [] : [[part, read(part, at[i] ?? 0)] as const]))
      return { ...own, ...(Object.fromEntries(parts) as Pick<Model, Shared>) }
    }),
  }
}
