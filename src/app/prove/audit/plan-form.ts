import type { AuditPlan } from '@/core/audit/plan'
import { refFrom } from '@/core/standards/context'

/** What is typed into the plan of an audit, as it is typed. */

export interface TypedScene {
  readonly name: string
  /** As a field for local time has it; empty where it has no beginning or end. */
  readonly from: string
  readonly until: string
  readonly standard: string
  readonly for: string
  readonly speed: string
  readonly distance: string
}

export interface TypedPlan {
  readonly name: string
  readonly scenes: readonly TypedScene[]
  readonly clocks: AuditPlan['clocks']
  readonly whose: AuditPlan['whose']
  readonly isOnlySinceEntered: boolean
}

export const emptyScene = (standard: string): TypedScene => ({
  name: 'All of it',
  from: '',
  until: '',
  standard,
  for: '',
  speed: '',
  distance: '',
})

const two = (n: number): string => String(n).padStart(2, '0')

/** An instant as a field for local time has it. */
export const asLocal = (at: string, withSeconds = false): string => {
  const d = new Date(at)
  const day = `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`
  return `${day}T${two(d.getHours())}:${two(d.getMinutes())}${withSeconds ? `:${two(d.getSeconds())}` : ''}`
}

/** The instant that a field for local time stands for; undefined where it is empty or no time. */
export const fromLocal = (text: string): string | undefined => {
  const date = new Date(text)
  return text === '' || Number.isNaN(date.getTime()) ? undefined : date.toISOString()
}

const amount = (text: string): number | undefined => {
  const n = Number(text.trim().replace(',', '.'))
  return text.trim() !== '' && n > 0 ? n : undefined
}

export const wrongIn = (typed: TypedPlan): readonly string[] => [
  ...(typed.name.trim() ? [] : ['The job needs a name.']),
  ...typed.scenes.flatMap((s, i) => {
    const name = s.name.trim() || `Scene ${i + 1}`
    const [from, until] = [fromLocal(s.from), fromLocal(s.until)]
    return [
      ...(s.name.trim() ? [] : [`Scene ${i + 1} needs a name.`]),
      ...(s.standard ? [] : [`${name}: by which standard?`]),
      ...(from && until && from > until ? [`${name} ends before it begins.`] : []),
      ...((s.speed.trim() || s.distance.trim()) && !(amount(s.speed) && amount(s.distance))
        ? [`${name}: how it moves takes a speed and a distance, both above 0.`]
        : []),
    ]
  }),
]

/** @param at the time zone of this device then is the one that times are told in */
export const planOf = (typed: TypedPlan, at: string | undefined): AuditPlan => ({
  name: typed.name.trim(),
  scenes: typed.scenes.map(s => {
    const [from, until, speed, distance] = [fromLocal(s.from), fromLocal(s.until), amount(s.speed), amount(s.distance)]
    return {
      name: s.name.trim(),
      ...(from ? { from } : {}),
      ...(until ? { until } : {}),
      standard: s.standard,
      for: s.for,
      ...(speed && distance ? { moves: { metresPerSecond: speed, distanceMetres: distance } } : {}),
    }
  }),
  clocks: typed.clocks,
  whose: typed.whose,
  ...(typed.isOnlySinceEntered ? { isOnlySinceEntered: true as const } : {}),
  minutesEast: -(at ? new Date(at) : new Date()).getTimezoneOffset(),
})

export const typedFrom = (plan: AuditPlan): TypedPlan => ({
  name: plan.name,
  scenes: plan.scenes.map(s => ({
    name: s.name,
    from: s.from ? asLocal(s.from) : '',
    until: s.until ? asLocal(s.until) : '',
    standard: refFrom(s.standard).version === undefined ? refFrom(s.standard).id : s.standard,
    for: s.for,
    speed: s.moves ? String(s.moves.metresPerSecond) : '',
    distance: s.moves ? String(s.moves.distanceMetres) : '',
  })),
  clocks: plan.clocks,
  whose: plan.whose,
  isOnlySinceEntered: plan.isOnlySinceEntered === true,
})
