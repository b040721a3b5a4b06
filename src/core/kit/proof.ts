import type { Body, Rule, State } from '../bodies'
import { availability } from '../bodies/availability'
import type { ControlAssignment } from '../vocabulary/values'

/** A trial on the body itself: what to do, and what has to happen. */
export interface Proof {
  readonly id: string
  readonly words: string
}

/**
 * A short proof that a body does what its settings say: press, look, listen.
 *
 * @param body at the firmware that runs
 * @source common practice, no published source
 */
export const proofsOf = (body: Body, state: State): readonly Proof[] => {
  const greyed = availability(body, state).unavailable
  const inEffect = body.settings.flatMap(s => {
    const option = s.options.find(o => o.id === state[s.id])
    return option && !greyed.has(s.id) ? [{ setting: s, option }] : []
  })
  const control = (value: unknown) => {
    const { control: id } = value as ControlAssignment
    return body.controls.find(c => c.id === id)?.label ?? id
  }
  const proofs: Proof[] = []
  for (const { option } of inEffect) {
    const means = option.means
    const shutter = means['trigger.shutter']
    if (shutter === 'meters-only') proofs.push({ id: 'shutter', words: 'Half-press the shutter: nothing may focus.' })
    if (shutter === 'starts-af') proofs.push({ id: 'shutter', words: 'Half-press the shutter: it focuses.' })
    if (means['trigger.start'])
      proofs.push({ id: 'start', words: `Hold ${control(means['trigger.start'])}: it focuses, and follows your hand.` })
    if (means['trigger.second'])
      proofs.push({
        id: 'second',
        words: `Hold ${control(means['trigger.second'])} with a face in the frame: it finds the face.`,
      })
    if (means['trigger.stop'])
      proofs.push({ id: 'stop', words: `Focus, hold ${control(means['trigger.stop'])} and swing away: focus stays.` })
    if (means['meter.lock'])
      proofs.push({
        id: 'lock',
        words: `Point at something bright, press ${control(means['meter.lock'])} and swing away: the exposure stays.`,
      })
    if (means['see.tone'] === false) proofs.push({ id: 'tone', words: 'Let it focus: no sound.' })
    if (means['see.lamp'] === false) proofs.push({ id: 'lamp', words: 'Cover the lens and let it focus: no lamp.' })
  }
  const seen = new Set<string>()
  return proofs.filter(p => !seen.has(p.id) && seen.add(p.id))
}

/** The rows around a setting on its menu page, in the body's own words. */
export const neighboursOf = (
  body: Body,
  settingId: string,
): readonly { readonly label: string; readonly row: number; readonly isIt: boolean }[] => {
  const setting = body.settings.find(s => s.id === settingId)
  if (!setting) return []
  return body.settings
    .filter(s => s.at.tab === setting.at.tab && s.at.page === setting.at.page)
    .sort((a, b) => a.at.row - b.at.row)
    .map(s => ({ label: s.label, row: s.at.row, isIt: s.id === settingId }))
}

/** A rule that keeps a setting from being changed, and what has to be set first to be free of it. */
export interface Block {
  readonly rule: string
  /** In the body's own words. */
  readonly first: readonly string[]
  /** The same as settings and the options that free it. */
  readonly frees: readonly { readonly setting: string; readonly options: readonly string[] }[]
}

/**
 * What keeps a setting from being changed in a state.
 *
 * @param unseen settings that may be at anything: a rule that would need one of them may well be what it is
 */
export const blockedBy = (
  body: Body,
  state: State,
  settingId: string,
  unseen: ReadonlySet<string> = new Set(),
): readonly Block[] => {
  const fired = availability(body, state).unavailable.get(settingId) ?? []
  const may = (r: Rule) =>
    r.then.effect === 'unavailable' &&
    r.then.setting === settingId &&
    r.when.every(c => unseen.has(c.setting) || c.is.includes(state[c.setting] ?? ''))
  return body.rules
    .filter(r => fired.includes(r) || may(r))
    .map(rule => {
      const frees = rule.when.flatMap(c => {
        const options = body.settings.find(s => s.id === c.setting)?.options.filter(o => !c.is.includes(o.id)) ?? []
        return options.length ? [{ setting: c.setting, options }] : []
      })
      const label = (id: string) => body.settings.find(s => s.id === id)?.label ?? id
      return {
        rule: rule.words,
        first: frees.map(f => `${label(f.setting)}: ${f.options.map(o => o.label).join(' or ')}`),
        frees: frees.map(f => ({ setting: f.setting, options: f.options.map(o => o.id) })),
      }
    })
}
