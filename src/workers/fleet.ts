import { type Body, bodyAt, compareVersions, versionsOf } from '../core/bodies'
import {
  asLevel,
  costOfEach,
  fleetProblem,
  type FleetProblem,
  type Help,
  insteadOf,
  type Levelled,
  levelFleet,
  type LevelReport,
  levelReport,
  withoutOne,
  type WithoutOne,
} from '../core/level'
import { buildConcordance, cellWords, type Concordance, gotValue, resolve } from '../core/resolve'
import type { Context, Level, Standard } from '../core/standards'
import { dimension } from '../core/vocabulary/dimensions'
import type { Grade } from '../core/vocabulary/grade'
import { valueWords } from '../core/vocabulary/words'

/** What is asked about a whole fleet while something moves under the hand: answered in pieces, away from the page. */

export interface FleetMember {
  readonly body: Body
  readonly firmware: string
  readonly units: number
}

/** What one body makes of one target, together with everything else the standard asks. */
export interface BodyAnswer {
  readonly body: string
  readonly model: string
  readonly units: number
  readonly grade: Grade
  readonly distance: number
  readonly held: boolean
  /** In the body's own words, and in neutral ones. */
  readonly words: string
  readonly value: string
}

const answerOf = (
  m: FleetMember,
  standard: Standard,
  dimensionId: string,
  context: Context,
): BodyAnswer | undefined => {
  const form = bodyAt(m.body, m.firmware)
  const outcome = resolve(m.body, standard, { firmware: m.firmware, context }).outcomes.find(
    o => o.target.dimension === dimensionId,
  )
  if (!outcome) return undefined
  const got = gotValue(outcome)
  return {
    body: form.id,
    model: form.model,
    units: m.units,
    grade: outcome.grade,
    distance: outcome.distance,
    held: outcome.held,
    words: cellWords(form, outcome).main,
    value: got === undefined ? '' : valueWords(dimension(dimensionId), got),
  }
}

/** How many bodies can do what one target asks, body by body; more are there at each step. */
export function* whoCan(
  fleet: readonly FleetMember[],
  standard: Standard,
  dimensionId: string,
  context: Context,
): Generator<readonly BodyAnswer[]> {
  const answers: BodyAnswer[] = []
  for (const m of fleet) {
    const answer = answerOf(m, standard, dimensionId, context)
    if (answer) answers.push(answer)
    yield [...answers]
  }
}

/** A position of the slider: what it does to the fleet, and what would help. */
export interface LevelView {
  readonly lambdaHundredths: number
  readonly level: Level | undefined
  readonly report: LevelReport
  readonly concordance: Concordance
  /** Who holds the others back, as far as it has been reckoned; the one whose absence helps most first. */
  readonly without: readonly WithoutOne[]
  /** What a single change of the kit would bring, the best first. */
  readonly helps: readonly Help[]
  /** Share of the work that is done, 0 to 1. */
  readonly progress: number
}

/** A standard read on a fleet: what every position of the slider starts from. */
export interface ReadFleet {
  readonly fleet: readonly FleetMember[]
  readonly standard: Standard
  readonly context: Context
  readonly problem: FleetProblem
  readonly best: Levelled
}

export const readFleet = (fleet: readonly FleetMember[], standard: Standard, context: Context): ReadFleet => {
  const problem = fleetProblem(fleet, standard, context)
  return { fleet, standard, context, problem, best: levelFleet(problem, 0) }
}

/** Replacements that are looked at closely: those that cost most where they are. */
const MOST_REPLACED = 3

/** Levels a fleet at one position; the table first, then who holds back, then what would help. */
export function* levelAt(read: ReadFleet, lambdaHundredths: number): Generator<LevelView> {
  const { fleet, standard, context, problem, best } = read
  const levelled = lambdaHundredths === 0 ? best : levelFleet(problem, lambdaHundredths)
  const level = asLevel(problem, levelled)
  const { level: _, ...bare } = standard
  const held: Standard = level ? { ...bare, level } : bare
  const resolved = fleet.map(({ body, firmware, units }) => ({
    body: bodyAt(body, firmware),
    units,
    resolution: resolve(body, held, { firmware, context }),
  }))
  let view: LevelView = {
    lambdaHundredths,
    level,
    report: levelReport(problem, best, levelled),
    concordance: buildConcordance(held, resolved, [], context),
    without: [],
    helps: [],
    progress: 0.1,
  }
  yield view
  if (fleet.length < 2) {
    yield { ...view, progress: 1 }
    return
  }
  const without: WithoutOne[] = []
  for (const b of fleet.keys()) {
    without.push(withoutOne(problem, levelled, b))
    view = {
      ...view,
      without: without.toSorted((x, y) => y.gain - x.gain),
      progress: 0.1 + (0.6 * (b + 1)) / fleet.length,
    }
    yield view
  }
  for (const helps of helpsFor(read, levelled)) {
    view = { ...view, helps: helps.toSorted((x, y) => y.gain - x.gain).filter(h => h.gain > 0), progress: 0.9 }
    yield view
  }
  yield { ...view, progress: 1 }
}

function* helpsFor({ fleet, standard, context, problem }: ReadFleet, levelled: Levelled): Generator<readonly Help[]> {
  const helps: Help[] = []
  const updates = fleet.flatMap((m, b) => {
    const newest = versionsOf(m.body).toSorted(compareVersions).at(-1)
    return newest && compareVersions(newest, m.firmware) > 0 ? [{ b, member: { ...m, firmware: newest } }] : []
  })
  if (updates.length) {
    const both = fleetProblem([...fleet, ...updates.map(u => u.member)], standard, context)
    const there = levelFleet(both, levelled.lambdaHundredths, {
      weights: both.bodies.map((_, i) => Number(i < fleet.length)),
      unproven: true,
    })
    for (const [n, { b, member }] of updates.entries()) {
      helps.push(
        insteadOf(both, fleet.length, there, b, fleet.length + n, { kind: 'update', firmware: member.firmware }),
      )
      yield helps
    }
  }
  const costs = costOfEach(problem, levelled)
  const best = costs.indexOf(Math.min(...costs))
  const dearest = [...costs.keys()].filter(b => b !== best).sort((x, y) => (costs[y] ?? 0) - (costs[x] ?? 0))
  for (const b of dearest.slice(0, MOST_REPLACED)) {
    helps.push(insteadOf(problem, fleet.length, levelled, b, best, { kind: 'replace', by: fleet[best]?.body.id ?? '' }))
    yield helps
  }
}
