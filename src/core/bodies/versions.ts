import { apply, asJson, type Change, diff, type IsWhole } from '../changes/changes'
import { compareVersions } from './firmware'
import { type Body, bodySchema, type Update } from './schema'
import { type Parsed, parseWith } from '../reading/problem'

/** A profile at each of its firmware versions: the first, and a change set for every later one. */

/** Parts of a profile that only make sense whole: a meaning, a place, a rule's condition. */
export const isWholeInBody: IsWhole = at =>
  at.at(-2) === 'means' || at.at(-2) === 'measured' || ['at', 'then', 'when', 'updates'].includes(at.at(-1) ?? '')

/** Profiles never change, so that a form is made once, and is the same object each time: much is remembered by it. */
const forms = new WeakMap<Body, Map<string, Body>>()

/** The profile as it is at a firmware. Later updates stay listed, so that it can be told what they would bring. */
export const bodyAt = (body: Body, firmware: string): Body => {
  if (body.updates.length === 0) return body
  const known = forms.get(body) ?? new Map<string, Body>()
  forms.set(body, known)
  const version = versionAt(body, firmware)
  const form = known.get(version) ?? made(body, version)
  known.set(version, form)
  return form
}

const made = (body: Body, firmware: string): Body => {
  const there = body.updates.filter(u => compareVersions(u.id, firmware) <= 0)
  if (there.length === 0) return body
  const later = body.updates.filter(u => compareVersions(u.id, firmware) > 0)
  return { ...there.reduce((b, u) => apply(b, u.changes as readonly Change[]), body), updates: later }
}

/** Every firmware a profile speaks of, oldest first. */
export const versionsOf = (body: Body): readonly string[] => [body.firmware.from, ...body.updates.map(u => u.id)]

/** The form that runs at a firmware: the newest that is not newer. */
export const versionAt = (body: Body, firmware: string): string =>
  versionsOf(body).findLast(v => compareVersions(v, firmware) <= 0) ?? body.firmware.from

/** Everything that differs between two profiles. */
export const changesBetween = (before: Body, after: Body): readonly Change[] =>
  diff(asJson(before), asJson(after), isWholeInBody)

/** The changes from one form of a profile to another; which firmware it covers is not part of them. */
export const formChangesBetween = (before: Body, after: Body): readonly Change[] =>
  changesBetween({ ...before, updates: [] }, { ...after, updates: [], firmware: before.firmware })

/**
 * The profile after its form at one firmware was edited: the first form is replaced, a later one becomes a new
 * change set against the one before. Later updates keep what they change.
 */
export const withFormAt = (body: Body, firmware: string, edited: Body): Body => {
  const update = body.updates.find(u => u.id === firmware)
  if (!update) return { ...edited, updates: body.updates }
  const before = formBefore(body, firmware)
  const changes = formChangesBetween(before, edited).map(c => ({ ...c, at: [...c.at] }))
  return { ...body, updates: body.updates.map(u => (u.id === firmware ? { ...u, changes } : u)) }
}

/** The form just before an update. */
export const formBefore = (body: Body, firmware: string): Body => {
  const i = body.updates.findIndex(u => u.id === firmware)
  return bodyAt(body, body.updates[i - 1]?.id ?? body.firmware.from)
}

/** The profile with one more firmware, which changes nothing yet. */
export const withUpdate = (body: Body, firmware: string, about?: string): Body => {
  const update: Update = { id: firmware, ...(about ? { about } : {}), changes: [] }
  const updates = [...body.updates, update].sort((a, b) => compareVersions(a.id, b.id))
  const to = compareVersions(firmware, body.firmware.to) > 0 ? firmware : body.firmware.to
  return { ...body, firmware: { ...body.firmware, to }, updates }
}

/** The form at an update, parsed again: change sets come from files and may lead anywhere. */
export const parseForm = (body: Body, firmware: string, file: string): Parsed<Body> =>
  parseWith(bodySchema, asJson({ ...bodyAt(body, firmware), updates: [] }), file)
