import type { Actor } from './actor'
import 'server-only'
import {
  type Archetype,
  type Body,
  changesBetween,
  describeChanges,
  type Difference,
  differencesBetween,
  parseDraft,
} from '@/core/bodies'
import { menuAsTable, menuRowsOf } from '@/core/bodies/menu-table'
import { menuAsText } from '@/core/bodies/menu-text'
import { asJson, sameJson } from '@/core/changes/changes'
import { writeCsv } from '@/core/reading/csv'
import { problemWords } from '@/core/reading/problem'
import { uniqueSlug } from '@/core/language/language'
import type { Lens } from '@/core/lenses/schema'
import type { Reading } from '@/core/propose/propose'
import type { Db } from '@/db/connection'
import * as documents from '@/db/documents'
import { listHistory, readEvent } from '@/db/history'
import { share } from '@/pool/documents'
import type { Tasks } from '@/pool/tasks'
import { listLenses, readBodies, readBody, readStandard } from './catalogue'
import { database } from './database'
import { readLens } from './lenses'
import { changedMeanwhile, notFound, RequestError } from './problems'
import { writeXlsx } from './spreadsheets'
import { handedOver, work } from './working'

/** How profiles come into being, are edited by several people, and travel as files. */

export interface Imported {
  readonly bodies: readonly { readonly id: string; readonly name: string }[]
  readonly lenses: readonly { readonly id: string; readonly name: string }[]
  /** What could not be proven in reasonable time; it was taken all the same. */
  readonly notes: readonly string[]
}

export type OnConflict = 'ask' | 'replace' | 'keep-both'

const MOST_TOLD = 8

/** What is stored under an id already, put away or not. */
interface There {
  readonly document: Body | Lens
  readonly revision: number
  readonly isPutAway: boolean
}

const thereUnder = async (
  find: (db: Db, id: string) => Promise<documents.BodyRow | documents.LensRow | undefined>,
  ids: readonly string[],
): Promise<ReadonlyMap<string, There>> => {
  const db = await database()
  const rows = await Promise.all(ids.map(id => find(db, id)))
  return new Map(
    rows.flatMap(row =>
      row
        ? [
            [
              row.id,
              {
                document: JSON.parse(row.document) as Body | Lens,
                revision: row.revision,
                isPutAway: row.archived_at !== null,
              },
            ] as const,
          ]
        : [],
    ),
  )
}

/** A name that nothing of that maker has yet: `Linnet (2)`. */
const freeModel = (maker: string, model: string, names: Set<string>): string => {
  let n = 2
  while (names.has(`${maker}|${model} (${n})`)) n++
  names.add(`${maker}|${model} (${n})`)
  return `${model} (${n})`
}

/**
 * Stores the bodies and lenses of a file, all of them or none. What is here is never lost: it is replaced only where
 * that is asked for, also where it was put away, and kept under its id where both are kept.
 *
 * @param sent the bytes of the file, or what they stand for
 * @param onConflict what to do with a document whose id is taken by other contents
 * @throws Refusal naming every problem, RequestError 409 naming what differs, or where somebody was quicker; nothing is
 *   stored then
 */
