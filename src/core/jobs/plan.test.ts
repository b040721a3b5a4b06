import { describe, expect, it } from 'vitest'
import { factsFor, house, jobWith } from '../../../test/fixtures/job-facts'
import { clockAt, momentOf } from './clock'
import { debriefOf } from './debrief'
import { mergeJobs, withScene } from './edit'
import { thumbOver } from './hands'
import { lightAt } from './light'
import { differencesBetween, planThrough } from './replan'
import { printedLines, sheetFor, whereIn } from './sheet'
import { type Happened, type Happening, standingOf } from './standing'
import { handScenes, limiterAt, warningsOf } from './warnings'

const happened = (...all: readonly (readonly [at: string, what: Happening])[]): readonly Happened[] =>
  all.map(([at, what], i) => ({ id: `h${i}`, at: `2026-06-20T${at}:00.000Z`, by: 'ottoline-marsh', what }))

describe('the clock of a place', () => {
  it('is told from the time zone, and says where it jumps', () => {
    // Source: the tz database; clocks in Berlin went forward on 2026-03-29 and go back on 2026-10-25.
    expect(momentOf('2026-06-20', '12:00', 'Europe/Berlin')).toEqual({ at: Date.UTC(2026, 5, 20, 10), odd: undefined })
    expect(momentOf('2026-03-29', '02:30', 'Europe/Berlin')).toEqual({
      at: Date.UTC(2026, 2, 29, 1, 30),
      odd: 'skipped',
    })
    expect(momentOf('2026-10-25', '02:30', 'Europe/Berlin')).toEqual({ at: Date.UTC(2026, 9, 25, 0, 30), odd: 'twice' })
    expect(clockAt(Date.UTC(2026, 2, 29, 1, 30), 'Europe/Berlin')).toEqual({ day: '2026-03-29', time: '03:30' })
    expect(momentOf('2026-06-20', '12:00', 'Pacific/Chatham').at).toBe(Date.UTC(2026, 5, 19, 23, 15))
  })

  it('does not shorten a night scene over the jump', () => {
    const job = jobWith({ night: { day: '2026-10-25', at: '01:30', minutes: 120 } })
    const [scene] = standingOf(job).scenes
    expect((scene?.until ?? 0) - (scene?.from ?? 0)).toBe(120 * 60_000)
    expect(clockAt(scene?.until ?? 0, job.timeZone).time).toBe('02:30')
  })
})

