import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tinyBody } from '../../../test/fixtures/tiny-body'
import { demoAudit, demoShootings, festivalStart } from '../../demo/audit'
import { type Body, bodyAt, checkBody, factoryState, withEvidence } from '../bodies'
import { random } from '../numeric/random'
import { askedOf, resolve } from '../resolve'
import { type Audit, type AuditAsked, auditOf } from './audit'
import { burstsOf, followedIn } from './bursts'
import { fieldsThatDiffer } from './by-example'
import { clockSeconds, clockWords } from './clock'
import { findingsOf } from './findings'
import { amountOf, instantOf, type Picture } from './picture'
import { parseAudit } from './plan'
import { picturesFromJson, picturesFromSheet } from './table'
import { teller } from './told'
import { usedIn } from './used'
import { camerasIn, identified, type Owned } from './whose'

const NOW = '2026-10-12T09:00:00.000Z'
const utc = () => 0

const grip = tinyBody({ grip: ['loose', 'firm', 'iron'], beep: ['on', 'off'] })
const tellsLoose = { field: 'Notes:Grip', sign: 'is', value: '1', setting: 'grip', option: 'loose' } as const
const told: Body = {
  ...grip,
  maker: 'Aurelle',
  model: 'Sorrel',
  evidence: [
    tellsLoose,
    { field: 'Notes:Grip', sign: 'is', value: '2', setting: 'grip', option: 'firm' },
    { field: 'Notes:Grip', sign: 'at-least', value: '3', setting: 'grip', option: 'iron' },
    { field: 'Notes:Sound', sign: 'contains', value: 'hear', setting: 'beep', option: 'on' },
    { field: 'Notes:Sound', sign: 'is', value: 'Silent  night', setting: 'beep', option: 'off' },
  ],
}
const owned = (more: Partial<Owned> = {}): Owned => ({
  id: 's1',
  tag: 'S1',
  serial: 'AS-1',
  maker: 'Aurelle',
  model: 'Sorrel',
  since: '',
  entered: '',
  ...more,
})
const at = (second: number) => new Date(Date.UTC(2026, 9, 9, 14) + second * 1000).toISOString()
const picture = (second: number, fields: Picture['fields'] = {}, more: Partial<Picture> = {}): Picture => ({
  file: `P${second}.JPG`,
  at: at(second),
  make: 'AURELLE',
  model: 'Aurelle Sorrel',
  serial: '000AS1',
  fields,
  ...more,
})
const gripAt = (second: number, value: string, more: Partial<Picture> = {}) =>
  picture(second, { 'Notes:Grip': value }, more)

const audit = (pictures: readonly Picture[], more: Partial<AuditAsked> = {}): Audit =>
  auditOf({
    pictures,
    units: [{ ...owned(), form: told }],
    scenes: [{ name: 'Parade', wanted: { s1: { grip: 'firm' } } }],
    clocks: {},
    whose: {},
    now: NOW,
    ...more,
  })

describe('what a picture tells', () => {
  const tell = teller(told.evidence ?? [])

  it('goes by the field, however it is spaced, and by its name alone where the table has no groups', () => {
    expect(tell({ 'Notes:Grip': ' 2 ' }).state).toEqual({ grip: 'firm' })
    expect(tell({ Grip: '1' }).state).toEqual({ grip: 'loose' })
    expect(tell({ 'Notes:Sound': 'can be HEARD' }).state).toEqual({ beep: 'on' })
    expect(tell({ 'Notes:Sound': 'silent night' }).state).toEqual({ beep: 'off' })
  })

  it('does not take another group’s field of that name, nor what is no number for one', () => {
    expect(tell({ 'Lens:Grip': '2' }).state).toEqual({})
    expect(tell({ 'Notes:Grip': 'four' }).state).toEqual({})
    expect(tell({ 'Notes:Grip': '' }).state).toEqual({})
    expect(tell({ 'Notes:Grip': '7' }).state).toEqual({ grip: 'iron' })
  })

  it('believes nothing where two options are told at once', () => {
    const both = teller([
      ...(told.evidence ?? []),
      { field: 'Notes:Other', sign: 'is', value: 'x', setting: 'grip', option: 'loose' },
    ])
    expect(both({ 'Notes:Grip': '2', 'Notes:Other': 'x' })).toEqual({ state: {}, torn: ['grip'] })
  })
})

