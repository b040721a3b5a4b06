import { type Body, inMenuOrder, menuPath, type Setting } from '../bodies'
import { folded, likeness, prepare } from '../language/language'
import type { Meaning } from '../vocabulary/schema'
import type { NeutralValue, Position } from '../vocabulary/values'
import { allOptions, isOfMaker, keyOf, type KnownSetting, type Knowledge, WORK } from './knowledge'
import { figuresIn } from './figures'
import type { Candidate } from './reading'

/** What has been decided on other bodies, and on this one: the same words mean the same again, most of all one maker's. */

/** Between two amounts of a scale, as a ratio. */
const amountBetween = (a: NeutralValue | undefined, b: NeutralValue | undefined, share: number) =>
  typeof a === 'number' && typeof b === 'number' && a > 0 && b > 0
    ? Number((a * Math.pow(b / a, share)).toPrecision(2))
    : share < 0.5
      ? a
      : b

/** The meaning at a place of another body's scale that may lie between two of its steps. */
const meaningAt = (options: readonly { readonly means: Meaning }[], place: number): Meaning => {
  const low = options[Math.floor(place)]?.means ?? {}
  const high = options[Math.ceil(place)]?.means ?? low
  const ids = place % 1 < 0.5 ? Object.keys(low) : Object.keys(high)
  return Object.fromEntries(
    ids.flatMap(id => {
      const value = amountBetween(low[id] ?? high[id], high[id] ?? low[id], place % 1)
      return value === undefined ? [] : [[id, value]]
    }),
  )
}

const isScale = (labels: readonly string[]): boolean =>
  labels.filter(l => figuresIn(l).length > 0).length > labels.length / 2

/** A known setting's meanings for other options: by their words, by their place only where both are scales of steps. */
const borrowed = (
  setting: Setting,
  known: KnownSetting,
): { readonly means: readonly Meaning[]; readonly told: number } => {
  const theirs = known.setting.options
  const n = setting.options.length
  const areScales = isScale(setting.options.map(o => o.label)) && isScale(theirs.map(o => o.label))
  let told = 0
  const means = setting.options.map((o, i): Meaning => {
    const isSameLength = n === theirs.length
    const same = isSameLength || !areScales ? theirs.find(t => folded(t.label) === folded(o.label)) : undefined
    if (same) {
      told++
      return same.means
    }
    if (areScales) {
      told += 0.8
      return meaningAt(theirs, n < 2 ? 0 : (i * (theirs.length - 1)) / (n - 1))
    }
    const label = prepare(o.label)
    let [best, alike] = [-1, 0.6]
    known.optionLabels.forEach((l, k) => {
      const a = likeness(label, l)
      if (a > alike) [best, alike] = [k, a]
    })
    if (best >= 0) told += alike
    return best >= 0 ? (theirs[best]?.means ?? {}) : {}
  })
  return { means, told: told / Math.max(1, n) }
}

/** Which control recalls the resting place is told by each body for itself. */
const withoutRecall = (means: Meaning): Meaning =>
  Object.fromEntries(
    Object.entries(means).map(([id, v]) => {
      if (id !== 'area.home') return [id, v]
      const { x, y } = v as Position
      return [id, { x, y }]
    }),
  )

/** How much a likeness counts: of one maker nearly as it is, of others less, and never for sure by itself. */
const weigh = (alike: number, isKin: boolean, isSame: boolean, told: number): number => {
  if (isKin) return isSame ? 0.8 + 0.18 * told : Math.min(0.78, alike * 0.9)
  return isSame ? Math.min(0.8, 0.45 + 0.4 * told) : Math.min(0.55, alike * 0.65)
}

export const byLearning = (body: Body, setting: Setting, knowledge: Knowledge): readonly Candidate[] => {
  const [label, all] = [prepare(setting.label), allOptions(setting)]
  const page = prepare(menuPath(body, setting)[1])
  const best = new Map<string, Candidate>()
  for (const known of knowledge.settings) {
    if (known.key === WORK) continue
    const isKin = isOfMaker(known, body)
    const name = likeness(label, known.label)
    const words = likeness(all, known.options)
    const shape = Number(known.setting.options.length === setting.options.length)
    const alike = 0.5 * name + 0.32 * words + 0.08 * shape + 0.1 * likeness(page, known.page)
    if (alike < 0.35) continue
    const { means, told } = borrowed(setting, known)
    const isSame = name === 1
    const score = weigh(alike, isKin, isSame, known.key === '' ? Math.max(told, 0.6) : told)
    const former = best.get(known.key)
    if (former && former.score >= score) continue
    best.set(known.key, {
      dimensions: known.key === '' ? [] : known.key.split(' '),
      ...(known.key === '' ? { about: known.setting.unnamed ? ('unnamed' as const) : ('elsewhere' as const) } : {}),
      means: known.key === '' ? setting.options.map(() => ({})) : isKin ? means : means.map(withoutRecall),
      score,
      because: [isSame ? `you read it so on ${known.name}` : `like “${known.setting.label}” on ${known.name}`],
    })
  }
  return [...best.values()]
}

/** What often comes after the setting before it, as a small weight for what it may be about. */
export const afterBefore = (body: Body, setting: Setting, knowledge: Knowledge): ReadonlyMap<string, number> => {
  const onPage = inMenuOrder(body).filter(s => s.at.tab === setting.at.tab && s.at.page === setting.at.page)
  const before = onPage[onPage.findIndex(s => s.id === setting.id) - 1]
  return before && !before.undecided ? (knowledge.after.get(keyOf(before)) ?? new Map()) : new Map()
}
