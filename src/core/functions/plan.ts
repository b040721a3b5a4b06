import * as v from 'valibot'
import { FUNCTION_IDS, type FunctionId, USUAL } from './functions'
import { PLACE_IDS } from '../vocabulary/places'
import { SCHOOL_IDS, type SchoolId, SCHOOLS } from './schools'

/**
 * What a team's fingers should do, and the maps that came of it. It is part of a standard and goes through its versions
 * with it.
 */

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(60))
const functionId = v.picklist(FUNCTION_IDS)
const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1))

const useSchema = v.strictObject({
  function: functionId,
  /** Uses in an hour of shooting. */
  perHour: v.pipe(v.number(), v.minValue(0), v.maxValue(3600)),
  /** Length of each use; 0 for a tap. */
  secondsEach: v.pipe(v.number(), v.minValue(0), v.maxValue(3600)),
  /** Has to be reached while the index finger rests on the shutter. */
  withIndexOnShutter: v.boolean(),
})
export type PlannedUse = v.InferOutput<typeof useSchema>

const pinSchema = v.strictObject({ body: id, function: functionId, control: id })
/** A function that must be on this control of this body. */
export type Pin = v.InferOutput<typeof pinSchema>

export const FINGERS = ['thumb', 'index', 'ring', 'left'] as const

export const sessionSchema = v.strictObject({
  minutes: v.pipe(v.number(), v.minValue(0), v.maxValue(1440)),
  shootingShare: share,
  followingShare: share,
  secondShare: share,
  longestFollowSeconds: v.pipe(v.number(), v.minValue(0), v.maxValue(3600)),
  longestLockSeconds: v.pipe(v.number(), v.minValue(0), v.maxValue(3600)),
})

const mapSchema = v.strictObject({ body: id, at: v.record(functionId, id) })
/** The control of each function on one body; a function that is not named has none. */
export type StoredMap = v.InferOutput<typeof mapSchema>

export const planSchema = v.strictObject({
  school: v.picklist(SCHOOL_IDS),
  /** Bodies that take another school, since they cannot carry this one. */
  schools: v.optional(v.record(id, v.picklist(SCHOOL_IDS)), {}),
  uses: v.pipe(
    v.array(useSchema),
    v.check(uses => new Set(uses.map(u => u.function)).size === uses.length, 'expected every function only once'),
  ),
  /** Pairs that follow each other in one sliding motion. */
  slides: v.array(v.strictObject({ from: functionId, to: functionId })),
  /** What it weighs that a function is not in its house place, and that it moved against today; 1 is as usual. */
  consistency: v.pipe(v.number(), v.minValue(0), v.maxValue(10)),
  relearning: v.pipe(v.number(), v.minValue(0), v.maxValue(10)),
  hand: v.picklist(['right', 'left']),
  /** Fingers that must not hold for longer than this. */
  limits: v.array(
    v.strictObject({ finger: v.picklist(FINGERS), seconds: v.pipe(v.number(), v.minValue(0), v.maxValue(3600)) }),
  ),
  pins: v.pipe(v.array(pinSchema), v.maxLength(500)),
  /** The team's session, and those of people who work otherwise. */
  session: sessionSchema,
  sessions: v.pipe(
    v.array(v.strictObject({ person: id, session: sessionSchema })),
    v.check(all => new Set(all.map(s => s.person)).size === all.length, 'expected every person only once'),
  ),
  /** The house place of each function, and the maps that came of it; empty until they are kept. */
  house: v.record(functionId, v.picklist(PLACE_IDS)),
  maps: v.pipe(v.array(mapSchema), v.maxLength(500)),
})
export type Plan = v.InferOutput<typeof planSchema>

/** What has to be within reach while the index finger rests on the shutter: all that is pressed during a passage. */
const isUsedDuringAPassage = (f: FunctionId): boolean =>
  (f.startsWith('trigger.') && f !== 'trigger.manual') || f === 'area.recall' || f === 'subject.cycle'

export const plannedUse = (f: FunctionId): PlannedUse => ({
  function: f,
  ...(USUAL[f] ?? { perHour: 10, secondsEach: 0 }),
  withIndexOnShutter: isUsedDuringAPassage(f),
})

const neededBy = (school: SchoolId): readonly FunctionId[] => SCHOOLS[school].needs.map(n => n.function)

/** The school a body goes by. */
export const schoolFor = ({ school, schools }: Pick<Plan, 'school' | 'schools'>, body: string): SchoolId =>
  schools[body] ?? school

