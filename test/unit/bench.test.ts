import { describe, expect, it } from 'vitest'
import { useDemoFolder } from '../fixtures/demo-folder'
import * as runs from '../../src/app/api/v1/runs/route'
import * as one from '../../src/app/api/v1/runs/[id]/route'
import * as effect from '../../src/app/api/v1/runs/[id]/effect/route'
import * as kept from '../../src/app/api/v1/runs/[id]/kept/route'
import { readBody } from '../../src/server/catalogue'
import { readExplanation } from '../../src/server/explanation'
import { demoRuns } from '../../src/demo/world'

/** The Bench over HTTP: a run is stored, says what it would change, and is taken up into the profile. */
useDemoFolder()

const json = (method: string, content: unknown) =>
  new Request('http://test/api', {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(content),
  })
const at = (id: string) => ({ params: Promise.resolve({ id }) })
const read = async (answer: Response) => ({
  status: answer.status,
  body: (await answer.json()) as Record<string, unknown>,
})
const [demo] = demoRuns()

describe('a run', () => {
  it('comes back as it was sent, and its takes as a table without the time of the thumb', async () => {
    const { status, body } = await read(await runs.POST(json('POST', { document: demo?.run })))
    expect(status).toBe(201)
    const id = String(body['id'])
    expect((await read(await one.GET(new Request('http://test/api'), at(id)))).body).toEqual(demo?.run)
    const csv = await (await one.GET(new Request('http://test/api?form=csv'), at(id))).text()
    const [head, first] = csv.split('\r\n')
    expect(head).toBe('take,step,seconds,outcome')
    expect(Number(first?.split(',')[2])).toBeCloseTo(Number(demo?.run.takes[0]?.seconds) - 0.24, 6)
  })

  it.each([
    [{ body: 'nobody' }, 404, 'nobody'],
    [{ setting: 'nerve' }, 422, 'No such scale'],
    [{ firmware: '9.9' }, 422, 'No such firmware'],
    [{ takes: [{ step: 'stick-99', seconds: 1 }] }, 422, 'No such step'],
    [{ takes: [] }, 422, 'at least one take'],
  ])('is refused where its body has no such thing, and nothing is stored (%#)', async (change, status, words) => {
    const before = (await read(await runs.GET())).body['runs'] as readonly unknown[]
    const answer = await read(await runs.POST(json('POST', { document: { ...demo?.run, ...change } })))
    expect(answer.status).toBe(status)
    expect(JSON.stringify(answer.body)).toContain(words)
    expect(((await read(await runs.GET())).body['runs'] as readonly unknown[]).length).toBe(before.length)
  })

  it('says which standards would pick another step and whose cards are owed; kept, they do', async () => {
    const { standards } = (await read(await effect.GET(new Request('http://test/api'), at('1')))).body as {
      standards: readonly {
        standard: string
        before: string
        after: string
        isChanged: boolean
        units: readonly string[]
        nearest?: { step: string; sureOfHundred: number }
      }[]
    }
    const changed = standards.filter(s => s.isChanged)
    expect(changed.length).toBeGreaterThan(0)
    expect(changed[0]?.units).toEqual(['TSP-T1', 'TSP-T2', 'TSP-T3'])
    // What a standard wants without anything else in its way is the step that comes nearest, in most of the draws.
    const ring = standards.find(s => s.standard === 'ring-action')?.nearest
    expect([ring?.step, Number(ring?.sureOfHundred) > 80]).toEqual(['Stick 0', true])
    const which = String(changed[0]?.standard)
    const gets = async () => (await readExplanation(which, 'tollgate', 'track.hold')).gets
    const before = await gets()
    expect((await readExplanation(which, 'tollgate', 'track.hold')).evidence).toContain('declared')

    const revision = Number((await readBody('tollgate')).stamp.split('@').at(-1))
    expect((await kept.PUT(json('PUT', { revision: revision + 5 }), at('1'))).status).toBe(409)
    expect((await kept.PUT(json('PUT', { revision }), at('1'))).status).toBe(200)
    expect(await gets()).not.toBe(before)
    expect((await readExplanation(which, 'tollgate', 'track.hold')).evidence).toMatch(/^measured 5 times on 2026-10-18/)
    const listed = (await read(await runs.GET())).body['runs'] as readonly { id: number; keptAt: string | null }[]
    expect(listed.find(r => r.id === 1)?.keptAt).not.toBeNull()
  })

  it('that is not there is not found', async () => {
    expect((await one.GET(new Request('http://test/api'), at('999'))).status).toBe(404)
    expect((await one.GET(new Request('http://test/api'), at('1; drop'))).status).toBe(404)
  })
})