describe('evidence in a profile', () => {
  it('speaks of settings and options that are there', () => {
    expect(checkBody(told, 'x')).toEqual([])
    const wrong = (e: object) => checkBody({ ...told, evidence: [{ ...tellsLoose, ...e }] }, 'x')[0]?.path
    expect(wrong({ setting: 'nothing' })).toBe('evidence.0.setting')
    expect(wrong({ option: 'nothing' })).toBe('evidence.0.option')
    expect(wrong({ sign: 'at-least', value: 'many' })).toBe('evidence.0.value')
  })

  it('is replaced setting by setting', () => {
    const next = withEvidence(told, 'grip', [{ field: 'Notes:G', sign: 'is', value: 'x', option: 'iron' }])
    expect(next.evidence?.map(e => e.field)).toEqual(['Notes:Sound', 'Notes:Sound', 'Notes:G'])
    expect(withEvidence(withEvidence(next, 'grip', []), 'beep', [])).not.toHaveProperty('evidence')
  })
})

describe('evidence by example', () => {
  const example = (option: string, fields: Picture['fields']) => ({ option, label: option, fields })

  const takes = (n: number, of: (i: number) => readonly [string, Picture['fields']]) =>
    Array.from({ length: n }, (_, i) => example(...of(i)))

  it('offers the one field of the notes that differs, doubts what changes anyway, and is not sure of two pictures', () => {
    const { fields, sure, wants } = fieldsThatDiffer(
      takes(2, i => [
        i === 0 ? 'loose' : 'firm',
        {
          'Notes:Grip': String(i),
          'Exif:DateTimeOriginal': `${i}`,
          'Notes:ShutterCount': `${7 + i}`,
          'Notes:Same': 'x',
        },
      ]),
    )
    expect([sure, wants]).toEqual([undefined, 2])
    expect(fields.map(f => [f.field, f.doubt !== undefined])).toEqual([
      ['Notes:Grip', false],
      ['Exif:DateTimeOriginal', true],
      ['Notes:ShutterCount', true],
    ])
  })

  it('is sure of the one that goes with the options in three pictures of each', () => {
    const six = takes(6, i => [
      i % 2 ? 'loose' : 'firm',
      // One goes with the options, though it is named like what changes anyway; the others change by chance.
      { 'Notes:AreaSize': i % 2 ? 'S' : 'M', 'Notes:Count': String(i), 'Notes:Seen': i === 3 ? 'b' : 'a' },
    ])
    expect(fieldsThatDiffer(six)).toMatchObject({ sure: 'Notes:AreaSize', wants: 0 })
    // Nothing of it was written down: nothing is found, and nothing claimed.
    const without = six.map(e => ({ ...e, fields: { 'Notes:Count': e.fields['Notes:Count'] ?? '' } }))
    expect(fieldsThatDiffer(without)).toEqual({ fields: [], sure: undefined, wants: 0 })
  })

  it('takes chance for a setting hardly ever, also where the camera writes nothing of it', () => {
    const chance = random(5)
    const wrong = Array.from({ length: 400 }, () =>
      fieldsThatDiffer(
        takes(6, i => [
          i % 2 ? 'loose' : 'firm',
          Object.fromEntries(Array.from({ length: 30 }, (_, f) => [`Notes:F${f}`, String(chance.int(1, 2 + f))])),
        ]),
      ),
    ).filter(f => f.sure !== undefined).length
    expect(wrong / 400).toBeLessThan(0.12)
  })

  it('says nothing of pictures of one option, or where a field is missing in one', () => {
    expect(fieldsThatDiffer([example('a', { x: '1' }), example('a', { x: '2' })]).fields).toEqual([])
    expect(fieldsThatDiffer([example('a', { x: '1' }), example('b', {})]).fields).toEqual([])
  })
})

