import 'server-only'
import { type Problem, problemWords } from '@/core/reading/problem'
import { uniqueSlug } from '@/core/language/language'
import { type Context, type LayerKind, type Level, refText, type Standard, standardProblems } from '@/core/standards'
import { compareLayers, compareStandards, type TargetDifference } from '@/core/standards/compare'
import { emptyStandard, withNewerBelow } from '@/core/standards/edit'
import { listHistory } from '@/db/history'
import { saveUsualStandard } from '@/db/settings'
import * as db from '@/db/standards'
import type { Actor } from './actor'
import { listStandards, readStandard } from './catalogue'
import { database } from './database'
import { changedMeanwhile, invalid, RequestError } from './problems'
import { work } from './working'

/** Standards as they come into being, are drafted, talked over, approved and retired. */

export interface NewStandard {
  readonly name: string
  readonly about?: string | undefined
  readonly kind: LayerKind
  /** The standard it stands on. */
  readonly below?: string | undefined
}

/** Begins a standard: an empty layer on top of those of the standard below it. */
export const createStandard = async (
  request: NewStandard,
  actor: Actor,
): Promise<{ readonly id: string; readonly version: number }> => {
  const below = request.below ? (await readStandard(request.below)).document : undefined
  const about = request.about?.trim() || 'Not described yet.'
  const begun = { ...actor, what: 'begun' }
  // Ids are made from names; where somebody takes one at the same moment the next is tried.
  for (let i = 0; i < MOST_TRIES; i++) {
    const taken = new Set((await listStandards()).map(s => s.id))
    const id = uniqueSlug(request.name, taken, 'standard')
    const standard = emptyStandard({ id, name: request.name, about }, request.kind, below)
    if ((await db.addVersion(await database(), standard, 'draft', begun)).stored) return { id, version: 1 }
  }
  throw new RequestError(
    409,
    'Somebody was quicker',
    'Standards of that name are being begun by others. Try once more.',
  )
}

const MOST_TRIES = 5

/** The version that is being drafted or looked at, if any. */
export const openVersion = async (id: string) =>
  (await db.listVersions(await database(), id)).find(v => v.state === 'draft' || v.state === 'in-review')

/**
 * The draft of a standard: the one that is open, else a new one made from a version. There is one at a time, so that
 * two people work on the same.
 */
export const openDraft = async (
  ref: string,
  actor: Actor,
): Promise<{ readonly id: string; readonly version: number; readonly isNew: boolean }> => {
  const { document } = await readStandard(ref)
  const open = await openVersion(document.id)
  if (open) return { id: document.id, version: open.version, isNew: false }
  const versions = await db.listVersions(await database(), document.id)
  const version = Math.max(...versions.map(v => v.version)) + 1
  const what = `begun from version ${document.version}`
  const made = { ...document, version }
  const { stored } = await db.addVersion(await database(), made, 'draft', { ...actor, what })
  // Not stored, it is the one that somebody else began at the same moment.
  return { id: document.id, version, isNew: stored }
}

/**
 * The draft of a standard as it is, to be written into.
 *
 * @throws RequestError 422 where it is in review
 */
export const draftToWrite = async (
  ref: string,
  actor: Actor,
): Promise<{
  readonly id: string
  readonly version: number
  readonly document: Standard
  readonly revision: number
}> => {
  const { id, version } = await openDraft(ref, actor)
  const { document, revision, state } = await readStandard(refText({ id, version }))
  if (state !== 'draft')
    throw new RequestError(
      422,
      'It is in review',
      `Version ${version} of ${document.name} is in review: take it back into work first.`,
    )
  return { id, version, document, revision }
}

export interface SavedStandard {
  readonly revision: number
  /** What has to be mended before it can be approved. */
  readonly problems: readonly string[]
}

/**
 * Stores an edited draft, as long as nobody else has stored one since.
 *
 * @throws RequestError 409 with the draft as it is now, or where the version is no draft any more
 */
export const saveStandardDraft = async (
  id: string,
  version: number,
  request: {
    readonly document: unknown
    readonly revision: number
    readonly what: string
  },
  actor: Actor,
): Promise<SavedStandard> => {
  const standard = await work('standard', { sent: request.document, file: 'standard' })
  if (standard.id !== id || standard.version !== version)
    throw new RequestError(422, 'Another version', `This address is for version ${version} of ${id}.`)
  const { stored, revision } = await db.saveDraft(await database(), standard, {
    ...actor,
    what: request.what,
    expected: request.revision,
  })
  if (!stored) {
    const current = await readStandard(refText({ id, version }))
    if (current.state !== 'draft')
      throw new RequestError(
        422,
        'No draft any more',
        `Version ${version} of ${current.document.name} is ${current.state} by now and stays as it is. Begin a new draft; what you typed is still here.`,
      )
    throw new RequestError(
      409,
      'Somebody else changed this draft',
      `${current.document.name} was changed by somebody else while you edited it. See what differs and merge.`,
      [],
      { document: current.document, revision },
    )
  }
  return { revision, problems: standardProblems(standard, standard.name).map(problemWords) }
}

const NEXT: Readonly<Record<db.VersionState, readonly db.VersionState[]>> = {
  draft: ['in-review', 'approved', 'retired'],
  'in-review': ['draft', 'approved', 'retired'],
  approved: ['retired'],
  retired: [],
}

const TOLD: Readonly<Record<db.VersionState, string>> = {
  draft: 'sent back to draft',
  'in-review': 'sent for review',
  approved: 'approved',
  retired: 'retired',
}

/**
 * Moves a version on: draft, in review, approved, retired.
 *
 * @throws RequestError 422 where that is no next state, something has to be mended first, or the reason or the name is
 *   missing; 409 where it was moved or edited meanwhile
 */
