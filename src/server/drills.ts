import 'server-only'
import { type Body, factoryState, meansIn } from '@/core/bodies'
import { todayOf } from '@/core/controls/today'
import type { Try } from '@/core/drills/drills'
import { afterAnswer, toAsk } from '@/core/drills/memory'
import { type InHand, keyQuestions, ownQuestions, type Question } from '@/core/drills/questions'
import { type MenuTree, menuTreeOf, type RaceTarget } from '@/core/drills/race'
import type { FunctionId } from '@/core/functions/functions'
import { schoolByShutter, type SchoolId } from '@/core/functions/schools'
import * as db from '@/db/drills'
import type { Actor } from './actor'
import { modelsCarried, readCarriers } from './carriers'
import { firmwareOf, formOf, listBodies, listStandards, readBody, readStandard, units } from './catalogue'
import { share } from '@/pool/documents'
import { work } from '@/pool/pool'
import { type OnBody, startAt, stateBy, walkStored } from './concordance'
import { database } from './database'
import { notFound, RequestError } from './problems'
import { whyNot, workedOut } from './worked-out'

/** Drills: with what somebody practises, what they tried, and what they are asked. */

export interface DrillHand {
  readonly body: { readonly id: string; readonly maker: string; readonly model: string }
  readonly standard: { readonly id: string; readonly name: string } | undefined
  readonly controls: Body['controls']
  readonly sensor: Body['sensor']
  /** On which control each function is, as the standard sets the body. */
  readonly keys: Readonly<Record<FunctionId, string>>
  readonly school: SchoolId
  readonly menu: MenuTree
  /** The rows of the standard's card, in its order. */
  readonly card: readonly RaceTarget[]
  readonly bodies: readonly { readonly id: string; readonly name: string }[]
}

/** A body as a standard sets it. */
const setBy = async (bodyId: string, ref: string | undefined) => {
  const [stored, all, standard] = await Promise.all([
    readBody(bodyId),
    units(),
    ref === undefined ? undefined : readStandard(ref),
  ])
  const firmware = firmwareOf(stored.document, all)
  return {
    stored,
    firmware,
    body: formOf(stored, firmware),
    standard,
    state: await stateBy(stored, standard, firmware),
  }
}

const MOST_TARGETS = 12

/** The rows of a card from the factory; none where it cannot be reckoned. */
const cardOf = async (on: OnBody): Promise<readonly RaceTarget[]> => {
  const form = formOf(on.body, on.firmware)
  try {
    const { plan } = await walkStored(on, startAt(form, factoryState(form)))
    return plan.steps.slice(0, MOST_TARGETS).map(s => ({ setting: s.setting, option: s.to }))
  } catch (error) {
    if (whyNot(error) === undefined) throw error
    return []
  }
}

/**
 * @param asked ids as an address has them; what is not there falls back to the first that is
 * @returns undefined where there is no body yet
 */
export const readDrillHand = async (asked: {
  readonly body: string | undefined
  readonly standard: string | undefined
  /** The race needs the card, which takes its time to work out. */
  readonly withCard?: boolean
}): Promise<DrillHand | undefined> => {
  const [bodies, standards] = await Promise.all([listBodies(), listStandards()])
  const heading = bodies.find(b => b.id === asked.body) ?? bodies[0]
  if (!heading) return undefined
  const named = standards.find(s => s.id === asked.standard?.split('@')[0]) ?? standards.find(s => s.isUsual)
  const { stored, firmware, body, standard, state } = await setBy(heading.id, named?.id)
  const { id, maker, model } = body
  return {
    body: { id, maker, model },
    standard: standard && { id: standard.document.id, name: standard.document.name },
    controls: body.controls,
    sensor: body.sensor,
    keys: todayOf(body, state),
    school: standard?.document.controls?.school ?? schoolByShutter(meansIn(body, state)['trigger.shutter']),
    menu: menuTreeOf(body),
    card: standard && asked.withCard ? await cardOf({ body: stored, standard, firmware, context: {} }) : [],
    bodies: bodies.map(b => ({ id: b.id, name: `${b.maker} ${b.model}` })),
  }
}