describe('times', () => {
  it('are instants, by the zone the picture names, else by the one that is asked', () => {
    expect(instantOf('2026:10:09 14:05:22.37+01:00', utc)).toBe('2026-10-09T13:05:22.370Z')
    expect(instantOf('2026:10:09 14:05:22', () => 120)).toBe('2026-10-09T12:05:22.000Z')
    expect(instantOf('2026-10-09T14:05:22Z', () => 120)).toBe('2026-10-09T14:05:22.000Z')
    expect(instantOf('2026:10:09 14:05:22-0330', utc)).toBe('2026-10-09T17:35:22.000Z')
    for (const odd of ['0000:00:00 00:00:00', '2026:02:30 10:00:00', '2026:10:09 25:00:00', '', 'x'])
      expect(instantOf(odd, utc)).toBeUndefined()
  })

  it('are put right by a picture of a clock that is', () => {
    expect(clockSeconds('2026-10-09T13:00:10.000Z', '2026-10-09T14:00:00.000Z')).toBe(3590)
    expect(clockSeconds('2020-01-01T00:00:00.000Z', '2026-10-09T14:00:00.000Z')).toBeUndefined()
    expect([3590, -75, 0, 90_000].map(clockWords)).toEqual([
      '59 min 50 s slow',
      '1 min 15 s fast',
      'right',
      '1 d 1 h slow',
    ])
  })
})

describe('tables of metadata', () => {
  it('are read by the names that readers give fields, with whatever else they have', () => {
    const sheet = {
      rows: [
        [
          'SourceFile',
          'EXIF:DateTimeOriginal',
          'EXIF:OffsetTimeOriginal',
          'SubSecTimeOriginal',
          'FNumber',
          'ExposureTime',
          'EXIF:SerialNumber',
          'Notes:Grip',
          'FocalLength',
        ],
        ['/card/DCIM/P1.JPG', '2026:10:09 14:00:00', '+02:00', '5', 'f/2.8', '1/500', 'AS-1', '2', '50.0 mm'],
        ['', '', '', '', '', '', '', '', ''],
      ],
      problems: [],
    }
    expect(picturesFromSheet(sheet, 'x.csv', utc)).toEqual({
      ok: true,
      value: [
        expect.objectContaining({
          file: 'P1.JPG',
          at: '2026-10-09T12:00:00.500Z',
          fNumber: 2.8,
          exposureSeconds: 0.002,
          serial: 'AS-1',
          focalMm: 50,
          fields: expect.objectContaining({ 'Notes:Grip': '2' }) as object,
        }),
      ],
    })
  })

  it('say what they lack, and never fail', () => {
    const first = (value: unknown) => {
      const read = picturesFromJson(value, 'x.json', utc)
      return read.ok ? read.value : read.problems[0]?.expected
    }
    expect(first({})).toContain('a list')
    expect(first([{ Model: 'x' }])).toContain('SourceFile')
    expect(first([{ FileName: 'a\u0000b.jpg\n', Rating: 9, FNumber: '-3', DateTimeOriginal: 12 }])).toEqual([
      { file: 'a b.jpg', fields: expect.any(Object) as object },
    ])
    fc.assert(fc.property(fc.jsonValue(), value => void picturesFromJson([value], 'x', utc)))
    fc.assert(fc.property(fc.string(), text => (amountOf(text) ?? 1) > 0))
  })

  it('of anything that comes in are kept within bounds', () => {
    const plan = { name: 'x', scenes: [{ name: 's', standard: 'a' }], clocks: {}, whose: {}, minutesEast: 0 }
    const read = (pictures: unknown) => parseAudit({ ...plan, pictures }, 'audit').ok
    expect(read([picture(1)])).toBe(true)
    expect(read([])).toBe(false)
    expect(read([picture(1, { x: 'y'.repeat(300) })])).toBe(false)
    expect(read(Array.from({ length: 20_001 }, () => picture(1)))).toBe(false)
  })
})

