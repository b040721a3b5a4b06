import { readFileSync } from 'node:fs'
import type { APIRequestContext } from '@playwright/test'
import { DIMENSIONS } from '../../src/core/vocabulary/dimensions'
import { isConcept } from '../../src/core/phrasebook/terms'
import { expect, test } from './support/drivers'

/** The HTTP interface of what is authored: each answer, right or wrong, as somebody who calls it would meet it. */

const json = async <T>(request: APIRequestContext, path: string): Promise<T> =>
  (await (await request.get(path)).json()) as T
const linnet = () => JSON.parse(readFileSync('src/demo/bodies/linnet.json', 'utf8')) as Record<string, unknown>
const lens = () => JSON.parse(readFileSync('src/demo/lenses/sorrel-85.json', 'utf8')) as Record<string, unknown>

test('a profile begins, is proposed, saved, taken back, put away and brought back', async ({ request }) => {
  const begun = await request.post('/api/v1/bodies/new', {
    data: { maker: 'Marl', model: 'Grebe', menu: 'A\n  B\n    Focus tone: On | Off' },
  })
  expect(begun.status()).toBe(201)
  const { id } = (await begun.json()) as { id: string }
  const document = await json<Record<string, unknown>>(request, `/api/v1/bodies/${id}`)
  const proposed = await request.post('/api/v1/proposals', { data: document })
  const { proposals } = (await proposed.json()) as {
    proposals: Record<string, { dimensions: string[]; because: string[] }[]>
  }
  expect(proposals['focus-tone']?.[0]?.dimensions).toEqual(['see.tone'])
  expect(proposals['focus-tone']?.[0]?.because.join()).toContain('names it')

  const save = (revision: number, about: string) =>
    request.put(`/api/v1/bodies/${id}`, { data: { document: { ...document, about }, revision, what: 'described' } })
  expect(await (await save(1, 'First.')).json()).toEqual({ revision: 2, problems: [], notes: [] })
  const late = await save(1, 'Late.')
  expect(late.status()).toBe(409)
  expect(await late.json()).toMatchObject({ revision: 2, document: { about: 'First.' } })

  const { events } = await json<{ events: { id: number; what: string }[] }>(request, `/api/v1/bodies/${id}/history`)
  expect(events.map(e => e.what)).toEqual(['described', 'begun from a pasted menu'])
  const { differences } = await json<{ differences: { words: string }[] }>(
    request,
    `/api/v1/bodies/${id}/history/${events[0]?.id}`,
  )
  expect(differences.map(d => d.words)).toEqual(['about'])
  await request.post(`/api/v1/bodies/${id}/restore`, { data: { event: events[0]?.id, revision: 2 } })
  expect(await json<object>(request, `/api/v1/bodies/${id}`)).not.toHaveProperty('about')

  const listed = async () =>
    (await json<{ bodies: { id: string }[] }>(request, '/api/v1/bodies')).bodies.some(b => b.id === id)
  await request.put(`/api/v1/bodies/${id}/archived`, { data: { archived: true, revision: 3 } })
  expect(await listed()).toBe(false)
  await request.put(`/api/v1/bodies/${id}/archived`, { data: { archived: false, revision: 3 } })
  expect(await listed()).toBe(true)
})

test('menus, bundles and units travel as files with names', async ({ request }) => {
  for (const [path, type, name] of [
    ['/api/v1/bodies/linnet/menu?as=csv', 'text/csv', 'linnet-menu.csv'],
    ['/api/v1/bodies/linnet/menu?as=xlsx', 'spreadsheetml', 'linnet-menu.xlsx'],
    ['/api/v1/bodies/linnet/menu?as=text', 'text/plain', 'linnet-menu.txt'],
    ['/api/v1/bundle?bodies=linnet', 'application/json', 'linnet.json'],
    ['/api/v1/bundle', 'application/json', 'coherion-bundle.json'],
    ['/api/v1/units?as=csv', 'text/csv', 'units.csv'],
    ['/api/v1/units?as=xlsx', 'spreadsheetml', 'units.xlsx'],
  ] as const) {
    const response = await request.get(path)
    expect(response.status(), path).toBe(200)
    expect(response.headers()['content-type'], path).toContain(type)
    expect(response.headers()['content-disposition'], path).toBe(`attachment; filename="${name}"`)
  }
  const bundle = await json<{ bodies: unknown[]; lenses: unknown[] }>(request, '/api/v1/bundle')
  expect([bundle.bodies.length, bundle.lenses.length]).toEqual([12, 15])
  const again = await request.post('/api/v1/bodies?file=all.json', { data: bundle })
  expect(again.status()).toBe(201)
  const menu = await (await request.get('/api/v1/bodies/linnet/menu?as=text')).text()
  const copied = await request.post('/api/v1/bodies/new', { data: { maker: 'Marl', model: 'Copy', menu } })
  expect(await copied.json()).toEqual({ id: 'copy', settings: 53 })
})

