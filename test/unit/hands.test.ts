import { describe, expect, it } from 'vitest'
import { useDemoFolder } from '../fixtures/demo-folder'
import { by } from '../fixtures/by'
import * as carried from '../../src/app/api/v1/people/[id]/units/route'
import * as handover from '../../src/app/api/v1/units/[id]/handover/route'
import { listBodies } from '../../src/server/catalogue'
import { readHandover, readFleetInHand, readShooters } from '../../src/server/controls'
import { listHistory } from '../../src/db/history'
import { seedDemo } from '../../src/demo/seed'
import { database } from '../../src/server/database'
import { readCarriers, weightOf } from '../../src/server/carriers'
import { archiveUnit } from '../../src/server/kit'

/** Whose hands the units are in, on the demo in a folder of its own. */
useDemoFolder()

const put = (content: unknown) =>
  new Request('http://test/api', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(content),
  })
const at = (id: string) => ({ params: Promise.resolve({ id }) })

const carriedBy = async (person: string) => (await readCarriers()).find(c => c.id === person)?.units

describe('who carries what', () => {
  it('is kept, and counts where one person carries several models', async () => {
    expect((await readShooters()).find(s => s.name === 'Ottoline Marsh')?.bodies).toEqual(['linnet', 'sorrel'])
    const stored = await carried.PUT(
      put({ units: ['quay-1', 'tsp-s1'], seen: await carriedBy('tobiah-lark') }),
      at('tobiah-lark'),
    )
    expect(stored.status).toBe(200)
    expect((await readCarriers()).find(c => c.id === 'tobiah-lark')?.units).toEqual(['quay-1', 'tsp-s1'])
    const hands = await readFleetInHand('ring-action', await listBodies(), {})
    const weight = (id: string) => hands.find(h => h.body.id === id)?.weight
    expect(weight('wicket')).toBe(1)
    expect(weight('sorrel')).toBe(3)
    expect(weight('turnpike')).toBe(0.25)
  })

  it('weighs every model once while nobody is named, and a lone body a quarter', () => {
    expect(weightOf('sorrel', [])).toBe(1)
    expect(weightOf('sorrel', [['sorrel']])).toBe(1)
    expect(weightOf('sorrel', [['sorrel'], ['linnet', 'pebble']])).toBe(0.25)
  })

  it('refuses people and units that are not there', async () => {
    expect((await carried.PUT(put({ units: [], seen: [] }), at('nobody'))).status).toBe(404)
    const answer = await carried.PUT(put({ units: ['tsp-s9'], seen: [] }), at('tobiah-lark'))
    expect(answer.status).toBe(404)
    expect(await answer.text()).toContain('tsp-s9')
    expect((await carried.PUT(put({ units: 'all', seen: [] }), at('tobiah-lark'))).status).toBe(422)
  })
})

describe('the demo', () => {
  it('names who carries what once, and leaves alone what was said since', async () => {
    await carried.PUT(put({ units: ['tsp-t1'], seen: await carriedBy('bram-tollard') }), at('bram-tollard'))
    await seedDemo(await database(), '2026-01-02T00:00:00.000Z')
    expect((await readCarriers()).find(c => c.id === 'bram-tollard')?.units).toEqual(['tsp-t1'])
  })

  it('writes into the history who carries what, and who changed it', async () => {
    const said = { units: ['quay-2'], seen: await carriedBy('saskia-venn'), person: 'imelda-frost' }
    await carried.PUT(put(said), at('saskia-venn'))
    await carried.PUT(put(said), at('saskia-venn'))
    const events = await listHistory(await database(), 'person', 'saskia-venn')
    expect(events.filter(e => e.what === 'carries other units' && e.person === 'Imelda Frost')).toHaveLength(1)
  })

  it('leaves alone what somebody else said since it was looked at', async () => {
    const seen = await carriedBy('rufus-quill')
    expect((await carried.PUT(put({ units: ['tsp-s1'], seen }), at('rufus-quill'))).status).toBe(200)
    const late = await carried.PUT(put({ units: ['tsp-l1'], seen }), at('rufus-quill'))
    expect(late.status).toBe(409)
    expect(await carriedBy('rufus-quill')).toEqual(['tsp-s1'])
    expect((await carried.PUT(put({ units: [], seen: ['tsp-s1'], person: 'ghost' }), at('rufus-quill'))).status).toBe(
      422,
    )
  })

  it('forgets no handover when the unit is put away and brought back', async () => {
    await handover.PUT(put({ handedOver: true }), at('tsp-p1'))
    for (const archived of [true, false]) await archiveUnit('tsp-p1', archived, 1, by())
    const { units } = await readHandover('ring-action', 'pebble', {})
    expect(units.find(u => u.id === 'tsp-p1')?.handedOver).toBeDefined()
  })
})

describe('a camera in a stranger’s hands', () => {
  it('is marked until it is back, with who did it', async () => {
    const mark = (handedOver: boolean) => handover.PUT(put({ handedOver, person: 'imelda-frost' }), at('tsp-s1'))
    const unit = async () => (await readHandover('ring-action', 'sorrel', {})).units.find(u => u.id === 'tsp-s1')
    expect((await mark(true)).status).toBe(200)
    expect((await mark(true)).status).toBe(200)
    expect((await unit())?.handedOver?.by).toBe('Imelda Frost')
    await mark(false)
    expect((await unit())?.handedOver).toBeUndefined()
    expect((await handover.PUT(put({ handedOver: true }), at('tsp-x'))).status).toBe(404)
  })

  it('knows where the functions are today: where the version in force put them', async () => {
    const [sorrel] = await readFleetInHand('ring-action', [{ id: 'sorrel', revision: 1 }], {})
    expect(sorrel?.today).toMatchObject({ 'trigger.start': 'pad-1', 'trigger.second': 'pad-2' })
  })
})
