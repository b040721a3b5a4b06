import 'server-only'
import * as v from 'valibot'
import { parseJson, parseWith } from '@/core/reading/problem'
import { Refusal } from '@/pool/refusal'
import type { Deed } from '@/core/may/may'
import { type Actor, actorFor, actorOf, askerOf } from './actor'
import { invalid, RequestError } from './problems'
import { CannotReckonError } from './worked-out'
import { asRequestError, handedOver, work } from './working'

/** The most a request may hold, and the most a single body profile may. */
export const MOST_REQUEST_BYTES = 20 * 1024 * 1024
export const MOST_BODY_BYTES = 1024 * 1024

const problemResponse = (status: number, title: string, detail: string, more: object = {}): Response =>
  Response.json(
    { type: 'about:blank', title, status, detail, ...more },
    { status, headers: { 'content-type': 'application/problem+json' } },
  )

/** Runs a route and turns what goes wrong into a problem document (RFC 9457). */
export const answer = async (work: () => Promise<Response>): Promise<Response> => {
  try {
    return await work()
  } catch (thrown) {
    const error = thrown instanceof Refusal ? asRequestError(thrown) : thrown
    if (error instanceof RequestError)
      return problemResponse(
        error.status,
        error.title,
        error.detail,
        error.problems.length ? { ...error.more, problems: error.problems } : error.more,
      )
    if (error instanceof CannotReckonError) return problemResponse(422, 'The body cannot be resolved', error.message)
    console.error(error)
    return problemResponse(
      500,
      'Something went wrong here',
      'Nothing was changed. Try again; if it stays, look at the server’s log.',
    )
  }
}

/** Exactly this, whatever is said of its letters; a type that only holds the word is another one. */
const IS_JSON = /^application\/json(?:\s*;.*)?$/i

export const isJsonRequest = (request: Request): boolean =>
  IS_JSON.test((request.headers.get('content-type') ?? '').trim())

const expectJson = (request: Request): void => {
  const type = request.headers.get('content-type') ?? ''
  if (!isJsonRequest(request))
    throw new RequestError(
      415,
      'JSON is needed',
      `Send the content as application/json; this came as “${type.slice(0, 80) || 'nothing'}”.`,
    )
}

/** JSON of this size is read where it arrives; what is larger goes to a worker. */
const SMALL_BYTES = 128 * 1024

/**
 * Reads a JSON request of bounded size.
 *
 * @throws RequestError 413 when it is too large, 415 when it is not JSON by its type, 400 when it does not parse
 */
export const readJson = async (request: Request, file: string, mostBytes: number): Promise<unknown> => {
  const bytes = await readJsonBytes(request, mostBytes)
  if (bytes.length > SMALL_BYTES) return work('json', { sent: bytes, file }, handedOver(bytes))
  const parsed = parseJson(new TextDecoder().decode(bytes), file)
  if (!parsed.ok) throw new RequestError(400, 'This is not JSON', parsed.problems[0]?.expected ?? '', parsed.problems)
  return parsed.value
}

/** The same, not read yet: for whoever hands it on to a worker. */
export const readJsonBytes = async (request: Request, mostBytes: number): Promise<Uint8Array> => {
  expectJson(request)
  return readBytes(request, mostBytes)
}

/** The bytes of a request; reading ends as soon as there are too many. @throws RequestError 413 */
export const readBytes = async (request: Request, mostBytes: number): Promise<Uint8Array> => {
  const tooLarge = new RequestError(
    413,
    'Too large',
    `At most ${Math.max(1, Math.round(mostBytes / 1024 / 1024))} MB can be sent at once.`,
  )
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) throw tooLarge
  const chunks: Uint8Array[] = []
  const reader = request.body?.getReader()
  let length = 0
  for (let chunk = await reader?.read(); chunk && !chunk.done; chunk = await reader?.read()) {
    length += chunk.value.byteLength
    if (length > mostBytes) throw tooLarge
    chunks.push(chunk.value)
  }
  // Memory of its own, so that it can be handed on to a worker without being copied.
  const bytes = new Uint8Array(length)
  let at = 0
  for (const chunk of chunks) {
    bytes.set(chunk, at)
    at += chunk.byteLength
  }
  return bytes
}

/** Validates what came in; a mismatch is a 422 that names the place. */
export const expectShape = <T>(schema: v.GenericSchema<unknown, T>, value: unknown, file: string): T => {
  const parsed = parseWith(schema, value, file)
  if (!parsed.ok) throw invalid(parsed.problems)
  return parsed.value
}

/** The query of an address as a plain object. */
export const queryOf = (request: Request): Record<string, string> =>
  Object.fromEntries(new URL(request.url).searchParams)

/** The query of an address, validated. */
export const parseQuery = <T>(schema: v.GenericSchema<unknown, T>, request: Request): T =>
  expectShape(schema, queryOf(request), 'address')

/** Every change may say who makes it. */
const signedSchema = v.looseObject({ person: v.optional(v.pipe(v.string('expected an id'), v.maxLength(120))) })

/**
 * A change as it comes in: what was sent, read and checked, and who makes it. Every route that changes anything begins
 * with this or with `readFileChange`.
 *
 * @param deed what it amounts to; whoever sends it is asked for whether they may
 */
export const readChange = async <T>(
  request: Request,
  {
    deed,
    schema,
    what,
    most = MOST_BODY_BYTES,
  }: {
    readonly deed: Deed | ((sent: T) => Deed)
    readonly schema: v.GenericSchema<unknown, T>
    /** What is sent, as messages call it. */
    readonly what: string
    readonly most?: number
  },
): Promise<{ readonly sent: T; readonly actor: Actor }> => {
  const { person, ...rest } = expectShape(signedSchema, await readJson(request, what, most), what)
  const asker = await askerOf(person)
  const sent = expectShape(schema, rest, what)
  return { sent, actor: actorOf(asker, typeof deed === 'function' ? deed(sent) : deed) }
}

/** The same for a change by a file, where the address says who makes it; the file is still to be read. */
export const readFileChange = async <T>(
  request: Request,
  deed: Deed,
  schema: v.GenericSchema<unknown, T>,
): Promise<{ readonly query: T; readonly actor: Actor }> => {
  const { person, ...rest } = queryOf(request)
  const actor = await actorFor(deed, person)
  return { query: expectShape(schema, rest, 'address'), actor }
}

/** The name of the file that is sent, for messages. */
export const fileNameOf = (request: Request, otherwise: string): string =>
  (queryOf(request)['file'] ?? otherwise).slice(0, 120)

/** Where this server is found, for addresses that lead back to it: as it is named, else as it was asked for. */
export const addressOf = ({ headers }: { readonly headers: Pick<Headers, 'get'> }): string => {
  const [named] = (process.env['COHERION_ORIGIN'] ?? '').split(/[\s,]+/).filter(Boolean)
  return named === undefined ? `http://${headers.get('host') ?? 'localhost'}` : new URL(named).origin
}
