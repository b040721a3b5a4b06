import { readFileSync } from 'node:fs'
import { chromium, expect } from '@playwright/test'
import { createServer, request as ask, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { DEMO_IDS, type Description, faultOf, generateRequests } from '../hardship/requests'
import settings from '../../scripts/chromium.json' with { type: 'json' }
import { test } from './support/drivers'

/** What comes in by the door, and what does not. */

/** A website of somebody else's. */
const elsewhere = async (html: string): Promise<{ readonly server: Server; readonly port: number }> => {
  const server = createServer((_, response) => {
    response.writeHead(200, { 'content-type': 'text/html' })
    response.end(html)
  })
  await new Promise<void>(done => server.listen(0, '127.0.0.1', done))
  return { server, port: (server.address() as AddressInfo).port }
}

/** A request with headers that a browser would not send. */
const raw = (
  port: number,
  options: { readonly method?: string; readonly path?: string; readonly headers?: Record<string, string> },
  body?: string,
): Promise<{ readonly status: number; readonly text: string }> =>
  new Promise((done, failed) => {
    const asked = ask({ host: '127.0.0.1', port, setHost: false, ...options }, response => {
      let text = ''
      response.on('data', (chunk: Buffer) => (text += chunk.toString()))
      response.on('end', () => done({ status: response.statusCode ?? 0, text }))
    })
    asked.on('error', failed)
    asked.end(body)
  })

test('another website that a member of the team visits can change nothing here', async ({ page, server }) => {
  const target = `http://localhost:${server.port}`
  const events = async () => (await (await fetch(`${target}/api/v1/units/tsp-l1/events`)).text()).length
  const before = await events()
  const attacks = `<form id="f" method="post" enctype="text/plain" target="t" action="${target}/api/v1/units/tsp-l1/events">
      <input name='{"kind":"reset","person":"imelda-frost","x":"' value='"}'></form><iframe name="t"></iframe>`
  const { server: evil, port } = await elsewhere(attacks)
  for (const origin of [`http://127.0.0.1:${port}`, `http://localhost:${port}`]) {
    await page.goto(origin)
    await page.evaluate(async at => {
      const url = `${at}/api/v1/units/tsp-l1/events`
      const body = JSON.stringify({ kind: 'reset', person: 'imelda-frost' })
      const tried = (init: RequestInit) => fetch(url, { method: 'POST', body, ...init }).catch(() => undefined)
      await tried({ mode: 'no-cors', headers: { 'content-type': 'text/plain' } })
      await tried({ mode: 'no-cors', headers: { 'content-type': 'text/plain; x=application/json' } })
      await tried({ headers: { 'content-type': 'application/json' } })
      await tried({ mode: 'no-cors' })
      navigator.sendBeacon(url, new Blob([body], { type: 'text/plain' }))
      document.querySelector('form')?.submit()
    }, target)
    await page.waitForTimeout(300)
  }
  expect(await events()).toBe(before)
  // Nor is it shown inside of another page, where somebody could be led to press what they do not see.
  await page.setContent(`<iframe src="${target}/"></iframe>`)
  await expect(page.frameLocator('iframe').getByRole('heading', { level: 1 })).toHaveCount(0)
  evil.close()
})

test('a name that somebody else has lead here is not ours, neither for reading nor for changing', async ({
  server,
  request,
}) => {
  for (const host of [
    'rebound.example',
    `rebound.example:${server.port}`,
    'localhost.evil.example',
    '',
    'a@localhost',
  ]) {
    const read = await raw(server.port, { path: '/api/v1/people', headers: { host } })
    expect([host, read.status]).toEqual([host, host === '' ? 421 : read.status === 400 ? 400 : 421])
    expect(read.text).not.toContain('Imelda')
  }
  const rebound = { host: 'rebound.example', origin: 'http://rebound.example', 'sec-fetch-site': 'same-origin' }
  const post = { method: 'POST', path: '/api/v1/people', headers: { ...rebound, 'content-type': 'application/json' } }
  expect((await raw(server.port, post, '{"name":"Mallory"}')).status).toBe(421)
  const { people } = (await (await request.get('/api/v1/people')).json()) as { people: { name: string }[] }
  expect(people.map(p => p.name)).not.toContain('Mallory')
  // What a proxy would say is believed of none.
  const forged = await raw(server.port, {
    path: '/api/v1/readiness/calendar?standard=ring-action',
    headers: { host: `localhost:${server.port}`, 'x-forwarded-proto': 'https', 'x-forwarded-host': 'evil.example' },
  })
  expect(forged.status).toBe(200)
  expect(forged.text).not.toContain('evil.example')
})

test('a page under a name that was made to lead here reads and changes nothing', async ({ server }) => {
  const rebound = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: [...settings.args, '--host-resolver-rules=MAP rebound.example 127.0.0.1'],
  })
  const page = await rebound.newPage()
  const response = await page.goto(`http://rebound.example:${server.port}/`)
  expect(response?.status()).toBe(421)
  const got = await page.evaluate(async () => {
    const read = await fetch('/api/v1/people')
    const headers = { 'content-type': 'application/json' }
    const write = await fetch('/api/v1/people', { method: 'POST', headers, body: '{"name":"Mallory"}' })
    return [read.status, write.status, await read.text()]
  })
  expect(got.slice(0, 2)).toEqual([421, 421])
  expect(String(got[2])).not.toContain('Imelda')
  await rebound.close()
})

