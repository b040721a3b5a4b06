import { FORBIDDEN } from '../numeric/assignment'
import { assign } from './assign'
import type { Need } from './assign-board'
import { type Bare, withSlots } from './camera-days'
import {
  findLens,
  findPerson,
  findUnit,
  type Fit,
  type JobFacts,
  type LensFact,
  type SetUp,
  type UnitFact,
} from './facts'
import type { Job } from './job'
import { overlap, type Standing, type StandingScene } from './standing'
import { type Choice, type JobPlan, plannedAt, type Underway } from './station'

/** Who covers what with which unit. */

/** What a unit costs at a scene, in points. @source from memory */
const POINTS = {
  brokenMust: 1000,
  disagreement: 300,
  notCarried: 90,
  carriedByAnother: 60,
  owedMinute: 1,
  mostOwed: 30,
  /** Another than the one that was planned before the job changed. */
  otherThanPlanned: 35,
  /** It may well not fit; adapters are somebody’s own business. */
  otherMaker: 200,
} as const

const fitOf = (facts: JobFacts, unit: UnitFact, setUp: string): Fit | string | undefined =>
  facts.models.find(m => m.id === unit.model)?.fits[setUp]

interface Asked {
  readonly scene: StandingScene
  readonly cover: number
  readonly person: { readonly id: string; readonly name: string } | undefined
  readonly setUp: SetUp | undefined
  readonly lens: LensFact | undefined
  readonly named: UnitFact | undefined
}

/** What speaks against a unit for somebody at a scene, in points and words. */
const against = (facts: JobFacts, asked: Asked, unit: UnitFact, day: string, others: ReadonlySet<string>) => {
  const parts: { readonly points: number; readonly words: string }[] = []
  const say = (points: number, words: string) => void parts.push({ points, words })
  if (unit.hiredUntil && unit.hiredUntil < day) return undefined
  const maker = facts.models.find(m => m.id === unit.model)?.maker
  if (asked.lens && asked.lens.maker !== maker) say(POINTS.otherMaker, `${asked.lens.name} is another maker’s`)
  if (asked.setUp) {
    const fit = fitOf(facts, unit, asked.setUp.key)
    if (fit === undefined || typeof fit === 'string') return undefined
    if (fit.broken.length) say(POINTS.brokenMust * fit.broken.length, `cannot hold ${fit.broken.join(', ')}`)
    const off = Math.round(POINTS.disagreement * (1 - fit.agreement))
    say(off, `agrees to ${Math.round(fit.agreement * 100)} %`)
    const owed = unit.owed[asked.setUp.key]
    if (owed) say(Math.min(POINTS.mostOwed, owed.minutes * POINTS.owedMinute), `owes a card of ${owed.minutes} min`)
  }
  const { person } = asked
  if (person && unit.carriedBy.includes(person.id)) say(0, 'carries it')
  else if (person) {
    const also = unit.carriedBy.filter(p => others.has(p))
    const names = also.map(id => facts.people.find(p => p.id === id)?.name ?? id)
    if (also.length)
      say(POINTS.notCarried + POINTS.carriedByAnother, `is carried by ${names.join(' and ')}, who is there`)
    else if (unit.carriedBy.length || facts.units.some(u => u.carriedBy.includes(person.id)))
      say(POINTS.notCarried, `${person.name.split(' ')[0]} does not usually carry it`)
  }
  return parts
}

const dayOf = (scene: StandingScene): string => new Date(scene.from).toISOString().slice(0, 10)

const askedOf = (standing: Standing, facts: JobFacts): readonly Asked[] =>
  standing.scenes
    .filter(s => !s.isDropped)
    .flatMap(scene =>
      scene.covers.map((c, cover): Asked => {
        const person = findPerson(facts.people, c.person)
        const keys = facts.setUpOf[scene.id] ?? {}
        const key = keys[person?.id ?? ''] ?? keys['']
        const named = c.unit === undefined ? undefined : findUnit(facts.units, c.unit)
        return {
          scene,
          cover,
          person: person ?? { id: `name:${c.person}`, name: c.person },
          setUp: facts.setUps.find(s => s.key === key),
          lens: c.lens === undefined ? undefined : findLens(facts.lenses, c.lens),
          named: named && standing.failed.has(named.id) ? undefined : named,
        }
      }),
    )

