import { contains, narrowest, withMargin } from '../optics/limiter-range'
import { changesLens, pauseBetween } from './camera-days'
import { findLens, findPerson, findUnit, type JobFacts, LENS_SECONDS, type LensFact } from './facts'
import { thumbOver } from './hands'
import type { Job } from './job'
import { lightAt, lightWords, type SceneLight } from './light'
import type { JobPlan, Station } from './station'
import { overlap, type Standing, type StandingScene } from './standing'

/** What somebody should know before the day, named one by one: nothing is silently left out of a plan. */

export const WARNING_KINDS = {
  'two-places': 'In two places at once',
  nobody: 'Nobody covers it',
  'no-unit': 'No camera for it',
  'must-broken': 'A must that no camera at hand holds',
  'not-reckoned': 'Cannot be reckoned',
  late: 'No time for the change',
  'unknown-person': 'Unknown people',
  'unknown-unit': 'Unknown cameras',
  'unknown-lens': 'Unknown lenses',
  'unknown-standard': 'Unknown standards',
  'odd-time': 'Odd times',
  'no-coordinates': 'Where is that?',
  light: 'Light',
  owed: 'Cards owed',
  hired: 'Hired or lent',
  untested: 'Focus not tested',
  limiter: 'Limiter',
  thumb: 'Thumbs',
  remote: 'Remote cameras',
  battery: 'Batteries',
} as const
export type WarningKind = keyof typeof WARNING_KINDS

export interface Warning {
  readonly kind: WarningKind
  readonly words: string
  readonly scene?: string
  readonly person?: string
  readonly unit?: string
  /** The first standard whose card is owed. */
  readonly standard?: string
  /** Minutes that it takes to put right, where that is known. */
  readonly minutes?: number
}

/** Where the limiter of a lens goes for a scene. */
export interface LimiterAt {
  readonly label: string
  readonly words: string
  /** No position holds all of it. */
  readonly isShort: boolean
}

/** Room at both ends of what was planned. */
const MARGIN = 0.2

/** @returns undefined where nobody said how near and far, or the lens has no limiter */
export const limiterAt = (scene: StandingScene, lens: LensFact | undefined): LimiterAt | undefined => {
  const { near, far } = scene
  if (!lens || (near === undefined && far === undefined) || lens.ranges.length < 2) return undefined
  const plan = withMargin({ near: near ?? far ?? 1, far: far ?? Infinity }, MARGIN)
  const positions = lens.ranges.map(r => ({ label: r.label, near: r.near, far: r.far ?? Infinity }))
  const best = narrowest(positions, plan)
  if (best)
    return {
      label: best.label,
      words: best === positions[0] ? 'limiter off, the whole range' : `limiter at ${best.label}`,
      isShort: false,
    }
  const whole = positions[0]
  const bare = { near: near ?? far ?? 1, far: far ?? Infinity }
  const holds = whole !== undefined && contains(whole, bare)
  return {
    label: whole?.label ?? '',
    words: holds
      ? `limiter off: the whole range, with little room at its ends`
      : `${lens.name} does not focus that near: ${near ?? '?'} m is wanted`,
    isShort: !holds,
  }
}

/** Every 90 minutes of shooting a battery. @source from memory; the maker’s manual goes first */
const MINUTES_PER_BATTERY = 90

const minutesOf = (all: readonly Station[]): number => all.reduce((sum, s) => sum + s.scene.minutes, 0)

/** Of one person. */
export const stationsOf = (plan: JobPlan, person: string): readonly Station[] =>
  plan.stations.filter(s => s.person?.id === person)

export const peopleIn = (plan: JobPlan): readonly { readonly id: string; readonly name: string }[] => [
  ...new Map(plan.stations.flatMap(s => (s.person ? [[s.person.id, s.person] as const] : []))).values(),
]

export const handScenes = (all: readonly Station[]) =>
  all.flatMap(s =>
    s.setUp && s.fit
      ? [
          {
            minutes: s.scene.minutes,
            shooting: s.setUp.shooting,
            following: s.scene.following ?? s.setUp.following,
            school: s.fit.school,
            holdsKey: s.change?.isByThumb ?? false,
          },
        ]
      : [],
  )

export const lightsOf = (job: Job, standing: Standing): ReadonlyMap<string, SceneLight> =>
  new Map(
    standing.scenes.flatMap(s => {
      const light = lightAt(
        s,
        job.places.find(p => p.id === s.place),
      )
      return light ? [[s.id, light] as const] : []
    }),
  )

