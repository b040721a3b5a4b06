'use client'

import { useMemo } from 'react'
import type { FleetBody } from '@/core/controls/cells'
import { type FleetMap, weighMaps } from '@/core/controls/fleet'
import { mapOn } from '@/core/controls/map-on'
import type { Plan } from '@/core/functions/plan'
import { planProblems, type PlanProblem } from '@/core/controls/plan-problems'
import { useWorkerAnswer } from '@/ui/worker'
import type { MapsAnswer, MapsAsk } from '@/workers/controls.worker'

const mapsWorker = () => new Worker(new URL('../../../workers/controls.worker.ts', import.meta.url), { type: 'module' })

export interface Maps {
  /** What is shown: the plan's own maps, else the best there are; undefined while nothing has been found yet. */
  readonly shown: FleetMap | undefined
  /** The best around the pins, once it is found for the plan as it is. */
  readonly best: MapsAnswer | undefined
  readonly problems: readonly PlanProblem[]
  readonly isBusy: boolean
  readonly trouble: string
  readonly retry: () => void
}

/** What the best maps do not depend on is left out of the question. */
const withoutMaps = (plan: Plan): Plan => ({ ...plan, maps: [], house: {} })

/** The maps of a plan: weighed at once as they are, and the best ones from a worker. */
export const useMaps = (plan: Plan, bodies: readonly FleetBody[]): Maps => {
  const problems = useMemo(() => planProblems(plan, bodies), [plan, bodies])
  const question = JSON.stringify(withoutMaps(plan))
  const ask = useMemo<MapsAsk | undefined>(
    () => (problems.length ? undefined : { plan: JSON.parse(question) as Plan, bodies }),
    [problems.length, question, bodies],
  )
  const { answer: found, trouble, retry } = useWorkerAnswer<MapsAsk, MapsAnswer>('controls', mapsWorker, ask)
  const isAnswered = found !== undefined && JSON.stringify(found.plan) === question
  const best = isAnswered ? found : undefined
  const shown = useMemo(() => {
    const isKept = (id: string) => plan.maps.some(m => m.body === id)
    if (bodies.every(b => isKept(b.body.id))) return weighMaps(plan, bodies, plan.maps)
    // A body that joined goes by the house places that were kept, as it does on its cards.
    if (Object.keys(plan.house).length)
      return weighMaps(plan, bodies, [...plan.maps, ...bodies.flatMap(b => mapOn(plan, b.body) ?? [])])
    // While something newer is sought, or where the pins contradict each other, the last good maps stay.
    if (!found) return undefined
    return weighMaps({ ...plan, uses: found.plan.uses }, bodies, found.maps, found.house)
  }, [plan, bodies, found])
  return {
    shown,
    best,
    problems,
    isBusy: ask !== undefined && !isAnswered && !trouble,
    trouble,
    retry,
  }
}
