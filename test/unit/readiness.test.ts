import { beforeEach, describe, expect, it } from 'vitest'
import { recordHappened, signCard, tellSetting, tickStep, undoHappened } from '../../src/server/card-actions'
import { listCards, readCard } from '../../src/server/cards'
import { readCalendar, readReadiness, readReadinessByStandard, setRecheckWeeks } from '../../src/server/readiness'
import { type Body, bodyAt, isPinnable, withPin } from '../../src/core/bodies'
import { saveBody } from '../../src/server/authoring'
import { readBody, revisionOf } from '../../src/server/catalogue'
import { resolve } from '../../src/core/resolve'
import { effectiveTargets } from '../../src/core/standards'
import { partsOf, statementsOf } from '../../src/core/vocabulary/parts'
import { readLife } from '../../src/server/life'
import { seedDemo } from '../../src/demo/seed'
import { demoBodies, demoStandards, demoUnits } from '../../src/demo/world'
import { saveUnit } from '../../src/server/kit'
import { readStateFile } from '../../src/server/unit-state'
import { database } from '../../src/server/database'
import { useDemoFolder } from '../fixtures/demo-folder'
import { by } from '../fixtures/by'
import { actorFor } from '../../src/server/actor'

/** What a unit’s card begins from, what happens to it, and whether it is ready. */

useDemoFolder()
beforeEach(async () => {
  const db = await database()
  for (const table of ['received', 'unit_events', 'ticks', 'cards']) await db(table).delete()
  await db('meta').where({ key: 'recheck-weeks' }).delete()
  await seedDemo(db, new Date().toISOString())
})

const STANDARD = 'ring-action'
const card = (unit = 'tsp-l1', body = 'linnet') => readCard(STANDARD, body, unit)
const tick = (step: string, ticked = true, unit = 'tsp-l1', body = 'linnet') =>
  tickStep({ standard: STANDARD, body, unit, step, ticked }, by('imelda-frost'))
const sign = (unit = 'tsp-l1', timed = true) => signCard(unit, { standard: STANDARD, timed }, by('imelda-frost'))
const tickAll = async () => {
  for (const s of (await card()).steps) await tick(s.key)
}
const state = async (tag: string, now?: string) => {
  const { units } = await readReadiness(STANDARD, {}, undefined, now)
  const unit = units.find(u => u.tag === tag)
  return unit && { is: unit.readiness.is, words: unit.words }
}
const later = (days: number) => new Date(Date.now() + days * 24 * 3600 * 1000).toISOString()

