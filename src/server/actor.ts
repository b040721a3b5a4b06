import 'server-only'
import { type Asker, type Deed, mayNot, type Refused } from '@/core/may/may'
import { lookAheadAfter } from './ahead'
import { database } from './database'
import { RequestError } from './problems'
import * as people from '@/db/people'

declare const asked: unique symbol

/**
 * Who makes a change, and when. Only `actorOf` makes one, so that nothing can be changed before it was asked whether
 * whoever wants it may.
 */
export interface Actor {
  readonly [asked]: Deed
  readonly personId: string | null
  /** When it came in, ISO 8601. */
  readonly at: string
}

const STATUS = { 'needs-name': 422, 'not-signed-in': 401, 'not-allowed': 403 } as const satisfies Record<
  Refused['kind'],
  number
>

/** @throws RequestError 422 where there is no such person */
export const askerOf = async (person: string | undefined): Promise<Asker> => {
  if (person !== undefined && !(await people.listPeople(await database())).some(p => p.id === person))
    throw new RequestError(
      422,
      'No such person',
      'The name that signs is not known here any more. Choose it again at the top of the page.',
    )
  return { person }
}

/** @throws RequestError 422 where a name is needed, 401 or 403 where they may not */
export const actorOf = (asker: Asker, deed: Deed): Actor => {
  const refused = mayNot(asker, deed)
  if (refused) throw new RequestError(STATUS[refused.kind], refused.title, refused.words)
  lookAheadAfter(deed)
  return { personId: asker.person ?? null, at: new Date().toISOString() } as Actor
}

/**
 * @param person who they say they are; undefined where they said nothing
 * @throws RequestError 422 where there is no such person or a name is needed, 401 or 403 where they may not
 */
export const actorFor = async (deed: Deed, person: string | undefined): Promise<Actor> =>
  actorOf(await askerOf(person), deed)
