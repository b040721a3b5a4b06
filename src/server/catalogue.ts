import 'server-only'
import { type Body, bodyAt, compareVersions } from '@/core/bodies'
import type { Lens } from '@/core/lenses/schema'
import { type Context, refFrom, scopesOf, type Standard } from '@/core/standards'
import * as documents from '@/db/documents'
import { readUsualStandard } from '@/db/settings'
import * as standards from '@/db/standards'
import { listUnits, type UnitRow } from '@/db/units'
import { database } from './database'
import { notFound } from './problems'
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

/** A standard as it can be chosen: by the version that counts. */
export interface StandardHeading {
  readonly id: string
  readonly name: string
  readonly version: number
  readonly state: standards.VersionState
  /** Whether everything else stands on it. */
  readonly isHouse: boolean
  /** Whether it is in hand where nobody chose another. */
  readonly isUsual: boolean
  /** For whom and what it has layers of their own. */
  readonly scopes: Context
  /** The version that is being worked on, where it is another one. */
  readonly open: { readonly version: number; readonly state: standards.VersionState } | undefined
}

/** Every standard: the house's own first, then by name. */
export const listStandards = async (): Promise<readonly StandardHeading[]> => {
  const db = await database()
  const stored = await standards.listVersions(db)
  const headings = await Promise.all(
    [...new Set(stored.map(v => v.standard_id))].map(async (id): Promise<StandardHeading[]> => {
      const versions = stored.filter(v => v.standard_id === id)
      const counts = standards.inForce(versions)
      if (!counts) return []
      const open = versions.find(v => v !== counts && (v.state === 'draft' || v.state === 'in-review'))
      const { name, version, state, revision } = counts
      const document = await documentOf(id, version, revision)
      const drafted = open && (await documentOf(id, open.version, open.revision))
      const scopes = scopesOf(document.layers, ...(drafted ? [drafted.layers] : []))
      const isHouse = document.layers.every(l => l.kind === 'house')
      const draft = open && { version: open.version, state: open.state }
      return [{ id, name, version, state, scopes, isHouse, isUsual: false, open: draft }]
    }),
  )
  const all = headings.flat().sort((a, b) => Number(b.isHouse) - Number(a.isHouse) || a.name.localeCompare(b.name))
  const chosen = await readUsualStandard(db)
  // Until somebody says which: a kind of work that counts, else what there is.
  const usual = all.find(s => s.id === chosen) ?? all.find(s => !s.isHouse && s.state === 'approved') ?? all[0]
  return all.map(s => ({ ...s, isUsual: s === usual }))
}

export const units = async (): Promise<readonly UnitRow[]> => listUnits(await database())

export const readBody = async (id: string, revision?: number): Promise<Revised<Body>> => {
  const known = revision === undefined ? undefined : bodyCache.get(`${id}@${revision}`)
  if (known) return { document: known, stamp: `${id}@${revision}` }
  const row = await documents.findBody(await database(), id)
  if (!row) throw notFound('body', id)
  const stamp = `${row.id}@${row.revision}`
  return { document: bodyCache.getOr(stamp, () => trustedBody(row.document)), stamp }
}

const stampOf = (id: string, version: number, revision: number) => `${id}@${version}.${revision}`

/** A document that is known to be there. */
const documentOf = async (id: string, version: number, revision: number): Promise<Standard> => {
  const known = standardCache.get(stampOf(id, version, revision))
  if (known) return known
  const row = await standards.findVersion(await database(), id, version)
  if (!row) throw notFound('standard', id)
  return standardCache.getOr(stampOf(id, version, row.revision), () => trusted<Standard>(row.document))
}

export interface RevisedStandard extends Revised<Standard> {
  readonly state: standards.VersionState
  readonly revision: number
}

/**
 * A version of a standard: the one that the reference names, else the one in force.
 *
 * @throws RequestError 404 where there is none
 */
export const readStandard = async (ref: string): Promise<RevisedStandard> => {
  const db = await database()
  const { id, version = standards.inForce(await standards.listVersions(db, id))?.version } = refFrom(ref)
  const row = version === undefined ? undefined : await standards.findVersion(db, id, version)
  if (!row) throw notFound('standard', ref)
  const stamp = stampOf(id, row.version, row.revision)
  const document = standardCache.getOr(stamp, () => trusted<Standard>(row.document))
  return { document, stamp, state: row.state, revision: row.revision }
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
