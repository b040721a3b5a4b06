import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it, vi } from 'vitest'
import { useDemoFolder } from '../fixtures/demo-folder'
import * as may from '../../src/core/may/may'
import * as bodies from '../../src/app/api/v1/bodies/route'
import * as ticks from '../../src/app/api/v1/ticks/route'

/** Every change says who makes it, and is asked whether they may. */
useDemoFolder()

const API = 'src/app/api/v1'
/** They are sent something, and change nothing. */
const ONLY_ASK = ['explanations', 'film/strip', 'guide', 'level', 'optics/[question]', 'proposals', 'resolve']
const CHANGES = ['PUT', 'POST', 'PATCH', 'DELETE'] as const

type Route = Partial<
  Record<(typeof CHANGES)[number], (request: Request, more: { params: Promise<object> }) => Promise<Response>>
>

/** Vite finds them; nobody has to list them. */
const ROUTES = (import.meta as unknown as { glob: (path: string) => Record<string, () => Promise<Route>> }).glob(
  '../../src/app/api/v1/**/route.ts',
)

const changing = readdirSync(API, { recursive: true, encoding: 'utf8' })
  .filter(f => f.endsWith('route.ts'))
  .map(f => f.replace(/\/route\.ts$/, ''))
  .filter(path => /export const (?:PUT|POST|PATCH|DELETE)\b/.test(readFileSync(`${API}/${path}/route.ts`, 'utf8')))
  .filter(path => !ONLY_ASK.includes(path))

/** What anybody could send; it is not looked at before who sends it. */
const params = Promise.resolve({ id: 'ring-action', version: '3', event: '1', comment: '1' })
const asJson = { 'content-type': 'application/json' }
const sending = (method: string, person: string) =>
  new Request(`http://test/api?person=${person}`, { method, headers: asJson, body: JSON.stringify({ person }) })

describe.each(changing)('%s', path => {
  it('tells whoever nobody knows so, with a sentence, and changes nothing', async () => {
    const route = (await ROUTES[`../../${API}/${path}/route.ts`]?.()) ?? {}
    const methods = CHANGES.filter(m => route[m])
    expect(methods).not.toEqual([])
    for (const method of methods) {
      const answer = await route[method]?.(sending(method, 'nobody-here'), { params })
      expect([method, answer?.status, await answer?.json()]).toEqual([
        method,
        422,
        expect.objectContaining({
          title: 'No such person',
          detail: expect.stringContaining('Choose it again') as string,
        }),
      ])
    }
  })
})

it('knows of every route that changes something', () => {
  expect(changing.length).toBeGreaterThan(25)
})

describe('somebody who may not', () => {
  const tick = { standard: 'ring-action', body: 'linnet', unit: 'tsp-l1', step: 'x=y', ticked: true }
  it.each([
    ['not-signed-in', 401],
    ['not-allowed', 403],
  ] as const)('is told so: %s', async (kind, status) => {
    const said = vi.spyOn(may, 'mayNot').mockReturnValue({ kind, title: 'Not you', words: 'Ask somebody who may.' })
    try {
      const body = JSON.stringify({ ...tick, person: 'imelda-frost' })
      const answer = await ticks.PUT(new Request('http://test/api', { method: 'PUT', headers: asJson, body }))
      expect([answer.status, await answer.json()]).toEqual([
        status,
        expect.objectContaining({ title: 'Not you', detail: 'Ask somebody who may.' }),
      ])
      const file = await bodies.POST(new Request('http://test/api', { method: 'POST', headers: asJson, body: '{}' }))
      expect(file.status).toBe(status)
      expect(said.mock.calls.map(([asker, deed]) => [asker.person, deed])).toEqual([
        ['imelda-frost', 'tell-units'],
        [undefined, 'edit-bodies'],
      ])
    } finally {
      said.mockRestore()
    }
  })
})
