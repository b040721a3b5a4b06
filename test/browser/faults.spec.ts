import { readdirSync, readFileSync } from 'node:fs'
import { demoStandards } from '../../src/demo/world'
import { expect, test } from './support/drivers'
import { TestServer } from './support/server'

const linnet = () => JSON.parse(readFileSync('src/demo/bodies/linnet.json', 'utf8')) as Record<string, unknown>

/** Something that is there, for each collection of the HTTP interface. */
const EXISTING = {
  jobs: 'saltmarsh-ring',
  bodies: 'linnet',
  lenses: 'sorrel-85',
  units: 'tsp-l1',
  concepts: 'track.hold',
  standards: 'ring-action',
  runs: '1',
  'lens-tests': '1',
  trials: '1',
  audits: '1',
  courses: 'evening-class',
  classes: '1',
  scenes: 'parade',
}

const sendTick = (server: TestServer, step: string) =>
  fetch(`${server.address}/api/v1/ticks`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      standard: 'ring-action',
      body: 'sorrel',
      unit: 'tsp-s1',
      step,
      ticked: true,
      person: 'tobiah-lark',
    }),
  })

interface Card {
  readonly steps: readonly { readonly key: string; readonly tick?: { readonly by: string } }[]
}

const readCard = async (server: TestServer): Promise<Card> =>
  (await (await fetch(`${server.address}/api/v1/cards?standard=ring-action&body=sorrel&unit=tsp-s1`)).json()) as Card

test('no acknowledged tick is lost when the server is killed while ticks are written', async ({ server }) => {
  const { steps } = await readCard(server)
  const acknowledged: string[] = []
  const killAfter = 8
  const writes = steps.map(async ({ key }) => {
    const response = await sendTick(server, key).catch(() => undefined)
    if (!response?.ok) return
    acknowledged.push(key)
    if (acknowledged.length === killAfter) await server.kill()
  })
  await Promise.all(writes)
  await server.up()
  const ticked = (await readCard(server)).steps.filter(s => s.tick).map(s => s.key)
  expect(acknowledged.length).toBeGreaterThanOrEqual(killAfter)
  for (const key of acknowledged) expect(ticked).toContain(key)
  expect((await readCard(server)).steps.find(s => s.tick)?.tick?.by).toBe('Tobiah Lark')
})

test('a tick made while the server is away stays in view and is sent again', async ({ page, card, server }) => {
  await card.open('wicket', '?unit=quay-1')
  await server.kill()
  await card.step(1).check()
  await expect(page.getByText('1 not yet saved')).toBeVisible()
  await expect(page.getByText('The server does not answer.', { exact: false })).toBeVisible()
  await server.up()
  await page.getByRole('button', { name: 'Send now' }).click()
  await card.expectSaved()
  await page.reload()
  await expect(card.step(1)).toBeChecked()
})

const ring = () => demoStandards().find(s => s.id === 'ring-action')

