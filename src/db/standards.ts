import { type Db, withRetry } from './connection'
import type { SaveOptions, SaveResult } from './documents'
import { recordChange } from './history'

/** Standards and their versions, and what people say about them. */

export const STATES = ['draft', 'in-review', 'approved', 'retired'] as const
export type VersionState = (typeof STATES)[number]

export interface VersionRow {
  readonly standard_id: string
  readonly version: number
  readonly state: VersionState
  readonly name: string
  readonly document: string
  readonly revision: number
  /** What whoever approved or retired it wrote. */
  readonly why: string
  readonly created_at: string
  readonly changed_at: string
  readonly approved_at: string | null
  readonly approved_by: string | null
}

export type VersionHeading = Omit<VersionRow, 'document'> & { readonly approver: string | null }

const HEADING = [
  'standard_id',
  'version',
  'state',
  'standard_versions.name as name',
  'revision',
  'why',
  'standard_versions.created_at as created_at',
  'changed_at',
  'approved_at',
  'approved_by',
]

/** The versions of one standard, or of all of them; newest first. */
export const listVersions = (db: Db, standardId?: string): Promise<readonly VersionHeading[]> =>
  withRetry(() => {
    const all = db('standard_versions')
      .leftJoin('people', 'people.id', 'standard_versions.approved_by')
      .select<VersionHeading[]>([...HEADING, 'people.name as approver'])
      .orderBy('version', 'desc')
    return standardId === undefined ? all : all.where({ standard_id: standardId })
  })

export const findVersion = (db: Db, id: string, version: number): Promise<VersionRow | undefined> =>
  withRetry(async () => db<VersionRow>('standard_versions').where({ standard_id: id, version }).first())

/**
 * Of several versions the one that counts: the approved one; else the newest that is being worked on; else the newest
 * retired one.
 */
export const inForce = <T extends Pick<VersionRow, 'version' | 'state'>>(versions: readonly T[]): T | undefined => {
  const newest = versions.toSorted((a, b) => b.version - a.version)
  return newest.find(v => v.state === 'approved') ?? newest.find(v => v.state !== 'retired') ?? newest[0]
}

interface Saved {
  readonly id: string
  readonly format: string
  readonly name: string
  readonly version: number
}

const columnsOf = (standard: Saved, at: string) => ({
  name: standard.name,
  format: standard.format,
  document: JSON.stringify(standard),
  changed_at: at,
})

/** Adds a version; one that is there already stays as it is. */
export const addVersion = async (
  db: Db,
  standard: Saved,
  state: VersionState,
  { at, personId, what, why = '' }: SaveOptions & { readonly why?: string },
): Promise<SaveResult> => {
  let result: SaveResult = { stored: true, revision: 1 }
  await recordChange(db, at, async trx => {
    const key = { standard_id: standard.id, version: standard.version }
    const there = await trx<VersionRow>('standard_versions').where(key).first()
    if (there) {
      result = { stored: false, revision: there.revision }
      return undefined
    }
    await trx('standards').insert({ id: standard.id, created_at: at }).onConflict('id').ignore()
    const approved = state === 'approved' ? { approved_at: at, approved_by: personId } : {}
    await trx('standard_versions').insert({
      ...key,
      ...columnsOf(standard, at),
      ...approved,
      state,
      why,
      revision: 1,
      created_at: at,
    })
    return {
      personId,
      kind: 'standard',
      subject: standard.id,
      what: `version ${standard.version}: ${what ?? 'begun'}`,
      after: standard,
    }
  })
  return result
}