test('what cannot be read is told so with a sentence', async ({ server }) => {
  const host = `localhost:${server.port}`
  for (const [method, path, status] of [
    ['TRACE', '/', 405],
    ['PROPFIND', '/', 405],
    ['GET', '/%ff', 400],
    ['GET', '/name/bodies/%E0%A4%A', 400],
    ['GET', '/%00', 400],
    ['GET', `/${'x'.repeat(16_400)}`, 414],
    ['GET', '//evil.example/', 400],
    ['PUT', '/api/v1/standards/ring-action/level', 415],
  ] as const) {
    const { status: got, text } = await raw(server.port, { method, path, headers: { host } })
    expect([method, path.slice(0, 40), got]).toEqual([method, path.slice(0, 40), status])
    expect((JSON.parse(text) as { detail: string }).detail.length).toBeGreaterThan(10)
  }
  const level = (text: string) =>
    raw(
      server.port,
      {
        method: 'PUT',
        path: '/api/v1/standards/ring-action/level',
        headers: { host, 'content-type': 'application/json' },
      },
      text,
    )
  expect((await level('{"level":[]}')).status).toBe(422)
  expect((await level('['.repeat(10_000))).status).toBe(400)
})

test('a page runs what it was sent with and nothing else', async ({ page, server }) => {
  const complaints: string[] = []
  page.on('console', message => {
    if (/Content Security Policy/i.test(message.text())) complaints.push(message.text())
  })
  for (const path of [
    '/decide/concordance',
    '/decide/standards/ring-action',
    '/decide/compare',
    '/decide/guide',
    '/set/cards/linnet',
    '/set/controls',
    '/set/controls/linnet',
    '/name/phrasebook/track.hold',
    '/name/phrasebook/dictionary?from=linnet&to=sorrel',
    '/name/bodies/linnet/edit',
    '/keep/readiness',
    '/keep/kit/tsp-l1',
  ]) {
    await page.goto(path)
    await page.waitForLoadState('networkidle')
  }
  expect(complaints).toEqual([])
  const { headers } = await fetch(`http://localhost:${server.port}/`)
  expect(headers.get('x-content-type-options')).toBe('nosniff')
  const nonces = await Promise.all(
    [1, 2].map(async () => {
      const response = await fetch(`http://localhost:${server.port}/decide/standards`)
      const nonce = /'nonce-([\w-]+)'/.exec(response.headers.get('content-security-policy') ?? '')?.[1] ?? 'none'
      expect(await response.text()).toContain(`nonce="${nonce}"`)
      return nonce
    }),
  )
  expect(nonces[0]).not.toBe(nonces[1])
  await page.evaluate(() => {
    const script = document.createElement('script')
    script.textContent = 'window.broken = true'
    document.body.append(script)
    document.body.insertAdjacentHTML('beforeend', '<img src="x" onerror="window.broken = true">')
  })
  await expect.poll(() => complaints.length).toBeGreaterThan(0)
  expect(await page.evaluate(() => 'broken' in window)).toBe(false)
})

test('a thousand requests that nobody should send are answered with a sentence, and none breaks the server', async ({
  server,
}) => {
  const base = `http://localhost:${server.port}`
  const description = (await (await fetch(`${base}/api/v1/openapi.json`)).json()) as Description
  const waiting = [...generateRequests(description, DEMO_IDS, 1000, 20_261_127)]
  const faults: string[] = []
  const send = async () => {
    for (let g = waiting.pop(); g; g = waiting.pop()) {
      const { method, address, headers, body } = g
      const fault = await faultOf(await fetch(base + address, { method, headers, ...(body ? { body } : {}) }))
      if (fault) faults.push(`${method} ${address.slice(0, 120)} ${body?.slice(0, 120) ?? ''}: ${fault}`)
    }
  }
  await Promise.all([1, 2, 3, 4].map(send))
  expect(faults).toEqual([])
})

