import 'server-only'
import { type Body, factoryState, type State } from '@/core/bodies'
import { buildConcordance, type Concordance, type Resolution, type Resolved } from '@/core/resolve'
import {
  type Context,
  contextFrom,
  contextText,
  refFrom,
  refText,
  relevantContext,
  type Standard,
} from '@/core/standards'
import type { StepPlan } from '@/core/steps/plan'
import { share } from '@/pool/documents'
import { work } from '@/pool/pool'
import { firmwareOf, formOf, listBodies, listStandards, readBody, readStandard, type Revised, units } from './catalogue'
import { allWorkedOut, eachReckoned, workedOut, whyNot } from './worked-out'

/** The standard and the bodies in hand, as the address names them; undefined where it does not. */
export interface InHand {
  readonly standard?: string | undefined
  readonly bodies?: readonly string[] | undefined
  /** For whom and what, see `contextFrom`. */
  readonly for?: string | undefined
}

/** What a body is set to, as its differences from factory defaults: equal texts, equal answers. */
export const stateText = (form: Body, state: State): string =>
  Object.entries({ ...factoryState(form), ...state })
    .filter(([s, o]) => form.settings.some(x => x.id === s && x.default !== o))
    .map(([s, o]) => `${s}=${o}`)
    .sort()
    .join()

/** A standard on a body at a firmware, for somebody: what decides a resolution beside what the body is set to. */
export interface OnBody {
  readonly body: Revised<Body>
  readonly standard: Revised<Standard>
  readonly firmware: string
  readonly context?: Context
}

/** What the pool needs to know of it, and what to keep its answers by. */
export const reckoned = ({ body, standard, firmware, context: asked = {} }: OnBody) => {
  const context = relevantContext(standard.document, asked)
  const of = { body: share(body.document), standard: share(standard.document), firmware, context }
  return { of, keptBy: [of.body.digest, of.standard.digest, firmware, contextText(context)] }
}

/**
 * A resolution, worked out once for what body and standard say and each state that it begins from.
 *
 * @param known what the body is set to; what is missing in it, or all of it, counts as factory defaults
 * @throws CannotReckonError where the rules of the body cannot be searched
 */
export const resolveStored = (on: OnBody, known: State = {}): Promise<Resolution> => {
  const { of, keptBy } = resolutionOf(on, stateText(formOf(on.body, on.firmware), known))
  return workedOut<Resolution>(keptBy, () => work('resolution', { ...of, known }, { isForAll: true }))
}

/** What a resolution is asked of, and what it is kept by. @param from what the body is set to, as text */
const resolutionOf = (on: OnBody, from: string) => {
  const { of, keptBy } = reckoned(on)
  return { of, keptBy: ['resolution', ...keptBy, from] }
}

/** What a walk begins from. */
export interface WalkFrom {
  /** What the body is known to be set to. */
  readonly kept: State
  /** The same, with what it is taken to be at for the rest. */
  readonly assumed: State
  /** What is known as text, to remember answers by. */
  readonly text: string
}

/** From a state that is known whole. */
export const startAt = (form: Body, state: State): WalkFrom => ({
  kept: state,
  assumed: state,
  text: stateText(form, state),
})

/**
 * A resolution and the plan to it from what a unit is set to, worked out once and together; what nobody has seen of the
 * unit is looked at.
 *
 * @throws CannotReckonError where the rules of the body cannot be searched
 */
export const walkStored = async (
  on: OnBody,
  { kept, assumed, text }: WalkFrom,
): Promise<{ readonly resolution: Resolution; readonly plan: StepPlan }> => {
  const { of, keptBy } = resolutionOf(on, text)
  const seen = Object.keys(kept).sort().join()
  const [resolution, plan] = allWorkedOut<Resolution | StepPlan>(
    [keptBy, ['walk to', ...keptBy, seen]],
    async missing => {
      if (!missing.includes(1)) return [{ text: await work('resolution', { ...of, known: kept }, { isForAll: true }) }]
      const both = await work('walk', { ...of, known: kept, assumed }, { isForAll: true })
      return missing.map(i => ({ text: i === 0 ? both.resolution : both.plan }))
    },
  )
  const both = await Promise.all([resolution, plan])
  return { resolution: both[0] as Resolution, plan: both[1] as StepPlan }
}

/** What a body is set to by a standard; the factory's where there is none, or where it cannot be reckoned. */
export const stateBy = async (
  body: Revised<Body>,
  standard: Revised<Standard> | undefined,
  firmware: string,
  context: Context = {},
): Promise<State> => {
  const factory = factoryState(formOf(body, firmware))
  if (!standard) return factory
  try {
    return (await resolveStored({ body, standard, firmware, context })).state
  } catch (error) {
    if (whyNot(error) === undefined) throw error
    return factory
  }
}

/** What can be in hand, and what is: the first standard and every body where the address does not say. */
export const readInHand = async (asked: InHand) => {
  const [standards, bodies] = await Promise.all([listStandards(), listBodies()])
  const named = asked.standard === undefined ? undefined : refFrom(asked.standard)
  const standard = standards.find(s => s.id === named?.id) ?? standards.find(s => s.isUsual)
  const chosen = bodies.filter(b => asked.bodies?.includes(b.id))
  const version = standard?.id === named?.id ? named?.version : undefined
  return {
    standards,
    bodies,
    standard,
    /** What reading it takes: the version the address names, or the one in force. */
    ref: standard && refText({ id: standard.id, version }),
    context: contextFrom(asked.for),
    chosen: chosen.length ? chosen : bodies,
    all: chosen.length === 0,
  }
}

type Chosen = readonly { readonly id: string; readonly revision?: number }[]

/** Bodies as they run now; each with how many units there are. */
const readRunning = async (chosen: Chosen) => {
  const allUnits = await units()
  return Promise.all(
    chosen.map(async ({ id, revision }) => {
      const body = await readBody(id, revision)
      const count = allUnits.filter(u => u.body_id === id).length
      return { body, firmware: firmwareOf(body.document, allUnits), units: count }
    }),
  )
}

/** One standard on the bodies in hand: rows of targets, a column for each body. */
export const readConcordance = async (ref: string, chosen: Chosen, context: Context = {}): Promise<Concordance> => {
  const [standard, running] = await Promise.all([readStandard(ref), readRunning(chosen)])
  const { done, failed } = await eachReckoned(
    running,
    r => r.body.document.model,
    async ({ body, firmware, units: count }): Promise<Resolved> => {
      const resolution = await resolveStored({ body, standard, firmware, context })
      return { body: formOf(body, firmware), units: count, resolution }
    },
  )
  return buildConcordance(standard.document, done, failed, context)
}

/** The bodies in hand whole, for work that is done in the browser. */
export const readFleet = async (ids: readonly string[] | undefined) => {
  const chosen = ids ? ids.map(id => ({ id })) : await listBodies()
  const running = await readRunning(chosen)
  return {
    bodies: running.map(({ body, firmware, units: count }) => ({ body: body.document, firmware, units: count })),
  }
}

/**
 * The resolutions of a standard on stored bodies.
 *
 * @param ids all bodies where not given
 * @throws RequestError 404 for a standard or a body that is not there
 */
export const readStoredResolutions = async (
  ref: string,
  ids?: readonly string[],
  context: Context = {},
): Promise<readonly Resolution[]> => {
  const chosen = ids ? ids.map(id => ({ id })) : await listBodies()
  const [standard, running] = await Promise.all([readStandard(ref), readRunning(chosen)])
  return Promise.all(running.map(({ body, firmware }) => resolveStored({ body, standard, firmware, context })))
}