describe('a plan', () => {
  it('gives everybody what they carry, and fills the slots so that nothing is walked in a hurry', () => {
    const job = jobWith({
      parade: { at: '19:00', standard: 'ring', who: [['ottoline-marsh'], ['bram-tollard']] },
      rope: { at: '19:11', standard: 'rope' },
      again: { at: '19:22', standard: 'ring' },
    })
    const { plan } = planThrough(job, factsFor(job), [])
    expect(plan.stations.map(s => s.unit?.tag)).toEqual(['S1', 'T1', 'S1', 'S1'])
    const [day] = plan.units.filter(d => d.unit.id === 's1')
    expect(day?.slots.map(s => s.setUp?.key)).toEqual(['rope', 'ring'])
    expect(day).toMatchObject({ presses: 4, withoutSlots: 60, late: 0, isBest: true })
    expect(plan.stations[2]?.change).toMatchObject({ recalls: 'Keep 1', isLate: false })
  })

  it('puts on a key what is wanted for a short scene, and lets a long one be set', () => {
    const base = house()
    const reaches = { ring: ['rope'], rope: ['ring'] }
    const [sorrel] = base.models
    const keyed = {
      ...sorrel,
      slots: [],
      keys: [{ name: 'Heel', isThumbs: true, row: ['Heel does', 'Other set'] as const, reaches }],
    }
    const models = base.models.map(m => (m === sorrel ? { ...m, ...keyed } : m))
    const day = {
      parade: { at: '19:00', standard: 'ring', who: [['ottoline-marsh']] as const },
      rope: { at: '19:11', standard: 'rope' },
      again: { at: '19:22', standard: 'ring' },
    }
    const job = jobWith(day)
    const facts = factsFor(job, { models })
    const { plan } = planThrough(job, facts, [])
    expect(plan.units[0]).toMatchObject({ presses: 1, withoutSlots: 60, late: 0, isBest: true })
    expect(plan.units[0]?.keys?.map(k => [k.name, k.setUp?.key])).toEqual([['Heel', 'rope']])
    expect(plan.stations.map(s => s.change?.key)).toEqual([undefined, 'Heel', undefined])
    expect(handScenes(plan.stations).map(s => s.holdsKey)).toEqual([false, true, false])
    // The key is let go: what comes then is there already.
    expect(plan.stations[2]?.change).toMatchObject({ recalls: undefined, walks: undefined, cost: { presses: 0 } })

    const sheet = sheetFor(job, facts, planThrough(job, facts, []), [], 'ottoline-marsh')
    expect(sheet.lines[1]?.change).toEqual(['Hold Heel while you shoot; nothing else is changed.'])
    expect(sheet.prepare[0]?.keys).toEqual(['Heel (Heel does: Other set): High rope, while it is held'])

    // The day has begun: what is on the key stays there, and the rest goes by it.
    const moved = happened(['19:13', { kind: 'moved', scene: 'again', day: '2026-06-20', at: '20:00' }])
    const later = planThrough(job, facts, moved)
    expect(later.plan.stations.map(s => s.change?.key)).toEqual([undefined, 'Heel', undefined])
    expect(later.plan.units[0]?.keys?.[0]?.setUp?.key).toBe('rope')

    const long = jobWith({
      ...day,
      rope: { at: '19:11', standard: 'rope', minutes: 120 },
      again: { at: '21:30', standard: 'ring' },
    })
    const walked = planThrough(long, factsFor(long, { models }), []).plan
    expect(walked.stations[1]?.change).toMatchObject({ key: undefined, walks: { to: 'rope' } })
  })

  it('leaves a key on through scenes however long, where it is pressed and not held', () => {
    const base = house()
    const reaches = { ring: ['rope'], rope: ['ring'] }
    const row = ['Heel does', 'Other set'] as const
    const keys = [{ name: 'Heel', isThumbs: true, isToggled: true, row, reaches }]
    const models = base.models.map((m, i) => (i === 0 ? { ...m, slots: [], keys } : m))
    const who = [['ottoline-marsh']] as const
    const job = jobWith({
      parade: { at: '19:00', standard: 'ring', who },
      rope: { at: '19:11', standard: 'rope', minutes: 50, who },
      more: { at: '20:02', standard: 'rope', minutes: 50, who },
      again: { at: '20:53', standard: 'ring', who },
    })
    const facts = factsFor(job, { models })
    const planned = planThrough(job, facts, [])
    expect(planned.plan.units[0]).toMatchObject({ presses: 2, late: 0, isBest: true })
    // The thumb rests meanwhile.
    expect(handScenes(planned.plan.stations).some(s => s.holdsKey)).toBe(false)
    const sheet = sheetFor(job, facts, planned, [], 'ottoline-marsh')
    expect(sheet.lines.map(l => l.change)).toEqual([
      [],
      ['Press Heel once: it is on until it is pressed again. Nothing else is changed.'],
      ['Leave Heel on.'],
      ['Press Heel again: the camera is as it was before.'],
    ])
    expect(whereIn(sheet.lines[1] ?? { slot: undefined, held: undefined, isToggled: false })).toBe('with Heel on')
    expect(sheet.prepare[0]?.keys).toEqual(['Heel (Heel does: Other set): High rope, until it is pressed again'])

    // Planned anew while it is on, the way back is not forgotten.
    const dropped = happened(['19:30', { kind: 'dropped', scene: 'more' }])
    const later = sheetFor(job, facts, planThrough(job, facts, dropped), dropped, 'ottoline-marsh')
    expect(later.lines.map(l => l.change[0])).toEqual([
      undefined,
      'Press Heel once: it is on until it is pressed again. Nothing else is changed.',
      'Press Heel again: the camera is as it was before.',
    ])
  })

  it('says why a unit was taken, and what the next best would cost', () => {
    const job = jobWith({ fire: { standard: 'night', who: [['bram-tollard']] } })
    const [station] = planThrough(job, factsFor(job), []).plan.stations
    expect(station?.unit?.tag).toBe('S1')
    expect(station?.why.chosen?.parts.join()).toMatch(/agrees to 95 %.*Bram does not usually carry it/)
    expect(station?.why.others.find(o => o.tag === 'T1')?.parts.join()).toMatch(/cannot hold eye detection/)
  })

  it('names what cannot be: two places at once, nobody who is known, no camera, no time', () => {
    const job = jobWith(
      {
        one: {
          at: '12:00',
          minutes: 30,
          standard: 'ring',
          who: [['ottoline-marsh'], ['somebody else', 'no such unit', 'no such lens']],
        },
        two: { at: '12:20', standard: 'rope' },
        three: {
          at: '12:30',
          standard: 'night',
          who: [
            ['ottoline-marsh', 's1'],
            ['bram-tollard', 't1'],
          ],
        },
        open: { at: '14:00', who: [] },
        outside: { at: '15:00', place: 'field' },
      },
      { places: [{ id: 'field', name: 'Field', indoors: false, cautions: [] }] },
    )
    const few = house()
    const facts = factsFor(job, {
      units: few.units.filter(u => u.id !== 's2'),
      models: few.models.map(m => ({ ...m, slots: [] })),
    })
    const planned = planThrough(job, facts, [])
    const warnings = warningsOf(job, planned.standing, facts, planned.plan)
    const words = (kind: string) =>
      warnings
        .filter(w => w.kind === kind)
        .map(w => w.words)
        .join(' ')
    expect(words('two-places')).toMatch(/Ottoline Marsh is at one and at two at once/)
    expect(words('unknown-person')).toMatch(/“somebody else”/)
    expect(words('unknown-unit')).toMatch(/“no such unit”; another is chosen/)
    expect(words('unknown-lens')).toMatch(/“no such lens”/)
    expect(words('nobody')).toMatch(/open has nobody/)
    expect(words('no-coordinates')).toMatch(/Field has no coordinates/)
    expect(words('must-broken')).toMatch(/three: T1 does not hold eye detection/)
    expect(words('late')).toMatch(/S1 before (two|three): the change takes about 30 s, and there are 0 s/)
  })

  it('leaves time for putting another lens on, and says where there is none', () => {
    const [long] = house().lenses
    const short = { ...long, id: 'short', name: 'Aurelle Hearth', tags: ['H1'] }
    const lenses = [long, short].flatMap(l =>
      l ? [{ ...l, maker: l.maker ?? '', ranges: [], testedOn: ['sorrel'] }] : [],
    )
    const day = (minutes: number, second: string, standard = 'rope') =>
      jobWith({
        parade: { at: '12:00', minutes, standard: 'ring', who: [['ottoline-marsh', 's1', 'L1']] },
        rope: { at: '12:10', standard, who: [['ottoline-marsh', 's1', second]] },
      })
    // No slots, so that the settings are walked: about half a minute.
    const models = house().models.map(m => ({ ...m, slots: [] }))
    const told = (job: ReturnType<typeof day>) => {
      const facts = factsFor(job, { lenses, models })
      const { plan, standing } = planThrough(job, facts, [])
      const words = warningsOf(job, standing, facts, plan).flatMap(w => (w.kind === 'late' ? [w.words] : []))
      return { change: plan.stations[1]?.change, words }
    }
    // Six minutes are enough for both, and are told without those for the lens.
    expect(told(day(4, 'H1'))).toMatchObject({
      change: { gapSeconds: 330, isLate: false },
      words: [],
    })
    expect(told(day(4, 'L1')).change).toMatchObject({ gapSeconds: 360, isLate: false })
    const job = day(4, 'H1')
    const facts = factsFor(job, { lenses, models })
    const { lines } = sheetFor(job, facts, planThrough(job, facts, []), [], 'ottoline-marsh')
    expect(lines.map(l => l.change[0])).toEqual([undefined, 'Put Aurelle Hearth on.'])
    // Where scenes follow at once, it is said of the lens even if nothing else is changed.
    expect(told(day(10, 'H1', 'ring')).words).toEqual([
      'S1 before rope: putting Aurelle Hearth on takes about 30 s, and there are 0 s. Have it on a second camera, or stay with Aurelle Longreach.',
    ])
    expect(told(day(10, 'L1', 'ring')).words).toEqual([])
    expect(told(day(10, 'H1')).words.join(' ')).toMatch(/and there are 0 s once the other lens is on/)
  })

  it('asks for ten minutes of drills with what is hired or lent, and says what is owed', () => {
    const job = jobWith({
      a: {
        who: [
          ['ottoline-marsh', 's1'],
          ['bram-tollard', 't1'],
          ['perpetua-nye', 's2'],
        ],
      },
    })
    const units = house().units.map(u =>
      u.id === 't1'
        ? { ...u, owner: 'Quayside evening class' }
        : u.id === 's2'
          ? { ...u, hiredUntil: '2026-07-01', owed: { ring: { minutes: 4, why: 'of 20 nobody knows.' } } }
          : u,
    )
    const facts = factsFor(job, { units })
    const planned = planThrough(job, facts, [])
    const words = warningsOf(job, planned.standing, facts, planned.plan).map(w => w.words)
    expect(words).toContain('T1 is lent by Quayside evening class: ten minutes of drills before the first scene.')
    expect(words).toContain('S2 is hired until 2026-07-01: ten minutes of drills before the first scene.')
    expect(words).toContain('S2 owes its card for Ring action: 4 min.')
    expect(words.filter(w => w.startsWith('S1'))).toEqual([])
  })

  it('comes to the same plan whether it was followed all along or is opened for the first time', () => {
    const job = jobWith({
      a: { at: '19:00', who: [['ottoline-marsh'], ['bram-tollard']] },
      b: { at: '19:30', who: [['ottoline-marsh']] },
      c: { at: '20:00', who: [['bram-tollard']] },
    })
    const happened = [
      { kind: 'moved', scene: 'c', day: job.day, at: '20:30' },
      { kind: 'failed', unit: 's1' },
      { kind: 'dropped', scene: 'b' },
      { kind: 'mended', unit: 's1' },
    ].map((what, i) => ({ id: `h${i}`, at: `${job.day}T1${i}:00:00Z`, by: undefined, what: what as Happening }))
    const followed = factsFor(job)
    for (let n = 0; n <= happened.length; n++)
      expect(planThrough(job, followed, happened.slice(0, n))).toEqual(
        planThrough(job, structuredClone(followed), happened.slice(0, n)),
      )
    // What another device did in between comes late, and sorts in between.
    const late: Happened = {
      id: 'late',
      at: `${job.day}T10:30:00Z`,
      by: undefined,
      what: { kind: 'dropped', scene: 'a' },
    }
    expect(planThrough(job, followed, [...happened, late])).toEqual(
      planThrough(job, structuredClone(followed), [...happened, late]),
    )
  })

  it('says so where every camera is in another hand', () => {
    const all = Array.from({ length: 6 }, (_, i): readonly [string] => [`person ${i}`])
    const job = jobWith({ crowd: { who: all } })
    const planned = planThrough(job, factsFor(job), [])
    expect(planned.plan.stations.filter(s => !s.unit)).toHaveLength(2)
    const warnings = warningsOf(job, planned.standing, factsFor(job), planned.plan)
    expect(warnings.filter(w => w.kind === 'no-unit')).toHaveLength(2)
  })

  it('prepares cameras anew after a night', () => {
    const job = jobWith({
      a: { at: '19:00', standard: 'ring' },
      b: { at: '19:20', standard: 'rope' },
      c: { day: '2026-06-21', at: '19:00', standard: 'night' },
      d: { day: '2026-06-21', at: '19:20', standard: 'ring' },
    })
    const { plan } = planThrough(job, factsFor(job), [])
    expect(plan.units.map(d => d.slots[0]?.setUp?.key)).toEqual(['rope', 'ring'])
    expect(plan.stations[2]?.change).toBeUndefined()
  })
})