test.describe('the HTTP interface', () => {
  test('resolves what it is sent, without storing it', async ({ request }) => {
    const standard = ring()
    const response = await request.post('/api/v1/resolve', {
      data: { standard, bodies: [{ ...linnet(), id: 'lent' }], known: { lent: { way: 'feather' } } },
    })
    expect(response.status()).toBe(200)
    const { resolutions } = (await response.json()) as {
      resolutions: { body: string; state: Record<string, string> }[]
    }
    expect(resolutions[0]?.body).toBe('lent')
    expect(resolutions[0]?.state['temper']).toBe('temper-4')
    expect((await request.get('/api/v1/bodies/lent')).status()).toBe(404)
  })

  test('says what is wrong and where, never with a 500, and stores nothing', async ({ request }) => {
    const standard = ring()
    const circle = {
      ...linnet(),
      id: 'circle',
      rules: [
        {
          id: 'a',
          words: 'Kin rests Temper.',
          when: [{ setting: 'kin', is: ['kin-off'] }],
          then: { effect: 'unavailable', setting: 'temper' },
        },
        {
          id: 'b',
          words: 'Temper rests Kin.',
          when: [{ setting: 'temper', is: ['temper-1'] }],
          then: { effect: 'unavailable', setting: 'kin' },
        },
      ],
    }
    const json = { 'content-type': 'application/json' }
    const cases: [string, string, { data?: unknown; headers?: Record<string, string> }, number, string][] = [
      ['post', '/api/v1/resolve', { data: Buffer.from('{"standard":'), headers: json }, 400, 'value expected'],
      [
        'post',
        '/api/v1/resolve',
        { data: 'hello', headers: { 'content-type': 'text/plain' } },
        415,
        'application/json',
      ],
      ['post', '/api/v1/resolve', { data: { standard } }, 422, 'bodies'],
      ['post', '/api/v1/resolve', { data: [] }, 422, 'request'],
      ['post', '/api/v1/resolve', { data: { standard, bodies: [null] } }, 422, 'bodies.0'],
      [
        'post',
        '/api/v1/resolve',
        { data: { standard: { ...standard, format: 'coherion.standard/7' }, bodies: [linnet()] } },
        422,
        'coherion.standard/1',
      ],
      [
        'post',
        '/api/v1/resolve',
        { data: { standard, bodies: [circle] } },
        422,
        'circle: “Kin rests Temper.”, then “Temper rests Kin.”',
      ],
      ['post', '/api/v1/bodies', { data: circle }, 422, 'circle'],
      ['post', '/api/v1/bodies?file=mine.json', { data: { ...linnet(), about: 'x'.repeat(2_000_000) } }, 413, '1 MB'],
      [
        'post',
        '/api/v1/standards',
        {
          data: {
            ...standard,
            layers: [
              { id: 'a', name: 'A', targets: [{ dimension: 'track.luck', value: 1, weight: 'must', reason: 'x' }] },
            ],
          },
        },
        422,
        'track.luck',
      ],
      ['get', '/api/v1/standards/nothing', {}, 404, 'nothing'],
      ['get', '/api/v1/resolutions?standard=ring-action&bodies=linnet,ghost', {}, 404, 'ghost'],
      ['get', '/api/v1/explanations?standard=ring-action&body=linnet', {}, 422, 'dimension'],
      ['get', '/api/v1/explanations?standard=ring-action&body=linnet&dimension=video.shift', {}, 404, 'video.shift'],
      [
        'put',
        '/api/v1/ticks',
        { data: { standard: 'ring-action', body: 'linnet', step: 'no=thing', ticked: true } },
        422,
        'no step',
      ],
      [
        'put',
        '/api/v1/ticks',
        { data: { standard: 'ring-action', body: 'linnet', step: 'way=roam', ticked: true, person: 'ghost' } },
        422,
        'name',
      ],
      ['post', '/api/v1/people', { data: { name: '  ' } }, 422, 'expected a name'],
    ]
    for (const [method, path, options, status, words] of cases) {
      const response = await request.fetch(path, { method, ...options })
      const text = await response.text()
      expect([path, response.status()]).toEqual([path, status])
      expect(response.headers()['content-type']).toContain('application/problem+json')
      expect(text).toContain(words)
    }
    const { bodies } = (await (await request.get('/api/v1/bodies')).json()) as { bodies: { id: string }[] }
    expect(bodies.map(b => b.id).sort()).toEqual(readdirSync('src/demo/bodies').map(f => f.replace('.json', '')))
  })

  test('describes itself: every path of the document answers', async ({ request }) => {
    const document = (await (await request.get('/api/v1/openapi.json')).json()) as {
      openapi: string
      paths: Record<string, Record<string, unknown>>
    }
    expect(document.openapi).toBe('3.1.0')
    const { events } = (await (await request.get('/api/v1/bodies/linnet/history')).json()) as {
      events: { id: number }[]
    }
    for (const [path, operations] of Object.entries(document.paths))
      for (const method of Object.keys(operations)) {
        const id = Object.entries(EXISTING).find(([collection]) => path.includes(collection))?.[1] ?? ''
        const place = path
          .replace('{id}', id)
          .replace('{event}', String(events[0]?.id))
          .replace('{version}', '2')
          .replace('{below}', 'house-baseline')
          .replace('{comment}', '1')
          .replace('{question}', 'depth')
          .replace('{sheet}', 'ruler')
        const response = await request.fetch(place, { method })
        expect([path, method, response.status()]).not.toEqual([path, method, 404])
        expect([path, method, response.status()]).not.toEqual([path, method, 405])
        expect(response.status()).toBeLessThan(500)
      }
  })
})

test('a team’s own folder begins empty, takes files, and says what is wrong with a wrong one', async ({ browser }) => {
  const server = await TestServer.start('own')
  const page = await browser.newPage({ baseURL: server.address })
  try {
    await page.goto('/')
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Three steps to the first card')
    const choose = async (label: string, files: { name: string; content: string }[]) => {
      const chooser = page.waitForEvent('filechooser')
      await page.getByText(label).click()
      await (
        await chooser
      ).setFiles(files.map(f => ({ name: f.name, mimeType: 'application/json', buffer: Buffer.from(f.content) })))
    }
    await choose('Add bodies from files', [
      { name: 'broken.json', content: JSON.stringify({ ...linnet(), viewfinder: 'periscope' }) },
    ])
    await expect(page.getByText('broken.json: not added, nothing was changed')).toBeVisible()
    await expect(page.getByText(/broken\.json, viewfinder: "periscope" stands there/)).toBeVisible()
    await choose('Add bodies from files', [{ name: 'linnet.json', content: JSON.stringify(linnet()) }])
    await expect(page.getByText('linnet.json: added')).toBeVisible()
    await choose('Add standards from files', [{ name: 'ring.json', content: JSON.stringify(ring()) }])
    await expect(page).toHaveURL(/decide\/concordance/)
    await page.getByRole('link', { name: 'Set' }).click()
    await page.getByRole('link', { name: /Linnet/ }).click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Linnet for Ring action')
    await page.getByRole('checkbox').first().check()
    await expect(page.getByText('saved', { exact: true })).toBeVisible()
    await page.getByRole('button', { name: 'Who are you?' }).click()
    await page.getByLabel('Your name').fill('Odalys Brandt')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByRole('button', { name: 'Signing as Odalys Brandt' })).toBeVisible()
  } finally {
    await page.close()
    await server.stop()
  }
})

test('an address that leads nowhere says so', async ({ page }) => {
  await page.goto('/name/bodies/sparrow')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('There is nothing at this address')
})