describe('whose a camera is', () => {
  const whose = (units: readonly Owned[], more: Partial<Picture> = {}, by: Record<string, string> = {}) =>
    identified(camerasIn([picture(1, {}, more)]), units, by)[0]?.whose

  it('goes by the serial number, with or without zeros and dashes, and by the model', () => {
    expect(whose([owned()])).toEqual({ is: 'unit', unit: 's1' })
    expect(whose([owned({ model: 'Linnet' })])).toEqual({ is: 'another-model', unit: 's1' })
    expect(whose([owned({ serial: 'other' })])).toEqual({ is: 'unknown' })
    expect(whose([owned()], { serial: '' })).toEqual({ is: 'unknown' })
  })

  it('is asked where two units have one serial number, and what is told counts', () => {
    const two = [owned(), owned({ id: 's2', tag: 'S2' })]
    expect(whose(two)).toEqual({ is: 'several', units: ['s1', 's2'] })
    const key = camerasIn([picture(1)])[0]?.key ?? ''
    expect(whose(two, {}, { [key]: 's2' })).toEqual({ is: 'unit', unit: 's2' })
  })
})

describe('an audit', () => {
  it('tells since when a setting drifted, and that it still was at the last picture', () => {
    const [d] = audit([1, 2, 3, 4, 5].map(n => gripAt(n, n < 4 ? '2' : '7'))).differences
    expect(d).toMatchObject({
      wanted: 'firm',
      seen: 'iron',
      since: at(4),
      sinceFile: 'P4.JPG',
      pictures: 2,
      of: 5,
      isStill: true,
    })
  })

  it('tells what was put back, and takes options that mean the same for the same', () => {
    expect(audit(['2', '1', '1', '2'].map((v, i) => gripAt(i, v))).differences).toMatchObject([
      { seen: 'loose', since: at(1), pictures: 2, of: 4, isStill: false },
    ])
    const alike = {
      ...told,
      settings: told.settings.map(s => ({
        ...s,
        options: s.options.map(o => ({ ...o, means: { 'confirm.beep': true } })),
      })),
    }
    expect(audit([gripAt(1, '7')], { units: [{ ...owned(), form: alike }] }).differences).toEqual([])
  })

  it('follows a drift from scene to scene, and sees it put back in the next', () => {
    const scenes = [1, 2, 3].map(n => ({
      name: `Scene ${n}`,
      from: at(n * 100),
      until: at(n * 100 + 99),
      wanted: { s1: { grip: 'firm' } },
    }))
    const seen = (values: readonly string[]) =>
      audit(
        values.map((v, i) => gripAt(100 + i * 50, v)),
        { scenes },
      ).differences.map(d => [d.scenes, d.since, d.isStill])
    expect(seen(['2', '7', '7', '7', '7', '7'])).toEqual([[[0, 1, 2], at(150), true]])
    expect(seen(['2', '7', '2', '2', '2', '7'])).toEqual([
      [[2], at(350), true],
      [[0], at(150), false],
    ])
  })

  it('goes by the clock that was put right, and leaves out what cannot have been', () => {
    const key = camerasIn([gripAt(1, '2')])[0]?.key ?? ''
    const slow = audit([gripAt(1, '2'), gripAt(2, '7')], { clocks: { [key]: 3600 } })
    expect(slow.differences[0]?.since).toBe(at(3602))
    const why = (pictures: readonly Picture[], more: Partial<AuditAsked> = {}) =>
      audit(pictures, more).leftOut.map(l => [l.why, l.pictures])
    expect(why([gripAt(1, '7', { at: undefined as never })])).toEqual([['no-time', 1]])
    expect(why([gripAt(1e8, '7')])).toEqual([['in-the-future', 1]])
    expect(why([gripAt(1, '7', { serial: 'nobody' })])).toEqual([['whose', 1]])
    expect(why([gripAt(1, '7')], { units: [{ ...owned({ since: at(50) }), form: told }] })).toEqual([
      ['before-it-was-here', 1],
    ])
    expect(why([gripAt(1, '7')], { scenes: [{ name: 'x', from: at(50), wanted: {} }] })).toEqual([['no-scene', 1]])
  })

  it('keeps of every setting the last that was seen of it, with its picture', () => {
    const [unit] = audit([picture(1, { 'Notes:Grip': '7', 'Notes:Sound': 'heard' }), gripAt(2, '2')]).units
    expect(unit?.sights).toEqual([
      { at: at(1), file: 'P1.JPG', settings: { beep: 'on' } },
      { at: at(2), file: 'P2.JPG', settings: { grip: 'firm' } },
    ])
  })

  it('tells what was kept by what was set: by stars of all, or by those that were judged in a trial', () => {
    const many = Array.from({ length: 40 }, (_, i) => gripAt(i, i % 2 ? '2' : '7', { rating: i % 4 === 1 ? 5 : 0 }))
    const keptOf = (more: Partial<AuditAsked> = {}) => {
      const [unit] = audit(many, more).units
      return [unit?.keptAs, ...(unit?.kept[0]?.options ?? []).map(o => [o.option, o.share])]
    }
    expect(keptOf()).toEqual(['stars', ['iron', { kept: 0, of: 20 }], ['firm', { kept: 10, of: 20 }]])
    // Times as the camera wrote them, whatever its clock was put right by.
    const judged = { s1: many.slice(0, 24).map((p, i) => ({ at: p.at ?? '', isKept: i % 2 === 0 })) }
    const clocks = { [camerasIn(many)[0]?.key ?? '']: 600 }
    expect(keptOf({ judged, clocks })).toEqual([
      'judged',
      ['iron', { kept: 12, of: 12 }],
      ['firm', { kept: 0, of: 12 }],
    ])
  })

  it('agrees with going through the pictures one by one, whatever was turned when', () => {
    const value = fc.constantFrom('1', '2', '3', '')
    fc.assert(
      fc.property(fc.array(value, { minLength: 1, maxLength: 30 }), values => {
        const { differences } = audit(values.map((v, i) => gripAt(i, v)))
        // Another writing of the same question.
        let since = -1
        let others = 0
        let telling = 0
        values.forEach((v, i) => {
          if (v === '') return
          telling++
          if (v === '2') since = -1
          else {
            others++
            if (since < 0) since = i
          }
        })
        expect(differences.length).toBe(others > 0 ? 1 : 0)
        if (others > 0) expect(differences[0]).toMatchObject({ pictures: others, of: telling, isStill: since >= 0 })
        if (since >= 0) expect(differences[0]?.since).toBe(at(since))
      }),
    )
  })
})