export const importDocuments = async (
  sent: unknown,
  file: string,
  onConflict: OnConflict,
  actor: Actor,
): Promise<Imported> => {
  const bundle = await work('bundle', { sent, file }, handedOver(sent))
  const db = await database()
  const [bodiesThere, lensesThere] = await Promise.all([
    thereUnder(
      documents.findBody,
      bundle.bodies.map(b => b.id),
    ),
    thereUnder(
      documents.findLens,
      bundle.lenses.map(l => l.id),
    ),
  ])
  if (onConflict === 'ask') {
    const told = [
      ...bundle.bodies.flatMap(b => differing(bodiesThere.get(b.id), b)),
      ...bundle.lenses.flatMap(l => differing(lensesThere.get(l.id), l)),
    ]
    if (told.length)
      throw new RequestError(
        409,
        'Something of that name is here already',
        `${told.join('\n')}\nNothing was changed. Replace what is here, or keep both.`,
      )
  }
  const taken = async (table: 'bodies' | 'lenses', incoming: readonly { readonly id: string }[]) => {
    const all = await documents.listNames(db, table)
    return {
      ids: new Set([...all.map(a => a.id), ...incoming.map(d => d.id)]),
      names: new Set(all.map(a => `${a.maker}|${a.model}`)),
    }
  }
  const [takenByBodies, takenByLenses] = [await taken('bodies', bundle.bodies), await taken('lenses', bundle.lenses)]
  const placed = <T extends Body | Lens>(
    doc: T,
    there: There | undefined,
    { ids, names }: Awaited<ReturnType<typeof taken>>,
  ): { readonly document: T; readonly expected: number } =>
    onConflict === 'keep-both' && there && isOther(there.document, doc)
      ? {
          document: { ...doc, id: uniqueSlug(doc.id, ids), model: freeModel(doc.maker, doc.model, names) },
          expected: 0,
        }
      : { document: doc, expected: there?.revision ?? 0 }
  const bodies = bundle.bodies.map(b => placed(b, bodiesThere.get(b.id), takenByBodies))
  const lenses = bundle.lenses.map(l => placed(l, lensesThere.get(l.id), takenByLenses))
  const result = await documents.saveDocuments(
    db,
    [
      ...bodies.map(({ document, expected }) => documents.bodyDocument(document, { expected })),
      ...lenses.map(({ document, expected }) => documents.lensDocument(document, { expected })),
    ],
    actor,
  )
  if (!result.stored)
    throw new RequestError(
      409,
      'Somebody was quicker',
      `${result.id} was changed at the same moment. Nothing was taken from the file; look again, and take it once more.`,
    )
  const named = (all: readonly { readonly document: Body | Lens }[]) =>
    all.map(({ document: d }) => ({ id: d.id, name: `${d.maker} ${d.model}` }))
  return { bodies: named(bodies), lenses: named(lenses), notes: bundle.notes.map(problemWords) }
}

/** Something is there under that id, and it says other things. */
const isOther = (there: unknown, incoming: unknown): boolean => !sameJson(asJson(there), asJson(incoming))

const differing = (there: There | undefined, incoming: Body | Lens): readonly string[] => {
  if (!there || !isOther(there.document, incoming)) return []
  const { document, isPutAway } = there
  const name = `${document.maker} ${document.model} is here already${isPutAway ? ', put away' : ''}`
  if (!('settings' in document && 'settings' in incoming)) return [`${name}, with other facts.`]
  const differences = differencesBetween(document, incoming)
  const more = differences.length > MOST_TOLD ? `; and ${differences.length - MOST_TOLD} more` : ''
  const words = differences
    .slice(0, MOST_TOLD)
    .map(d => d.words)
    .join('; ')
  return [`${name}, and the file differs: ${words}${more}.`]
}

export interface NewBody {
  readonly maker: string
  readonly model: string
  readonly archetype?: Archetype['id'] | undefined
  readonly copyOf?: string | undefined
  /** A menu as indented text. */
  readonly menu?: string | undefined
}

/** Begins a profile; what is pasted goes into its menu, undecided. */
export const createBody = async (
  request: NewBody,
  actor: Actor,
): Promise<{ readonly id: string; readonly settings: number }> => {
  const { maker, model, archetype, menu } = request
  const copyOf = request.copyOf === undefined ? undefined : (await readBody(request.copyOf)).document
  return begin({ maker, model, archetype, copyOf, menu }, actor, begun(request))
}

const begun = (request: NewBody): string =>
  request.copyOf ? `begun as a copy of ${request.copyOf}` : request.menu ? 'begun from a pasted menu' : 'begun'

/** Begins a profile with the menu of a spreadsheet. */
export const createBodyFromSheet = async (
  { maker, model, archetype }: Omit<NewBody, 'menu' | 'copyOf'>,
  bytes: Uint8Array,
  file: string,
  actor: Actor,
): Promise<{ readonly id: string; readonly settings: number }> =>
  begin({ maker, model, archetype, sheet: { bytes, file } }, actor, `begun from ${file}`)

/** Ids are made from names; where somebody takes one at the same moment the next is tried. */
const MOST_TRIES = 5

const begin = async (
  wanted: Omit<Parameters<Tasks['newBody']>[0], 'id'>,
  actor: Actor,
  what: string,
): Promise<{ readonly id: string; readonly settings: number }> => {
  const db = await database()
  const made = await work('newBody', { ...wanted, id: 'new' })
  for (let i = 0; i < MOST_TRIES; i++) {
    const taken = new Set((await documents.listNames(db, 'bodies')).map(b => b.id))
    const body = { ...made.body, id: uniqueSlug(wanted.model, taken, 'body') }
    const options = { ...actor, what, draft: made.isDraft, expected: 0 }
    if ((await documents.saveBody(db, body, options)).stored) return { id: body.id, settings: body.settings.length }
  }
  throw new RequestError(409, 'Somebody was quicker', 'Bodies of that name are being begun by others. Try once more.')
}

