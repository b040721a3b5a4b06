import * as v from 'valibot'
import type { Job, Scene } from './job'
import { isDay, isTime, momentOf } from './clock'

/** What happens on the day, and the job as it stands by then. */

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(120))
const words = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(400))

export const happeningSchema = v.variant('kind', [
  /** A scene begins at another time. */
  v.strictObject({
    kind: v.literal('moved'),
    scene: id,
    day: v.pipe(v.string(), v.check(isDay, 'expected a day such as 2026-11-28')),
    at: v.pipe(v.string(), v.check(isTime, 'expected a time such as 19:30')),
  }),
  v.strictObject({ kind: v.literal('dropped'), scene: id }),
  /** A scene that was dropped is played after all. */
  v.strictObject({ kind: v.literal('restored'), scene: id }),
  v.strictObject({ kind: v.literal('done'), scene: id }),
  /** A unit cannot be used any more; or it can again. */
  v.strictObject({ kind: v.literal('failed'), unit: id }),
  v.strictObject({ kind: v.literal('mended'), unit: id }),
  /** A rescue was used. */
  v.strictObject({ kind: v.literal('rescued'), scene: id, symptom: id, rule: v.optional(id), unit: v.optional(id) }),
  /** Somebody missed something they needed. */
  v.strictObject({ kind: v.literal('missed'), who: id, words }),
  v.strictObject({ kind: v.literal('noted'), scene: v.optional(id), words }),
  /** Call sheets were printed: of everybody, or of one; each line as it then was. */
  v.strictObject({
    kind: v.literal('printed'),
    who: v.optional(id),
    lines: v.record(v.pipe(v.string(), v.maxLength(260)), v.pipe(v.string(), v.maxLength(400))),
  }),
])
export type Happening = v.InferOutput<typeof happeningSchema>
export type HappeningKind = Happening['kind']

/** One thing that happened, by whom and when. */
export interface Happened {
  readonly id: string
  /** ISO 8601, by the clock of the server. */
  readonly at: string
  readonly by: string | undefined
  readonly what: Happening
}

/** What changes who does what when: the rest is only remembered. */
const CHANGES: ReadonlySet<HappeningKind> = new Set(['moved', 'dropped', 'restored', 'failed', 'mended'])
export const changesThePlan = ({ what }: Happened): boolean => CHANGES.has(what.kind)

/** In the order in which it was done; of what was done at once, by its id, so that every device has the same order. */
export const inOrder = (all: readonly Happened[]): readonly Happened[] =>
  all.toSorted((a, b) => a.at.localeCompare(b.at) || a.id.localeCompare(b.id))

/** A scene as it stands. */
export interface StandingScene extends Scene {
  /** Milliseconds since 1970, UTC. */
  readonly from: number
  readonly until: number
  readonly odd: 'skipped' | 'twice' | undefined
  readonly isDropped: boolean
  readonly isDone: boolean
  /** When it was to begin before it was moved. */
  readonly movedFrom: number | undefined
}

export interface Standing {
  readonly scenes: readonly StandingScene[]
  /** Units that cannot be used. */
  readonly failed: ReadonlySet<string>
}

/**
 * The job as it stands after what happened; scenes in the order in which they begin. Of two who moved the same scene
 * the later word counts; what is about a scene that is gone changes nothing.
 */
export const standingOf = (job: Job, happened: readonly Happened[] = []): Standing => {
  const moved = new Map<string, { readonly day: string; readonly at: string }>()
  const dropped = new Set<string>()
  const done = new Set<string>()
  const failed = new Set<string>()
  for (const { what } of inOrder(happened))
    switch (what.kind) {
      case 'moved':
        moved.set(what.scene, what)
        break
      case 'dropped':
        dropped.add(what.scene)
        break
      case 'restored':
        dropped.delete(what.scene)
        break
      case 'done':
        done.add(what.scene)
        break
      case 'failed':
        failed.add(what.unit)
        break
      case 'mended':
        failed.delete(what.unit)
        break
      case 'rescued':
      case 'missed':
      case 'noted':
      case 'printed':
        break
    }
  const scenes = job.scenes.map((s): StandingScene => {
    const planned = momentOf(s.day ?? job.day, s.at, job.timeZone)
    const to = moved.get(s.id)
    const { at: from, odd } = to ? momentOf(to.day, to.at, job.timeZone) : planned
    return {
      ...s,
      from,
      until: from + s.minutes * 60_000,
      odd,
      isDropped: dropped.has(s.id),
      isDone: done.has(s.id),
      movedFrom: from === planned.at ? undefined : planned.at,
    }
  })
  // What begins at once stays in the order in which it was written down.
  return { scenes: scenes.toSorted((a, b) => a.from - b.from), failed }
}

/** Whether two scenes are played at the same time. */
export const overlap = (a: Pick<StandingScene, 'from' | 'until'>, b: Pick<StandingScene, 'from' | 'until'>): boolean =>
  a.from < b.until && b.from < a.until
