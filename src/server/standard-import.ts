import 'server-only'
import { layerKind, parseStandard, type Standard, standardProblems } from '@/core/standards'
import { compareLayers, compareStandards } from '@/core/standards/compare'
import houseBaseline from '@/core/standards/house-baseline.json' with { type: 'json' }
import * as db from '@/db/standards'
import type { Actor } from './actor'
import { readStandard } from './catalogue'
import { database } from './database'
import { invalid, RequestError } from './problems'
import { openVersion } from './standards'
import { work } from './working'

/** Standards that come as a file, and the one that comes with the house. */

/** What taking a standard from a file would do, or has done. */
export interface StandardImport {
  readonly id: string
  readonly name: string
  /** Whether there is none of that id yet. */
  readonly isNew: boolean
  /** The version it becomes; undefined where it says what is in force already. */
  readonly version: number | undefined
  readonly differences: readonly string[]
}

/**
 * Takes a standard from a file: a new one, or a draft of the next version of the one that is here; what is in force
 * stays in force. All of it or nothing.
 *
 * @param preview only says what would change
 * @throws RequestError 422 naming every problem, 409 where a draft of it is open
 */
export const importStandard = async (
  value: unknown,
  file: string,
  actor: Actor,
  { preview = false }: { readonly preview?: boolean } = {},
): Promise<StandardImport> => {
  const standard = await work('standard', { sent: value, file })
  const problems = standardProblems(standard, file)
  if (problems.length) throw invalid(problems)
  const { id, name } = standard
  const versions = await db.listVersions(await database(), id)
  const isNew = versions.length === 0
  const current = isNew ? undefined : (await readStandard(id)).document
  const differences = current
    ? [...compareLayers(current, standard), ...compareStandards(current, standard).map(d => d.words)]
    : standard.layers.map(l => `Layer “${l.name}” (${layerKind(l)}) with ${l.targets.length} targets.`)
  if (current && differences.length === 0) return { id, name, isNew, version: undefined, differences }
  const version = isNew ? standard.version : Math.max(...versions.map(v => v.version)) + 1
  if (!preview) {
    const open = await openVersion(id)
    if (open)
      throw new RequestError(
        409,
        'A draft is open',
        `Version ${open.version} of ${name} is being worked on. Approve or retire it first; nothing was changed.`,
      )
    const { stored } = await db.addVersion(await database(), { ...standard, version }, 'draft', {
      ...actor,
      what: `taken from ${file}`,
    })
    if (!stored)
      throw new RequestError(
        409,
        'Somebody was quicker',
        `${name} was taken from a file, or a draft of it begun, at the same moment. Nothing was changed; look again.`,
      )
  }
  return { id, name, isNew, version, differences }
}

/** The standard that comes with the house, for a team that has none yet; it counts at once. */
export const takeHouseBaseline = async (actor: Actor): Promise<Standard> => {
  const parsed = parseStandard(houseBaseline, 'house baseline')
  if (!parsed.ok) throw invalid(parsed.problems)
  const standard = parsed.value
  await db.addVersion(await database(), standard, 'approved', {
    ...actor,
    what: 'taken as it comes with the house',
  })
  return standard
}