describe('a card', () => {
  it('asks for nothing but what the standard asks: what it leaves open stays as the unit has it', async () => {
    let [units, changed] = [0, 0]
    for (const profile of demoBodies()) {
      const unit = demoUnits().find(u => u.body === profile.id)
      const standard = demoStandards().find(s => s.id === STANDARD)
      if (!unit?.firmware || !standard) continue
      const body = bodyAt(profile, unit.firmware)
      const set = resolve(body, standard, { firmware: unit.firmware }).state
      const asked = new Set(effectiveTargets(standard).flatMap(t => partsOf(t.dimension, t.value).map(p => p.channel)))
      const means = (s: Body['settings'][number]) => s.options.flatMap(o => Object.entries(o.means))
      const ruled = new Set(body.rules.flatMap(r => [r.then.setting, ...r.when.map(c => c.setting)]))
      const open = body.settings.filter(
        s =>
          !ruled.has(s.id) &&
          s.options.length > 1 &&
          !means(s).some(([id, value]) => statementsOf(id, value).some(st => asked.has(st.channel))),
      )
      const other = (s: Body['settings'][number]) => s.options.find(o => o.id !== set[s.id])?.id ?? s.default
      const left = Object.fromEntries(open.map(s => [s.id, other(s)]))
      const id = unit.tag.toLowerCase()
      const file = {
        format: 'coherion.state/1',
        body: profile.id,
        firmware: unit.firmware,
        settings: { ...set, ...left },
      }
      await readStateFile(id, file, 'state.json', by('imelda-frost'))
      expect((await readCard(STANDARD, profile.id, id)).steps, `${unit.tag}`).toEqual([])
      units++
      changed += open.length
    }
    expect(units).toBe(12)
    expect(changed).toBeGreaterThan(24)
  })

  it('begins from factory defaults after a reset, and from nothing known where nothing is', async () => {
    expect((await card()).begins).toBe('factory')
    expect((await card('tsp-l2')).begins).toBe('unknown')
    expect((await card('tsp-l4')).begins).toBe('unknown')
  })

  it('has only the steps that are left for a unit set by card, and a finding leads to its step', async () => {
    const { steps, begins } = await card('tsp-l3')
    expect(begins).toBe('known')
    expect(steps.map(s => [s.setting, s.from])).toEqual([['Temper', 'Temper 5']])
  })

  it('keeps its steps in view while they are ticked', async () => {
    const before = await card()
    await tick(before.steps[0]?.key ?? '')
    const after = await card()
    expect(after.steps.map(s => s.key)).toEqual(before.steps.map(s => s.key))
    expect(after.steps[0]?.tick?.by).toBe('Imelda Frost')
  })

  it('loses the step whose setting says already what is wanted', async () => {
    const { steps } = await card()
    const [first] = steps
    const [setting = '', wanted = ''] = first?.key.split('=') ?? []
    await tellSetting('tsp-l1', { standard: STANDARD, setting, option: wanted }, by('imelda-frost'))
    const after = await card()
    expect(after.steps).toHaveLength(steps.length - 1)
    expect(after.steps.map(s => s.settingId)).not.toContain(setting)
  })

  it('takes a tick back where the setting then says something else', async () => {
    const { steps } = await card()
    const step = steps.find(s => s.options.length > 2)
    if (!step) throw new Error('no step with three options')
    await tick(step.key)
    const other = step.options.find(o => o.label !== step.to && o.label !== step.from)
    await tellSetting('tsp-l1', { standard: STANDARD, setting: step.settingId, option: other?.id ?? '' }, by())
    const again = (await card()).steps.find(s => s.settingId === step.settingId)
    expect(again).toMatchObject({ from: other?.label, to: step.to, tick: undefined })
  })

  it('begins anew where another card has set the unit in between', async () => {
    const before = await card()
    await tick(before.steps[0]?.key ?? '')
    const other = await readCard('high-rope', 'linnet', 'tsp-l1')
    expect(other.steps.map(s => s.key)).not.toContain(before.steps[0]?.key)
    await tickStep(
      {
        standard: 'high-rope',
        body: 'linnet',
        unit: 'tsp-l1',
        step: other.steps[0]?.key ?? '',
        ticked: true,
      },
      by(),
    )
    const again = await card()
    expect(again.walk).toBe(2)
    expect(again.steps.every(s => s.tick === undefined)).toBe(true)
    expect(again.steps.map(s => s.key)).not.toContain(before.steps[0]?.key)
  })

  it('refuses what the body cannot say, and a name nobody has', async () => {
    const tell = async (setting: string, option: string, person?: string) =>
      tellSetting('tsp-l1', { standard: STANDARD, setting, option }, await actorFor('tell-units', person))
    await expect(tell('temper', 'temper-99')).rejects.toThrow('no setting “temper” that can say “temper-99”')
    await expect(tell('gone', 'x')).rejects.toThrow('Reload the card')
    await expect(tell('temper', 'temper-2', 'nobody')).rejects.toThrow('Choose it again')
    await expect(
      tellSetting('lens-1', { standard: STANDARD, setting: 'temper', option: 'temper-2' }, by()),
    ).rejects.toMatchObject({ status: 404 })
  })

  it('says how long it takes, from presses until somebody has walked one', async () => {
    const reckoned = await readCard('high-rope', 'linnet', 'tsp-l1')
    expect(reckoned.minutes.walks).toBe(0)
    expect(reckoned.presses.here).toBeGreaterThanOrEqual(reckoned.presses.fewest)
    expect(reckoned.presses.here).toBeLessThanOrEqual(reckoned.presses.inMenuOrder)
    expect(reckoned.presses.here).toBeLessThanOrEqual(reckoned.presses.asListed)
    // Two of the demo’s units were walked to Ring action, in 9.5 and 11 minutes.
    expect((await readCard(STANDARD, 'tollgate', 'tsp-t1')).minutes).toEqual({ about: 11, walks: 2 })
  })
})

