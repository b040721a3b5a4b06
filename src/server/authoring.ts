import 'server-only'
import {
  type Archetype,
  type Body,
  bodyFromArchetype,
  checkBody,
  describeChanges,
  FACTS,
  type Difference,
  differencesBetween,
  parseDraft,
  withMenuRows,
  changesBetween,
} from '@/core/bodies'
import { menuAsText, parseMenuText } from '@/core/bodies/menu-text'
import { menuAsTable, menuRowsOf, parseMenuTable } from '@/core/bodies/menu-table'
import { asJson, sameJson } from '@/core/changes/changes'
import { parseBundle } from '@/core/formats/bundle'
import { type Parsed, problemWords } from '@/core/formats/problem'
import { uniqueSlug } from '@/core/language/language'
import { knowledgeOf, type Knowledge, proposeAll, type Reading } from '@/core/propose/propose'
import * as documents from '@/db/documents'
import { listHistory, readEvent } from '@/db/history'
import { listAllBodies, listLenses, readBodies, readBody, readStandard, type Revised } from './catalogue'
import { database } from './database'
import { MOST_BODY_BYTES } from './http'
import { invalid, notFound, RequestError } from './problems'
import { remember } from './remember'
import { readSheet, writeXlsx } from './spreadsheets'
import { readLens } from './lenses'

/** How profiles come into being, are edited by several people, and travel as files. */

const now = () => new Date().toISOString()
const expectParsed = <T>(parsed: Parsed<T>): T => {
  if (!parsed.ok) throw invalid(parsed.problems)
  return parsed.value
}

export interface Imported {
  readonly bodies: readonly { readonly id: string; readonly name: string }[]
  readonly lenses: readonly { readonly id: string; readonly name: string }[]
}

export type OnConflict = 'ask' | 'replace' | 'keep-both'

const MOST_TOLD = 8

/**
 * Stores the bodies and lenses of a file, all of them or none.
 *
 * @param onConflict what to do with a document whose id is taken by other contents
 * @throws RequestError 422 naming every problem, 409 naming what differs; nothing is stored then
 */
export const importDocuments = async (
  value: unknown,
  file: string,
  onConflict: OnConflict,
  personId: string | null,
): Promise<Imported> => {
  for (const document of documentsIn(value))
    if (JSON.stringify(document ?? null).length > MOST_BODY_BYTES)
      throw new RequestError(413, 'Too large', 'A body or a lens may have at most 1 MB.')
  const bundle = expectParsed(parseBundle(value, file))
  const db = await database()
  const [bodies, lenses] = [new Map<string, Body>(), new Map((await listLenses()).map(l => [l.id, l]))]
  for (const b of bundle.bodies) {
    const row = await documents.findBody(db, b.id)
    if (row && !row.archived_at) bodies.set(b.id, (await readBody(b.id)).document)
  }
  if (onConflict === 'ask') {
    const told = [
      ...bundle.bodies.flatMap(b => differing(bodies.get(b.id), b)),
      ...bundle.lenses.flatMap(l => {
        const there = lenses.get(l.id)
        return isOther(there, l) ? [`${l.maker} ${l.model} is here already, with other facts.`] : []
      }),
    ]
    if (told.length)
      throw new RequestError(
        409,
        'Something of that name is here already',
        `${told.join('\n')}\nNothing was changed. Replace what is here, or keep both.`,
      )
  }
  const taken = new Set([...(await listAllBodies()).map(b => b.id), ...bodies.keys()])
  const renamed = <T extends { readonly id: string; readonly model: string }>(doc: T, there: T | undefined): T =>
    onConflict === 'keep-both' && isOther(there, doc)
      ? { ...doc, id: uniqueSlug(doc.id, taken), model: `${doc.model} (2)` }
      : doc
  const options = { at: now(), personId }
  const stored: Imported = {
    bodies: await inTurn(bundle.bodies, async b => {
      const body = renamed(b, bodies.get(b.id))
      await documents.saveBody(db, body, options)
      return { id: body.id, name: `${body.maker} ${body.model}` }
    }),
    lenses: await inTurn(bundle.lenses, async l => {
      const lens = renamed(l, lenses.get(l.id))
      await documents.saveLens(db, lens, options)
      return { id: lens.id, name: `${lens.maker} ${lens.model}` }
    }),
  }
  return stored
}

