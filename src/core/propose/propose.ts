import { accepts, type Body, type Control, decided, editSetting, inMenuOrder, type Setting } from '../bodies'
import { findDimension, isSigned } from '../vocabulary/dimensions'
import type { ControlAssignment } from '../vocabulary/values'
import {
  byElsewhere,
  byNeighbours,
  byOrder,
  byOthers,
  byWhatIsTaken,
  byWords,
  type Evidence,
  REPEATED,
} from './evidence'
import { byWork } from './key-work'
import { type Knowledge, knownOf, WORK } from './knowledge'
import { meansFor } from './meanings'
import type { Reading } from './reading'

/**
 * Proposed meanings for settings nobody has decided yet. Evidence comes from the words of the label and the options,
 * their number and order, the neighbours in the menu, and what other profiles call the same; a maker's own words
 * count most. A proposal says why; only a person accepts it.
 */

/** Scales run either way and their words seldom tell: the other direction is offered beside the first. */
const turned = (setting: Setting, reading: Reading): Reading | undefined => {
  const [id, ...more] = reading.dimensions
  const d = id === undefined ? undefined : findDimension(id)
  if (!d || more.length || setting.options.length < 2) return undefined
  const isScale = d.kind === 'scale' || d.kind === 'flag' || (d.kind === 'physical' && !isSigned(d))
  const means = [...reading.means].reverse()
  if (!isScale || JSON.stringify(means) === JSON.stringify(reading.means)) return undefined
  return { ...reading, means, score: reading.score * 0.72, because: ['the same, running the other way'] }
}

/** Readings of one setting, likeliest first; "nothing to do with focus" is always among them. */
export const proposeFor = (body: Body, setting: Setting, others: Knowledge): readonly Reading[] => {
  // What has been decided on this body already is known as well, and is of its maker.
  const knowledge = { ...others, settings: [...others.settings, ...knownOf(body).filter(k => REPEATED.has(k.key))] }
  const evidence = new Map<string, Evidence>()
  const options = setting.options.map(o => o.label)
  byWords(setting, options, evidence)
  byOthers(body, setting, options, knowledge, evidence)
  byElsewhere(setting, evidence)
  byOrder(body, setting, knowledge, evidence)
  const work = byWork(body, setting, knowledge, evidence)
  byNeighbours(body, setting, evidence)
  byWhatIsTaken(body, setting, evidence)
  const readings = [...evidence].flatMap(([key, e]): readonly Reading[] => {
    const shared = { score: e.score + (e.sure ? 1 : 0), because: [...new Set(e.because)].slice(0, 3) }
    if (key === WORK) return [{ ...work, ...shared }]
    const reading = { dimensions: key === '' ? [] : key.split(' '), means: meansFor(body, setting, key, e), ...shared }
    const other = e.model && e.score > 0.8 ? undefined : turned(setting, reading)
    return other ? [reading, other] : [reading]
  })
  const ranked = readings
    .filter(r => r.dimensions.length === 0 || r.means.some(m => Object.keys(m).length > 0))
    .sort((a, b) => b.score - a.score)
  const nothing = ranked.find(r => r.dimensions.length === 0)
  const first = ranked.slice(0, 6)
  return nothing && !first.includes(nothing) ? [...first, nothing] : first
}

/** Readings of every setting that nobody has decided, in menu order. */
export const proposeAll = (body: Body, knowledge: Knowledge): ReadonlyMap<string, readonly Reading[]> =>
  new Map(
    inMenuOrder(body)
      .filter(s => s.undecided)
      .map(s => [s.id, proposeFor(body, s, knowledge)]),
  )

/** A control that a menu gives work to accepts that work, whatever was written down before. */
const acceptingWork = (control: Control, reading: Reading): Control => {
  const given = reading.means.flatMap(m =>
    Object.keys(m).filter(id => (m[id] as Partial<ControlAssignment>).control === control.id),
  )
  const missing = [...new Set(given)].filter(id => !accepts(control, id))
  return missing.length ? { ...control, functions: [...control.functions, ...missing] } : control
}

/** The body once a person has accepted a reading. */
export const acceptReading = (body: Body, settingId: string, reading: Reading): Body => {
  const { control } = reading
  const isNew = control && !body.controls.some(c => c.id === control.id)
  const controls = (isNew ? [...body.controls, control] : body.controls).map(c => acceptingWork(c, reading))
  return editSetting({ ...body, controls }, settingId, s => ({
    ...decided(s),
    options: s.options.map((o, i) => ({ ...o, means: { ...(reading.means[i] ?? {}) } })),
  }))
}

export { type Knowledge, knowledgeOf } from './knowledge'
export type { Reading } from './reading'
