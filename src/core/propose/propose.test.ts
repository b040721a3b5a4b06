import { describe, expect, it } from 'vitest'
import { leaveOneOut } from '../../../test/fixtures/leave-one-out'
import { demoBodies } from '../../demo/world'
import { type Body, bodyFromArchetype, decided, parseBody, withMenuRows } from '../bodies'
import { parseMenuText } from '../bodies/menu-text'
import { acceptReading, knowledgeOf, MOST_READ, proposeAll, proposeFor, type Reading } from './propose'

const NOTHING_KNOWN = knowledgeOf([])
const DEMO = knowledgeOf(demoBodies())

const pasted = (menu: string, maker = 'Nobody'): Body => {
  const rows = parseMenuText(menu, 'pasted menu')
  if (!rows.ok) throw new Error('the menu of a test cannot be read')
  return withMenuRows(bodyFromArchetype('mirrorless', { id: 'new', maker, model: 'New' }), rows.value)
}
const readings = (menu: string, knowledge = NOTHING_KNOWN, maker?: string): readonly Reading[] => {
  const body = pasted(menu, maker)
  const [setting] = body.settings
  return setting ? proposeFor(body, setting, knowledge) : []
}
const values = (reading: Reading | undefined, id: string) => reading?.means.map(m => m[id])

describe('proposals from words alone', () => {
  it.each([
    ['Focus drive: Single | Continuous | Manual', 'mode.drive', ['single', 'continuous', 'manual']],
    ['Focus tone: On | Off', 'see.tone', [true, false]],
    ['Preferred eye: Nearest | Left | Right', 'subject.eye', ['nearest', 'left', 'right']],
    ['Peaking: Off | Low | Middle | High', 'see.peaking', ['off', 'low', 'mid', 'high']],
    ['Metering: Whole frame | Centre | Spot', 'meter.pattern', ['matrix', 'centre', 'spot']],
    ['Exposure correction: −1 | −0.7 | −0.3 | 0 | +0.3 | +0.7 | +1', 'meter.bias', [-1, -0.7, -0.3, 0, 0.3, 0.7, 1]],
    ['Frames per second: 3 fps | 8 fps | 12 fps', 'release.rate', [3, 8, 12]],
    ['Hold when blocked: 0.2 s | 0.6 s | 1.2 s | 2.4 s', 'track.hold', [0.2, 0.6, 1.2, 2.4]],
    [
      'Focus limiter: Full | 4 m to 6 m',
      'range.limit',
      [
        { nearMetres: 0.3, farMetres: 'infinity' },
        { nearMetres: 4, farMetres: 6 },
      ],
    ],
    ['Continuous AF: On | Off', 'trigger.prefocus', [true, false]],
    ['Back-button focus: On | Off', 'trigger.shutter', ['meters-only', 'starts-af']],
    ['Release when out of focus: Allowed | Not allowed', 'release.single', ['release', 'focus']],
  ])('read “%s”', (menu, id, wanted) => {
    const [first] = readings(menu)
    expect(first?.dimensions).toEqual([id])
    expect(values(first, id)).toEqual(wanted)
    expect(first?.because.join()).toMatch(/names it|options/)
    // In the words of the menu, and not in those it is brought to.
    const named = (menu: string) => readings(menu)[0]?.because.join()
    expect(named('Full time MF: Enable | Prohibit')).toContain('“Full time MF” names it')
    expect(named('Half press operation: AF start | AE only')).toContain('names it')
    expect(named('Half press operation: AF start | AE only')).not.toContain('halfpress')
    expect(first?.certainty).not.toBe('unsure')
  })

  it.each([
    ['Tracking sensitivity: 1 (locked on) | 2 | 3 | 4 | 5 (responsive)', 'falls'],
    ['Tracking sensitivity: −2 responsive | −1 | 0 | +1 | +2 locked on', 'rises'],
    ['Tracking sensitivity: Low | Normal | High', 'falls'],
    ['Lock-on: Off | Short | Normal | Long', 'rises'],
    ['Blocked-shot response: 1 (quick) | 3 | 5 (delayed)', 'rises'],
    ['Tracking sensitivity: 1 | 2 | 3 | 4 | 5', 'unknown'],
    ['Tracking sensitivity: −2 | −1 | 0 | +1 | +2', 'unknown'],
  ])('find which way “%s” runs, or say that nothing tells it', (menu, way) => {
    const [first, second] = readings(menu)
    const seconds = (values(first, 'track.hold') ?? []).map(Number)
    const found = first?.isEitherWay ? 'unknown' : (seconds[0] ?? 0) < (seconds.at(-1) ?? 0) ? 'rises' : 'falls'
    expect(found).toBe(way)
    expect(first?.isGuess).toBe(true)
    expect(values(second, 'track.hold')).toEqual([...(values(first, 'track.hold') ?? [])].reverse())
    expect(second?.because).toEqual(['the same, running the other way'])
  })

  it('never make an area up from its place in a list', () => {
    const [first] = readings('AF area: Single point | Pear | Zone | Whole area')
    expect(first?.means.map(m => (m['area.pattern'] as { pattern?: string } | undefined)?.pattern)).toEqual([
      'point',
      undefined,
      'zone',
      'full',
    ])
  })

  it('take a grid of points at its share of what the body covers, and following with it', () => {
    const [first] = readings('Focus area: Spot S | 3x3 | Wide | Tracking: Spot S | Tracking: Wide')
    const areas = first?.means.map(m => m['area.pattern'] as { pattern: string; width: number; follow?: string })
    const { coverage } = bodyFromArchetype('mirrorless', { id: 'x', maker: 'x', model: 'x' })
    expect(areas?.map(a => a.pattern)).toEqual(['pinpoint', 'block', 'full', 'pinpoint', 'full'])
    expect(areas?.[1]?.width).toBeCloseTo((3 / coverage.columns) * coverage.width, 3)
    expect(areas?.map(a => a.follow)).toEqual([undefined, undefined, undefined, 'from-start-point', 'from-start-point'])
  })

  it('tell what is not about focus from what nothing in the vocabulary says, and always offer both', () => {
    expect(readings('White balance: Auto | Shade')[0]).toMatchObject({ dimensions: [], about: 'elsewhere' })
    expect(readings('Focus bracketing: On | Off')[0]).toMatchObject({ dimensions: [], about: 'unnamed' })
    const about = readings('Focus tone: On | Off').map(r => r.about)
    expect(about).toContain('elsewhere')
    expect(about).toContain('unnamed')
  })

  it.each(['Plum: Pear | Quince', 'Eye: On | Off', 'AF: 1 | 2 | 3', 'Mode 7: A | B'])(
    'are unsure where nothing tells: “%s”',
    menu => {
      expect(readings(menu)[0]?.certainty).toBe('unsure')
    },
  )

  it('tell a lock that is held from one that stays, by what stands beside it', () => {
    const press = (menu: string) =>
      values(readings(menu)[0], 'meter.lock')?.map(v => (v as { press?: string } | undefined)?.press)
    expect(press('Fn1: AF-ON | AEL hold | AEL toggle | Off')).toEqual([undefined, 'held', 'toggled', undefined])
    expect(press('Fn1: AF-ON | AE lock | AE lock (hold) | Off')).toEqual([undefined, 'held', 'toggled', undefined])
  })

  it('keep rows about filming apart from the others', () => {
    expect(readings('Movie AF speed: 1 slow | 7 fast')[0]?.dimensions).toEqual(['video.transition'])
    expect(readings('AF sensitivity (film): 1 locked | 5 responsive')[0]?.dimensions).toEqual(['video.shift'])
    expect(readings('Depth scale: Pixel basis | Film format basis')[0]?.dimensions).toEqual(['see.depth'])
  })

  it('give a key its control, new where the body has none of that name', () => {
    const menu = 'Rear key: AF start | AF stop | Exposure hold | Exposure hold, toggled | Nothing'
    const work = readings(menu).find(r => r.dimensions.includes('trigger.start'))
    expect(work?.control).toMatchObject({ id: 'rear-key', label: 'Rear key' })
    expect(values(work, 'trigger.start')?.[0]).toEqual({ control: 'rear-key', press: 'held' })
    expect(values(work, 'meter.lock')?.[3]).toEqual({ control: 'rear-key', press: 'toggled' })
    const known = readings('Thumb stick: AF start | AF stop').find(r => r.dimensions.includes('trigger.start'))
    expect(known?.control).toBeUndefined()
    expect(values(known, 'trigger.start')?.[0]).toMatchObject({ control: 'thumb-stick' })
  })
})

