import type { JobPlan } from './station'

/** Walks that a plan needs: of each model, between the set-ups that follow each other on one camera on one day. */
export interface Needed {
  readonly model: string
  readonly setUps: readonly string[]
}

export const neededWalks = (plan: JobPlan): readonly Needed[] => {
  const all = new Map<string, Needed>()
  for (const day of plan.units) {
    const mine = plan.stations.filter(
      s => s.unit?.id === day.unit.id && s.scene.from >= day.from && s.scene.until <= day.until,
    )
    const setUps = [...new Set(mine.flatMap(s => s.setUp?.key ?? []))].sort()
    const { model } = day.unit
    if (setUps.length > 1) all.set(`${model} ${setUps.join()}`, { model, setUps })
  }
  // The longest first: those that are worked on together then take about as long.
  return [...all.values()].toSorted((a, b) => b.setUps.length - a.setUps.length)
}
