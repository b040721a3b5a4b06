import {
  type Archetype,
  type Body,
  bodyFromArchetype,
  checkBody,
  FACTS,
  parseBody,
  parseDraft,
  withMenuRows,
} from '@/core/bodies'
import { parseMenuTable } from '@/core/bodies/menu-table'
import { parseMenuText } from '@/core/bodies/menu-text'
import { type Bundle, parseBundle } from '@/core/exchange/bundle'
import { type Parsed, parseJson, parseWith, type Problem } from '@/core/reading/problem'
import { asLevel, fleetProblem, levelFleet, levelReport } from '@/core/level'
import { knowledgeOf, type Knowledge, proposeAll, type Reading } from '@/core/propose/propose'
import { resolve, type Resolution } from '@/core/resolve'
import { TRADE_LIKENESS } from '@/core/propose/trade-likeness'
import { parseStandard, type Standard } from '@/core/standards'
import { documentOf, type Shared } from './documents'
import { Refusal } from './refusal'
import { levelRequestSchema, resolveRequestSchema } from './requests'
import { readSheet } from './sheets'

/** What somebody sent, read: its size is theirs to choose, so all of it happens in a worker. */

/** The most a single body profile, lens or standard may hold. */
export const MOST_DOCUMENT_BYTES = 1024 * 1024

export interface Sent {
  /** The bytes of a request, or what they stand for where they were read already. */
  readonly sent: unknown
  /** What it is called in messages. */
  readonly file: string
}

const expectParsed = <T>(parsed: Parsed<T>): T => {
  if (!parsed.ok) throw new Refusal('invalid', 'The content cannot be used', parsed.problems)
  return parsed.value
}

/** The value that was sent. @throws Refusal where it is no JSON */
export const json = ({ sent, file }: Sent): unknown => {
  if (!(sent instanceof Uint8Array)) return sent
  const parsed = parseJson(new TextDecoder().decode(sent), file)
  if (!parsed.ok) throw new Refusal('no-json', 'This is not JSON', parsed.problems)
  return parsed.value
}

const expectSize = (document: unknown, what: string): void => {
  if (JSON.stringify(document ?? null).length > MOST_DOCUMENT_BYTES)
    throw new Refusal('too-large', `${what} may have at most 1 MB.`)
}

const documentsIn = (value: unknown): readonly unknown[] => {
  const { bodies, lenses } = (value ?? {}) as { bodies?: unknown; lenses?: unknown }
  const lists = [bodies, lenses].filter(list => Array.isArray(list))
  return lists.length ? lists.flat() : [value]
}

/** Bodies and lenses of a file. */
export const bundle = (input: Sent): Bundle & { readonly notes: readonly Problem[] } => {
  const value = json(input)
  for (const document of documentsIn(value)) expectSize(document, 'A body or a lens')
  const parsed = parseBundle(value, input.file)
  return { ...expectParsed(parsed), notes: (parsed.ok && parsed.notes) || [] }
}

export interface Draft {
  readonly body: Body
  /** What contradicts in it. */
  readonly problems: readonly Problem[]
  /** What could not be proven in reasonable time. */
  readonly notes: readonly Problem[]
}

/** A profile as somebody writes it. */
export const draft = (input: Sent): Draft => {
  const value = json(input)
  expectSize(value, 'A body')
  const parsed = parseDraft(value, input.file)
  return { ...expectParsed(parsed), notes: (parsed.ok && parsed.notes) || [] }
}

/** Whether a profile that is stored contradicts itself. */
export const isContradictory = ({ body }: { readonly body: Body }): boolean => checkBody(body, body.model).length > 0

export const standard = (input: Sent): Standard => expectParsed(parseStandard(json(input), input.file))

export interface NewBody {
  readonly id: string
  readonly maker: string
  readonly model: string
  readonly archetype?: Archetype['id'] | undefined
  readonly copyOf?: Body | undefined
  /** A menu as indented text. */
  readonly menu?: string | undefined
  /** A menu as a spreadsheet. */
  readonly sheet?: { readonly bytes: Uint8Array; readonly file: string } | undefined
}