describe('a signature', () => {
  it('needs every step, and a name', async () => {
    const { steps } = await card()
    await expect(sign()).rejects.toThrow(`TSP-L1 has ${steps.length} of ${steps.length} steps left`)
    await tickAll()
    await expect(actorFor('sign-cards', undefined)).rejects.toThrow('a signature needs a name')
    await sign()
    expect((await card()).signed).toMatchObject({ by: 'Imelda Frost', version: 2 })
  })

  it('closes the walk: the next one has nothing to set, and a few things to look at', async () => {
    await tickAll()
    await sign()
    const next = await card()
    expect(next.walk).toBe(2)
    expect(next.steps).toEqual([])
    expect(next.checks).toHaveLength(3)
    const [check] = next.checks
    const other = check?.options.find(o => o.id !== check.option)
    await tellSetting('tsp-l1', { standard: STANDARD, setting: check?.settingId ?? '', option: other?.id ?? '' }, by())
    const found = await card()
    expect(found.steps.map(s => [s.settingId, s.from])).toEqual([[check?.settingId, other?.label]])
  })

  it('counts its time only where somebody wants it to', async () => {
    await tickAll()
    await sign('tsp-l1', false)
    const life = await readLife('tsp-l1')
    expect(life.events[0]?.words).toBe('signed for Ring action, version 2')
  })
})

