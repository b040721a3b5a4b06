import type { Actor } from './actor'
import 'server-only'
import { RESCUES } from '@/core/guide/arguments/rescues'
import { type HouseGuide, knowledgeOf, NO_HOUSE_GUIDE, parseHouseGuide, stillKnown } from '@/core/guide/house'
import { rowsAbout } from '@/core/phrasebook/terms'
import { readGuide, saveGuide } from '@/db/settings'
import { firmwareOf, formOf, listBodies, readBody, units } from './catalogue'
import { database } from './database'
import { invalid, RequestError } from './problems'
import { remember } from './remember'

/** What the house makes of the guide, and what its rescues are called on the bodies in hand. */

export interface HouseGuideView {
  readonly document: HouseGuide
  readonly revision: number
}

export const readHouseGuide = async (): Promise<HouseGuideView> => {
  const { document, revision } = await readGuide(await database())
  return { document: document === undefined ? NO_HOUSE_GUIDE : stillKnown(JSON.parse(document)), revision }
}

export const readKnowledge = async () => knowledgeOf((await readHouseGuide()).document)

/** @throws RequestError 409 where somebody else was faster, 422 where a rule says what nobody could answer */
export const saveHouseGuide = async (
  file: unknown,
  revision: number,
  what: string,
  actor: Actor,
): Promise<HouseGuideView> => {
  const parsed = parseHouseGuide(file, 'rules')
  if (!parsed.ok) throw invalid(parsed.problems)
  const document = JSON.stringify(parsed.value)
  const stored = await saveGuide(await database(), { document, revision, what }, actor.at, actor.personId)
  if (stored === undefined) {
    const now = await readHouseGuide()
    throw new RequestError(
      409,
      'Somebody else changed the rules meanwhile',
      'Yours were not stored. Load the page again, see what is there, and change it again.',
      [],
      { ...now },
    )
  }
  return { document: parsed.value, revision: stored }
}

/** What a thing is called on a body. */
export interface BodyWords {
  readonly model: string
  readonly words: string
}

/** Dimension to what each body in hand calls it; bodies that have no such row are left out. */
export type CalledOn = Readonly<Record<string, readonly BodyWords[]>>

const THINGS = [...new Set(RESCUES.flatMap(r => r.remedies).flatMap(r => r.dimension ?? []))]
const rows = remember<Readonly<Record<string, string>>>('rows for rescues', 200)

export const rescueWords = async (ids: readonly string[] | undefined): Promise<CalledOn> => {
  const owned = await units()
  const chosen = ids ?? (await listBodies()).map(b => b.id)
  const bodies = await Promise.all(
    chosen.map(async id => {
      const body = await readBody(id)
      const firmware = firmwareOf(body.document, owned)
      const called = rows.getOr(`${body.stamp}|${firmware}`, () => {
        const form = formOf(body, firmware)
        return Object.fromEntries(THINGS.map(thing => [thing, rowsAbout(form, thing).join(' or ')]))
      })
      return { model: body.document.model, called }
    }),
  )
  return Object.fromEntries(
    THINGS.map(thing => [
      thing,
      bodies.flatMap(({ model, called }) => (called[thing] ? [{ model, words: called[thing] }] : [])),
    ]),
  )
}