describe('one priority for continuous AF', () => {
  const ofSecond = (menu: string) => {
    const body = pasted(menu)
    const setting = body.settings.find(s => s.label.startsWith('AF-C'))
    return setting && proposeFor(body, setting, NOTHING_KNOWN)[0]
  }
  it('speaks of the first frame too, unless that has a row of its own', () => {
    expect(ofSecond('A\n  B\n    AF-C priority: Release | Focus')?.means).toEqual([
      { 'release.first': 'release', 'release.next': 'release' },
      { 'release.first': 'focus', 'release.next': 'focus' },
    ])
    const apart = 'A\n  B\n    First image priority: Release | Focus\n    AF-C priority: Release | Focus'
    expect(ofSecond(apart)?.means).toEqual([{ 'release.next': 'release' }, { 'release.next': 'focus' }])
  })
})

describe('proposals from what others are known to mean', () => {
  const menu = 'Nerve: Nerve −1 | Nerve 0 | Nerve +1'

  it('let the maker’s own words decide between two makers', () => {
    const bransk = readings(menu, DEMO, 'Bransk')[0]
    expect(bransk?.dimensions).toEqual(['track.switch'])
    expect(bransk?.because[0]).toMatch(/you read it so on Bransk/)
    expect(readings(menu, DEMO, 'Aurelle')[0]?.dimensions).toEqual(['track.response'])
  })

  it('borrow the figures of the other list, in between where the steps differ', () => {
    const [first] = readings(
      'Grip: Grip 1 of 3 | Grip 2 of 3 | Grip 3 of 3',
      knowledgeOf(demoBodies().filter(b => b.id === 'sorrel')),
      'Aurelle',
    )
    expect(values(first, 'track.hold')).toEqual([0.2, 0.9, 4.5])
  })

  it('count what was decided on one body of a maker on its next, and say so', () => {
    const own = pasted('Plum: Pear | Quince', 'Nobody')
    const decided: Body = {
      ...own,
      model: 'First',
      settings: own.settings.map(({ undecided: _, ...s }) => ({
        ...s,
        options: s.options.map((o, i) => ({ ...o, means: { 'see.lamp': i === 0 } })),
      })),
    }
    const [first] = readings('Plum: Quince | Pear', knowledgeOf([decided]), 'Nobody')
    expect(first).toMatchObject({ dimensions: ['see.lamp'], certainty: 'sure' })
    expect(values(first, 'see.lamp')).toEqual([false, true])
    expect(first?.because[0]).toBe('you read it so on Nobody First')
    expect(readings('Plum: Quince | Pear', knowledgeOf([decided]), 'Another')[0]?.certainty).not.toBe('sure')
  })
})