describe('readiness', () => {
  it('knows every state there is, in the demo, the troubled first', async () => {
    const { units } = await readReadiness(STANDARD, {}, undefined)
    expect([...new Set(units.map(u => u.readiness.is))]).toEqual(['differs', 'unknown', 'out-of-date', 'ready'])
    expect(await state('TSP-F1')).toMatchObject({ is: 'differs' })
    expect((await state('TSP-F1'))?.words).toMatch(/: version 2 is new$/)
    expect(await state('TSP-T3')).toEqual({
      is: 'out-of-date',
      words: 'runs another firmware since it was signed',
    })
    expect(await state('TSP-T2')).toEqual({ is: 'out-of-date', words: 'was signed too long ago' })
    expect(await state('QUAY-5')).toMatchObject({
      is: 'unknown',
      words: 'came back from repair: may be set to anything',
    })
    expect(await state('TSP-S2')).toEqual({ is: 'ready', words: 'matches the standard' })
  })

  it('follows a walk step by step, to the signature and beyond it', async () => {
    const { steps } = await card()
    expect(await state('TSP-L1')).toMatchObject({ words: `differs by ${steps.length} settings` })
    await tick(steps[0]?.key ?? '')
    expect((await state('TSP-L1'))?.words).toBe(`differs by ${steps.length - 1} settings`)
    await tickAll()
    expect((await state('TSP-L1'))?.is).toBe('unproven')
    await sign()
    expect((await state('TSP-L1'))?.is).toBe('ready')
    expect((await state('TSP-L1', later(29)))?.is).toBe('out-of-date')
    await recordHappened('tsp-l1', 'returned', by('imelda-frost'))
    expect((await state('TSP-L1'))?.is).toBe('unknown')
  })

  it('goes back to what it was where what happened is taken back', async () => {
    await recordHappened('tsp-s2', 'repaired', by())
    const [newest] = (await readLife('tsp-s2')).events
    expect((await state('TSP-S2'))?.is).toBe('unknown')
    await undoHappened('tsp-s2', newest?.id ?? 0, true, by('imelda-frost'))
    expect((await state('TSP-S2'))?.is).toBe('ready')
    expect((await readLife('tsp-s2')).events[0]?.undone?.by).toBe('Imelda Frost')
    await expect(undoHappened('tsp-l1', newest?.id ?? 0, true, by())).rejects.toMatchObject({ status: 404 })
  })

  it('tells the week in one line for each walk', async () => {
    const { recent } = await readReadiness(STANDARD, {}, undefined)
    expect(recent.filter(r => r.tag === 'TSP-F1').map(r => r.words)).toEqual([
      'signed for Ring action, version 1, in 7 minutes',
      expect.stringMatching(/^\d+ settings set by card$/),
      'reset to factory defaults',
    ])
    expect(recent.map(r => r.tag)).not.toContain('TSP-T2')
  })

  it('looks again after as many weeks as the house says', async () => {
    await setRecheckWeeks({ weeks: 26, seen: 4 }, by())
    expect((await state('TSP-T2'))?.is).toBe('ready')
    expect((await readReadiness(STANDARD, {}, undefined)).recheckWeeks).toBe(26)
  })

  it('is a calendar: due today where something is owed, else when the signature runs out', async () => {
    const now = new Date().toISOString()
    const calendar = (await readCalendar(STANDARD, {}, 'http://studio', now)).replaceAll(/\r\n[ \t]/g, '')
    const event = (tag: string) => calendar.split('BEGIN:VEVENT').find(e => e.includes(`SUMMARY:${tag} `)) ?? ''
    const day = (at: string) => at.slice(0, 10).replaceAll('-', '')
    expect(event('TSP-L1')).toContain(`DTSTART;VALUE=DATE:${day(now)}`)
    expect(event('TSP-S2')).toContain(`DTSTART;VALUE=DATE:${day(later(28 - 6))}`)
    expect(event('TSP-S2')).toMatch(
      /^URL(?:;VALUE=URI)?:http:..studio.set.cards.sorrel.standard=ring-action&unit=tsp-s2\r$/m,
    )
  })

  it('says what tomorrow needs: what is not ready, and what runs out by then', async () => {
    const today = await readReadiness(STANDARD, {}, undefined)
    const ready = today.units.find(u => u.tag === 'TSP-S2')
    expect(ready).toMatchObject({ isForTomorrow: false, minutes: 0 })
    expect(today.units.find(u => u.tag === 'TSP-T1')).toMatchObject({ isForTomorrow: true })
    for (const u of today.units.filter(x => x.readiness.is !== 'ready')) expect(u.minutes, u.tag).toBeGreaterThan(0)
    // Signed six days ago, for four weeks: on the evening before, tomorrow needs it.
    const before = await readReadiness(STANDARD, {}, undefined, later(28 - 6 - 0.9))
    expect(before.units.find(u => u.tag === 'TSP-S2')).toMatchObject({
      readiness: { is: 'ready' },
      isForTomorrow: true,
    })
  })

  it('says which units owe a card because a new version was approved, and since when', async () => {
    const view = await readReadiness(STANDARD, {}, undefined)
    expect(view.units.filter(u => u.isOwed).map(u => u.tag)).toEqual(['TSP-F1'])
    expect(view.approved?.at).toMatch(/^\d{4}-/)
    expect((await readReadiness('high-rope', {}, undefined)).approved).toBeUndefined()
  })

  it('counts every standard in force', async () => {
    const all = await readReadinessByStandard({}, undefined)
    expect(all.map(s => s.id)).toContain('house-baseline')
    for (const s of all) expect(Object.values(s.counts).reduce((sum, n) => sum + n, 0)).toBe(s.of)
    const view = await readReadiness(STANDARD, {}, undefined)
    const ring = all.find(s => s.id === STANDARD)
    expect(ring).toMatchObject({ of: 24, owed: 1 })
    expect(ring?.counts.ready).toBe(view.units.filter(u => u.readiness.is === 'ready').length)
  })

  it('counts a unit’s card as its own', async () => {
    const { cards } = await listCards(STANDARD, ['linnet'])
    expect(cards.find(c => c.tag === 'TSP-L3')).toMatchObject({ steps: 1, done: 0 })
  })
})