/** A profile that begins; what is pasted goes into its menu, undecided. */
export const newBody = async ({
  id,
  maker,
  model,
  archetype,
  copyOf,
  menu,
  sheet,
}: NewBody): Promise<{ readonly body: Body; readonly isDraft: boolean }> => {
  const base: Body = copyOf
    ? { ...copyOf, id, maker, model, unconfirmed: [...FACTS] }
    : bodyFromArchetype(archetype ?? 'mirrorless', { id, maker, model })
  const rows = sheet
    ? expectParsed(parseMenuTable(await readSheet(sheet), sheet.file))
    : menu?.trim()
      ? expectParsed(parseMenuText(menu, 'pasted menu'))
      : []
  const body = rows.length ? withMenuRows(base, rows) : base
  return { body, isDraft: isContradictory({ body }) }
}

let knowledge: { readonly of: string; readonly is: Knowledge } | undefined

/** Proposed meanings for every undecided setting of a profile as it is being edited. */
export const proposals = ({
  others,
  ...input
}: Sent & {
  /** All bodies of the house; the one that is edited is left out. */
  readonly others: readonly Shared<Body>[]
}): Readonly<Record<string, readonly Reading[]>> => {
  const { body } = draft(input)
  const known = others.filter(o => documentOf(o).id !== body.id)
  const of = known.map(o => o.digest).join()
  if (knowledge?.of !== of)
    knowledge = {
      of,
      is: knowledgeOf(
        known.map(o => documentOf(o)),
        TRADE_LIKENESS,
      ),
    }
  return Object.fromEntries(proposeAll(body, knowledge.is))
}

/** The bodies of a request, in their order; one document that stands there often is read once. */
const bodiesOf = (values: readonly unknown[]): readonly Body[] => {
  const read = new Map<string, Body>()
  return values.map((value, i) => {
    const text = JSON.stringify(value)
    const known = read.get(text)
    if (known) return known
    const file = `bodies.${i}`
    if (text.length > MOST_DOCUMENT_BYTES)
      throw new Refusal('invalid', 'The content cannot be used', [
        { file, path: '', value: '', expected: 'expected a body profile of at most 1 MB' },
      ])
    const body = expectParsed(parseBody(value, file))
    read.set(text, body)
    return body
  })
}

/** What somebody wrote under a name; names that every object has by itself are not written by anybody. */
const own = <T>(record: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(record, name) ? record[name] : undefined

/** Resolves without the database. */
export const resolveRequest = (input: Sent): readonly Resolution[] => {
  const request = expectParsed(parseWith(resolveRequestSchema, json(input), input.file))
  const wanted = expectParsed(parseStandard(request.standard, 'standard'))
  const done = new Map<Body, Resolution>()
  return bodiesOf(request.bodies).map(body => {
    const { id } = body
    const made =
      done.get(body) ?? resolve(body, wanted, { known: own(request.known, id), firmware: own(request.firmware, id) })
    done.set(body, made)
    return made
  })
}

/** Levels bodies without the database: the common level, how good it is proven to be, and what it costs whom. */
export const levelRequest = (input: Sent) => {
  const request = expectParsed(parseWith(levelRequestSchema, json(input), input.file))
  const wanted = expectParsed(parseStandard(request.standard, 'standard'))
  const fleet = bodiesOf(request.bodies).map(body => ({
    body,
    firmware: own(request.firmware, body.id) ?? body.firmware.to,
    known: own(request.known, body.id),
  }))
  const problem = fleetProblem(fleet, wanted)
  const levelled = levelFleet(problem, request.lambdaHundredths)
  return {
    level: asLevel(problem, levelled) ?? null,
    report: levelReport(problem, levelFleet(problem, 0), levelled),
  }
}
