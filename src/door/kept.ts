import type { IncomingMessage, ServerResponse } from 'node:http'
import { randomBytes, randomUUID } from 'node:crypto'
import { Parted } from './parted'
import { areCurrent, type Reads, watchReads } from '../db/tables'

/**
 * Answers that are kept as long as nothing they were made from changes, so that many who look at the same thing cost
 * little more than one. What is asked for while it is being made is made once. In a crowd, a page may be shown as it was
 * a moment ago, to whoever has changed nothing since: what people change all the time is not made anew for each of them.
 */

interface Kept {
  readonly status: number
  readonly headers: Readonly<Record<string, string | number | readonly string[]>>
  readonly content: Parted
  readonly reads: Reads
  /** When it was begun: what was written later is not in it. */
  readonly began: number
  readonly tookMs: number
  /** When it was last known to be as it would be made then. */
  fresh: number
}

/** Some answers tell the time of day. */
const KEPT_MS = 15_000
/** So many pages in a second are looked at by a crowd. */
const CROWD = 60
/** How long ago a page may have been right that is shown to a crowd, and from when on it is made anew meanwhile. */
const LATELY_MS = 4000
const RENEWED_MS = 1500
/** What takes long to make is made anew less often: one part of so many of the time goes into each page. */
const RENEWED_SHARE = 12
const RENEWED_LATEST_MS = 2800
/** What a crowd looks at is made anew before it has to be, a few pages at a time, so that nobody waits for it. */
const AHEAD_MS = KEPT_MS - 6000
const MOST_AHEAD = 3
/** With it the door asks itself for what has to be made anew. */
export const RENEWS = 'x-coherion-renews'
const PAGES = /^text\/(?:html|x-component)\b/
const MOST_BYTES = 64 * 1024 * 1024
/** Larger answers go out as they come. */
const MOST_ANSWER = 4 * 1024 * 1024
const KEPT_TYPES = /^(?:text\/html|text\/x-component|application\/json)\b/
/** What can be taken for text and be split at a nonce. */
const TEXT = /^(?:text\/|application\/(?:[\w.-]+\+)?(?:json|xml|javascript))/
/** What of a request decides its answer, beside the address. */
const DECIDING = [
  'host',
  'rsc',
  'next-router-state-tree',
  'next-router-prefetch',
  'next-router-segment-prefetch',
  'next-url',
  'accept',
  'authorization',
]

/** Says when whoever has it last changed something, so that they see their own change. */
const WROTE = /(?:^|;\s*)coherion-wrote=(\d+)/
const WROTE_SECONDS = 5
export const wroteNow = (): string =>
  `coherion-wrote=${Date.now()}; Path=/; Max-Age=${WROTE_SECONDS}; HttpOnly; SameSite=Strict`
const wroteAt = ({ headers }: IncomingMessage): number => Number(WROTE.exec(headers.cookie ?? '')?.[1] ?? 0)

/**
 * Tells people behind one address apart, so that they take turns. It decides nothing else, and no answer by it: what is
 * kept is kept for all browsers.
 */
const BROWSER = /(?:^|;\s*)coherion-browser=([\w-]{16})(?![\w-])/
export const browserOf = ({ headers }: IncomingMessage): string | undefined => BROWSER.exec(headers.cookie ?? '')?.[1]
export const newBrowser = (): string =>
  `coherion-browser=${randomBytes(12).toString('base64url')}; Path=/; HttpOnly; SameSite=Strict`

/** The door's own cookies decide no answer. */
const withoutOwn = ({ headers }: IncomingMessage): string =>
  (headers.cookie ?? '').replace(WROTE, '').replace(BROWSER, '').replace(/^;\s*/, '')

const OWN = ['if-none-match', 'if-modified-since', 'range'] as const

const WORTH_ZIPPING = 1024

/** Shared with whoever hands a server on to another folder. */
const shared = globalThis as { coherionKept?: Map<string, Kept> }

/** Pages that somebody looks at; what a browser fetches ahead, or a program asks for, makes no crowd. */
const isLookedAt = ({ url = '', headers }: IncomingMessage): boolean =>
  headers['next-router-prefetch'] === undefined && headers[RENEWS] === undefined && !url.startsWith('/api/')

/** Asks again for what a request asked for, with these headers. */
export type AskAgain = (url: string, headers: Readonly<Record<string, string>>) => Promise<void>

export class KeptAnswers {
  private readonly kept = (shared.coherionKept ??= new Map<string, Kept>())
  /** What is being made just now, and when it was begun, counted in questions. */
  private readonly making = new Map<string, { readonly began: number; readonly made: Promise<Kept | undefined> }>()
  private readonly renewing = new Set<string>()
  private readonly token = randomUUID()
  /** How many pages are being made anew before they have to be. */
  private ahead = 0
  private clock = 0
  private second = { began: 0, asked: 0, before: 0 }