/** The functions of a plan that one of its schools asks for: what only another school needs is not among them. */
export const usesIn = (plan: Plan, school: SchoolId): readonly PlannedUse[] => {
  const others = [plan.school, ...Object.values(plan.schools)].flatMap(neededBy)
  return plan.uses.filter(u => neededBy(school).includes(u.function) || !others.includes(u.function))
}

/** The same plan with other schools: the functions that only a former one needs go, and what the new ones need comes. */
const fitted = (plan: Plan, next: Pick<Plan, 'school' | 'schools'>): Plan => {
  const needed = (p: Pick<Plan, 'school' | 'schools'>) => [p.school, ...Object.values(p.schools)].flatMap(neededBy)
  const kept = plan.uses.filter(u => !needed(plan).includes(u.function) || needed(next).includes(u.function))
  const added = [...new Set(needed(next))].filter(f => !kept.some(u => u.function === f))
  const uses = [...added.map(plannedUse), ...kept]
  const isUsed = (f: FunctionId) => uses.some(u => u.function === f)
  const slides = plan.slides.filter(s => isUsed(s.from) && isUsed(s.to))
  return {
    ...plan,
    ...next,
    uses,
    slides: plan.slides.length && !slides.length ? lockAndHold(uses.map(u => u.function)) : slides,
    pins: plan.pins.filter(p => isUsed(p.function)),
  }
}

/** Locking focus and sliding on to exposure hold, with whatever locks focus among these functions. */
const lockAndHold = (functions: readonly FunctionId[]): Plan['slides'] => {
  const lock = ['trigger.stop', 'trigger.start'].find(f => functions.includes(f))
  return lock && functions.includes('meter.lock') ? [{ from: lock, to: 'meter.lock' }] : []
}

/** A plan to begin with: the school's functions, and exposure hold within a slide of the lock. */
export const planFor = (school: SchoolId): Plan => {
  const functions = [...neededBy(school), 'meter.lock']
  return {
    school,
    schools: {},
    uses: functions.map(plannedUse),
    slides: lockAndHold(functions),
    consistency: 1,
    relearning: 1,
    hand: 'right',
    limits: [],
    pins: [],
    session: {
      minutes: 180,
      shootingShare: 0.5,
      followingShare: 0.6,
      secondShare: 0.2,
      longestFollowSeconds: 20,
      longestLockSeconds: 10,
    },
    sessions: [],
    house: {},
    maps: [],
  }
}

/** The same plan in another school: what was typed stays, and the maps are to be found anew. */
export const withSchool = (plan: Plan, school: SchoolId): Plan =>
  plan.school === school ? plan : { ...fitted(plan, { school, schools: {} }), house: {}, maps: [] }

/** The same plan with one body in another school, whose map is to be found anew. */
export const withSchoolOn = (plan: Plan, body: string, school: SchoolId): Plan => {
  const { [body]: _, ...rest } = plan.schools
  const next = fitted(plan, {
    school: plan.school,
    schools: school === plan.school ? rest : { ...rest, [body]: school },
  })
  return {
    ...next,
    pins: next.pins.filter(p => p.body !== body || usesIn(next, school).some(u => u.function === p.function)),
    maps: next.maps.filter(m => m.body !== body),
  }
}

/** The plan without a function, wherever it is named. */
export const withoutFunction = (plan: Plan, f: FunctionId): Plan => ({
  ...plan,
  uses: plan.uses.filter(u => u.function !== f),
  slides: plan.slides.filter(s => s.from !== f && s.to !== f),
  pins: plan.pins.filter(p => p.function !== f),
})

/** Keeps maps with their house places; bodies that are not among them keep the maps they had. */
export const withMaps = (plan: Plan, maps: readonly StoredMap[], house: Plan['house']): Plan => ({
  ...plan,
  house,
  maps: [...plan.maps.filter(m => !maps.some(x => x.body === m.body)), ...maps],
})

/** Pins a function of a body to a control, or takes its pin out. */
export const withPin = (plan: Plan, body: string, f: FunctionId, control: string | undefined): Plan => ({
  ...plan,
  pins: [
    ...plan.pins.filter(p => p.body !== body || p.function !== f),
    ...(control ? [{ body, function: f, control }] : []),
  ],
})

/** A person's own session, the team's where they have none. */
export const sessionOf = (plan: Pick<Plan, 'session' | 'sessions'>, person: string): Plan['session'] =>
  plan.sessions.find(s => s.person === person)?.session ?? plan.session