const aboutScenes = (job: Job, standing: Standing, facts: JobFacts): readonly Warning[] =>
  standing.scenes
    .filter(s => !s.isDropped)
    .flatMap((s): Warning[] => {
      const place = job.places.find(p => p.id === s.place)
      const needsSun = s.place !== undefined && !place?.indoors
      const lost = facts.lost[s.id]
      return [
        ...(s.covers.length === 0 ? [{ kind: 'nobody' as const, scene: s.id, words: `${s.name} has nobody.` }] : []),
        ...(s.odd === 'skipped'
          ? [
              {
                kind: 'odd-time' as const,
                scene: s.id,
                words: `${s.name}: the clock skips ${s.at} that night; it is taken as an hour later.`,
              },
            ]
          : s.odd === 'twice'
            ? [
                {
                  kind: 'odd-time' as const,
                  scene: s.id,
                  words: `${s.name}: ${s.at} comes twice that night; the first is meant.`,
                },
              ]
            : []),
        ...(needsSun && (place?.latitude === undefined || place.longitude === undefined)
          ? [
              {
                kind: 'no-coordinates' as const,
                scene: s.id,
                words: `${place?.name ?? s.place ?? ''} has no coordinates: nothing is known of the sun there.`,
              },
            ]
          : []),
        ...(lost === undefined
          ? []
          : [
              {
                kind: 'unknown-standard' as const,
                scene: s.id,
                words: `${s.name}: no standard “${lost}”; the guide answers instead.`,
              },
            ]),
        ...(s.covers.some(c => c.remote)
          ? [
              {
                kind: 'remote' as const,
                scene: s.id,
                words: `${s.name}: a camera over people needs a safety tether and someone qualified; the venue’s and local rules come first.`,
              },
            ]
          : []),
        ...s.covers.flatMap((c): Warning[] => [
          ...(findPerson(facts.people, c.person)
            ? []
            : [{ kind: 'unknown-person' as const, scene: s.id, words: `Nobody here is called “${c.person}”.` }]),
          ...(c.unit === undefined || findUnit(facts.units, c.unit)
            ? []
            : [
                {
                  kind: 'unknown-unit' as const,
                  scene: s.id,
                  words: `No camera here is called “${c.unit}”; another is chosen.`,
                },
              ]),
          ...(c.lens === undefined || findLens(facts.lenses, c.lens)
            ? []
            : [{ kind: 'unknown-lens' as const, scene: s.id, words: `No lens here is called “${c.lens}”.` }]),
        ]),
      ]
    })

const clashes = (plan: JobPlan): readonly Warning[] =>
  peopleIn(plan).flatMap(person => {
    const mine = stationsOf(plan, person.id)
    return mine.flatMap((s, i) => {
      const other = mine.find((o, j) => j > i && o.scene.id !== s.scene.id && overlap(o.scene, s.scene))
      return other
        ? [
            {
              kind: 'two-places' as const,
              scene: other.scene.id,
              person: person.id,
              words: `${person.name} is at ${s.scene.name} and at ${other.scene.name} at once.`,
            },
          ]
        : []
    })
  })

const aboutStations = (plan: JobPlan, facts: JobFacts): readonly Warning[] =>
  plan.stations.flatMap((s): Warning[] => {
    const who = s.person?.name ?? 'Somebody'
    const at = { scene: s.scene.id, ...(s.person ? { person: s.person.id } : {}) }
    if (!s.unit)
      return [
        { kind: 'no-unit', ...at, words: `${who} has no camera for ${s.scene.name}: none that is free can do it.` },
      ]
    const unit = { ...at, unit: s.unit.id }
    const limiter = limiterAt(s.scene, s.lens)
    const noFit = s.setUp && facts.models.find(m => m.id === s.unit?.model)?.fits[s.setUp.key]
    return [
      ...(typeof noFit === 'string'
        ? [{ kind: 'not-reckoned' as const, ...unit, words: `${s.unit.tag} at ${s.scene.name}: ${noFit}` }]
        : []),
      ...(s.fit?.broken.length
        ? [
            {
              kind: 'must-broken' as const,
              ...unit,
              words: `${s.scene.name}: ${s.unit.tag} does not hold ${s.fit.broken.join(', ')}.`,
            },
          ]
        : []),
      ...(s.change?.isLate
        ? [
            {
              kind: 'late' as const,
              ...unit,
              words: `${s.unit.tag} before ${s.scene.name}: the change takes about ${Math.round(s.change.cost.seconds)} s, and there are ${Math.round(s.change.gapSeconds)} s${s.isOtherLens ? ' once the other lens is on' : ''}.`,
            },
          ]
        : []),
      ...(limiter?.isShort ? [{ kind: 'limiter' as const, ...unit, words: `${s.scene.name}: ${limiter.words}.` }] : []),
    ]
  })

/** Lenses that there is no time to change, even where nothing else is changed. */
const hurriedLenses = (plan: JobPlan): readonly Warning[] =>
  [...new Set(plan.units.map(d => d.unit))].flatMap(unit => {
    const mine = plan.stations.filter(s => s.unit?.id === unit.id).toSorted((a, b) => a.scene.from - b.scene.from)
    return mine.flatMap((next, i): Warning[] => {
      const before = mine[i - 1]
      if (!before || !changesLens(before, next)) return []
      const seconds = Math.max(0, Math.round(pauseBetween(before, next)))
      return seconds >= LENS_SECONDS
        ? []
        : [
            {
              kind: 'late',
              scene: next.scene.id,
              ...(next.person ? { person: next.person.id } : {}),
              unit: unit.id,
              words: `${unit.tag} before ${next.scene.name}: putting ${next.lens?.name ?? 'the lens'} on takes about ${LENS_SECONDS} s, and there are ${seconds} s. Have it on a second camera, or stay with ${before.lens?.name ?? 'what is on'}.`,
            },
          ]
    })
  })