  constructor(private readonly askAgain: AskAgain = () => Promise.resolve()) {}

  /** Undefined for what is not kept: changes, files, and what is sent while it is made. */
  keyOf(request: IncomingMessage): string | undefined {
    const { method, url = '', headers } = request
    if (method !== 'GET' || url.startsWith('/_next/') || /^\/api\/v1\/(?:cards\/pdf|level)/.test(url)) return undefined
    // Whoever has a part, or an older answer, gets another one than the rest.
    if (OWN.some(name => headers[name] !== undefined)) return undefined
    return [url, withoutOwn(request), ...DECIDING.map(name => headers[name] ?? '')].join('\n')
  }

  /**
   * Answers from what is kept, else has it made.
   *
   * @param nonce of this answer
   * @param make writes the answer into the response
   */
  async answer(
    key: string,
    request: IncomingMessage,
    response: ServerResponse,
    nonce: string,
    make: () => Promise<unknown>,
  ): Promise<void> {
    if (isLookedAt(request)) this.countQuestion()
    const asked = this.clock++
    for (let making = this.making.get(key); ; making = this.making.get(key)) {
      const here = this.isRenewing(request) ? undefined : (this.current(key, request) ?? this.lately(key, request))
      if (here) return send(here, request, response, nonce)
      if (!making) break
      const made = await making.made
      // Begun since this was asked for, it saw all that was written before, even where more was written meanwhile: so a
      // crowd that looks at what is just changing costs one making at a time.
      if (made && making.began > asked) return send(made, request, response, nonce)
    }
    let done: (kept: Kept | undefined) => void = () => {}
    this.making.set(key, { began: this.clock++, made: new Promise(go => (done = go)) })
    let kept: Kept | undefined
    try {
      kept = await this.make(request, response, nonce, make)
      if (kept && isWorthKeeping(kept)) {
        // Until it can be sent at once, a crowd is shown the one before.
        if (isZipped(kept)) await kept.content.zip()
        this.keep(key, kept)
      }
    } finally {
      this.making.delete(key)
      done(kept && isForOthers(kept) ? kept : undefined)
    }
    if (kept) await send(kept, request, response, nonce)
  }

  /** Undefined where it went out as it came. */
  private async make(
    request: IncomingMessage,
    response: ServerResponse,
    nonce: string,
    make: () => Promise<unknown>,
  ): Promise<Kept | undefined> {
    // What comes from the application is zipped here, once it is known whole.
    const accepts = request.headers['accept-encoding']
    request.headers['accept-encoding'] = 'identity'
    const reads: Reads = new Map()
    const began = Date.now()
    const whole = await captured(response, () => watchReads(reads, make))
    request.headers['accept-encoding'] = accepts
    if (!whole) return undefined
    const { text, ...rest } = whole
    return { ...rest, content: new Parted(text.split(nonce)), reads, began, tookMs: Date.now() - began, fresh: began }
  }

  private current(key: string, request: IncomingMessage): Kept | undefined {
    const kept = this.kept.get(key)
    if (!kept) return undefined
    const now = Date.now()
    const age = now - kept.began
    if (age >= KEPT_MS + LATELY_MS) this.kept.delete(key)
    if (age >= KEPT_MS || !areCurrent(kept.reads)) return undefined
    kept.fresh = now
    if (age >= AHEAD_MS && this.ahead < MOST_AHEAD && isPage(kept) && this.isCrowded()) {
      this.ahead++
      void this.renew(key, request).finally(() => this.ahead--)
    }
    return kept
  }

  private isRenewing({ headers }: IncomingMessage): boolean {
    return headers[RENEWS] === this.token
  }

  private countQuestion(): void {
    const { began, asked } = this.second
    const age = Date.now() - began
    if (age < 0 || age >= 1000) this.second = { began: Date.now(), asked: 0, before: age < 2000 ? asked : 0 }
    this.second.asked++
  }

  private isCrowded(): boolean {
    return Math.max(this.second.asked, this.second.before) >= CROWD
  }

  /** A page as it was a moment ago, for one of a crowd who has changed nothing since; meanwhile it is made anew. */
  private lately(key: string, request: IncomingMessage): Kept | undefined {
    const kept = this.kept.get(key)
    if (!kept || !this.isCrowded() || !isPage(kept)) return undefined
    const age = Date.now() - kept.fresh
    if (age < 0 || age >= LATELY_MS || wroteAt(request) >= kept.fresh) return undefined
    const renewed = Math.min(RENEWED_LATEST_MS, Math.max(RENEWED_MS, RENEWED_SHARE * kept.tookMs))
    if (age >= renewed && !this.making.has(key)) void this.renew(key, request)
    return kept
  }