/** Stores a draft in place of what it was; anything but a draft, or one that has moved on, is left alone. */
export const saveDraft = async (
  db: Db,
  standard: Saved,
  { at, personId, what = 'edited', expected }: SaveOptions,
): Promise<SaveResult> => {
  let result: SaveResult = { stored: false, revision: 0 }
  await recordChange(db, at, async trx => {
    const key = { standard_id: standard.id, version: standard.version }
    const before = await trx<VersionRow>('standard_versions').where(key).first()
    result = { stored: false, revision: before?.revision ?? 0 }
    if (before?.state !== 'draft' || (expected !== undefined && before.revision !== expected)) return undefined
    if (before.document === JSON.stringify(standard)) {
      result = { stored: true, revision: before.revision }
      return undefined
    }
    const revision = before.revision + 1
    await trx('standard_versions')
      .where(key)
      .update({ ...columnsOf(standard, at), revision })
    result = { stored: true, revision }
    return {
      personId,
      kind: 'standard',
      subject: standard.id,
      what: `version ${standard.version}: ${what}`,
      before: JSON.parse(before.document) as unknown,
      after: standard,
    }
  })
  return result
}

/** What a version has to be for it to be moved. */
export interface MovedFrom {
  readonly state: VersionState
  readonly revision: number
}

/**
 * Moves a version to another state; approving one retires the one that was in force.
 *
 * @returns what it is by now, where it is not what it was to be moved from; nothing is changed then
 */
export const setState = async (
  db: Db,
  id: string,
  version: number,
  state: VersionState,
  { at, personId, why, what, from }: SaveOptions & { readonly why: string; readonly from: MovedFrom },
): Promise<MovedFrom | undefined> => {
  let found: MovedFrom | undefined
  await recordChange(db, at, async trx => {
    const key = { standard_id: id, version }
    const before = await trx<VersionRow>('standard_versions').where(key).first()
    if (!before) return undefined
    found = before.state === from.state && before.revision === from.revision ? undefined : before
    if (found) return undefined
    if (state === 'approved')
      await trx('standard_versions').where({ standard_id: id, state: 'approved' }).update({
        state: 'retired',
        changed_at: at,
      })
    const approved = state === 'approved' ? { approved_at: at, approved_by: personId } : {}
    await trx('standard_versions')
      .where(key)
      .update({ state, changed_at: at, ...approved, ...(why ? { why } : {}) })
    return {
      personId,
      kind: 'standard',
      subject: id,
      what: `version ${version}: ${what ?? state}${why ? ` – ${why}` : ''}`,
    }
  })
  return found
}

export interface CommentRow {
  readonly id: number
  readonly version: number
  /** What it is about; the version as a whole where null. */
  readonly dimension: string | null
  readonly person: string | null
  readonly text: string
  readonly at: string
  readonly settled_at: string | null
  readonly settler: string | null
}

/** What was said about a standard, oldest first. */
export const listComments = (db: Db, standardId: string): Promise<readonly CommentRow[]> =>
  withRetry(() =>
    db('comments')
      .leftJoin('people', 'people.id', 'comments.person_id')
      .leftJoin('people as settlers', 'settlers.id', 'comments.settled_by')
      .where({ standard_id: standardId })
      .orderBy('comments.id')
      .select<CommentRow[]>(
        'comments.id as id',
        'version',
        'dimension',
        'people.name as person',
        'text',
        'at',
        'settled_at',
        'settlers.name as settler',
      ),
  )

export const addComment = (
  db: Db,
  comment: {
    readonly standardId: string
    readonly version: number
    readonly dimension: string | null
    readonly text: string
  },
  { at, personId }: SaveOptions,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const { standardId, version, dimension, text } = comment
    await trx('comments').insert({ standard_id: standardId, version, dimension, text, at, person_id: personId })
    return { personId, kind: 'standard', subject: standardId, what: `version ${version}: commented`, after: comment }
  })

/** Settles a comment, or opens it again. */
export const settleComment = (
  db: Db,
  standardId: string,
  id: number,
  settled: boolean,
  { at, personId }: SaveOptions,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const before = await trx<{ id: number; version: number; text: string; settled_at: string | null }>('comments')
      .where({ id, standard_id: standardId } as never)
      .first()
    // Who settled it first, did.
    if (!before || (before.settled_at !== null) === settled) return undefined
    await trx('comments')
      .where({ id })
      .update({ settled_at: settled ? at : null, settled_by: settled ? personId : null })
    return {
      personId,
      kind: 'standard',
      subject: standardId,
      what: `version ${before.version}: comment ${settled ? 'settled' : 'opened again'}`,
      after: { id, text: before.text },
    }
  })
