import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { useDemoFolder } from '../fixtures/demo-folder'
import * as optics from '../../src/app/api/v1/optics/[question]/route'
import * as calculations from '../../src/app/api/v1/standards/[id]/calculations/route'
import * as versions from '../../src/app/api/v1/standards/[id]/versions/[version]/state/route'
import { readExplanation } from '../../src/server/explanation'
import { readStandard } from '../../src/server/catalogue'
import { effectiveTargets } from '../../src/core/standards'

/** The Optics desk over HTTP: asked, and kept in a standard. */
useDemoFolder()

const json = (method: string, content: unknown) =>
  new Request('http://test/api', {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(content),
  })
const ask = async (question: string, content: unknown) => {
  const answer = await optics.POST(json('POST', content), { params: Promise.resolve({ question }) })
  return { status: answer.status, body: (await answer.json()) as Record<string, unknown> }
}
const keep = async (id: string, content: unknown) => {
  const answer = await calculations.POST(json('POST', content), { params: Promise.resolve({ id }) })
  return { status: answer.status, body: (await answer.json()) as Record<string, unknown> }
}
const MARIONETTE = {
  body: 'sorrel',
  lens: 'sorrel-100-macro',
  focalMm: 100,
  subject: 'face',
  distance: 0.6,
  fNumber: 5.6,
}

describe('POST /api/v1/optics/{question}', () => {
  it('answers about a body and a lens of the house, or by figures alone', async () => {
    const { status, body } = await ask('depth', { scene: MARIONETTE })
    expect(status).toBe(200)
    expect(body).toMatchObject({ question: 'depth', tone: 'no', troubles: [] })
    // Hyperfocal of 50 mm at f/8 with a circle of 0.03 mm is 10.467 m, as textbooks have it.
    const free = await ask('depth', {
      scene: { focalMm: 50, fNumber: 8, basis: 'own', circleMm: 0.03, distance: 1000, widestFNumber: 1.8 },
    })
    const figures = free.body['figures'] as readonly { label: string; value: number }[]
    expect(figures.find(f => f.label === 'hyperfocal')?.value).toBeCloseTo(10.467, 2)
  })

  it('speaks in feet where asked to, and means the same', async () => {
    const [metric, feet] = await Promise.all([
      ask('limiter', { scene: MARIONETTE }),
      ask('limiter', { scene: MARIONETTE, units: 'imperial' }),
    ])
    const values = (b: Record<string, unknown>) => (b['figures'] as readonly { value: number }[]).map(f => f.value)
    expect(values(feet.body)).toEqual(values(metric.body))
    expect(JSON.stringify(feet.body['figures'])).toContain(' ft')
  })

  it('says what cannot be and the nearest that can', async () => {
    const { status, body } = await ask('depth', { scene: { ...MARIONETTE, distance: 0.1, fNumber: 1 } })
    expect(status).toBe(200)
    expect(body['troubles']).toEqual([
      expect.objectContaining({ field: 'fNumber', nearest: 2.8 }),
      expect.objectContaining({ field: 'distance', nearest: 0.28 }),
    ])
  })

  it('asks it of another body framed the same', async () => {
    const on = async (body: string) => {
      const found = await ask('framing', { scene: MARIONETTE, on: body })
      return (found.body['figures'] as readonly { label: string; value: number }[]).find(f => f.label === 'frames like')
        ?.value
    }
    expect(await on('tollgate')).toBeCloseTo(100, 6)
    expect(await on('pebble')).toBeCloseTo(100, 6)
  })

  it.each([
    ['whatever', {}, 404, 'No such question'],
    ['depth', { scene: { fNumber: 'wide' } }, 422, undefined],
    ['depth', { scene: { colour: 3 } }, 422, undefined],
    ['depth', { scene: { body: 'not-here' } }, 404, undefined],
    ['depth', 'nonsense', 422, undefined],
  ])('%s with what it cannot read is told so (%#)', async (question, content, status, title) => {
    const answer = await ask(question, content)
    expect(answer.status).toBe(status)
    if (title) expect(answer.body['title']).toBe(title)
  })
})