describe('accepting', () => {
  it('is one step: the setting is decided, the control is there, nothing else changes', () => {
    const body = pasted('Side key: AF start | Nothing\nTone: On | Off')
    const [reading] = proposeFor(body, body.settings[0] as Body['settings'][number], NOTHING_KNOWN)
    if (!reading) throw new Error('nothing was proposed')
    const after = acceptReading(body, 'side-key', reading)
    expect(after.controls.map(c => c.label)).toContain('Side key')
    expect(after.settings.map(s => s.undecided)).toEqual([undefined, true])
    expect(after.settings[1]).toBe(body.settings[1])
    expect(parseBody(JSON.parse(JSON.stringify(after)), 'new')).toMatchObject({ ok: true })
  })

  it('of whatever is proposed first never makes a profile that cannot be read', () => {
    for (const body of demoBodies()) {
      let typed: Body = {
        ...body,
        id: 'typed',
        rules: [],
        updates: [],
        settings: body.settings.map(s => ({
          ...s,
          undecided: true as const,
          options: s.options.map(o => ({ ...o, means: {} })),
        })),
      }
      for (const [id, [first]] of proposeAll(typed, DEMO)) if (first) typed = acceptReading(typed, id, first)
      const parsed = parseBody(JSON.parse(JSON.stringify(typed)), body.model)
      expect(parsed.ok ? [] : parsed.problems, body.model).toEqual([])
    }
  })
})

it('knows a maker’s own words from its other bodies: each body of the demo left out in turn', () => {
  const shares = leaveOneOut(demoBodies(), false)
  const first = shares.reduce((sum, s) => sum + s.first * s.options, 0) / shares.reduce((sum, s) => sum + s.options, 0)
  expect(first).toBeGreaterThan(0.88)
})

it('says of a row that names one focus drive that it counts for that drive alone', () => {
  expect(readings('AF area in AF-S: One point | Zone | All')[0]).toMatchObject({ counts: 'single-af' })
  expect(readings('AF area (AF-C): One point | Zone | All')[0]).toMatchObject({ counts: 'continuous-af' })
  expect(readings('AF area in AF-S and AF-C: One point | Zone | All')[0]?.counts).toBeUndefined()
  // What is about one drive by its nature says nothing by naming it.
  expect(readings('Priority in AF-C: Release | Focus')[0]?.counts).toBeUndefined()
})

it('says where a row counts that speaks of live view or of film, and keeps it when it is accepted', () => {
  const body = pasted(
    'LV\n  Live view\n    AF method: Single point | Zone | Whole\nFilm\n  Movie\n    Peaking level: Off | Low | High',
  )
  const optical: Body = { ...body, viewfinder: 'optical' }
  const [method, peaking] = optical.settings.map(s => proposeFor(optical, s, NOTHING_KNOWN)[0])
  expect(method).toMatchObject({ dimensions: ['area.pattern'], counts: 'live-view' })
  expect(peaking).toMatchObject({ dimensions: ['see.peaking'], counts: 'film' })
  if (!method) throw new Error('nothing was proposed')
  expect(acceptReading(optical, 'af-method', method).settings[0]?.counts).toBe('live-view')
  expect(readings('AF area: Single point | Zone | Whole')[0]?.counts).toBeUndefined()
})

it('reads as much of a menu as one answer may cost, and the rest once that is decided', () => {
  const many = Array.from({ length: 20 }, (_, i) => `o${i}`)
  const body: Body = withMenuRows(
    bodyFromArchetype('mirrorless', { id: 'x', maker: 'Nobody', model: 'Wide' }),
    Array.from({ length: 300 }, (_, i) => ({
      tab: 'T',
      page: 'P',
      label: `Row ${i}`,
      options: many,
      preset: 0,
      place: '',
    })),
  )
  const first = proposeAll(body, NOTHING_KNOWN)
  expect(first.size).toBe(MOST_READ / many.length)
  const rest = proposeAll(
    { ...body, settings: body.settings.map(s => (first.has(s.id) ? decided(s) : s)) },
    NOTHING_KNOWN,
  )
  expect(rest.size).toBe(300 - first.size)
})
