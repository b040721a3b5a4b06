import { type Body, menuPath, type State } from '../bodies'
import { resolve } from '../resolve'
import { type Standard, STANDARD_FORMAT, type Target } from '../standards'
import { planSteps } from '../steps/plan'

/** One change on the way to a stranger's camera or back, in the body's own words. */
export interface HandoverStep {
  readonly path: readonly [tab: string, page: string, row: number]
  readonly setting: string
  readonly to: string
}

export interface Handover {
  readonly there: readonly HandoverStep[]
  readonly back: readonly HandoverStep[]
  /** What the body cannot be brought to do for a stranger. */
  readonly lacking: readonly string[]
}

const wanted = (dimension: string, value: Target['value'], weight: Target['weight'], reason: string): Target => ({
  dimension,
  value,
  weight,
  reason,
})

/**
 * What somebody expects who was never told anything: half-press and it focuses, on whoever is there.
 *
 * @source common practice, no published source
 */
const NEEDED = [
  wanted('trigger.shutter', 'starts-af', 'must', 'Half-press, and it focuses.'),
  wanted(
    'area.pattern',
    { pattern: 'full', width: 1, height: 1, chooser: 'camera' },
    'should',
    'The camera looks for itself.',
  ),
]
const WELCOME = [wanted('subject.class', 'people', 'nice', 'Faces come first.')]

const strangers = (targets: Target[]): Standard => ({
  format: STANDARD_FORMAT,
  id: 'stranger',
  name: 'For a stranger',
  about: 'Works for anybody who picks it up.',
  version: 1,
  layers: [{ id: 'stranger', name: 'For a stranger', targets }],
})

/** More than this nobody does with somebody waiting. */
const FEW_STEPS = 3

const asSteps = (body: Body, from: State, to: State): readonly HandoverStep[] =>
  planSteps(body, from, to).steps.flatMap(step => {
    const setting = body.settings.find(s => s.id === step.setting)
    const option = setting?.options.find(o => o.id === step.to)
    return setting && option ? [{ path: menuPath(body, setting), setting: setting.label, to: option.label }] : []
  })

/**
 * The way from how a body is set to how a stranger can use it, and back again: as little as possible is changed, and
 * detection is left alone where it would take more than three steps.
 *
 * @param body at the firmware that runs
 * @param state what it is set to
 */
export const handoverOf = (body: Body, state: State): Handover => {
  const way = (targets: Target[]): Handover => {
    const found = resolve(body, strangers(targets), { known: state })
    return {
      there: asSteps(body, state, found.state),
      back: asSteps(body, found.state, state),
      lacking: found.outcomes.filter(o => !o.held && o.target.weight !== 'nice').map(o => o.target.reason),
    }
  }
  const whole = way([...NEEDED, ...WELCOME])
  return whole.there.length <= FEW_STEPS ? whole : way([...NEEDED])
}