/** As many tries as are kept for one person. */
const MOST_TRIES = 20_000
/** The newest that a page gets: years of curves. */
const MOST_SHOWN = 2000

export const readTries = async (person: string): Promise<readonly Try[]> =>
  db.listNewestTries(await database(), person, MOST_SHOWN)

const whose = (actor: Actor): string => {
  if (actor.personId === null) throw new RequestError(422, 'Whose try was that?', 'Say who you are.')
  return actor.personId
}

/** @throws RequestError 422 where nobody says whose it was, or more is kept than anybody tries */
export const saveTry = async (tried: Try, actor: Actor): Promise<void> => {
  const at = await database()
  const person = whose(actor)
  if (tried.right > tried.of)
    throw new RequestError(422, 'More right than asked', `${tried.right} of ${tried.of} cannot be right.`)
  if ((await db.countTries(at, person)) >= MOST_TRIES)
    throw new RequestError(422, 'Full', `${MOST_TRIES} tries are kept for a person.`)
  await db.addTry(at, person, tried)
}

const MOST_ASKED = 12
/** Bodies of one person that are asked about at once. */
const MOST_BESIDE = 6

/** Holding the words of two bodies against each other takes a tenth of a second, which is others' too. */
const wordsBetween = (from: Body, to: Body): Promise<readonly Question[]> => {
  const [a, b] = [share(from), share(to)]
  return workedOut<readonly Question[]>(['questions', a.digest, b.digest], () =>
    work('questions', { from: a, to: b }, { isForAll: true }),
  )
}

/**
 * What to ask somebody now, about a body and those they carry beside it.
 *
 * @throws RequestError 404 for a body or a standard that is not there
 */
export const readQuestions = async (asked: {
  readonly about: Question['about']
  readonly body: string
  readonly standard?: string | undefined
  readonly person?: string | undefined
  readonly isBeforeJob: boolean
}): Promise<readonly Question[]> => {
  const [all, carriers, there] = await Promise.all([units(), readCarriers(), listBodies()])
  if (!there.some(b => b.id === asked.body)) throw notFound('body', asked.body)
  const carrier = carriers.find(c => c.id === asked.person)
  const beside = (carrier ? modelsCarried(carrier, all) : [])
    .filter(id => id !== asked.body && there.some(b => b.id === id))
    .slice(0, MOST_BESIDE)
  const forms = await Promise.all(
    [asked.body, ...beside].map(async (id): Promise<InHand> => {
      const { body, state } = await setBy(id, asked.standard)
      return { body, keys: todayOf(body, state) }
    }),
  )
  const [mine, ...others] = forms
  if (!mine) return []
  const questions =
    asked.about === 'which-key'
      ? keyQuestions(forms)
      : others.length
        ? (await Promise.all(others.map(o => wordsBetween(o.body, mine.body)))).flat()
        : ownQuestions(mine.body)
  const memories = asked.person === undefined ? new Map() : await db.listMemories(await database(), asked.person)
  const { isBeforeJob } = asked
  const now = toAsk(questions, memories, { at: new Date().toISOString(), most: MOST_ASKED, isBeforeJob })
  // Nothing is due: whoever wants to practise anyway gets what surprises most.
  return now.length ? now : toAsk(questions, memories, { at: '', most: MOST_ASKED, isBeforeJob: true })
}

/** @returns when it is asked again, ISO 8601 */
export const answerQuestion = async (
  sent: {
    readonly question: string
    readonly isRight: boolean
    readonly seconds: number
    readonly answered: string
  },
  actor: Actor,
): Promise<{ readonly due: string }> => {
  const key = { person: whose(actor), question: sent.question, answer: sent.answered }
  const { due } = await db.remember(await database(), key, before =>
    afterAnswer(before, { isRight: sent.isRight, seconds: sent.seconds, at: sent.answered }),
  )
  return { due }
}

/** Minutes that each person held thumb buttons in drills on a day, by id. */
export const heldInDrills = async (day: string): Promise<ReadonlyMap<string, number>> => {
  const held = new Map<string, number>()
  for (const { person, tried } of await db.listTriesOn(await database(), day))
    held.set(person, (held.get(person) ?? 0) + tried.heldSeconds / 60)
  return held
}