it('counts what is set on a body anyway, and puts it on the card with its reason', async () => {
  const stored = await readBody('tollgate')
  const { document } = stored
  const setting = document.settings.find(isPinnable)
  const option = setting?.options.find(o => o.id !== setting.default)
  if (!setting || !option) throw new Error('nothing on Tollgate can be pinned')
  const steps = async () => (await card('tsp-t1', 'tollgate')).steps
  const walk = async () => {
    for (const s of await steps()) await tick(s.key, true, 'tsp-t1', 'tollgate')
    await sign('tsp-t1')
  }
  await walk()
  expect((await state('TSP-T1'))?.is).toBe('ready')
  const pinned = withPin(document, setting.id, { option: option.id, reason: 'The class is taught with it.' })
  await saveBody('tollgate', { document: pinned, revision: revisionOf(stored), what: 'set anyway' }, by())
  try {
    expect((await state('TSP-T1'))?.is).not.toBe('ready')
    // What its rules pull along is set as well.
    expect((await steps()).find(s => s.settingId === setting.id)).toMatchObject({
      to: option.label,
      why: 'The class is taught with it. (Set on this body anyway: Tollgate.)',
    })
    await walk()
    expect((await state('TSP-T1'))?.is).toBe('ready')
  } finally {
    const now = await readBody('tollgate')
    await saveBody('tollgate', { document, revision: revisionOf(now), what: 'as it was' }, by())
  }
})

it('every step says what it is for: a target, what it opens, or what it lets be as it is', async () => {
  for (const [body, standard] of [
    ['sorrel', 'ring-action'],
    ['pebble', 'ring-action'],
    ['tollgate', 'high-rope'],
    ['lychgate', 'high-rope'],
  ] as const) {
    const { steps } = await readCard(standard, body, undefined)
    expect(steps.length).toBeGreaterThan(5)
    const targets = demoStandards().flatMap(s => effectiveTargets(s).map(t => t.reason))
    for (const s of steps)
      expect(
        targets.some(reason => s.why.includes(reason)) || /^(Opens|So that|On the way) /.test(s.why),
        `${body}, ${s.setting}: ${s.why}`,
      ).toBe(true)
  }
})

describe('what ends what is known', () => {
  const unitNow = async (id: string) => {
    const row = await (await database())('units').where({ id }).first<Record<string, string>>()
    const { tag, kind, body_id, serial, firmware, owner, hired_until, notes } = row ?? {}
    const unit = { tag, kind, model: body_id, serial, firmware, owner, hiredUntil: hired_until, notes }
    return { unit, revision: Number(row?.['revision']) }
  }
  const change = async (id: string, more: Record<string, string>) => {
    const { unit, revision } = await unitNow(id)
    return saveUnit({ ...unit, ...more }, id, revision, by('imelda-frost'))
  }

  it('is another serial number, or another model, under the same tag', async () => {
    expect((await state('TSP-S2'))?.is).toBe('ready')
    await change('tsp-s2', { serial: 'S-999' })
    expect(await state('TSP-S2')).toEqual({
      is: 'unknown',
      words: 'another camera under this tag: nothing is known of it yet',
    })
    const [event] = (await readLife('tsp-s2')).events
    expect(event?.words).toContain('another serial number')
    // A slip of the pen is taken back, and what was known is known again.
    await undoHappened('tsp-s2', event?.id ?? 0, true, by('imelda-frost'))
    expect((await state('TSP-S2'))?.is).toBe('ready')
    await change('tsp-l3', { model: 'dunlin', firmware: '1.0' })
    expect((await state('TSP-L3'))?.is).toBe('unknown')
    const [model] = (await readLife('tsp-l3')).events
    await expect(undoHappened('tsp-l3', model?.id ?? 0, true, by('imelda-frost'))).rejects.toMatchObject({
      status: 422,
    })
  })

  it('is firmware; taken back, the kit says again what runs, and only the last can be', async () => {
    const known = async () => (await readLife('tsp-l1')).settings.filter(x => x.says !== undefined).length
    const before = await known()
    const firmware = (await unitNow('tsp-l1')).unit.firmware ?? ''
    await change('tsp-l1', { firmware: '2.0' })
    expect(await known()).toBeLessThan(before)
    const [event] = (await readLife('tsp-l1')).events
    await undoHappened('tsp-l1', event?.id ?? 0, true, by('imelda-frost'))
    expect((await unitNow('tsp-l1')).unit.firmware).toBe(firmware)
    expect(await known()).toBe(before)
    await undoHappened('tsp-l1', event?.id ?? 0, false, by('imelda-frost'))
    expect((await unitNow('tsp-l1')).unit.firmware).toBe('2.0')
    await change('tsp-l1', { firmware })
    await expect(undoHappened('tsp-l1', event?.id ?? 0, true, by('imelda-frost'))).rejects.toMatchObject({
      status: 422,
    })
  })
})