/** Lenses that nobody has tested on the bodies they are used on. */
const untested = (plan: JobPlan, facts: JobFacts): readonly Warning[] => {
  const tags = new Map<string, Set<string>>()
  for (const { lens, unit } of plan.stations) {
    const body = facts.models.find(m => m.id === unit?.model)?.body
    if (!lens || !unit || body === undefined || lens.testedOn.includes(body)) continue
    tags.set(lens.name, (tags.get(lens.name) ?? new Set()).add(unit.tag))
  }
  return [...tags].map(([lens, on]) => ({
    kind: 'untested',
    words: `${lens} on ${[...on].join(', ')}: nobody has tested whether it focuses where it should.`,
  }))
}

/** Whose most cameras are: what belongs to somebody else is lent. */
const houseOf = (facts: JobFacts): string | undefined => {
  const counts = new Map<string, number>()
  for (const u of facts.units) if (u.owner) counts.set(u.owner, (counts.get(u.owner) ?? 0) + 1)
  return [...counts].toSorted((a, b) => b[1] - a[1])[0]?.[0]
}

const aboutUnits = (plan: JobPlan, facts: JobFacts): readonly Warning[] =>
  [...new Set(plan.stations.flatMap(s => s.unit ?? []))].flatMap((unit): Warning[] => {
    const mine = plan.stations.filter(s => s.unit?.id === unit.id)
    const batteries = Math.ceil(minutesOf(mine) / MINUTES_PER_BATTERY)
    const setUps = [...new Map(mine.flatMap(s => (s.setUp ? [[s.setUp.key, s.setUp] as const] : []))).values()]
    const owing = setUps.flatMap(s => {
      const owed = unit.owed[s.key]
      return owed ? [{ name: s.name, standard: s.isGuided ? undefined : s.standard, ...owed }] : []
    })
    const standard = owing.find(o => o.standard !== undefined)?.standard
    const minutes = owing.reduce((sum, o) => sum + o.minutes, 0)
    return [
      ...(owing.length
        ? [
            {
              kind: 'owed' as const,
              unit: unit.id,
              minutes,
              ...(standard === undefined ? {} : { standard }),
              words: `${unit.tag} owes ${owing.length === 1 ? 'its card' : 'cards'} for ${owing.map(o => o.name).join(', ')}: ${minutes} min.`,
            },
          ]
        : []),
      ...(unit.hiredUntil || (unit.owner && unit.owner !== houseOf(facts))
        ? [
            {
              kind: 'hired' as const,
              unit: unit.id,
              minutes: 10,
              words: `${unit.tag} is ${unit.hiredUntil ? `hired until ${unit.hiredUntil}` : `lent by ${unit.owner}`}: ten minutes of drills before the first scene.`,
            },
          ]
        : []),
      ...(batteries > 1
        ? [
            {
              kind: 'battery' as const,
              unit: unit.id,
              words: `${unit.tag}: ${batteries} batteries for ${minutesOf(mine)} min.`,
            },
          ]
        : []),
    ]
  })

const aboutPeople = (plan: JobPlan): readonly Warning[] =>
  peopleIn(plan).flatMap((person): Warning[] => {
    const load = thumbOver(handScenes(stationsOf(plan, person.id)))
    if (!load.isHigh) return []
    const { instead } = load
    return [
      {
        kind: 'thumb',
        person: person.id,
        words: `${person.name} holds a thumb button for ${Math.round(load.heldMinutes)} of ${load.minutes} min.${
          instead ? ` With ${instead.label} it would be ${Math.round(instead.heldMinutes)}.` : ''
        } Rest the hand; pain that stays is for a doctor or a licensed therapist.`,
      },
    ]
  })

const aboutLight = (job: Job, standing: Standing): readonly Warning[] =>
  [...lightsOf(job, standing)].flatMap(([scene, light]) => {
    const name = standing.scenes.find(s => s.id === scene && !s.isDropped)?.name
    return light.advice && name !== undefined
      ? [{ kind: 'light' as const, scene, words: `${name}: ${lightWords(light)}` }]
      : []
  })

/** Everything there is to say, each once; what would stop the day first. */
export const warningsOf = (job: Job, standing: Standing, facts: JobFacts, plan: JobPlan): readonly Warning[] => {
  const all = [
    ...clashes(plan),
    ...aboutScenes(job, standing, facts),
    ...aboutStations(plan, facts),
    ...hurriedLenses(plan),
    ...untested(plan, facts),
    ...aboutUnits(plan, facts),
    ...aboutPeople(plan),
    ...aboutLight(job, standing),
  ]
  const order = Object.keys(WARNING_KINDS)
  const once = new Map(all.map(w => [`${w.kind} ${w.words}`, w]))
  return [...once.values()].toSorted((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind))
}