test('browsers behind one address are told apart, and a page that is kept for all gives each a name of its own', async ({
  browser,
  server,
}) => {
  const names: string[] = []
  for (let i = 0; i < 2; i++) {
    const context = await browser.newContext({ baseURL: server.address })
    const page = await context.newPage()
    for (const path of ['/name/lenses', '/name/bodies', '/name/lenses']) await page.goto(path)
    const own = (await context.cookies()).filter(c => c.name === 'coherion-browser')
    expect(own).toMatchObject([{ httpOnly: true, sameSite: 'Strict', expires: -1 }])
    names.push(...own.map(c => c.value))
    await context.close()
  }
  expect(new Set(names).size).toBe(2)
})

test('an answer that is kept is never an old one, whatever anybody changes', async ({ server }) => {
  const base = `http://localhost:${server.port}`
  const get = async (path: string) => (await fetch(base + path)).json() as Promise<never>
  const send = (method: string, path: string, content: unknown) =>
    fetch(base + path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(content) })
  const looked = [
    '/api/v1/readiness?standard=ring-action',
    '/api/v1/cards?standard=ring-action&body=linnet&unit=tsp-l1',
    '/api/v1/cards?standard=ring-action&body=sorrel&unit=tsp-s1',
    '/api/v1/units/tsp-l1/events',
    '/api/v1/concordance?standard=ring-action',
    '/api/v1/standards',
    '/api/v1/units',
    '/api/v1/people',
  ]
  const card = async (body: string, unit: string): Promise<{ steps: { key: string; tick?: object }[] }> =>
    get(`/api/v1/cards?standard=ring-action&body=${body}&unit=${unit}`)
  const tick = async (body: string, unit: string, ticked: boolean) => {
    const step = (await card(body, unit)).steps.find(s => Boolean(s.tick) !== ticked)
    return send('PUT', '/api/v1/ticks', { standard: 'ring-action', body, unit, step: step?.key ?? 'x=y', ticked })
  }
  const event = async () => ((await get('/api/v1/units/tsp-l1/events')) as { events: { id: number }[] }).events[0]?.id
  const linnet: object = await get('/api/v1/bodies/linnet')
  const changes: readonly (() => Promise<Response>)[] = [
    () => send('POST', '/api/v1/units/tsp-l1/events', { kind: 'reset', person: 'imelda-frost' }),
    () => tick('linnet', 'tsp-l1', true),
    () => tick('linnet', 'tsp-l1', true),
    () => tick('sorrel', 'tsp-s1', true),
    () => tick('linnet', 'tsp-l1', false),
    () => send('POST', '/api/v1/people', { name: 'Newly Come' }),
    () => send('POST', '/api/v1/units/tsp-l1/events', { kind: 'repaired' }),
    async () => send('PUT', `/api/v1/units/tsp-l1/events/${await event()}`, { undone: true }),
    () => send('PUT', '/api/v1/readiness/interval', { weeks: 26, seen: 4 }),
    () => send('PUT', '/api/v1/bodies/linnet', { document: { ...linnet, about: 'x' }, revision: 1, what: 'x' }),
    () => send('PUT', '/api/v1/standards/high-rope/usual', { seen: 'ring-action' }),
    () => send('PUT', '/api/v1/people/imelda-frost/units', { units: ['tsp-l1'], seen: ['tsp-l2', 'tsp-l3'] }),
    () => send('POST', '/api/v1/standards/ring-action/versions', {}),
    () => tick('sorrel', 'tsp-s1', false),
  ]
  // What is asked for under another address is made anew.
  const anew = (path: string, n: number) => `${path}${path.includes('?') ? '&' : '?'}anew=${n}`
  for (const [n, change] of changes.entries()) {
    for (const path of looked) await get(path)
    expect([200, 201], `change ${n}`).toContain((await change()).status)
    for (const path of looked) expect([n, path, await get(path)]).toEqual([n, path, await get(anew(path, n))])
  }
})

test('papers, sheets and pictures come as they are, byte for byte', async ({ server }) => {
  const bytesOf = async (path: string) => {
    // As a page asks: without a cache of its own, and with zipping.
    const answer = await fetch(`${server.address}${path}`, {
      headers: { accept: '*/*', 'accept-encoding': 'gzip, br' },
    })
    expect([path, answer.status]).toEqual([path, 200])
    return Buffer.from(await answer.arrayBuffer())
  }
  expect((await bytesOf('/made/ruler-at-0-01.jpg')).equals(readFileSync('public/made/ruler-at-0-01.jpg'))).toBe(true)
  expect((await bytesOf('/made/pebble-cling.mp4')).equals(readFileSync('public/made/pebble-cling.mp4'))).toBe(true)
  for (const path of [
    '/api/v1/standards/ring-action/pdf',
    '/api/v1/sheets/ruler',
    '/api/v1/bodies/linnet/menu?as=xlsx',
  ])
    // What was taken for text and written again is full of these.
    expect([path, (await bytesOf(path)).includes('\uFFFD')]).toEqual([path, false])
})
