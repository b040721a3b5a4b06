import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { seedDemo } from '../../src/demo/seed'
import { recordHappened, signCard, tellSetting, tickStep } from '../../src/server/card-actions'
import { readCard } from '../../src/server/cards'
import { database } from '../../src/server/database'
import { readLife } from '../../src/server/life'
import { moveVersion } from '../../src/server/standards'
import * as standards from '../../src/db/standards'
import { useDemoFolder } from '../fixtures/demo-folder'
import { by } from '../fixtures/by'

/** What comes in late from a device that had no network, and what others did to the same unit meanwhile. */

useDemoFolder()
beforeEach(async () => {
  const db = await database()
  for (const table of ['received', 'unit_events', 'ticks', 'cards']) await db(table).delete()
  await seedDemo(db, new Date().toISOString())
})

afterEach(() => {
  vi.useRealTimers()
})

const STANDARD = 'ring-action'
const DAY_MS = 24 * 3600 * 1000
/** The clock of the server is wrong until it is set right. */
const clockAhead = (days: number) => vi.useFakeTimers({ toFake: ['Date'], now: Date.now() + days * DAY_MS })
const card = (unit = 'tsp-l1') => readCard(STANDARD, 'linnet', unit)
const steps = async () => {
  const { steps: all } = await card()
  const [first, second, third] = all
  if (!first || !second || !third) throw new Error('no three steps')
  return [first, second, third] as const
}
let sequence = 0
/** A device whose clock is five years fast, so many minutes ago by its own time. */
const late = (minutesAgo: number) => {
  const clock = Date.now() + 5 * 365 * 24 * 3600 * 1000
  return {
    id: `device-request-${++sequence}`,
    made: new Date(clock - minutesAgo * 60_000).toISOString(),
    sent: new Date(clock).toISOString(),
  }
}
const tick = (step: string, when: object = {}, ticked = true, person = 'bram-tollard') =>
  tickStep({ standard: STANDARD, body: 'linnet', unit: 'tsp-l1', step, ticked, ...when }, by(person))
const minutesAgo = (at: string) => Math.round((Date.now() - Date.parse(at)) / 60_000)

