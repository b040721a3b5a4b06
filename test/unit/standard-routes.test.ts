import { describe, expect, it } from 'vitest'
import { useDemoFolder } from '../fixtures/demo-folder'
import { demoBodies, demoStandards } from '../../src/demo/world'
import * as comparisons from '../../src/app/api/v1/comparisons/route'
import * as concordance from '../../src/app/api/v1/concordance/route'
import * as explanations from '../../src/app/api/v1/explanations/route'
import * as fleet from '../../src/app/api/v1/fleet/route'
import { NO_HOUSE_GUIDE } from '../../src/core/guide/house'
import { QUESTIONS } from '../../src/core/guide/questions'
import * as guide from '../../src/app/api/v1/guide/route'
import * as house from '../../src/app/api/v1/guide/house/route'
import * as level from '../../src/app/api/v1/level/route'
import * as standards from '../../src/app/api/v1/standards/route'
import * as begun from '../../src/app/api/v1/standards/new/route'
import * as comments from '../../src/app/api/v1/standards/[id]/comments/route'
import * as comment from '../../src/app/api/v1/standards/[id]/comments/[comment]/route'
import * as kept from '../../src/app/api/v1/standards/[id]/level/route'
import * as pdf from '../../src/app/api/v1/standards/[id]/pdf/route'
import * as versions from '../../src/app/api/v1/standards/[id]/versions/route'
import * as version from '../../src/app/api/v1/standards/[id]/versions/[version]/route'
import * as effect from '../../src/app/api/v1/standards/[id]/versions/[version]/effect/route'
import * as state from '../../src/app/api/v1/standards/[id]/versions/[version]/state/route'

/** The HTTP interface of deciding, as a script would use it, and what it says to what is wrong. */
useDemoFolder()