test('a spreadsheet begins a profile when it is sent as it is', async ({ request }) => {
  const sent = await request.post('/api/v1/bodies/new?maker=Marl&model=Snipe&file=snipe.csv', {
    headers: { 'content-type': 'application/octet-stream' },
    data: Buffer.from('Tab,Page,Setting,Options,Default\nA,B,Drive,Single | Continuous,Continuous\n'),
  })
  expect(await sent.json()).toEqual({ id: 'snipe', settings: 1 })
  const { settings } = await json<{ settings: { default: string; undecided: boolean }[] }>(
    request,
    '/api/v1/bodies/snipe',
  )
  expect(settings).toMatchObject([{ default: 'continuous', undecided: true }])
})

test('what is wrong is told with its place, and changes nothing', async ({ request }) => {
  const before = await json<object>(request, '/api/v1/bundle')
  const octets = { 'content-type': 'application/octet-stream' }
  const wrong: [string, string, { data?: unknown; headers?: Record<string, string> }, number, string][] = [
    ['post', '/api/v1/bodies/new', { data: { maker: 'Marl' } }, 422, 'model'],
    ['post', '/api/v1/bodies/new', { data: { maker: 'M', model: 'N', archetype: 'periscope' } }, 422, 'archetype'],
    ['post', '/api/v1/bodies/new', { data: { maker: 'M', model: 'N', copyOf: 'ghost' } }, 404, 'ghost'],
    ['post', '/api/v1/bodies/new', { data: { maker: 'M', model: 'N', menu: '\n…' } }, 422, 'pasted menu'],
    [
      'post',
      '/api/v1/bodies/new?maker=M&model=N&file=m.csv',
      { data: Buffer.from('Tab\nx\n'), headers: octets },
      422,
      'm.csv, row 1',
    ],
    ['post', '/api/v1/bodies/new?maker=M', { data: Buffer.from('Tab\nx\n'), headers: octets }, 422, 'model'],
    ['put', '/api/v1/bodies/linnet', { data: { document: linnet(), revision: 'one', what: 'x' } }, 422, 'revision'],
    ['put', '/api/v1/bodies/linnet', { data: { document: {}, revision: 1, what: 'x' } }, 422, 'profile'],
    ['put', '/api/v1/bodies/wicket', { data: { document: linnet(), revision: 1, what: 'x' } }, 422, 'linnet'],
    [
      'put',
      '/api/v1/bodies/linnet',
      { data: { document: { ...linnet(), format: 'coherion.body/5' }, revision: 1, what: 'x' } },
      422,
      'later version',
    ],
    ['get', '/api/v1/bodies/ghost/menu', {}, 404, 'ghost'],
    ['get', '/api/v1/bodies/linnet/menu?as=pdf', {}, 422, 'as'],
    ['get', '/api/v1/bodies/ghost/history', {}, 404, 'ghost'],
    ['get', '/api/v1/bodies/linnet/history/99999', {}, 404, '99999'],
    ['post', '/api/v1/bodies/linnet/restore', { data: { event: 99999, revision: 1 } }, 404, '99999'],
    ['post', '/api/v1/bodies/linnet/restore', { data: { event: 1 } }, 422, 'revision'],
    ['put', '/api/v1/bodies/ghost/archived', { data: { archived: true, revision: 1 } }, 404, 'ghost'],
    ['post', '/api/v1/proposals', { data: { settings: [] } }, 422, 'profile'],
    ['post', '/api/v1/bodies', { data: { format: 'coherion.bundle/9' } }, 422, 'later version'],
    ['post', '/api/v1/bodies', { data: { format: 'coherion.bundle/1', bodies: [linnet(), 7] } }, 422, 'bodies.1'],
    ['post', '/api/v1/bodies?conflict=ignore', { data: linnet() }, 422, 'conflict'],
    ['post', '/api/v1/bodies', { data: { ...lens(), maker: 'Other' } }, 409, 'Hearth 85 mm'],
    ['get', '/api/v1/bundle?bodies=linnet,ghost', {}, 404, 'ghost'],
    ['get', '/api/v1/concepts/track.mood', {}, 404, 'track.mood'],
    ['get', '/api/v1/concepts/area.size', {}, 404, 'area.size'],
    ['post', '/api/v1/lenses', { data: { document: { maker: 'M', model: 'L' }, revision: 0 } }, 422, 'lens'],
    ['post', '/api/v1/lenses', { data: { document: lens(), revision: 0 } }, 409, 'changed'],
    ['put', '/api/v1/lenses/sorrel-85', { data: { document: lens(), revision: 7 } }, 409, 'changed'],
    ['get', '/api/v1/lenses/ghost', {}, 404, 'ghost'],
    ['post', '/api/v1/lenses/sorrel-85/restore', { data: { revision: 1 } }, 422, 'first written down'],
    ['get', '/api/v1/units?as=pdf', {}, 422, 'as'],
    ['post', '/api/v1/units', { data: { unit: { tag: '' } } }, 422, 'unit'],
    ['patch', '/api/v1/units/ghost', { data: { archived: true, revision: 1 } }, 404, 'ghost'],
    ['post', '/api/v1/units/import?file=u.csv', { data: Buffer.from([0x54, 0xe4]), headers: octets }, 422, 'UTF-8'],
    ['post', '/api/v1/units/import?preview=maybe', { data: Buffer.from('Tag\n'), headers: octets }, 422, 'preview'],
    ['post', '/api/v1/units/import?file=u.csv', { data: Buffer.alloc(6 * 1024 * 1024), headers: octets }, 413, '5 MB'],
  ]
  for (const [method, path, options, status, words] of wrong) {
    const response = await request.fetch(path, { method, ...options })
    const text = await response.text()
    expect([path, response.status()], text.slice(0, 200)).toEqual([path, status])
    expect(response.headers()['content-type']).toContain('application/problem+json')
    expect(text, path).toContain(words)
  }
  expect(await json<object>(request, '/api/v1/bundle')).toEqual(before)
})

