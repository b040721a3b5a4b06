import 'server-only'
import { type Body, factoryState, menuPath } from '@/core/bodies'
import { blocksOf, type TrialPlan } from '@/core/evidence/trial'
import type { UnitRow } from '@/db/units'
import { formOf, readBody, readStandard, type Revised } from './catalogue'
import { resolveStored, startAt, walkStored } from './concordance'

/** What is changed on the camera between two ways of a trial, in the order that takes the fewest presses. */
export interface SetUpChange {
  /** Ids of the ways. */
  readonly from: string
  readonly to: string
  readonly presses: number
  readonly steps: readonly {
    readonly path: readonly [tab: string, page: string, row: number]
    readonly setting: string
    readonly option: string
  }[]
}

/** The pairs of ways that follow each other in the plan. */
const pairsIn = (plan: TrialPlan): readonly (readonly [TrialPlan['ways'][number], TrialPlan['ways'][number]])[] => {
  const ways = blocksOf(plan).map(b => b.way)
  const pairs = ways.flatMap((to, i) => {
    const from = ways[i - 1]
    return from && from.id !== to.id ? [[from, to] as const] : []
  })
  return [...new Map(pairs.map(p => [`${p[0].id} ${p[1].id}`, p])).values()]
}

/** What a standard sets on the camera, from factory defaults. */
const stateBy = async (ref: string, body: Revised<Body>, firmware: string) => {
  const on = { body, standard: await readStandard(ref), firmware, context: {} }
  return { on, state: (await resolveStored(on)).state }
}

const changeBetween = async (
  [from, to]: readonly [TrialPlan['ways'][number], TrialPlan['ways'][number]],
  body: Revised<Body>,
  firmware: string,
): Promise<readonly SetUpChange[]> => {
  if (from.standard === undefined || to.standard === undefined) return []
  const form = formOf(body, firmware)
  const [before, after] = await Promise.all([from.standard, to.standard].map(ref => stateBy(ref, body, firmware)))
  if (!before || !after) return []
  const state = { ...factoryState(form), ...before.state }
  const { plan } = await walkStored(after.on, startAt(form, state))
  const steps = plan.steps.flatMap(s => {
    const setting = form.settings.find(x => x.id === s.setting)
    const option = setting?.options.find(o => o.id === s.to)
    return setting && option ? [{ path: menuPath(form, setting), setting: setting.label, option: option.label }] : []
  })
  return [{ from: from.id, to: to.id, presses: plan.presses, steps }]
}

/** @param unit that it is shot with. @returns none where a way is only words, or its standard or body cannot be reckoned */
export const setUpChanges = async (plan: TrialPlan, unit: UnitRow): Promise<readonly SetUpChange[]> => {
  if (unit.body_id === null) return []
  const body = await readBody(unit.body_id)
  const found = await Promise.all(pairsIn(plan).map(pair => changeBetween(pair, body, unit.firmware).catch(() => [])))
  return found.flat()
}