export interface Saved {
  readonly revision: number
  /** What contradicts in the profile; it is a draft as long as there is any. */
  readonly problems: readonly string[]
  /** What could not be proven in reasonable time; it hinders nothing. */
  readonly notes: readonly string[]
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
  },
  actor: Actor,
): Promise<Saved> => {
  const { body, problems, notes } = await work('draft', { sent: request.document, file: 'profile' })
  if (body.id !== id)
    throw new RequestError(422, 'Another body', `This address is for ${id}, the profile for ${body.id}.`)
  const result = await documents.saveBody(await database(), body, {
    ...actor,
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
  return { revision: result.revision, problems: problems.map(problemWords), notes: notes.map(problemWords) }
}

/** @throws RequestError 404 where there is no such body, 409 where it was changed since it was looked at */
export const setBodyArchived = async (id: string, archived: boolean, revision: number, actor: Actor): Promise<void> => {
  await readBody(id)
  if (!(await documents.setArchived(await database(), 'bodies', id, archived, { ...actor, expected: revision })))
    throw changedMeanwhile('body')
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

/**
 * Makes a body as it was before an event; that is an event of its own and can be taken back like any other.
 *
 * @param revision what somebody looked at
 * @throws RequestError 409 where it was changed since
 */
export const restoreBody = async (id: string, event: number, revision: number, actor: Actor): Promise<Saved> => {
  const { before, what } = await eventOf(id, event)
  if (!before) throw new RequestError(422, 'Nothing before it', 'This is where the profile began.')
  const { problems, notes } = await work('draft', { sent: before, file: before.model })
  const result = await documents.saveBody(await database(), before, {
    ...actor,
    what: `taken back to before “${what}”`,
    draft: problems.length > 0,
    expected: revision,
  })
  if (!result.stored) throw changedMeanwhile('body')
  return { revision: result.revision, problems: problems.map(problemWords), notes: notes.map(problemWords) }
}

/**
 * Proposed meanings for every undecided setting of a profile as it is being edited.
 *
 * @param sent the bytes of the profile, or what they stand for
 */
export const proposalsFor = async (sent: unknown): Promise<Readonly<Record<string, readonly Reading[]>>> => {
  const others = (await readBodies()).map(b => share(b.document))
  return work('proposals', { sent, file: 'profile', others }, handedOver(sent))
}

/** The menu of a body for a spreadsheet or as text. */
export const exportMenu = async (id: string, form: 'csv' | 'xlsx' | 'text') => {
  const { document } = await readBody(id)
  if (form === 'text') return menuAsText(menuRowsOf(document))
  return form === 'csv' ? writeCsv(menuAsTable(document)) : writeXlsx(menuAsTable(document), 'Menu')
}

/** The named bodies and lenses as the text of one file, each once; all of them where none is named. */
export const exportBundle = async (
  bodyIds: readonly string[] | undefined,
  lensIds: readonly string[] | undefined,
): Promise<{ readonly text: string; readonly name: string }> => {
  const bodies = bodyIds
    ? await Promise.all([...new Set(bodyIds)].map(async id => (await readBody(id)).document))
    : (await readBodies()).map(b => b.document)
  const lenses = lensIds
    ? await Promise.all([...new Set(lensIds)].map(async id => (await readLens(id)).document))
    : bodyIds
      ? []
      : await listLenses()
  const [only, ...more] = [...bodies, ...lenses]
  const text = await work('bundleText', { bodies: bodies.map(b => share(b)), lenses })
  return { text, name: only && more.length === 0 ? `${only.id}.json` : 'coherion-bundle.json' }
}

/** The standard a profile is tried against while it is written: the one in hand, else the house baseline, else the first. */
export const trialStandard = async (ids: readonly string[], inHand?: unknown) => {
  const id = ids.find(i => i === inHand) ?? ids.find(i => i === 'house-baseline') ?? ids[0]
  return id === undefined ? undefined : (await readStandard(id)).document
}
