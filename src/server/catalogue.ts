import 'server-only'
import { type Body, bodyAt, compareVersions } from '@/core/bodies'
import type { Lens } from '@/core/lenses/schema'
import { parseStandard, type Standard } from '@/core/standards'
import * as documents from '@/db/documents'
import { listUnits, type UnitRow } from '@/db/units'
import { database } from './database'
import { invalid, notFound } from './problems'
import { remember } from './remember'

/** Bodies, standards and units as stored; documents are parsed once for each revision. */

export interface Revised<T> {
  readonly document: T
  /** Changes whenever the document does. */
  readonly stamp: string
}

const bodyCache = remember<Body>('bodies', 1000)
const standardCache = remember<Standard>('standards', 500)

/** Stored documents were validated when they came in. */
const trusted = <T>(text: string): T => JSON.parse(text) as T

/** Profiles stored by an earlier version lack what came later. */
const trustedBody = (text: string): Body => {
  const body = trusted<Body & Partial<Pick<Body, 'updates' | 'unconfirmed'>>>(text)
  return { ...body, updates: body.updates ?? [], unconfirmed: body.unconfirmed ?? [] }
}

/** Bodies that can be in hand: those that do not contradict themselves. */
export const listBodies = async () => (await listAllBodies()).filter(b => !b.draft)

/** Every body in use, drafts included. */
export const listAllBodies = async () => documents.listBodies(await database())

export const listArchivedBodies = async () => documents.listArchivedBodies(await database())

export const listLenses = async (): Promise<readonly Lens[]> =>
  (await documents.listLenses(await database())).map(row => trusted<Lens>(row.document))

export const listStandards = async () => documents.listStandards(await database())

export const units = async (): Promise<readonly UnitRow[]> => listUnits(await database())

export const readBody = async (id: string, revision?: number): Promise<Revised<Body>> => {
  const known = revision === undefined ? undefined : bodyCache.get(`${id}@${revision}`)
  if (known) return { document: known, stamp: `${id}@${revision}` }
  const row = await documents.findBody(await database(), id)
  if (!row) throw notFound('body', id)
  const stamp = `${row.id}@${row.revision}`
  return { document: bodyCache.getOr(stamp, () => trustedBody(row.document)), stamp }
}

export const readStandard = async (id: string): Promise<Revised<Standard>> => {
  const row = await documents.findStandard(await database(), id)
  if (!row) throw notFound('standard', id)
  const stamp = `${row.id}@${row.revision}`
  return { document: standardCache.getOr(stamp, () => trusted<Standard>(row.document)), stamp }
}

/** Every body in use with its profile. */
export const readBodies = async (): Promise<readonly Revised<Body>[]> =>
  Promise.all((await listBodies()).map(b => readBody(b.id, b.revision)))

/** The revision a body was read at. */
export const revisionOf = ({ stamp }: Revised<Body>): number => Number(stamp.split('@').at(-1))

const formCache = remember<Body>('forms', 1000)

/** A body as it is at a firmware. */
export const formOf = (body: Revised<Body>, firmware: string): Body =>
  body.document.updates.length === 0
    ? body.document
    : formCache.getOr(`${body.stamp}|${firmware}`, () => bodyAt(body.document, firmware))

/**
 * The firmware a body is resolved with: the oldest that any of its units runs, so that the answer holds on all of
 * them; the newest of the profile where the team has no unit.
 */
export const firmwareOf = (body: Body, all: readonly UnitRow[]): string =>
  all
    .filter(u => u.body_id === body.id)
    .map(u => u.firmware)
    .sort(compareVersions)[0] ?? body.firmware.to

const now = () => new Date().toISOString()

/** Stores a standard from a file; all of it or nothing. */
export const importStandard = async (value: unknown, file: string, personId: string | null): Promise<Standard> => {
  const parsed = parseStandard(value, file)
  if (!parsed.ok) throw invalid(parsed.problems)
  await documents.saveStandard(await database(), parsed.value, { at: now(), personId })
  return parsed.value
}