const documentsIn = (value: unknown): readonly unknown[] => {
  const { bodies, lenses } = (value ?? {}) as { bodies?: unknown; lenses?: unknown }
  const lists = [bodies, lenses].filter(list => Array.isArray(list))
  return lists.length ? lists.flat() : [value]
}

const inTurn = async <T, R>(items: readonly T[], work: (item: T) => Promise<R>): Promise<readonly R[]> => {
  const results: R[] = []
  for (const item of items) results.push(await work(item))
  return results
}

/** Something is there under that id, and it says other things. */
const isOther = (there: unknown, incoming: unknown): boolean =>
  there !== undefined && !sameJson(asJson(there), asJson(incoming))

const differing = (there: Body | undefined, incoming: Body): readonly string[] => {
  if (!there || !isOther(there, incoming)) return []
  const differences = differencesBetween(there, incoming)
  const more = differences.length > MOST_TOLD ? `; and ${differences.length - MOST_TOLD} more` : ''
  const words = differences
    .slice(0, MOST_TOLD)
    .map(d => d.words)
    .join('; ')
  return [`${there.maker} ${there.model} is here already, and the file differs: ${words}${more}.`]
}

export interface NewBody {
  readonly maker: string
  readonly model: string
  readonly archetype?: Archetype['id'] | undefined
  readonly copyOf?: string | undefined
  /** A menu as indented text. */
  readonly menu?: string | undefined
  readonly person?: string | undefined
}

/** Begins a profile; what is pasted goes into its menu, undecided. */
export const createBody = async (request: NewBody): Promise<{ readonly id: string; readonly settings: number }> => {
  const { maker, model } = request
  const id = await freeId(model)
  const base: Body = request.copyOf
    ? { ...(await readBody(request.copyOf)).document, id, maker, model, unconfirmed: [...FACTS] }
    : bodyFromArchetype(request.archetype ?? 'mirrorless', { id, maker, model })
  const rows = request.menu?.trim() ? expectParsed(parseMenuText(request.menu, 'pasted menu')) : []
  return store(rows.length ? withMenuRows(base, rows) : base, request.person, begun(request))
}

const begun = (request: NewBody): string =>
  request.copyOf ? `begun as a copy of ${request.copyOf}` : request.menu ? 'begun from a pasted menu' : 'begun'

const freeId = async (model: string): Promise<string> => {
  const db = await database()
  const taken = new Set((await listAllBodies()).map(b => b.id))
  for (const row of await documents.listArchivedBodies(db)) taken.add(row.id)
  return uniqueSlug(model, taken, 'body')
}

const store = async (body: Body, person: string | undefined, what: string) => {
  const draft = checkBody(body, body.model).length > 0
  await documents.saveBody(await database(), body, { at: now(), personId: person ?? null, what, draft, expected: 0 })
  return { id: body.id, settings: body.settings.length }
}

/** Begins a profile with the menu of a spreadsheet. */
export const createBodyFromSheet = async (
  request: Omit<NewBody, 'menu'>,
  bytes: Uint8Array,
  file: string,
): Promise<{ readonly id: string; readonly settings: number }> => {
  const rows = expectParsed(parseMenuTable(await readSheet(bytes, file), file))
  const base = bodyFromArchetype(request.archetype ?? 'mirrorless', {
    id: await freeId(request.model),
    maker: request.maker,
    model: request.model,
  })
  return store(withMenuRows(base, rows), request.person, `begun from ${file}`)
}

export interface Saved {
  readonly revision: number
  /** What contradicts in the profile; it is a draft as long as there is any. */
  readonly problems: readonly string[]
}

/**
 * Stores an edited profile, as long as nobody else has stored one since.
 *
 * @throws RequestError 409 with the profile as it is now where somebody has
 */
export const saveBody = async (
  id: string,
  request: {
    readonly document: unknown
    readonly revision: number
    readonly what: string
    readonly person?: string | undefined
  },
): Promise<Saved> => {
  const { body, problems } = expectParsed(parseDraft(request.document, 'profile'))
  if (body.id !== id)
    throw new RequestError(422, 'Another body', `This address is for ${id}, the profile for ${body.id}.`)
  const result = await documents.saveBody(await database(), body, {
    at: now(),
    personId: request.person ?? null,
    what: request.what,
    expected: request.revision,
    draft: problems.length > 0,
  })
  if (!result.stored) {
    const current = await readBody(id)
    throw new RequestError(
      409,
      'Somebody else changed this profile',
      `${current.document.model} was changed by somebody else while you edited it. See what differs and merge.`,
      [],
      { document: current.document, revision: result.revision },
    )
  }
  return { revision: result.revision, problems: problems.map(problemWords) }
}