describe('a day that changes', () => {
  const job = jobWith({
    first: { at: '12:00', standard: 'ring', who: [['ottoline-marsh'], ['bram-tollard']] },
    second: { at: '13:00', standard: 'rope' },
    third: { at: '14:00', standard: 'night' },
  })
  const facts = factsFor(job)
  const clock = (at: number) => clockAt(at, job.timeZone).time

  it('plans again what is still to come, and tells what that changes', () => {
    const said = happened(['11:30', { kind: 'moved', scene: 'second', day: '2026-06-20', at: '14:30' }])
    const { plan, standing, former } = planThrough(job, facts, said)
    expect(standing.scenes.map(s => s.id)).toEqual(['first', 'third', 'second'])
    expect(plan.stations.map(s => s.unit?.tag)).toEqual(['S1', 'T1', 'S1', 'S1'])
    const differences = differencesBetween(former?.plan ?? plan, plan, clock).map(d => d.words)
    expect(differences).toContain('Ottoline Marsh: second at 14:30 in place of 13:00.')
  })

  it('gives the best camera that is left to whoever’s fails, and leaves what was as it was', () => {
    // At 10:30 UTC the first scene is over: it is half past twelve in Berlin.
    const said = happened(['10:30', { kind: 'failed', unit: 's1' }])
    const { plan } = planThrough(job, facts, said)
    expect(plan.stations.map(s => `${s.scene.id} ${s.unit?.tag ?? ''}`)).toEqual([
      'first S1',
      'first T1',
      'second S2',
      'third S2',
    ])
    // Nobody prepared it for this: it is walked, and stored where there is time.
    expect(plan.stations[3]?.change?.walks).toBeDefined()
    const back = planThrough(job, facts, [
      ...said,
      ...happened(['10:40', { kind: 'mended', unit: 's1' }]).map(h => ({ ...h, id: 'back' })),
    ])
    expect(back.plan.stations[0]?.unit?.tag).toBe('S1')
  })

  it('comes to the same in whichever order the words arrive', () => {
    const said = happened(
      ['09:00', { kind: 'moved', scene: 'third', day: '2026-06-20', at: '15:00' }],
      ['09:10', { kind: 'dropped', scene: 'second' }],
      ['09:20', { kind: 'moved', scene: 'third', day: '2026-06-20', at: '15:30' }],
      ['09:30', { kind: 'failed', unit: 's1' }],
      ['09:40', { kind: 'restored', scene: 'second' }],
    )
    const asText = (all: readonly Happened[]) => JSON.stringify(planThrough(job, facts, all).plan)
    expect(asText([...said].reverse())).toBe(asText(said))
    expect(planThrough(job, facts, said).standing.scenes.map(s => clock(s.from))).toEqual(['12:00', '13:00', '15:30'])
  })

  it('is planned anew with forty scenes, twelve people and thirty units', () => {
    const many = jobWith(
      Object.fromEntries(
        Array.from({ length: 40 }, (_, i) => [
          `scene-${i}`,
          {
            at: `${String(8 + Math.floor(i / 4)).padStart(2, '0')}:${['00', '15', '30', '45'][i % 4] ?? '00'}`,
            standard: ['ring', 'rope', 'night'][i % 3] ?? 'ring',
            who: [[`p${i % 12}`], [`p${(i + 5) % 12}`]] as const,
          },
        ]),
      ),
    )
    const people = Array.from({ length: 12 }, (_, i) => ({ id: `p${i}`, name: `P${i}` }))
    const base = house()
    const units = Array.from({ length: 30 }, (_, i) => ({
      ...(base.units[i % 4] ?? (base.units[0] as never)),
      id: `u${i}`,
      tag: `U${i}`,
      carriedBy: [`p${i % 12}`],
    }))
    const big = factsFor(many, { people, units })
    const { plan } = planThrough(many, big, happened(['09:00', { kind: 'dropped', scene: 'scene-20' }]))
    expect(plan.stations.every(s => s.unit)).toBe(true)
  })
})