  private async renew(key: string, { url = '', headers }: IncomingMessage): Promise<void> {
    if (this.renewing.has(key)) return
    this.renewing.add(key)
    const same = [...DECIDING, 'cookie'].flatMap(name =>
      typeof headers[name] === 'string' ? [[name, headers[name]]] : [],
    )
    await this.askAgain(url, {
      ...(Object.fromEntries(same) as Record<string, string>),
      [RENEWS]: this.token,
    }).finally(() => this.renewing.delete(key))
  }

  private keep(key: string, kept: Kept): void {
    this.kept.set(key, kept)
    let bytes = 0
    for (const k of this.kept.values()) bytes += k.content.bytes
    for (const [oldest, k] of this.kept) {
      if (bytes <= MOST_BYTES) break
      this.kept.delete(oldest)
      bytes -= k.content.bytes
    }
  }
}

const isPage = ({ headers }: Kept): boolean => PAGES.test(String(headers['content-type']))

/** What went wrong here may go right for the next one. */
const isForOthers = ({ status, headers }: Kept): boolean => status < 500 && !headers['set-cookie']

const isWorthKeeping = (kept: Kept): boolean =>
  kept.status === 200 && KEPT_TYPES.test(String(kept.headers['content-type'])) && isForOthers(kept)

const isZipped = ({ content }: Pick<Kept, 'content'>): boolean => content.bytes > WORTH_ZIPPING

const send = async (
  { status, headers, content }: Kept,
  request: IncomingMessage,
  response: ServerResponse,
  nonce: string,
): Promise<void> => {
  const zips = isZipped({ content }) && /\bgzip\b/.test(String(request.headers['accept-encoding'] ?? ''))
  const body = zips ? await content.zippedWith(nonce) : content.with(nonce)
  for (const [name, value] of Object.entries(headers)) if (!response.hasHeader(name)) response.setHeader(name, value)
  response.statusCode = status
  if (zips) response.setHeader('content-encoding', 'gzip')
  response.setHeader('vary', [response.getHeader('vary'), 'accept-encoding'].flat().filter(Boolean).join(', '))
  response.setHeader('content-length', body.length)
  response.end(body)
}

interface Whole {
  readonly status: number
  readonly headers: Kept['headers']
  readonly text: string
}

/** Runs what writes into a response and takes all of it; undefined where it was too much and went out as it came. */
const captured = async (response: ServerResponse, make: () => Promise<unknown>): Promise<Whole | undefined> => {
  const chunks: Buffer[] = []
  let length = 0
  const own = { write: response.write.bind(response), end: response.end.bind(response) }
  const before = { writeHead: response.writeHead.bind(response), flushHeaders: response.flushHeaders.bind(response) }
  const restore = () => Object.assign(response, own, before)
  const letGo = () => {
    restore()
    for (const chunk of chunks) response.write(chunk)
  }
  const whole = new Promise<boolean>(done => {
    const take = (chunk: unknown, encoding: unknown): boolean => {
      if (typeof chunk !== 'string' && !(chunk instanceof Uint8Array)) return true
      const bytes = typeof chunk === 'string' ? Buffer.from(chunk, encoding as BufferEncoding) : Buffer.from(chunk)
      chunks.push(bytes)
      length += bytes.length
      // Pictures, papers and sheets are no text: their bytes go out as they are.
      if (length <= MOST_ANSWER && TEXT.test(String(response.getHeader('content-type')))) return true
      letGo()
      done(false)
      return false
    }
    const callback = (args: readonly unknown[]) => args.find(a => typeof a === 'function') as (() => void) | undefined
    response.write = (chunk: unknown, ...more: unknown[]) => {
      take(chunk, typeof more[0] === 'string' ? more[0] : 'utf8')
      callback(more)?.()
      return true
    }
    response.end = (...args: unknown[]) => {
      const [chunk, encoding] = args
      const isAll = typeof chunk === 'function' || take(chunk, typeof encoding === 'string' ? encoding : 'utf8')
      if (isAll) done(true)
      else own.end()
      callback(args)?.()
      return response
    }
    response.writeHead = (status: number, ...more: unknown[]) => {
      response.statusCode = status
      const headers = more.find(m => typeof m === 'object' && m !== null && !Array.isArray(m))
      for (const [name, value] of Object.entries(headers ?? {})) response.setHeader(name, value as string)
      return response
    }
    response.flushHeaders = () => {}
    response.once('close', () => done(false))
  })
  // What writes may wait until it is sent, and that is only done once it is whole.
  const failed = new Promise<never>((_, fail) => void make().catch(fail))
  try {
    if (!(await Promise.race([whole, failed]))) return undefined
  } finally {
    restore()
  }
  const headers = Object.fromEntries(
    Object.entries(response.getHeaders()).filter(
      ([name, value]) =>
        value !== undefined && !['content-length', 'transfer-encoding', 'content-security-policy'].includes(name),
    ),
  ) as Kept['headers']
  return { status: response.statusCode, headers, text: Buffer.concat(chunks).toString('utf8') }
}
