import { describe, expect, it } from 'vitest'
import { useDemoFolder } from '../fixtures/demo-folder'
import * as runs from '../../src/app/api/v1/runs/route'
import * as one from '../../src/app/api/v1/runs/[id]/route'
import * as effect from '../../src/app/api/v1/runs/[id]/effect/route'
import * as kept from '../../src/app/api/v1/runs/[id]/kept/route'
import { readBody } from '../../src/server/catalogue'
import { readExplanation } from '../../src/server/explanation'
import * as tests from '../../src/app/api/v1/lens-tests/route'
import * as oneTest from '../../src/app/api/v1/lens-tests/[id]/route'
import * as testKept from '../../src/app/api/v1/lens-tests/[id]/kept/route'
import { readRun } from '../../src/server/bench'
import { lensesOnCard } from '../../src/server/lens-tests'
import { readLens } from '../../src/server/lenses'
import { demoLensTests, demoRuns } from '../../src/demo/world'

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
    expect(head).toBe('take,step,seconds,outcome,film,blocked,leaves,arrives')
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

  it('says with which lens it was measured, where that was said', async () => {
    const document = { ...demo?.run, lens: 'sorrel-85', on: '2026-10-20' }
    const { body } = await read(await runs.POST(json('POST', { document })))
    const revision = Number((await readBody('tollgate')).stamp.split('@').at(-1))
    expect((await kept.PUT(json('PUT', { revision }), at(String(body['id'])))).status).toBe(200)
    const { evidence } = await readExplanation('ring-action', 'tollgate', 'track.hold')
    expect(evidence).toMatch(/^measured \d+ times on 2026-10-20 with Aurelle Hearth 85 mm f\/1\.8, [\d.]+ to [\d.]+ s$/)
  })

  it('that is not there is not found', async () => {
    expect((await one.GET(new Request('http://test/api'), at('999'))).status).toBe(404)
    expect((await one.GET(new Request('http://test/api'), at('1; drop'))).status).toBe(404)
  })
})

describe('what was measured', () => {
  const patch = (route: { PATCH: typeof one.PATCH }, id: string) =>
    route.PATCH(json('PATCH', { thrownAway: true }), at(id)).then(read)

  it('is thrown away unless a profile stands on it', async () => {
    const id = String((await read(await runs.POST(json('POST', { document: demo?.run })))).body['id'])
    expect((await patch(one, id)).status).toBe(200)
    expect((await read(await one.GET(new Request('http://test/api'), at(id)))).status).toBe(404)
    const other = String((await read(await runs.POST(json('POST', { document: demo?.run })))).body['id'])
    const { revision } = (await readRun(other)).body
    expect((await kept.PUT(json('PUT', { revision }), at(other))).status).toBe(200)
    const refused = await patch(one, other)
    expect(refused.status).toBe(409)
    expect(refused.body['detail']).toContain('A profile stands on this measurement')
  })

  it('says where another run of the same scale cannot be true beside it', async () => {
    const slower = {
      ...demo?.run,
      takes: demo?.run.takes.map(t => (t.step === 'stick-0' ? { ...t, seconds: t.seconds * 3 } : t)),
    }
    const id = String((await read(await runs.POST(json('POST', { document: slower })))).body['id'])
    expect((await readRun(id)).against).toContainEqual(expect.objectContaining({ id: 1, steps: ['Stick 0'] }))
  })
})

describe('a lens tested', () => {
  const [focus, sharpness] = demoLensTests().map(t => t.test)
  const post = async (document: unknown) => read(await tests.POST(json('POST', { document })))

  it('comes back as it was sent, and is kept on the lens with what it was found from', async () => {
    const id = String((await post(focus)).body['id'])
    expect((await read(await oneTest.GET(new Request('http://test/api'), at(id)))).body).toEqual(focus)
    const { revision } = await readLens('tollgate-70-300')
    expect((await testKept.PUT(json('PUT', { revision }), at(id))).status).toBe(200)
    const { document } = await readLens('tollgate-70-300')
    expect(document.offsets).toContainEqual(
      expect.objectContaining({
        id: 'tollgate',
        unit: 'TSP-T1',
        steps: 5,
        on: '2026-11-20',
        firmware: '2.1',
        pictures: 10,
      }),
    )
    // What was known of other bodies, and of the model, stays.
    expect(document.offsets).toContainEqual({ id: 'lodge', steps: -5, on: '2026-10-04' })
    // Somebody who looked at the lens as it was before keeps nothing over it.
    expect((await testKept.PUT(json('PUT', { revision }), at(id))).status).toBe(409)
    expect(await lensesOnCard({ id: 'tollgate', maker: 'Bransk' }, 'TSP-T1')).toContainEqual({
      id: 'tollgate-70-300',
      name: 'Span 70-300 mm f/4.5-5.6',
      words: 'AF offset +5, sharpest at f/8',
    })
  })

  it('does not keep what has not come to an end', async () => {
    const one = focus?.kind === 'focus' ? { ...focus, pictures: focus.pictures.filter(p => p.setting === 0) } : focus
    const id = String((await post(one)).body['id'])
    const { revision } = await readLens('tollgate-70-300')
    const refused = await read(await testKept.PUT(json('PUT', { revision }), at(id)))
    expect(refused.status).toBe(422)
    expect((await readLens('tollgate-70-300')).revision).toBe(revision)
  })

  it.each([
    [{ lens: 'nothing' }, 404],
    [{ body: 'nobody' }, 404],
    [{ unit: 'TSP-T1' }, 422],
    [{ pictures: [] }, 422],
    [{ kind: 'guess' }, 422],
  ])('is refused where there is no such thing (%#)', async (change, status) => {
    expect((await post({ ...sharpness, ...change })).status).toBe(status)
  })
})