export const setBodyArchived = async (id: string, archived: boolean, person?: string): Promise<void> => {
  await readBody(id)
  await documents.setArchived(await database(), 'bodies', id, archived, { at: now(), personId: person ?? null })
}

export interface EventView {
  readonly id: number
  readonly at: string
  readonly what: string
  readonly person: string | null
}

export const bodyHistory = async (id: string): Promise<readonly EventView[]> => {
  await readBody(id)
  return listHistory(await database(), 'body', id)
}

const eventOf = async (id: string, event: number) => {
  const row = await readEvent(await database(), event)
  if (row?.kind !== 'body' || row.subject !== id) throw notFound('event', String(event))
  const parse = (text: string | null): Body | undefined => {
    const parsed = text ? parseDraft(JSON.parse(text), 'history') : undefined
    return parsed?.ok ? parsed.value.body : undefined
  }
  return { before: parse(row.before), after: parse(row.after), what: row.what }
}

/** What one event of a body's history changed, in words. */
export const bodyEvent = async (id: string, event: number): Promise<readonly Difference[]> => {
  const { before, after } = await eventOf(id, event)
  return before && after ? describeChanges(changesBetween(before, after), before, after) : []
}

/** Makes a body as it was before an event; that is an event of its own and can be taken back like any other. */
export const restoreBody = async (id: string, event: number, person?: string): Promise<Saved> => {
  const { before, what } = await eventOf(id, event)
  if (!before) throw new RequestError(422, 'Nothing before it', 'This is where the profile began.')
  const problems = checkBody(before, before.model)
  const { revision } = await documents.saveBody(await database(), before, {
    at: now(),
    personId: person ?? null,
    what: `taken back to before “${what}”`,
    draft: problems.length > 0,
  })
  return { revision, problems: problems.map(problemWords) }
}

const knowledges = remember<Knowledge>('knowledge', 40)

const knowledgeWithout = (bodies: readonly Revised<Body>[], id: string): Knowledge => {
  const others = bodies.filter(b => b.document.id !== id)
  return knowledges.getOr(others.map(b => b.stamp).join(), () => knowledgeOf(others.map(b => b.document)))
}

/** Proposed meanings for every undecided setting of a profile as it is being edited. */
export const proposalsFor = async (value: unknown): Promise<Readonly<Record<string, readonly Reading[]>>> => {
  const { body } = expectParsed(parseDraft(value, 'profile'))
  return Object.fromEntries(proposeAll(body, knowledgeWithout(await readBodies(), body.id)))
}

/** The menu of a body for a spreadsheet or as text. */
export const exportMenu = async (id: string, form: 'csv' | 'xlsx' | 'text') => {
  const { document } = await readBody(id)
  if (form === 'text') return menuAsText(menuRowsOf(document))
  const { writeCsv } = await import('@/core/formats/csv')
  return form === 'csv' ? writeCsv(menuAsTable(document)) : writeXlsx(menuAsTable(document), 'Menu')
}

/** The named bodies and lenses as one file; all of them where none is named. */
export const exportBundle = async (bodyIds: readonly string[] | undefined, lensIds: readonly string[] | undefined) => {
  const { bundleOf } = await import('@/core/formats/bundle')
  const bodies = bodyIds
    ? await Promise.all(bodyIds.map(async id => (await readBody(id)).document))
    : (await readBodies()).map(b => b.document)
  const lenses = lensIds
    ? await Promise.all(lensIds.map(async id => (await readLens(id)).document))
    : bodyIds
      ? []
      : await listLenses()
  return bundleOf(bodies, lenses)
}

/** The standard a profile is tried against while it is written: the one in hand, else the house baseline, else the first. */
export const trialStandard = async (ids: readonly string[], inHand?: unknown) => {
  const id = ids.find(i => i === inHand) ?? ids.find(i => i === 'house-baseline') ?? ids[0]
  return id === undefined ? undefined : (await readStandard(id)).document
}
