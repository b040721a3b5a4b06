import { beforeEach, describe, expect, it } from 'vitest'
import { seedDemo } from '../../src/demo/seed'
import { recordHappened, signCard, tickStep } from '../../src/server/card-actions'
import { readCard } from '../../src/server/cards'
import { database } from '../../src/server/database'
import { readLife } from '../../src/server/life'
import { readStateFile, writeStateFile } from '../../src/server/unit-state'
import { useDemoFolder } from '../fixtures/demo-folder'
import { by } from '../fixtures/by'

/** Memory slots on a card, and what a unit is set to from a file. */

useDemoFolder()
beforeEach(async () => {
  const db = await database()
  for (const table of ['received', 'unit_events', 'ticks', 'cards']) await db(table).delete()
  await seedDemo(db, new Date().toISOString())
})

const SLOTS = 'Keep 1:ring-action,Keep 2:high-rope'
const card = (standard = 'ring-action', slots = SLOTS) => readCard(standard, 'sorrel', 'tsp-s1', {}, slots)
const tick = (standard: string, step: string, ticked = true) =>
  tickStep({ standard, body: 'sorrel', unit: 'tsp-s1', step, ticked }, by('imelda-frost'))
const walk = async (standard: string) => {
  const { steps, slots } = await card(standard)
  for (const s of steps) await tick(standard, s.key)
  await tick(standard, slots?.store?.key ?? '')
}

describe('memory slots', () => {
  it('are those of the body; a body without any has none to choose', async () => {
    const { slots } = await card('ring-action', '')
    expect(slots?.slots.map(s => s.name)).toEqual(['Keep 1', 'Keep 2', 'Keep 3', 'Keep 4'])
    expect(slots?.store).toBeUndefined()
    expect((await readCard('ring-action', 'lodge', undefined)).slots).toBeUndefined()
  })

  it('are filled in the order with the fewest presses, each from where the one before ends', async () => {
    const { slots } = await card()
    expect(slots?.stops.map(s => s.slot).sort()).toEqual(['Keep 1', 'Keep 2'])
    const [first, second] = slots?.stops ?? []
    expect(first?.steps).toBeGreaterThan(second?.steps ?? Infinity)
    await walk(first?.standard.id ?? '')
    const next = await card(second?.standard.id)
    expect(next.steps).toHaveLength(second?.steps ?? -1)
    expect(next.slots?.stops).toMatchObject([
      { slot: first?.slot, isStored: true },
      { slot: second?.slot, isStored: false, isHere: true },
    ])
  })

  it('hold what was stored until the unit is reset, and the life tells it', async () => {
    await walk('ring-action')
    const holds = async () => (await card()).slots?.slots.find(s => s.name === 'Keep 1')?.holds
    expect(await holds()).toMatchObject({ standard: 'Ring action', version: 2, by: 'Imelda Frost' })
    expect((await readLife('tsp-s1')).events[0]?.words).toBe('stored in Keep 1: Ring action, version 2')
    await tick('ring-action', 'store=Keep 1', false)
    expect(await holds()).toBeUndefined()
    await tick('ring-action', 'store=Keep 1')
    expect(await holds()).toBeDefined()
    await recordHappened('tsp-s1', 'reset', by())
    expect(await holds()).toBeUndefined()
  })

  it('come before the signature where the card stores', async () => {
    const { steps } = await card()
    for (const s of steps) await tick('ring-action', s.key)
    const sign = () => signCard('tsp-s1', { standard: 'ring-action', timed: true, slot: 'Keep 1' }, by('imelda-frost'))
    await expect(sign()).rejects.toThrow(`has 1 of ${steps.length + 1} steps left`)
    await tick('ring-action', 'store=Keep 1')
    expect(await sign()).toMatchObject({ outcome: 'done' })
  })

  it('that the body has not are refused', async () => {
    await expect(tick('ring-action', 'store=Nest Z')).rejects.toThrow('no memory slot “Nest Z”')
  })

  it('of some bodies keep only some settings; the card says which stay as they are', async () => {
    expect((await card()).slots?.leaves).toEqual([])
    const tollgate = await readCard('ring-action', 'tollgate', 'tsp-t1')
    expect(tollgate.slots?.leaves).toContain('Ring after anchor')
  })
})

describe('what a unit is set to, as a file', () => {
  it('is known from then on, as read from a file, and can be written again', async () => {
    await recordHappened('tsp-l1', 'reset', by())
    const { state, name } = await writeStateFile('tsp-l1')
    expect(name).toBe('tsp-l1-state.json')
    const { steps } = await readCard('ring-action', 'linnet', 'tsp-l1')
    const [first] = steps
    const changed = { ...state, settings: { ...state.settings, [first?.settingId ?? '']: first?.option ?? '' } }
    expect(await readStateFile('tsp-l1', changed, 'state.json', by('imelda-frost'))).toMatchObject({
      settings: Object.keys(state.settings).length,
    })
    const after = await readCard('ring-action', 'linnet', 'tsp-l1')
    expect(after.steps.map(s => s.key)).not.toContain(first?.key)
    expect((await writeStateFile('tsp-l1')).state).toEqual(changed)
    expect((await readLife('tsp-l1')).events[0]?.words).toMatch(/^\d+ settings read from a file$/)
  })

  it('of another unit changes nothing and says what was expected', async () => {
    const { state } = await writeStateFile('tsp-l1')
    await expect(readStateFile('tsp-l2', state, 'state.json', by())).rejects.toThrow('expected TSP-L2')
    await expect(readStateFile('tsp-s1', state, 'state.json', by())).rejects.toThrow('expected sorrel')
    await expect(readStateFile('nobody', state, 'state.json', by())).rejects.toMatchObject({ status: 404 })
    await expect(writeStateFile('tsp-l2')).rejects.toThrow('Nothing is known of what TSP-L2 is set to')
    expect((await readLife('tsp-l2')).events).toEqual([])
  })
})
