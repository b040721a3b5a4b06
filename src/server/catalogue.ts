import 'server-only'
import { type Body, parseBody } from '@/core/bodies'
import { parseStandard, type Standard } from '@/core/standards'
import * as documents from '@/db/documents'
import { listUnits, type UnitRow } from '@/db/units'
import { compareVersions } from '@/core/bodies'
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

export const listBodies = async () => documents.listBodies(await database())

export const listStandards = async () => documents.listStandards(await database())

export const units = async (): Promise<readonly UnitRow[]> => listUnits(await database())

export const readBody = async (id: string, revision?: number): Promise<Revised<Body>> => {
  const known = revision === undefined ? undefined : bodyCache.get(`${id}@${revision}`)
  if (known) return { document: known, stamp: `${id}@${revision}` }
  const row = await documents.findBody(await database(), id)
  if (!row) throw notFound('body', id)
  const stamp = `${row.id}@${row.revision}`
  return { document: bodyCache.getOr(stamp, () => trusted<Body>(row.document)), stamp }
}

export const readStandard = async (id: string): Promise<Revised<Standard>> => {
  const row = await documents.findStandard(await database(), id)
  if (!row) throw notFound('standard', id)
  const stamp = `${row.id}@${row.revision}`
  return { document: standardCache.getOr(stamp, () => trusted<Standard>(row.document)), stamp }
}

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

/**
 * Stores a body from a file.
 *
 * @throws RequestError 422 naming every problem; nothing is stored then
 */
export const importBody = async (value: unknown, file: string, personId: string | null): Promise<Body> => {
  const parsed = parseBody(value, file)
  if (!parsed.ok) throw invalid(parsed.problems)
  await documents.saveBody(await database(), parsed.value, now(), personId)
  return parsed.value
}

/** Stores a standard from a file; as `importBody`. */
export const importStandard = async (value: unknown, file: string, personId: string | null): Promise<Standard> => {
  const parsed = parseStandard(value, file)
  if (!parsed.ok) throw invalid(parsed.problems)
  await documents.saveStandard(await database(), parsed.value, now(), personId)
  return parsed.value
}