/** By scene: everybody who is at it, or at another one at the same time. */
const besideOf = (asked: readonly Asked[]): ReadonlyMap<string, ReadonlySet<string>> => {
  const scenes = [...new Map(asked.map(a => [a.scene.id, a.scene])).values()]
  const people = new Map<string, string[]>()
  for (const { scene, person } of asked) if (person) people.set(scene.id, [...(people.get(scene.id) ?? []), person.id])
  return new Map(
    scenes.map(s => [s.id, new Set(scenes.filter(o => overlap(o, s)).flatMap(o => people.get(o.id) ?? []))]),
  )
}

/** Units that can be handed out. */
const atHand = (job: Job, standing: Standing, facts: JobFacts): readonly UnitFact[] => {
  const named = job.units.flatMap(u => findUnit(facts.units, u) ?? [])
  return (job.units.length ? named : facts.units).filter(u => !standing.failed.has(u.id))
}

/**
 * Plans a job, or what is still to come of it: what has begun stays as it was, and the rest changes as little as it can.
 */
export const planJob = (job: Job, standing: Standing, facts: JobFacts, underway?: Underway): JobPlan => {
  const asked = askedOf(standing, facts)
  const units = atHand(job, standing, facts)
  const before = (a: Asked) => plannedAt(underway?.plan, a)
  const isOver = (a: Asked) => underway !== undefined && a.scene.from < underway.at
  const besides = besideOf(asked)
  // A unit that was settled, or that was in the hand when it began, may be none of those at hand.
  const all = [
    ...new Set([
      ...units,
      ...asked.flatMap(a => a.named ?? []),
      ...(underway?.plan.stations ?? []).flatMap(s => s.unit ?? []),
    ]),
  ]
  const index = new Map(all.map((u, i) => [u.id, i]))
  const choices = asked.map(a => {
    const others = new Set([...(besides.get(a.scene.id) ?? [])].filter(p => p !== a.person?.id))
    const day = dayOf(a.scene)
    const planned = before(a)?.unit
    return all.map((unit): (Choice & { readonly isAtHand: boolean }) | undefined => {
      if (standing.failed.has(unit.id)) return undefined
      const parts = against(facts, a, unit, day, others)
      if (!parts) return undefined
      const change = planned && planned.id !== unit.id ? POINTS.otherThanPlanned : 0
      return {
        unit: unit.id,
        tag: unit.tag,
        cost: parts.reduce((sum, p) => sum + p.points, 0) + change,
        parts: [...parts.map(p => p.words), ...(change ? [`${planned?.tag ?? ''} was planned`] : [])],
        isAtHand: units.includes(unit),
      }
    })
  })
  const needs = asked.map((a, i): Need => {
    const settled = isOver(a) ? before(a)?.unit : a.named
    return {
      scene: a.scene.id,
      person: a.person?.id,
      from: a.scene.from,
      until: a.scene.until,
      cost: (choices[i] ?? []).map(c => (c?.isAtHand ? Math.min(c.cost, FORBIDDEN - 1) : Infinity)),
      fixed: settled && index.get(settled.id),
    }
  })
  const { unitOf, isBest } = assign(needs, all.length)
  const stations = asked.map((a, i): Bare => {
    const unit = all[unitOf[i] ?? -1]
    const fit = unit && a.setUp && fitOf(facts, unit, a.setUp.key)
    const ranked = (choices[i] ?? []).flatMap(c => c ?? []).toSorted((x, y) => x.cost - y.cost)
    return {
      scene: a.scene,
      cover: a.cover,
      person: a.person,
      unit,
      lens: a.lens,
      setUp: a.setUp,
      fit: typeof fit === 'object' ? fit : undefined,
      why: {
        isSettled: needs[i]?.fixed !== undefined,
        chosen: ranked.find(c => c.unit === unit?.id),
        others: ranked.filter(c => c.unit !== unit?.id && c.isAtHand).slice(0, 3),
      },
    }
  })
  return withSlots(stations, facts, isBest, underway)
}
