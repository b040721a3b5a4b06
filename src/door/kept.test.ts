import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterEach, expect, it, vi } from 'vitest'
import { noteRead, noteWritten } from '../db/tables'
import { KeptAnswers, newBrowser, wroteNow } from './kept'

/** A server whose answers are read from a table, and count how often they were made. */
let made = 0
let arrived = 0
/** How long making takes: a moment, or until a test lets it end. */
const aMoment = () => new Promise<void>(go => setTimeout(go, 60))
let making = aMoment
let server: Server | undefined
afterEach(() => {
  vi.useRealTimers()
  server?.close()
  making = aMoment
  made = arrived = 0
})

const READ = 'select * from `people`'
const WRITE = 'update `people` set `name` = ?'

const addressOf = (of: Server | undefined): string => {
  const address = of?.address() as AddressInfo | undefined
  return `http://127.0.0.1:${address?.port}`
}

const start = async (answer: { readonly status?: number; readonly type?: string } = {}): Promise<string> => {
  const kept = new KeptAnswers(async (url, headers) => {
    await fetch(`${addressOf(server)}${url}`, { headers })
  })
  let nonces = 0
  server = createServer((request, response) => {
    arrived++
    const key = kept.keyOf(request)
    const nonce = `nonce-${++nonces}`
    const make = async () => {
      noteRead(READ, [])
      const n = ++made
      await making()
      response.writeHead(answer.status ?? 200, { 'content-type': answer.type ?? 'text/html' })
      response.write(`answer ${n}, `)
      response.end(`<script nonce="${nonce}">${'x'.repeat(2000)}</script>`)
      // As the application does: it waits until what it wrote has gone out.
      await new Promise(go => response.on('finish', go))
    }
    void (key === undefined ? make() : kept.answer(key, request, response, nonce, make))
  })
  await new Promise<void>(done => server?.listen(0, '127.0.0.1', done))
  return `${addressOf(server)}/page-${Math.random()}`
}
const ask = async (address: string) => (await fetch(address)).text()
/** So many in one second are a crowd. */
const askAsCrowd = (address: string) => Promise.all(Array.from({ length: 70 }, () => ask(address)))

it('is made once for all who ask, with a nonce for each, until something it was read from is written to', async () => {
  const address = await start()
  const all = await Promise.all(Array.from({ length: 20 }, () => ask(address)))
  expect(made).toBe(1)
  expect(new Set(all.map(text => /nonce-\d+/.exec(text)?.[0])).size).toBe(20)
  await ask(address)
  expect(made).toBe(1)
  noteWritten(WRITE, ['x'])
  expect(await ask(address)).toContain('answer 2,')
  noteWritten('update `bodies` set `model` = ?', ['x'])
  await ask(address)
  expect(made).toBe(2)
})

it('is made once for all browsers, whatever the door calls them; other cookies make another answer', async () => {
  const address = await start()
  const as = async (cookie: string) => (await fetch(address, { headers: { cookie } })).text()
  const [anna, bruno] = [newBrowser(), newBrowser()].map(named => named.split(';')[0] ?? '')
  expect(anna).not.toBe(bruno)
  for (const cookie of [`${anna}`, `${bruno}; other=1`, `other=1; ${anna}; coherion-wrote=5`]) await as(cookie)
  expect(made).toBe(2)
  await ask(address)
  expect(made).toBe(2)
})

it('that changes while it is made is made once more for all who asked meanwhile, and never an old one', async () => {
  const address = await start()
  const first = ask(address)
  await vi.waitUntil(() => made === 1, { interval: 1 })
  noteWritten(WRITE, ['x'])
  const after = await Promise.all(Array.from({ length: 20 }, () => ask(address)))
  await first
  expect(new Set(after.map(text => text.slice(0, 8)))).toEqual(new Set(['answer 2']))
  expect(made).toBe(2)
})

