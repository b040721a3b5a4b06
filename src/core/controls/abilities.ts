import { type Body, type Control, factoryState, inMenuOrder, type Option, type Setting } from '../bodies'
import { groupsOf, search, searchInput } from '../bodies/search'
import { dimension } from '../vocabulary/dimensions'
import { distance } from '../vocabulary/distance'
import { PLACES } from '../vocabulary/places'
import type { ControlAssignment, PlaceAssignment } from '../vocabulary/values'
import { FUNCTION_IDS, type FunctionId } from '../functions/functions'
import { NEAREST, type Needed, type SchoolId, SCHOOLS } from '../functions/schools'

/** One way to put a function on a control of a body: an option of one of its settings. */
export interface Placement {
  readonly function: FunctionId
  readonly control: string
  readonly setting: string
  readonly option: string
  /** Shares the press with nothing: it is held down, or pressed once for on and once for off. */
  readonly press: 'held' | 'toggled'
  readonly value: ControlAssignment
}

const assignmentsOf = (setting: Setting, option: Option): readonly Placement[] =>
  FUNCTION_IDS.flatMap(f => {
    const value = option.means[f] as ControlAssignment | undefined
    if (!value) return []
    const { control, press = 'held' } = value
    return [{ function: f, control, setting: setting.id, option: option.id, press, value }]
  })

/** Bodies are profiles that never change, so that what they offer, and what their rules allow, is found out once. */
const offered = new WeakMap<Body, readonly Placement[]>()

/** Every way a body offers to put a function on a control. The profile has to be at the firmware that runs. */
export const placementsOf = (body: Body): readonly Placement[] => {
  const found = offered.get(body) ?? inMenuOrder(body).flatMap(s => s.options.flatMap(o => assignmentsOf(s, o)))
  offered.set(body, found)
  return found
}

export type ShutterDoes = 'starts-af' | 'meters-only'

const allowed = new WeakMap<Body, Map<ShutterDoes, readonly Placement[]>>()

/** The ways that a body's rules leave while the shutter does this: some keys take work only in one of its modes. */
export const placementsWith = (body: Body, shutter: ShutterDoes): readonly Placement[] => {
  const known = allowed.get(body) ?? new Map<ShutterDoes, readonly Placement[]>()
  allowed.set(body, known)
  const found = known.get(shutter) ?? placementsOf(body).filter(c => isAllowed(body, shutter, c))
  known.set(shutter, found)
  return found
}

const isAllowed = (body: Body, shutter: ShutterDoes, carry: Placement): boolean => {
  const settings = inMenuOrder(body)
  const index = settings.findIndex(s => s.id === carry.setting)
  const concerned = [index]
  const domains = settings.map((s, i) => {
    if (i === index) return [s.options.findIndex(o => o.id === carry.option)]
    const all = s.options.map((_, k) => k)
    if (!s.options.some(o => o.means['trigger.shutter'] !== undefined)) return all
    concerned.push(i)
    return all.filter(k => s.options[k]?.means['trigger.shutter'] === shutter)
  })
  if (domains.some(d => d.length === 0)) return false
  const input = searchInput({ settings, rules: body.rules, domains, known: factoryState(body), terms: [] })
  const groups = groupsOf(input).filter(g => concerned.some(i => g.settings.includes(i)))
  return search({ ...input, usable: [index] }, groups) !== undefined
}

/** How far what comes with the function on this control is from what is wanted with it, 0 to 1; 0 where nothing is. */
export const bindingDistance = (
  { value }: Placement,
  wanted: Pick<Needed, 'function' | 'area' | 'subject'>,
): number => {
  if (!wanted.area && !wanted.subject) return 0
  const { control: _, ...got } = value
  // In the same place, what is left of the distance is the binding's.
  const place = 'thumb-centre'
  const { area, subject } = wanted
  return distance(
    dimension(wanted.function),
    { place, ...(area ? { area } : {}), ...(subject ? { subject } : {}) } satisfies PlaceAssignment,
    { ...got, place },
  )
}

const isThumb = (control: Control): boolean => PLACES[control.place].finger === 'thumb'

/** The ways a body can do what a school needs. */
const waysFor = (body: Body, carries: readonly Placement[], need: Needed): readonly Placement[] =>
  carries.filter(c => {
    const control = body.controls.find(x => x.id === c.control)
    if (c.function !== need.function || !control || (need.byThumb && !isThumb(control))) return false
    return !need.area || c.value.area !== undefined
  })

/** Whether every need gets a control of its own. */
const canShareOut = (ways: readonly (readonly Placement[])[], taken: ReadonlySet<string> = new Set()): boolean => {
  const [first, ...rest] = ways
  if (!first) return true
  return first.some(c => !taken.has(c.control) && canShareOut(rest, new Set([...taken, c.control])))
}

const offersShutter = (body: Body, does: string): boolean =>
  body.settings.some(s => s.options.some(o => o.means['trigger.shutter'] === does)) ||
  body.fixed.some(f => f.means['trigger.shutter'] === does)

const SHUTTER_WORDS = { 'starts-af': 'starts AF', 'meters-only': 'meters only' } as const

/** Why a body cannot carry a school, in words; empty where it can. */
export const whyNot = (body: Body, school: SchoolId): readonly string[] => {
  const { shutter, needs } = SCHOOLS[school]
  const carries = placementsWith(body, shutter)
  const ways = needs.map(n => waysFor(body, carries, n))
  const reasons: string[] = []
  if (!offersShutter(body, shutter))
    return [shutter === 'meters-only' ? 'AF cannot be taken off the shutter' : 'the shutter cannot start AF']
  needs.forEach((need, i) => {
    if (ways[i]?.length) return
    const label = dimension(need.function).label
    if (waysFor(body, placementsOf(body), need).length) {
      reasons.push(`no thumb control takes ${label} while the shutter ${SHUTTER_WORDS[shutter]}`)
      return
    }
    const bare = waysFor(body, carries, { function: need.function, byThumb: need.byThumb })
    if (bare.length) reasons.push(`${label} cannot have an area of its own on a control`)
    else reasons.push(need.byThumb ? `no thumb control takes ${label}` : `no control takes ${label}`)
  })
  if (reasons.length === 0 && !canShareOut(ways)) {
    const thumbs = new Set(ways.flat().map(c => c.control)).size
    reasons.push(
      `only ${thumbs} ${thumbs === 1 ? 'control' : 'controls'} for ${needs.length} functions that need one each`,
    )
  }
  return reasons
}

export interface SchoolOnBody {
  /** The school asked for, or the nearest the body can carry. */
  readonly school: SchoolId
  /** Why it is not the one that was asked for. */
  readonly why: readonly string[]
  /** What is lost by that. */
  readonly lost: string
}

/** The school a body can carry that is nearest to the one asked for. */
export const schoolOnBody = (body: Body, asked: SchoolId): SchoolOnBody => {
  const why = whyNot(body, asked)
  if (why.length === 0) return { school: asked, why: [], lost: '' }
  const school = NEAREST[asked].find(s => whyNot(body, s).length === 0) ?? 'shutter-start'
  return { school, why, lost: SCHOOLS[school].lost }
}