describe('a call sheet', () => {
  const job = jobWith({
    parade: {
      at: '19:00',
      standard: 'ring',
      near: 5,
      far: 40,
      who: [['ottoline-marsh', 's1', 'long']],
      moves: 'dancers, people passing in front',
    },
    rope: { at: '19:30', standard: 'rope', light: 'dark' },
  })
  const facts = factsFor(job)

  it('says when, with what, in which slot, what the thumb does, and what may go wrong', () => {
    const planned = planThrough(job, facts, [])
    const { lines, cautions } = sheetFor(job, facts, planned, [], 'ottoline-marsh')
    expect(lines[0]).toMatchObject({
      from: '19:00',
      until: '19:10',
      lens: 'Aurelle Longreach',
      limiter: 'limiter at far only',
    })
    expect(lines[0]?.troubles).toHaveLength(3)
    expect(lines[0]?.troubles[0]?.label).toBe('Lets go when somebody crosses')
    expect(lines[0]?.troubles.every(t => t.now.length > 5)).toBe(true)
    expect(lines[1]?.change).toEqual(['Recall Keep 1.'])
    expect(lines[1]?.troubles.map(t => t.symptom)).toContain('hunts-dark')
    expect(lines[0]?.thumb).toMatch(/thumb starts focusing/)
    expect(cautions.map(c => c.words)).toEqual(['Rest it.'])
  })

  it('marks what changed since it was printed', () => {
    const planned = planThrough(job, facts, [])
    const printed = printedLines(sheetFor(job, facts, planned, [], 'ottoline-marsh'))
    const said = happened(
      ['08:00', { kind: 'printed', who: 'ottoline-marsh', lines: printed }],
      ['09:00', { kind: 'moved', scene: 'rope', day: '2026-06-20', at: '20:00' }],
    )
    const { lines } = sheetFor(job, facts, planThrough(job, facts, said), said, 'ottoline-marsh')
    expect(lines.map(l => l.printed)).toEqual([undefined, expect.stringMatching(/19:30 to 19:40/)])
  })
})