it('is kept only where it is one, and large ones go out as they come', async () => {
  const missing = await start({ status: 404 })
  await ask(missing)
  await ask(missing)
  expect(made).toBe(2)
  server?.close()
  const file = await start({ type: 'application/pdf' })
  await ask(file)
  await ask(file)
  expect(made).toBe(4)
})

it('is shown to a crowd as it was a moment ago, but never to whoever has changed something since', async () => {
  // All within one moment, however long the machine takes.
  vi.useFakeTimers({ toFake: ['Date'] })
  const address = await start()
  await ask(address)
  noteWritten(WRITE, ['x'])
  // Alone, nobody is shown anything old.
  expect(await ask(address)).toContain('answer 2,')
  const changed = wroteNow().split(';')[0] ?? ''
  noteWritten(WRITE, ['x'])
  const others = Array.from({ length: 70 }, () => ask(`${address}-other`))
  await vi.waitUntil(() => arrived === 72 && made === 3, { interval: 1 })
  const [reader, writer] = [ask(address), fetch(address, { headers: { cookie: changed } })]
  expect(await reader).toContain('answer 2,')
  expect(await (await writer).text()).toContain('answer 4,')
  await Promise.all(others)
  expect(await ask(address)).toContain('answer 4,')
})

it('counts how old it may be from when it was last right, not from when it was made', async () => {
  vi.useFakeTimers({ toFake: ['Date'] })
  const begun = Date.now()
  const address = await start()
  await ask(address)
  vi.setSystemTime(begun + 8000)
  await askAsCrowd(address)
  noteWritten(WRITE, ['x'])
  // It was made eight seconds ago and was right until now.
  expect(await ask(address)).toContain('answer 1,')
  vi.setSystemTime(begun + 12_100)
  // So many have to come again for it to be a crowd in this second.
  const later = await askAsCrowd(address)
  expect(later.some(text => text.startsWith('answer 1,'))).toBe(false)
})

it('is made anew beside a crowd before its time is over, so that nobody waits for it', async () => {
  vi.useFakeTimers({ toFake: ['Date'] })
  const begun = Date.now()
  const address = await start()
  await ask(address)
  // Whoever looks at it alone has it made when its time is over, not before.
  vi.setSystemTime(begun + 12_000)
  expect(await ask(address)).toContain('answer 1,')
  expect(made).toBe(1)
  // It is not made to its end before all have their answer, however long the machine takes.
  let end = () => {}
  const held = new Promise<void>(go => (end = go))
  making = () => held
  const crowd = await askAsCrowd(address)
  expect(crowd.every(text => text.startsWith('answer 1,'))).toBe(true)
  await vi.waitUntil(() => made === 2, { interval: 1 })
  end()
  await vi.waitUntil(async () => (await ask(address)).includes('answer 2,'), { interval: 1 })
  vi.setSystemTime(begun + 20_000)
  expect(await ask(address)).toContain('answer 2,')
  expect(made).toBe(2)
})

it('is made anew the less often beside a crowd, the longer that takes', async () => {
  vi.useFakeTimers({ toFake: ['Date'] })
  const begun = Date.now()
  const address = await start()
  making = () => {
    vi.setSystemTime(begun + 200)
    return aMoment()
  }
  await ask(address)
  making = aMoment
  vi.setSystemTime(begun + 300)
  await askAsCrowd(address)
  noteWritten(WRITE, ['x'])
  // What is made in no time is made anew by then.
  vi.setSystemTime(begun + 1900)
  await askAsCrowd(address)
  expect(made).toBe(1)
  vi.setSystemTime(begun + 2750)
  expect(await ask(address)).toContain('answer 1,')
  await vi.waitUntil(() => made === 2, { interval: 1 })
})

it('is no page for what programs ask for: they are never given anything old', async () => {
  const address = await start({ type: 'application/json' })
  await ask(address)
  noteWritten(WRITE, ['x'])
  const all = await Promise.all(Array.from({ length: 80 }, () => ask(address)))
  expect(all.every(text => text.startsWith('answer 2,'))).toBe(true)
})