describe('a tick that waited', () => {
  it('counts from when it was made, whatever the clock of the device says', async () => {
    const [first] = await steps()
    const answer = await tick(first.key, late(30))
    expect(answer).toMatchObject({ outcome: 'done' })
    expect(minutesAgo(answer.at)).toBe(30)
    expect(minutesAgo(answer.received)).toBe(0)
    const ticked = (await card()).steps.find(s => s.key === first.key)?.tick
    expect(minutesAgo(ticked?.at ?? '')).toBe(30)
  })

  it('is taken once, however often it is sent; what others did in between stands', async () => {
    const [first] = await steps()
    const when = late(10)
    const answer = await tick(first.key, when)
    await tick(first.key, {}, false, 'imelda-frost')
    const again = await tick(first.key, when)
    expect(again).toMatchObject({ outcome: answer.outcome, at: answer.at })
    expect((await card()).steps.find(s => s.key === first.key)?.tick).toBeUndefined()
    const set = (await readLife('tsp-l1')).events.filter(e => e.words === `${first.setting} set to ${first.to}`)
    expect(set).toHaveLength(1)
  })

  it('is taken once when it comes twice at the same moment', async () => {
    const [first] = await steps()
    const when = late(10)
    await Promise.all([tick(first.key, when), tick(first.key, when), tick(first.key, when)])
    const { events } = await readLife('tsp-l1')
    expect(events.filter(e => e.words === `${first.setting} set to ${first.to}`)).toHaveLength(1)
  })

  it('says so where somebody had ticked the step; theirs stands', async () => {
    const [first] = await steps()
    await tick(first.key, {}, true, 'imelda-frost')
    expect(await tick(first.key, late(5))).toMatchObject({ outcome: 'was-so', by: 'Imelda Frost' })
    expect((await card()).steps.find(s => s.key === first.key)?.tick?.by).toBe('Imelda Frost')
  })

  it('does not tick a walk that began after the unit was reset, and is kept in its life', async () => {
    const [first] = await steps()
    await recordHappened('tsp-l1', 'reset', by('imelda-frost'))
    expect(await tick(first.key, late(5))).toMatchObject({
      outcome: 'overruled',
      by: 'Imelda Frost',
      words: 'reset to factory defaults',
    })
    expect((await card()).steps.some(s => s.tick)).toBe(false)
    expect((await readLife('tsp-l1')).events.map(e => e.words)).toContain(`${first.setting} set to ${first.to}`)
  })

  it('gives way to what somebody saw later, and not to what they saw before', async () => {
    const [first, second] = await steps()
    const other = (s: typeof first) => s.options.find(o => o.id !== s.option)?.id ?? ''
    const tell = (s: typeof first, when: object) =>
      tellSetting(
        'tsp-l1',
        {
          standard: STANDARD,
          setting: s.settingId,
          option: other(s),
          ...when,
        },
        by('imelda-frost'),
      )
    await tell(first, late(20))
    await tell(second, late(20))
    expect(await tick(first.key, late(30))).toMatchObject({ outcome: 'overruled', by: 'Imelda Frost' })
    expect(await tick(second.key, late(10))).toMatchObject({ outcome: 'done' })
    const after = await card()
    expect(after.steps.find(s => s.key === first.key)?.tick).toBeUndefined()
    expect(after.steps.find(s => s.key === second.key)?.tick?.by).toBe('Bram Tollard')
  })

  it('is kept as what the unit was set to where the card asks for it no more', async () => {
    const [first] = await steps()
    const elsewhere = first.options.find(o => o.id !== first.option)?.id ?? ''
    const answer = await tick(`${first.settingId}=${elsewhere}`, late(5))
    expect(answer).toMatchObject({ outcome: 'kept' })
    expect((await card()).steps.find(s => s.settingId === first.settingId)?.from).toBe(
      first.options.find(o => o.id === elsewhere)?.label,
    )
  })

  it('is refused in words where the body has no such setting any more', async () => {
    await expect(tick('gone=away', late(5))).rejects.toThrow('has no step “gone=away”')
  })

  it('taken back late does not take back what was ticked after it', async () => {
    const [first] = await steps()
    await tick(first.key, {}, true, 'imelda-frost')
    expect(await tick(first.key, late(5), false)).toMatchObject({ outcome: 'overruled', by: 'Imelda Frost' })
    expect((await card()).steps.find(s => s.key === first.key)?.tick).toBeDefined()
  })
})

it('a person’s own tick and its taking back come in the order in which they were made, however slow the first was', async () => {
  const [first] = await steps()
  // The tick took half a minute on its way: it seems to have been made after it was taken back.
  await tick(first.key, late(1))
  await tick(first.key, late(1.5), false)
  expect((await card()).steps.find(s => s.key === first.key)?.tick).toBeUndefined()
})

it('receipts go by their number and not by a clock that may be wrong', async () => {
  const db = await database()
  const [first] = await steps()
  const sent = late(1)
  await tick(first.key, sent)
  // The clock of the server is 400 days ahead for a while, and somebody ticks.
  clockAhead(400)
  await tick((await steps())[1].key, { id: 'device-request-ahead' })
  vi.useRealTimers()
  const kept: { id: string }[] = await db('received').select('id')
  expect(kept.map(r => r.id)).toContain(sent.id)
  // Those that nobody can ask for any more go all the same.
  await db.raw("insert into received (rowid, id, at, answer) values (300001, 'far-on', '2026-01-01', '{}')")
  await tick((await steps())[2].key, late(1))
  expect((await db('received').select<{ id: string }[]>('id')).map(r => r.id)).not.toContain(sent.id)
})

it('a clock that was 400 days ahead overrules nothing that comes after it was set right', async () => {
  clockAhead(400)
  await recordHappened('tsp-l1', 'reset', by('imelda-frost'))
  vi.useRealTimers()
  const [first, second] = await steps()
  expect(await tick(first.key)).toMatchObject({ outcome: 'done' })
  expect(await tick(second.key, late(5))).toMatchObject({ outcome: 'done' })
  const card1 = await card()
  expect(card1.steps.filter(s => s.tick).map(s => s.key)).toEqual([first.key, second.key])
  // In the order in which it happened, whatever the times say.
  const { events } = await readLife('tsp-l1')
  expect(
    events
      .map(e => e.words)
      .slice(0, 3)
      .at(-1),
  ).toContain('reset')
})