describe('light, limiter and thumb', () => {
  const place = { id: 'square', name: 'Square', latitude: 0.9, longitude: -30.3, indoors: false, cautions: [] }
  const at = (time: string, facing?: number) => {
    const job = jobWith(
      { a: { at: time, minutes: 20, ...(facing === undefined ? {} : { facing }) } },
      { timeZone: 'Atlantic/South_Georgia' },
    )
    const [scene] = standingOf(job).scenes
    return scene && lightAt(scene, place)?.words
  }

  it('say when a station is against the sun, when the sun is low, and when it is dark', () => {
    expect(at('17:10', 280)).toBe('against the sun')
    expect(at('17:10', 100)).toBe('sun on the subject')
    expect(at('12:00')).toBe('daylight')
    expect(at('17:30')).toBe('low sun')
    expect(at('23:00')).toBe('dark')
    const [scene] = standingOf(jobWith({ a: {} })).scenes
    expect(scene && lightAt(scene, { ...place, indoors: true })).toBeUndefined()
  })

  it('take the narrowest position that holds the scene, with room', () => {
    const lens = house().lenses[0]
    const scene = (near: number, far?: number) =>
      standingOf(jobWith({ a: { near, ...(far ? { far } : {}) } })).scenes[0] as never
    expect(limiterAt(scene(5, 40), lens)?.label).toBe('far only')
    expect(limiterAt(scene(2, 40), lens)?.label).toBe('whole range')
    expect(limiterAt(scene(0.5, 2), lens)).toMatchObject({ isShort: true })
  })

  it('count the minutes a thumb holds, and name the school that holds less', () => {
    // Common practice, no published source: with 90 % following, thumb start holds 90 % and thumb stop 10 %.
    const load = thumbOver([{ minutes: 60, shooting: 1, following: 0.9, school: 'thumb-start' }])
    expect(load.heldMinutes).toBeCloseTo(54, 9)
    expect(load).toMatchObject({ isHigh: true, instead: { school: 'thumb-stop' } })
    expect(load.instead?.heldMinutes).toBeCloseTo(6, 9)
    // A key that the thumb holds while pictures are taken counts as well; half of an hour is shooting.
    const scene = { minutes: 60, shooting: 0.5, following: 0.9, school: 'thumb-stop' } as const
    expect(thumbOver([scene]).heldMinutes).toBeCloseTo(3, 9)
    expect(thumbOver([{ ...scene, holdsKey: true }]).heldMinutes).toBeCloseTo(30, 9)
  })
})