describe('POST /api/v1/standards/{id}/calculations', () => {
  const request = {
    question: 'limiter',
    scene: { ...MARIONETTE, planNear: 0.5, planFar: 2 },
    as: 'target',
    weight: 'must',
  }

  it('begins a draft, states the target with its reason, and the draft holds it', async () => {
    const { status, body } = await keep('close-and-tiny', request)
    expect([status, body['version'], body['layer']]).toEqual([201, 2, 'Close and tiny'])
    const { document, state } = await readStandard('close-and-tiny@2')
    expect(state).toBe('draft')
    const target = effectiveTargets(document).find(t => t.dimension === 'range.limit')
    expect(target).toMatchObject({ weight: 'must', value: { nearMetres: 0.45, farMetres: 2.2 } })
    expect(target?.reason).toMatch(/^Optics: /)
    expect(JSON.stringify(body['before'])).not.toContain('Optics: Set')
    // Kept again, it is in the same draft and in the same place.
    const again = await keep('close-and-tiny', { ...request, as: 'figure' })
    expect(again.body['version']).toBe(2)
    const kept = (await (
      await calculations.GET(json('POST', {}), { params: Promise.resolve({ id: 'close-and-tiny@2' }) })
    ).json()) as {
      layers: readonly { calculations: readonly { as: string; changed: readonly string[] }[] }[]
    }
    expect(kept.layers[0]?.calculations.slice(-2).map(c => [c.as, c.changed])).toEqual([
      ['target', []],
      ['figure', []],
    ])
  })

  it('is refused where the answer asks nothing of a camera, the layer is not there, or the draft is in review', async () => {
    expect((await keep('high-rope', { question: 'depth', scene: MARIONETTE, as: 'target' })).body['detail']).toContain(
      'keep it as a figure',
    )
    const nowhere = await keep('high-rope', { question: 'depth', scene: MARIONETTE, as: 'figure', layer: 'attic' })
    expect([nowhere.status, nowhere.body['title']]).toEqual([422, 'No such layer'])
    // No draft was begun for what was refused.
    await expect(readStandard('high-rope@2')).rejects.toThrow()
    const { version, revision } = (await keep('high-rope', { question: 'depth', scene: MARIONETTE, as: 'figure' }))
      .body as { version: number; revision: number }
    const moved = await versions.POST(json('POST', { state: 'in-review', revision }), {
      params: Promise.resolve({ id: 'high-rope', version: String(version) }),
    })
    expect(moved.status).toBe(200)
    expect((await keep('high-rope', { question: 'depth', scene: MARIONETTE, as: 'note' })).body['title']).toBe(
      'It is in review',
    )
  })
})

describe('docs/guides/optics.md', () => {
  const guide = readFileSync('docs/guides/optics.md', 'utf8')
  const face = { ...MARIONETTE, subjectWidth: 0.08, subjectHeight: 0.1, subjectDepth: 0.05, partSize: 0.012 }
  const person = { subject: 'person', subjectWidth: 0.5, subjectHeight: 1.75, subjectDepth: 0.3, partSize: 0.16 }
  const rope = { ...person, body: 'tollgate', lens: 'tollgate-500', focalMm: 500, distance: 40, fNumber: 4 }
  const evening = {
    latitude: 51.5,
    longitude: 0,
    at: Date.UTC(2026, 5, 21, 18, 30),
    offsetMinutes: 60,
    facingDegrees: 290,
  }
  it.each([
    ['depth', face, '8.9 mm is sharp'],
    ['recompose', face, 'up to 7.6°'],
    ['recompose', rope, 'the plane moves 1.2 mm, and 48 cm is sharp'],
    ['area', rope, 'Yard'],
    ['area', { ...rope, handsDegrees: 0.15 }, 'Block 21'],
    ['crop', { ...face, subjectDepth: 0.016 }, '4368 pixels across are left'],
    ['light', { ...rope, ...evening }, 'against you until 21:20'],
  ])('says of the demo’s scenes what the desk says: %s, %#', async (question, scene, words) => {
    const { body } = await ask(question, { scene })
    expect([body['verdict'], body['short']].join(' | ')).toContain(words)
    expect(guide).toContain(words)
  })
})

describe('an explanation in the Concordance', () => {
  it('says which area and which range the desk can be asked about', async () => {
    expect((await readExplanation('ring-action', 'sorrel', 'area.pattern')).optics).toEqual({
      question: 'area',
      scene: { areaWidth: expect.any(Number) as number, areaHeight: expect.any(Number) as number },
    })
    const range = await readExplanation('high-rope', 'pebble', 'range.limit')
    expect(range.optics?.question).toBe('limiter')
    expect((await readExplanation('ring-action', 'sorrel', 'track.hold')).optics).toBeUndefined()
  })
})