test('lenses and units: added, edited, taken back, put away, brought back', async ({ request }) => {
  const document = { ...lens(), id: undefined, model: 'Reed 85 mm' }
  const added = await request.post('/api/v1/lenses', { data: { document, revision: 0 } })
  expect(await added.json()).toEqual({ id: 'aurelle-reed-85-mm', revision: 1 })
  const path = '/api/v1/lenses/aurelle-reed-85-mm'
  const kept = await json<Record<string, unknown>>(request, path)
  await request.put(path, { data: { document: { ...kept, about: 'Scratched.' }, revision: 1 } })
  expect(await json<object>(request, path)).toMatchObject({ about: 'Scratched.' })
  await request.post(`${path}/restore`, { data: { revision: 2 } })
  expect(await json<object>(request, path)).toEqual(kept)
  await request.patch(path, { data: { archived: true, revision: 3 } })
  expect((await request.get(path)).status()).toBe(404)
  await request.patch(path, { data: { archived: false, revision: 3 } })

  const unit = {
    tag: 'X-1',
    kind: 'lens',
    model: 'aurelle-reed-85-mm',
    serial: '',
    firmware: '',
    owner: '',
    hiredUntil: '',
    notes: '',
  }
  const made = await request.post('/api/v1/units', { data: { unit } })
  expect(await made.json()).toEqual({ id: 'x-1', revision: 1 })
  await request.put('/api/v1/units/x-1', { data: { unit: { ...unit, notes: 'Dusty.' }, revision: 1 } })
  const find = async () =>
    (await json<{ units: { id: string; notes: string }[] }>(request, '/api/v1/units')).units.find(u => u.id === 'x-1')
  expect(await find()).toMatchObject({ notes: 'Dusty.', modelName: 'Aurelle Reed 85 mm' })
  await request.patch('/api/v1/units/x-1', { data: { archived: true, revision: 2 } })
  expect(await find()).toBeUndefined()
})

test('every concept has a page that opens and says what it means', async ({ request }) => {
  for (const d of DIMENSIONS.filter(x => isConcept(x.id))) {
    const response = await request.get(`/name/phrasebook/${d.id}`)
    expect(response.status(), d.id).toBe(200)
    const text = await response.text()
    expect(text, d.id).toContain(d.label)
    const { rows } = await json<{ rows: { sayings: unknown[]; ways: unknown[]; presence: { how: string } }[] }>(
      request,
      `/api/v1/concepts/${d.id}`,
    )
    expect(rows.length, d.id).toBe(12)
    for (const row of rows) expect(row.sayings.length > 0, d.id).toBe(row.presence.how === 'set')
  }
})

test('addresses that lead nowhere say so', async ({ page }) => {
  for (const path of ['/name/bodies/ghost/edit', '/name/phrasebook/track.mood', '/name/lenses/ghost']) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('There is nothing at this address')
  }
})
