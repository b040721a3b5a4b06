import 'server-only'
import { type Body, factoryState, type State } from '@/core/bodies'
import { SearchTooLargeError } from '@/core/bodies/search'
import {
  buildConcordance,
  type Concordance,
  ContradictoryBodyError,
  resolve,
  type Resolution,
  type Resolved,
} from '@/core/resolve'
import {
  type Context,
  contextFrom,
  contextText,
  refFrom,
  refText,
  relevantContext,
  type Standard,
} from '@/core/standards'
import { firmwareOf, formOf, listBodies, listStandards, readBody, readStandard, type Revised, units } from './catalogue'
import { remember } from './remember'

/** The standard and the bodies in hand, as the address names them; undefined where it does not. */
export interface InHand {
  readonly standard?: string | undefined
  readonly bodies?: readonly string[] | undefined
  /** For whom and what, see `contextFrom`. */
  readonly for?: string | undefined
}

const resolutions = remember<Resolution>('resolutions', 5000)

/** What a body is set to, as its differences from factory defaults: equal texts, equal answers. */
export const stateText = (form: Body, state: State): string =>
  Object.entries({ ...factoryState(form), ...state })
    .filter(([s, o]) => form.settings.some(x => x.id === s && x.default !== o))
    .map(([s, o]) => `${s}=${o}`)
    .sort()
    .join()

/**
 * A resolution, computed once for each revision of body and standard and each state that it begins from.
 *
 * @param known what the body is set to; what is missing in it, or all of it, counts as factory defaults
 */
export const resolveStored = (
  body: Revised<Body>,
  standard: Revised<Standard>,
  firmware: string,
  asked: Context = {},
  known: State = {},
): Resolution => {
  const context = relevantContext(standard.document, asked)
  const from = stateText(formOf(body, firmware), known)
  return resolutions.getOr(`${body.stamp}|${standard.stamp}|${firmware}|${contextText(context)}|${from}`, () =>
    resolve(body.document, standard.document, { firmware, context, known }),
  )
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
  const failed: { body: string; why: string }[] = []
  const resolved: Resolved[] = []
  for (const { body, firmware, units: count } of running) {
    try {
      const resolution = resolveStored(body, standard, firmware, context)
      resolved.push({ body: formOf(body, firmware), units: count, resolution })
    } catch (error) {
      if (!(error instanceof SearchTooLargeError || error instanceof ContradictoryBodyError)) throw error
      failed.push({ body: body.document.model, why: error.message })
    }
  }
  return buildConcordance(standard.document, resolved, failed, context)
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
  return running.map(({ body, firmware }) => resolveStored(body, standard, firmware, context))
}