describe('bursts', () => {
  it('are pictures with no more than a second between them', () => {
    const bursts = burstsOf([0, 0.1, 0.2, 0.3, 5, 9, 9.5, 10.4].map(at))
    expect(bursts.map(b => b.pictures)).toEqual([4, 1, 3])
    expect(bursts[0]?.seconds).toBeCloseTo(0.4, 6)
  })

  it('give a session its shares, and a pause is no part of it', () => {
    const burst = (from: number) => [0, 1, 2, 3, 4].map(n => at(from + n))
    const followed = followedIn(burstsOf([...burst(0), ...burst(595), ...burst(3 * 3600), at(3 * 3600 + 60)]))
    // Two of five seconds and more in 600 s, one after a pause, and a single picture a minute later.
    expect(followed).toMatchObject({ bursts: 3, pictures: 15, longestFollowSeconds: 5, usualSeconds: 5 })
    expect(followed?.minutes).toBeCloseTo(11, 1)
    expect(followed?.shootingShare).toBeCloseTo(17 / 660, 3)
    expect(followed?.followingShare).toBeCloseTo(15 / 17, 6)
    expect(followedIn(burstsOf([at(0), at(50)]))).toBeUndefined()
  })
})

describe('what was used', () => {
  it('holds times against the hand and against how the subject moves', () => {
    // 1/(200 mm x 1.5) is 1/300 s. At 10 m a subject of 5 m/s moves by 5 x 200/9800 x 1/1000 s = 0.102 mm; 28.8 mm / 1500 is 0.019 mm.
    const shot = (exposureSeconds: number, moves = true) => ({
      picture: picture(1, {}, { focalMm: 200, exposureSeconds }),
      crop: 1.5,
      diagonalMm: 28.8,
      moves: moves ? { metresPerSecond: 5, distanceMetres: 10 } : undefined,
    })
    const used = usedIn([shot(1 / 299), shot(1 / 301), shot(1 / 1000), shot(1 / 8000), shot(1 / 8000, false)])
    expect(used.shaky).toEqual({ kept: 1, of: 5 })
    expect(used.moved).toEqual({ kept: 3, of: 4 })
  })
})