it('one that comes in late among thousands is placed, and told what overrules it, in one pass', async () => {
  const db = await database()
  const [first] = await steps()
  const many = Array.from({ length: 3000 }, (_, i) => ({
    unit_id: 'tsp-l1',
    seq: (i + 1) * 2 ** 20 + 2 ** 40,
    at: new Date(Date.now() - 60_000 + i).toISOString(),
    person_id: 'rufus-quill',
    kind: 'set',
    data: JSON.stringify({ kind: 'set', setting: 'kin', option: i % 2 ? 'kin-off' : 'kin-people', how: 'person' }),
  }))
  await db.batchInsert('unit_events', many, 100)
  const answer = await tick(first.key, late(30))
  expect(answer.outcome).toMatch(/done|overruled|kept/)
  const order = await db('unit_events').where({ unit_id: 'tsp-l1' }).orderBy('seq').select<{ at: string }[]>('at')
  const times = order.map(o => o.at)
  expect(times.slice(-3001)).toEqual(times.slice(-3001).toSorted())
})

it('a signature that waited counts from when it was given, after the ticks before it', async () => {
  for (const s of (await card()).steps) await tick(s.key, late(12))
  const when = late(8)
  const sign = () => signCard('tsp-l1', { standard: STANDARD, timed: true, ...when }, by('bram-tollard'))
  expect(minutesAgo((await sign()).at)).toBe(8)
  await sign()
  const { events } = await readLife('tsp-l1')
  expect(events.filter(e => e.words.startsWith('signed for'))).toHaveLength(1)
  expect(events[0]?.words).toBe('signed for Ring action, version 2, in 4 minutes')
})

it('a card of a version that is not in force any more says which is, and still takes ticks', async () => {
  const db = await database()
  const old = await readCard(`${STANDARD}@1`, 'linnet', 'tsp-l1')
  expect(old.standard).toMatchObject({ version: 1, newer: 2 })
  expect((await card()).standard.newer).toBeUndefined()
  const [step] = old.steps
  const ticked = { standard: `${STANDARD}@1`, body: 'linnet', unit: 'tsp-l1', step: step?.key ?? '', ticked: true }
  expect(await tickStep({ ...ticked, ...late(3) }, by())).toMatchObject({ outcome: 'done' })
  const versions = await standards.listVersions(db, STANDARD)
  expect(versions.find(v => v.version === 2)?.state).toBe('approved')
})

it('a card of a standard that was retired meanwhile says so, and still takes what was ticked', async () => {
  const open = await readCard('high-rope', 'linnet', 'tsp-l1')
  expect(open.standard).toMatchObject({ version: 1, state: 'approved' })
  await moveVersion('high-rope', 1, { revision: 1, state: 'retired', why: 'the act is over' }, by())
  const again = await readCard('high-rope@1', 'linnet', 'tsp-l1')
  expect(again.standard).toMatchObject({ version: 1, state: 'retired', newer: undefined })
  const [step] = open.steps
  const ticked = { standard: 'high-rope@1', body: 'linnet', unit: 'tsp-l1', step: step?.key ?? '', ticked: true }
  expect(await tickStep({ ...ticked, ...late(3) }, by())).toMatchObject({ outcome: 'done' })
  expect((await readLife('tsp-l1')).events[0]?.words).toBe(`${step?.setting} set to ${step?.to}`)
})

it('a unit of which nothing is known is looked at setting by setting', async () => {
  const { begins, steps: all } = await card('tsp-l2')
  expect(begins).toBe('unknown')
  expect(all.every(s => s.from === undefined || s.from !== s.to)).toBe(true)
  expect(all.filter(s => s.from === undefined).length).toBeGreaterThan((await card()).steps.length)
  await recordHappened('tsp-l2', 'reset', by())
  const reset = await card('tsp-l2')
  expect(reset.steps.length).toBeLessThan(all.length)
  expect(reset.steps.every(s => s.from !== undefined)).toBe(true)
})