const get = (query = '') => new Request(`http://test/api${query}`)
const send = (content: unknown, query = '', method = 'POST') =>
  new Request(`http://test/api${query}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(content),
  })
const at = <P extends Record<string, string>>(params: P) => ({ params: Promise.resolve(params) })
const read = async (response: Response) => ({
  status: response.status,
  body: (await response.json()) as Record<string, unknown>,
})
const ring = demoStandards().find(s => s.id === 'ring-action')

describe('a standard, from nothing to approved', () => {
  it('is begun, drafted, sent for review, talked over and approved', async () => {
    const { body: made } = await read(
      await begun.POST(send({ name: 'By script', kind: 'work', below: 'house-baseline' })),
    )
    const id = String(made['id'])
    const here = { id, version: '1' }
    const { document } = await import('../../src/server/catalogue').then(c => c.readStandard(id))
    const target = { dimension: 'track.hold', value: 1.5, weight: 'nice', reason: 'Script.' }
    const changed = { ...document, layers: document.layers.map(l => (l.id === id ? { ...l, targets: [target] } : l)) }
    const saved = await read(
      await version.PUT(send({ document: changed, revision: 1, what: 'hold' }, '', 'PUT'), at(here)),
    )
    expect(saved).toEqual({ status: 200, body: { revision: 2, problems: [] } })
    expect((await state.POST(send({ state: 'in-review', revision: 2 }), at(here))).status).toBe(200)
    // What is in review is not edited under the eyes of whoever reviews it.
    expect((await version.PUT(send({ document: changed, revision: 2, what: 'x' }, '', 'PUT'), at(here))).status).toBe(
      422,
    )
    const said = await read(
      await comments.POST(send({ version: 1, dimension: 'track.hold', text: 'Long?' }), at({ id })),
    )
    const [first] = said.body['comments'] as { id: number }[]
    const settled = await comment.PUT(send({ settled: true }, '', 'PUT'), at({ id, comment: String(first?.id) }))
    expect(settled.status).toBe(200)
    expect((await read(await effect.GET(get(), at(here)))).body).toMatchObject({ units: expect.any(Number) as number })
    expect(
      (await state.POST(send({ state: 'approved', revision: 2, why: 'Agreed.', person: 'imelda-frost' }), at(here)))
        .status,
    ).toBe(200)
    const { body } = await read(await versions.GET(get(), at({ id })))
    expect(body['versions']).toMatchObject([{ version: 1, state: 'approved', why: 'Agreed.' }])
  })
})

describe('what is wrong is named, and changes nothing', () => {
  it.each([
    ['a name that is missing', () => begun.POST(send({ kind: 'work' })), 422, 'name'],
    ['a layer of no kind', () => begun.POST(send({ name: 'X', kind: 'weather' })), 422, 'kind'],
    [
      'a standard below that is not there',
      () => begun.POST(send({ name: 'X', kind: 'work', below: 'ghost' })),
      404,
      'ghost',
    ],
    [
      'a state there is not',
      () => state.POST(send({ state: 'loved', revision: 1 }), at({ id: 'ring-action', version: '3' })),
      422,
      'state',
    ],
    [
      'an approval without a reason',
      () =>
        state.POST(
          send({ state: 'approved', revision: 1, person: 'imelda-frost' }),
          at({ id: 'ring-action', version: '3' }),
        ),
      422,
      'Say why',
    ],
    [
      'a way back from retired',
      () => state.POST(send({ state: 'draft', revision: 1 }), at({ id: 'ring-action', version: '1' })),
      422,
      'retired',
    ],
    [
      'a version there is not',
      () => effect.GET(get(), at({ id: 'ring-action', version: '77' })),
      404,
      'ring-action@77',
    ],
    [
      'an empty comment',
      () => comments.POST(send({ version: 3, text: '  ' }), at({ id: 'ring-action' })),
      422,
      'some words',
    ],
    [
      'a comment on a version there is not',
      () => comments.POST(send({ version: 9, text: 'x' }), at({ id: 'ring-action' })),
      404,
      '@9',
    ],
    ['a comparison with nothing', () => comparisons.GET(get('?before=ring-action')), 422, 'after'],
    [
      'a level out of range',
      () => kept.PUT(send({ level: { lambdaHundredths: 0, values: [] } }, '', 'PUT'), at({ id: 'ring-action' })),
      422,
      'lambdaHundredths',
    ],
    ['a fleet of ghosts', () => fleet.GET(get('?bodies=ghost')), 404, 'ghost'],
    ['answers that are none', () => guide.POST(send({ motion: { fast: true } })), 422, 'motion'],
    ['a table in another form', () => concordance.GET(get('?standard=ring-action&as=stone')), 422, 'as'],
    ['levelling nothing', () => level.POST(send({ standard: ring, bodies: [], lambdaHundredths: 100 })), 422, 'bodies'],
    [
      'levelling beyond the slider',
      () => level.POST(send({ standard: ring, bodies: [demoBodies()[0]], lambdaHundredths: 1e6 })),
      422,
      'lambdaHundredths',
    ],
    ['a file that holds a body', () => standards.POST(send(demoBodies()[0], '?file=b.json')), 422, 'holds a body'],
  ] as const)('%s', async (_, ask, status, words) => {
    const response = await ask()
    expect(response.headers.get('content-type')).toBe('application/problem+json')
    const problem = await read(response)
    expect(problem.status).toBe(status)
    expect(JSON.stringify(problem.body)).toContain(words)
  })
})

describe('what is computed', () => {
  it('levels bodies that are sent, with a proven bound, and stores nothing', async () => {
    const bodies = demoBodies().slice(0, 4)
    const { body, status } = await read(await level.POST(send({ standard: ring, bodies, lambdaHundredths: 300 })))
    expect(status).toBe(200)
    const { report, level: found } = body as {
      report: { gap: number; bodies: { body: string }[] }
      level: { lambdaHundredths: number }
    }
    expect(report.gap).toBeLessThan(0.01)
    expect(report.bodies.map(b => b.body)).toEqual(bodies.map(b => b.id))
    expect(found.lambdaHundredths).toBe(300)
  })

  it('proposes for answers, and asks the questions', async () => {
    const { body } = await read(await guide.POST(send({ motion: ['steady'], session: 180, handed: 'nobody' })))
    const topics = body['topics'] as { id: string; proposals: { school: string }[]; wouldChange: unknown[] }[]
    const start = topics.find(t => t.id === 'start')
    expect([start?.proposals[0]?.school, start?.wouldChange.length]).toEqual(['thumb stop', 4])
    expect((body['rescues'] as { id: string }[]).map(r => r.id)).toContain('thumb-hurts')
    expect((await read(await guide.GET())).body['questions']).toEqual(QUESTIONS)
    // One request must not hold up everybody else.
    const many = Object.fromEntries(Array.from({ length: 20_000 }, (_, i) => [`k${i}`, 'v']))
    for (const hostile of [many, { motion: Array.from({ length: 60_000 }, () => 'x') }, { what: 'x'.repeat(1000) }])
      expect((await guide.POST(send(hostile))).status).toBe(422)
  })

  it('keeps what the house makes of the guide, and refuses what nobody could answer', async () => {
    const first = await read(await house.GET())
    expect(first).toEqual({ status: 200, body: { document: NO_HOUSE_GUIDE, revision: 0 } })
    const put = async (document: object, revision: number) =>
      read(await house.PUT(send({ document, revision, what: 'by script' }, '', 'PUT')))
    const held = { ...NO_HOUSE_GUIDE, holds: { start: 'shutter' } }
    expect(await put(held, 0)).toEqual({ status: 200, body: { document: held, revision: 1 } })
    // Whoever began from what was there before is told, and nothing is stored.
    expect(await put(NO_HOUSE_GUIDE, 0)).toMatchObject({ status: 409, body: { revision: 1, document: held } })
    const wrong = await put({ ...held, holds: { start: 'elbow' } }, 1)
    expect([wrong.status, wrong.body['problems']]).toEqual([
      422,
      [expect.objectContaining({ path: 'holds.start', expected: expect.stringContaining('thumb, shutter') as string })],
    ])
    expect((await put({ format: 'coherion.guide/2' }, 1)).status).toBe(422)
    expect(
      (await read(await house.PUT(send({ document: held, revision: 1, what: 'x', person: 'nobody' }, '', 'PUT'))))
        .status,
    ).toBe(422)
    // What is held counts for whoever asks.
    const { body } = await read(await guide.POST(send({ motion: ['steady'], session: 180, handed: 'nobody' })))
    const start = (body['topics'] as { id: string; proposals: { school: string }[]; objection: string }[]).find(
      t => t.id === 'start',
    )
    expect([start?.proposals[0]?.school, start?.objection]).toEqual(['shutter start', expect.stringContaining('thumb')])
  })

  it('gives the Concordance as CSV, and the standard as a PDF', async () => {
    const csv = await concordance.GET(get('?standard=ring-action&bodies=wicket,sorrel&as=csv'))
    expect(csv.headers.get('content-disposition')).toContain('concordance-ring-action-2.csv')
    const lines = (await csv.text()).trim().split('\r\n')
    expect(lines[0]).toContain('Eskard Wicket,Grade,Distance,Aurelle Sorrel')
    expect(lines).toHaveLength(43)
    const sheet = await pdf.GET(get(), at({ id: 'ring-action@3' }))
    expect([sheet.headers.get('content-type'), sheet.headers.get('content-disposition')]).toEqual([
      'application/pdf',
      'inline; filename="ring-action-3.pdf"',
    ])
  })

  it('explains a cell at a level that is only tried', async () => {
    const asked = { standard: 'ring-action', body: 'sorrel', dimension: 'release.rate' }
    const query = `?${new URLSearchParams(asked).toString()}`
    const stored = await read(await explanations.GET(get(query)))
    const tried = await read(
      await explanations.POST(
        send({ ...asked, level: { lambdaHundredths: 9900, values: [{ dimension: 'release.rate', value: 3 }] } }),
      ),
    )
    expect(Number(tried.body['distance'])).toBeGreaterThan(Number(stored.body['distance']))
    expect((await read(await explanations.GET(get(query)))).body).toEqual(stored.body)
  })
})
