import type { JobFacts } from './facts'
import type { Job } from './job'
import { planJob } from './plan'
import type { JobPlan, Station } from './station'
import { changesThePlan, type Happened, inOrder, type Standing, standingOf } from './standing'

/** A job as it was planned, and as it is planned after all that happened: every device comes to the same. */
export interface Planned {
  readonly standing: Standing
  readonly plan: JobPlan
  /** As it was before the last thing that changed it; undefined where nothing did. */
  readonly former: { readonly standing: Standing; readonly plan: JobPlan; readonly by: Happened } | undefined
}

/** Changes that are planned one after the other; what came before them is taken as one. */
const MOST_STEPS = 60

interface Step {
  /** What happened before it and with it. */
  readonly after: string
  readonly standing: Standing
  readonly plan: JobPlan
}

/** The last job that was gone through with some facts: with one thing more, only that is planned. */
const gone = new WeakMap<JobFacts, { readonly job: Job; readonly steps: readonly Step[] }>()

export const planThrough = (job: Job, facts: JobFacts, happened: readonly Happened[]): Planned => {
  const ordered = inOrder(happened)
  const changing = ordered.filter(changesThePlan)
  const early = Math.max(0, changing.length - MOST_STEPS)
  const last = gone.get(facts)
  const known = last?.job === job ? last.steps : []
  const steps: Step[] = []
  for (let n = early; n <= changing.length; n++) {
    const until = changing.slice(0, n)
    const after = JSON.stringify(until.map(h => [h.id, h.at, h.what]))
    const before = steps.at(-1)
    const kept = known[steps.length]
    const by = changing[n - 1]
    if (kept?.after === after) {
      steps.push(kept)
      continue
    }
    const standing = standingOf(job, until)
    const underway = before && by && { plan: before.plan, at: Date.parse(by.at) }
    steps.push({ after, standing, plan: planJob(job, standing, facts, underway) })
  }
  gone.set(facts, { job, steps })
  const [former, now] = [steps.at(-2), steps.at(-1)]
  const by = changing.at(-1)
  return {
    // What changes no plan is still known of its scenes.
    standing: standingOf(job, ordered),
    plan: now?.plan ?? planJob(job, standingOf(job), facts),
    former: former && by && { standing: former.standing, plan: former.plan, by },
  }
}

/** One thing that is otherwise for somebody, in words. */
export interface Difference {
  readonly person: string | undefined
  readonly scene: string
  readonly words: string
}

const keyOf = (s: Station): string => `${s.scene.id}/${s.cover}`

const nameOf = (s: Station): string => s.person?.name ?? 'Somebody'

/** What a change means for people, scene by scene. */
export const differencesBetween = (
  before: JobPlan,
  after: JobPlan,
  clock: (at: number) => string,
): readonly Difference[] => {
  const was = new Map(before.stations.map(s => [keyOf(s), s]))
  const is = new Map(after.stations.map(s => [keyOf(s), s]))
  const gone = before.stations
    .filter(s => !is.has(keyOf(s)))
    .map(s => ({ person: s.person?.id, scene: s.scene.id, words: `${nameOf(s)}: ${s.scene.name} is dropped.` }))
  const changed = after.stations.flatMap((s): Difference[] => {
    const former = was.get(keyOf(s))
    const say = (words: string): Difference => ({ person: s.person?.id, scene: s.scene.id, words })
    if (!former) return [say(`${nameOf(s)}: ${s.scene.name} comes in, at ${clock(s.scene.from)}.`)]
    const parts: string[] = []
    if (former.scene.from !== s.scene.from)
      parts.push(`at ${clock(s.scene.from)} in place of ${clock(former.scene.from)}`)
    if (former.unit?.id !== s.unit?.id)
      parts.push(
        s.unit
          ? `with ${s.unit.tag} in place of ${former.unit?.tag ?? 'nothing'}`
          : `without a camera: ${former.unit?.tag ?? ''} is gone`,
      )
    else if (former.change?.key !== s.change?.key)
      parts.push(
        s.change?.key === undefined
          ? `no longer by ${former.change?.key ?? ''}`
          : `by ${s.change.isToggled ? 'pressing' : 'holding'} ${s.change.key}`,
      )
    else if (former.change?.recalls !== s.change?.recalls)
      parts.push(s.change?.recalls === undefined ? 'set in the menu, not from a slot' : `from slot ${s.change.recalls}`)
    if (!former.change?.isLate && s.change?.isLate) parts.push('there is no time for the change before it')
    return parts.length ? [say(`${nameOf(s)}: ${s.scene.name} ${parts.join(', ')}.`)] : []
  })
  return [...gone, ...changed]
}
