import { randomBytes } from 'node:crypto'
import { createServer, get, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { isIP } from 'node:net'
import { join } from 'node:path'
import next from 'next'
import sirv from 'sirv'
import { onBehalfOf } from '../pool/asker'
import { browserOf, KeptAnswers, newBrowser, wroteNow } from './kept'
import { FORWARDED, type House, policyWith, type Refused, refusalOf, safetyHeaders } from './guard'

/**
 * The door of the house: every request comes in here, is looked at, and handed to the application with the name of
 * whoever asks, so that those who ask take turns and what nobody waits for any more is dropped.
 */

const port = Number(process.env['PORT'] ?? 3000)
const LOOPBACK = ['127.0.0.1', '::1']
const hosts = process.env['HOST'] ? [process.env['HOST']] : LOOPBACK
const listed = (name: string): readonly string[] => (process.env[name] ?? '').split(/[\s,]+/).filter(Boolean)

const originsOf = (texts: readonly string[]): readonly string[] =>
  texts.map(text => {
    if (!URL.canParse(text) || !/^https?:$/.test(new URL(text).protocol))
      throw new Error(`COHERION_ORIGIN: “${text}” is no address; expected one such as https://focus.example`)
    return new URL(text).origin
  })

const house: House = { origins: originsOf(listed('COHERION_ORIGIN')) }
const proxies = new Set(listed('COHERION_PROXY'))

const sendRefusal = (response: ServerResponse, { status, title, detail, headers }: Refused): void => {
  response.writeHead(status, {
    ...safetyHeaders('none'),
    ...headers,
    'content-type': 'application/problem+json',
    connection: 'close',
  })
  response.end(JSON.stringify({ type: 'about:blank', title, status, detail }))
}

/** From where somebody asks; a proxy that is named says for whom it asks. */
const addressOf = (request: IncomingMessage): string => {
  const remote = (request.socket.remoteAddress ?? '').replace(/^::ffff:/, '')
  const forwarded = request.headers['x-forwarded-for']
  const last = typeof forwarded === 'string' ? forwarded.split(',').at(-1)?.trim() : undefined
  return proxies.has(remote) && last !== undefined && isIP(last) ? last : remote
}

const dir = process.argv[2] ?? '.'
const app = next({ dev: false, dir, hostname: hosts[0] ?? 'localhost', port })
await app.prepare()
const handle = app.getRequestHandler()

/** The door asks itself, as whoever asked would. */
const kept = new KeptAnswers(
  (path, headers) =>
    new Promise(done => {
      get({ host: hosts[0], port, path, headers }, answer => answer.resume().on('close', done)).on('error', () =>
        done(),
      )
    }),
)

/** Scripts, styles and fonts were compressed once, when Coherion was built (`scripts/compress.mjs`). */
const BUILT = '/_next/static/'
const builtFiles = sirv(join(dir, '.next', 'static'), {
  brotli: true,
  gzip: true,
  // Looked up each time: a build that is made anew beneath a running server takes files away.
  dev: true,
  setHeaders: response => response.setHeader('cache-control', 'public, max-age=31536000, immutable'),
})

const serve = (request: IncomingMessage, response: ServerResponse): void => {
  const refusal = refusalOf({ method: request.method ?? '', url: request.url ?? '', headers: request.headers }, house)
  if (refusal) {
    sendRefusal(response, refusal)
    return
  }
  const address = addressOf(request)
  const browser = browserOf(request)
  for (const name of Object.keys(request.headers)) if (FORWARDED.test(name)) delete request.headers[name]
  const nonce = randomBytes(16).toString('base64url')
  for (const [name, value] of Object.entries(safetyHeaders(nonce))) response.setHeader(name, value)
  // The application writes the nonce into what it sends.
  request.headers['content-security-policy'] = policyWith(nonce)
  request.headers['x-nonce'] = nonce
  if (request.url?.startsWith(BUILT)) {
    const whole = request.url
    request.url = whole.slice(BUILT.length - 1)
    builtFiles(request, response, () => {
      request.url = whole
      void handle(request, response)
    })
    return
  }
  const gone = new AbortController()
  response.on('close', () => {
    if (!response.writableFinished) gone.abort()
  })
  const cookies = [
    ...(request.method === 'GET' || request.method === 'HEAD' ? [] : [wroteNow]),
    // A program that keeps no cookies needs none.
    ...(browser === undefined && request.headers['sec-fetch-mode'] === 'navigate' ? [newBrowser] : []),
  ]
  if (cookies.length) {
    const own = response.writeHead.bind(response)
    response.writeHead = ((...args: Parameters<typeof own>) => {
      // Once it is sent: what is kept of an answer is for everybody.
      for (const cookie of cookies) response.appendHeader('set-cookie', cookie())
      return own(...args)
    }) as typeof response.writeHead
  }
  const key = kept.keyOf(request)
  const make = () => onBehalfOf({ address, browser: browser ?? '', gone: gone.signal }, () => handle(request, response))
  const answered = key === undefined ? make() : kept.answer(key, request, response, nonce, make)
  void answered.catch((error: unknown) => {
    console.error(error)
    if (!response.headersSent) response.writeHead(500).end()
    else response.destroy()
  })
}

const unreadable = JSON.stringify({
  type: 'about:blank',
  title: 'Not a request',
  status: 400,
  detail: 'What came in is no request that can be read, or its head is too long.',
})
const UNREADABLE = [
  'HTTP/1.1 400 Bad Request',
  'content-type: application/problem+json',
  `content-length: ${unreadable.length}`,
  'connection: close',
  '',
  unreadable,
].join('\r\n')

/** Whoever sends slowly, or too much before anything is read, is let go. */
const LIMITS = { requestTimeout: 120_000, headersTimeout: 20_000, keepAliveTimeout: 65_000, maxHeaderSize: 32 * 1024 }

const listen = (host: string): Promise<Server | undefined> =>
  new Promise((done, failed) => {
    const server = createServer(LIMITS, serve)
    server.on('clientError', (_, socket) => {
      if (socket.writable) socket.end(UNREADABLE)
    })
    server.once('error', (error: Error & { code?: string }) => {
      // Not every machine has both kinds of loopback address.
      if (hosts.length > 1 && ['EADDRNOTAVAIL', 'EAFNOSUPPORT'].includes(error.code ?? '')) done(undefined)
      else failed(error)
    })
    server.listen(port, host, () => done(server))
  })

const servers = await Promise.all(hosts.map(listen))
if (servers.every(s => s === undefined)) throw new Error(`nothing to listen on: ${hosts.join(', ')}`)

const stop = (): void => {
  for (const server of servers) {
    server?.close()
    server?.closeIdleConnections()
  }
  // Whoever is still being answered has a moment.
  setTimeout(() => process.exit(0), 1000).unref()
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
