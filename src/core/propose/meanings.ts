import type { Body, Setting } from '../bodies'
import { folded, likeness, prepare } from '../language/language'
import { findDimension, isSigned } from '../vocabulary/dimensions'
import type { Meaning } from '../vocabulary/schema'
import { typicalArea } from '../vocabulary/typical'
import type { Area, NeutralValue, Position } from '../vocabulary/values'
import type { Evidence } from './evidence'
import { hasFigures, isOfMaker, type KnownSetting } from './knowledge'
import { flagsByWords, settledByWords, valuesByWords } from './values'

/** What each option of a setting would mean, once it is settled what the setting is about. */

/** Between two amounts of a scale, as a ratio. */
const amountBetween = (
  a: NeutralValue | undefined,
  b: NeutralValue | undefined,
  share: number,
): NeutralValue | undefined =>
  typeof a === 'number' && typeof b === 'number' && a > 0 && b > 0
    ? Number((a * Math.pow(b / a, share)).toPrecision(2))
    : share < 0.5
      ? a
      : b

/** The meaning at a place of another body's list that may lie between two of its options. */
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

/** A known setting's meanings for other options: by their words, else by their place in the list. */
const borrowed = (setting: Setting, known: KnownSetting): readonly Meaning[] => {
  const theirs = known.setting.options
  const n = setting.options.length
  const scaled = hasFigures(setting.options.map(o => o.label))
  return setting.options.map((o, i): Meaning => {
    const same = n === theirs.length || !scaled ? theirs.find(t => folded(t.label) === folded(o.label)) : undefined
    if (same) return same.means
    const label = prepare(o.label)
    let [best, alike] = [-1, 0.6]
    if (!scaled)
      known.optionLabels.forEach((l, k) => {
        const a = likeness(label, l)
        if (a > alike) [best, alike] = [k, a]
      })
    return best >= 0 ? (theirs[best]?.means ?? {}) : meaningAt(theirs, n < 2 ? 0 : (i * (theirs.length - 1)) / (n - 1))
  })
}

const withFigures = (setting: Setting, key: string, means: readonly Meaning[]): readonly Meaning[] => {
  const d = findDimension(key)
  if (d?.kind !== 'physical') return means
  const labels = setting.options.map(o => o.label)
  const isPlain = isSigned(d) || d.unit === 's' || d.unit === 'frames/s'
  if (!isPlain || !hasFigures(labels) || labels.some(l => /\bof\b|^[^\d]*[-+−]/.test(l) && !isSigned(d))) return means
  const values = valuesByWords(d, setting.label, labels)
  return values.every(v => v !== undefined) ? values.map(v => ({ [key]: v })) : means
}

/** An area on the list is the area of that name on this body. */
const offeredArea = (body: Body, setting: Setting): Area | undefined => {
  const label = prepare(setting.label)
  const areas = body.settings.flatMap(s =>
    s.options.flatMap(o => {
      const area = o.means['area.pattern'] as Area | undefined
      return area ? [{ area, alike: likeness(label, prepare(o.label)) }] : []
    }),
  )
  return areas.sort((a, b) => b.alike - a.alike)[0]?.area
}

/** One meaning for each option: by its own words where they settle it, else by the nearest list that is known. */
export const meansFor = (body: Body, setting: Setting, key: string, evidence: Evidence): readonly Meaning[] => {
  if (key === '') return setting.options.map(() => ({}))
  if (key === 'area.offered') {
    const area = offeredArea(body, setting) ?? typicalArea('point')
    const model = evidence.model && borrowed(setting, evidence.model)
    const own = flagsByWords(setting.options.map(o => o.label))
    return setting.options.map((_, i): Meaning => {
      const isOffered = model ? model[i]?.[key] !== undefined : own[i]
      return isOffered ? { [key]: [area] } : {}
    })
  }
  const d = findDimension(key)
  const words = d
    ? valuesByWords(
        d,
        setting.label,
        setting.options.map(o => o.label),
      ).map((v): Meaning => (v === undefined ? {} : { [key]: v }))
    : undefined
  const labels = setting.options.map(o => o.label)
  const isSettled = d !== undefined && !evidence.sure && settledByWords(d, labels)
  if (!evidence.model || isSettled) return words ?? setting.options.map(() => ({}))
  const theirs = borrowed(setting, evidence.model)
  // Where another body leaves an option open, the option's own words may still tell.
  const filled = theirs.map((m, i) => (Object.keys(m).length || !words ? m : (words[i] ?? m)))
  const isKin = isOfMaker(evidence.model, body)
  return withFigures(setting, key, isKin || evidence.sure ? theirs : filled.map(withoutRecall))
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