describe('two who edit one job', () => {
  it('are merged scene by scene, field by field', () => {
    const base = jobWith({ a: { at: '12:00' }, b: { at: '13:00' } })
    const merged = mergeJobs(base, withScene(base, 'a', { at: '12:30' }), withScene(base, 'b', { minutes: 40 }))
    expect(merged.document.scenes.map(s => [s.at, s.minutes])).toEqual([
      ['12:30', 10],
      ['13:00', 40],
    ])
    const clash = mergeJobs(base, withScene(base, 'a', { at: '12:30' }), withScene(base, 'a', { at: '12:45' }))
    expect(clash.conflicts.length).toBeGreaterThan(0)
  })
})

describe('a debrief', () => {
  it('counts rescues by scene, and says what to write into the standard once they were needed again', () => {
    const job = jobWith({ parade: { standard: 'ring' } })
    const facts = factsFor(job)
    const used = { kind: 'rescued', scene: 'parade', symptom: 'takes-front', unit: 's1' } as const
    const all = happened(
      ['10:01', { ...used, rule: 'takes-front/whole' }],
      ['10:02', { ...used, rule: 'takes-front/whole' }],
      ['10:03', { kind: 'missed', who: 'bram-tollard', words: 'a second battery' }],
      ['10:04', { kind: 'done', scene: 'parade' }],
    )
    const debrief = debriefOf(facts, planThrough(job, facts, all), all)
    expect(debrief.rescues).toMatchObject([{ sceneName: 'parade', times: 2, by: ['Ottoline Marsh'] }])
    expect(debrief.missed).toMatchObject([{ who: 'Bram Tollard', words: 'a second battery' }])
    expect(debrief.scenes).toEqual({ done: 1, dropped: 0, open: 0 })
    expect(debrief.toWrite).toMatchObject([{ standard: 'ring', times: 2 }])
  })
})