export const moveVersion = async (
  id: string,
  version: number,
  request: {
    readonly state: db.VersionState
    readonly why: string
    /** What somebody looked at. */
    readonly revision: number
  },
  actor: Actor,
): Promise<void> => {
  const { document, state } = await readStandard(refText({ id, version }))
  if (!NEXT[state].includes(request.state))
    throw new RequestError(422, 'Not from here', `Version ${version} is ${state}; it cannot become ${request.state}.`)
  if (request.state === 'approved' || request.state === 'in-review') {
    const problems: readonly Problem[] = standardProblems(document, document.name)
    if (problems.length) throw invalid(problems)
  }
  if (request.state === 'approved' && !request.why.trim())
    throw new RequestError(422, 'Say why', 'Whoever looks it up later wants to know why it was approved. Write a line.')
  const found = await db.setState(await database(), id, version, request.state, {
    ...actor,
    why: request.why.trim(),
    what: TOLD[request.state],
    from: { state, revision: request.revision },
  })
  if (found)
    throw new RequestError(
      409,
      'Somebody was quicker',
      found.state === state
        ? `Version ${version} was edited since you looked at it. Nothing was changed; look again at what it will do.`
        : `Version ${version} is ${found.state} by now. Nothing was changed; reload the page.`,
    )
}

/** What a person sees of one version. */
export interface VersionView {
  readonly version: number
  readonly state: db.VersionState
  readonly why: string
  readonly at: string
  readonly approver: string | null
}

export interface StandardView {
  readonly id: string
  readonly document: Standard
  readonly revision: number
  readonly state: db.VersionState
  readonly problems: readonly string[]
  readonly versions: readonly VersionView[]
  /** Lower layers of which there is a newer approved version. */
  readonly newerBelow: readonly {
    readonly standard: string
    readonly name: string
    readonly has: number
    readonly newest: number
  }[]
}

export const readStandardView = async (ref: string): Promise<StandardView> => {
  const { document, revision, state } = await readStandard(ref)
  const [versions, all] = await Promise.all([db.listVersions(await database(), document.id), listStandards()])
  const from = new Map(document.layers.flatMap(l => (l.from ? [[l.from.standard, l.from.version] as const] : [])))
  return {
    id: document.id,
    document,
    revision,
    state,
    problems: standardProblems(document, document.name).map(problemWords),
    versions: versions.map(v => ({
      version: v.version,
      state: v.state,
      why: v.why,
      at: v.approved_at ?? v.changed_at,
      approver: v.approver,
    })),
    newerBelow: [...from].flatMap(([standard, has]) => {
      const below = all.find(s => s.id === standard)
      return below && below.state === 'approved' && below.version > has
        ? [{ standard, name: below.name, has, newest: below.version }]
        : []
    }),
  }
}

/** The draft as it would be on the newest version of a standard below it; nothing is stored. */
export const onNewerBelow = async (ref: string, belowId: string): Promise<Standard> => {
  const [{ document }, below] = await Promise.all([readStandard(ref), readStandard(belowId)])
  return withNewerBelow(document, below.document)
}

export interface ComparisonView {
  readonly before: { readonly name: string; readonly version: number }
  readonly after: { readonly name: string; readonly version: number }
  readonly targets: readonly TargetDifference[]
  readonly layers: readonly string[]
}

/** Two standards, or two versions of one, compared by what they mean. */
export const compareVersions = async (before: string, after: string, context: Context): Promise<ComparisonView> => {
  const [a, b] = await Promise.all([readStandard(before), readStandard(after)])
  const named = ({ name, version }: Standard) => ({ name, version })
  return {
    before: named(a.document),
    after: named(b.document),
    targets: compareStandards(a.document, b.document, context),
    layers: compareLayers(a.document, b.document),
  }
}

/**
 * Keeps a common level in the draft of a standard, which is begun where there is none.
 *
 * @param level null lets each body do its best
 * @throws RequestError 409 where somebody stored the draft at the same moment, 422 where the open version is in review
 */
export const keepLevel = async (
  ref: string,
  level: Level | null,
  actor: Actor,
): Promise<{ readonly id: string; readonly version: number }> => {
  const { id, version } = await openDraft(ref, actor)
  const { document, revision, state } = await readStandard(refText({ id, version }))
  if (state !== 'draft')
    throw new RequestError(
      422,
      'In review',
      `Version ${version} is in review. Send it back to draft, then keep the level.`,
    )
  const { level: _, ...bare } = document
  const standard: Standard = level ? { ...bare, level } : bare
  const what = level
    ? `bodies held to a common level, ${level.lambdaHundredths / 100} against 1`
    : 'each body at its best'
  const { stored } = await db.saveDraft(await database(), standard, {
    ...actor,
    what,
    expected: revision,
  })
  if (!stored)
    throw new RequestError(409, 'Somebody was quicker', 'The draft was changed at the same moment. Try once more.')
  return { id, version }
}

/**
 * Has a standard in hand wherever nobody chose another.
 *
 * @param seen the one that was seen to be it
 * @throws RequestError 404 where there is no such standard, 409 where somebody chose another meanwhile
 */
export const makeUsual = async (id: string, seen: string | null, { at, personId }: Actor): Promise<void> => {
  await readStandard(id)
  if (!(await saveUsualStandard(await database(), { id, seen }, at, personId))) throw changedMeanwhile('usual standard')
}

export const standardHistory = async (id: string) => {
  await readStandard(id)
  return listHistory(await database(), 'standard', id)
}

export type { VersionState } from '@/db/standards'