describe('the festival of the demo', () => {
  const { standard, shootings } = demoShootings()
  const { plan, pictures } = demoAudit(shootings, standard, NOW)
  const units = shootings.map(s => {
    const form = bodyAt(s.body, s.firmware)
    const found = resolve(form, standard, { firmware: s.firmware, known: factoryState(form) })
    const wanted = Object.fromEntries(askedOf(form, found).map(id => [id, found.state[id] ?? '']))
    return { ...owned({ id: s.tag, tag: s.tag, serial: s.serial, maker: form.maker, model: form.model }), form, wanted }
  })
  const scenes = plan.scenes.map(s => ({ ...s, wanted: Object.fromEntries(units.map(u => [u.id, u.wanted])) }))
  const found = auditOf({ pictures, units, scenes, clocks: plan.clocks, whose: {}, now: NOW })

  it('shows the two drifts and the one that was put back, each since its very picture', () => {
    expect(pictures).toHaveLength(400)
    expect(found.leftOut).toEqual([])
    const drifts = found.differences.filter(d => d.isStill)
    const turned = shootings.filter(s => s.turned.until === s.pictures)
    expect(drifts.map(d => [d.unit, d.setting, d.seen, d.sinceFile]).sort()).toEqual(
      turned
        .map(s => [
          s.tag,
          s.turned.setting,
          s.turned.option,
          `${s.tag.slice(-2)}_${String(s.turned.from + 1).padStart(4, '0')}.JPG`,
        ])
        .sort(),
    )
    expect(found.differences.filter(d => !d.isStill)).toMatchObject([
      { unit: 'TSP-L3', seen: 'frame-1x1', pictures: 35 },
    ])
  })

  it('has the clock that was an hour behind put right', () => {
    const late = found.units.find(u => u.unit === 'TSP-T2')
    expect(Date.parse(late?.from ?? '')).toBeGreaterThan(festivalStart(NOW))
    const without = auditOf({ pictures, units, scenes, clocks: {}, whose: {}, now: NOW })
    expect(without.leftOut.some(l => l.why === 'no-scene' && l.of === 'TSP-T2')).toBe(true)
  })

  it('comes to five findings, the drifts first, each with evidence and one change', () => {
    const findings = findingsOf(found, {
      unit: id => id,
      setting: (_, id) => id,
      option: (_, __, id) => id,
      scene: i => plan.scenes[i]?.name ?? '',
      time: t => t.slice(11, 16),
    })
    expect(findings).toHaveLength(5)
    expect(findings.slice(0, 2).map(f => f.title)).toEqual([
      'TSP-S2 drifted: grip says grip-2-of-7, not grip-5-of-7',
      'TSP-T2 drifted: studs says all-studs, not block-21',
    ])
    for (const f of findings) expect([f.evidence, f.change].every(t => t.length > 20)).toBe(true)
  })
})
