import { describe, expect, it } from 'vitest'
import { leaveOneOut } from '../../../test/fixtures/leave-one-out'
import { demoBodies } from '../../demo/world'
import { type Body, bodyFromArchetype, parseBody, withMenuRows } from '../bodies'
import { parseMenuText } from '../bodies/menu-text'
import { acceptReading, knowledgeOf, proposeAll, proposeFor, type Reading } from './propose'

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
    ['Eye preferred: Nearest | Left | Right', 'subject.eye', ['nearest', 'left', 'right']],
    ['Peaking: Off | Low | Middle | High', 'see.peaking', ['off', 'low', 'mid', 'high']],
    ['Metering: Whole frame | Centre | Spot', 'meter.pattern', ['matrix', 'centre', 'spot']],
    ['Exposure correction: −1 | −0.7 | −0.3 | 0 | +0.3 | +0.7 | +1', 'meter.bias', [-1, -0.7, -0.3, 0, 0.3, 0.7, 1]],
    ['Frames per second: 3 fps | 8 fps | 12 fps', 'release.rate', [3, 8, 12]],
    ['Hold when blocked: 0.2 s | 0.6 s | 1.2 s | 2.4 s', 'track.hold', [0.2, 0.6, 1.2, 2.4]],
  ])('read “%s”', (menu, id, wanted) => {
    const [first] = readings(menu)
    expect(first?.dimensions).toEqual([id])
    expect(values(first, id)).toEqual(wanted)
    expect(first?.because.join()).toMatch(/in its name|words of its options/)
  })

  it('offer a scale both ways round, since its words seldom tell which end is which', () => {
    const [first, second] = readings('Lock on when blocked: 1 | 2 | 3 | 4 | 5')
    expect([first?.dimensions, second?.dimensions]).toEqual([['track.hold'], ['track.hold']])
    expect(values(second, 'track.hold')).toEqual([...(values(first, 'track.hold') ?? [])].reverse())
    expect(second?.because).toEqual(['the same, running the other way'])
  })

  it('always offer that it has nothing to do with focus, first for what has not', () => {
    expect(readings('Battery saver: On | Off')[0]?.dimensions).toEqual([])
    expect(readings('Focus tone: On | Off').some(r => r.dimensions.length === 0)).toBe(true)
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

describe('proposals from what others are known to mean', () => {
  const menu = 'Nerve: Nerve −1 | Nerve 0 | Nerve +1'

  it('let the maker’s own words decide between two makers', () => {
    const bransk = readings(menu, DEMO, 'Bransk')[0]
    expect(bransk?.dimensions).toEqual(['track.switch'])
    expect(bransk?.because[0]).toMatch(/called the same on Bransk/)
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

  it('learn from the neighbours in the menu', () => {
    const body = pasted('T\n  P\n    Looks for: Off | People | Birds\n    Depth of it: First | Second | Third | Fourth')
    const [looks, depth] = body.settings
    if (!looks || !depth) throw new Error('two settings were pasted')
    const [reading] = proposeFor(body, looks, DEMO)
    const decided = reading ? acceptReading(body, looks.id, reading) : body
    const why = proposeFor(decided, depth, DEMO).flatMap(r => r.because)
    expect(why.join()).toMatch(/comes after looks for/)
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
        settings: body.settings.map(s => ({ ...s, undecided: true as const })),
      }
      for (const [id, [first]] of proposeAll(typed, DEMO)) if (first) typed = acceptReading(typed, id, first)
      const parsed = parseBody(JSON.parse(JSON.stringify(typed)), body.model)
      expect(parsed.ok ? [] : parsed.problems, body.model).toEqual([])
    }
  })
})

it('is right often enough to be worth a key: each body of the demo left out in turn', () => {
  const share = (shares: ReturnType<typeof leaveOneOut>, of: 'first' | 'firstThree') =>
    shares.reduce((sum, s) => sum + s[of] * s.options, 0) / shares.reduce((sum, s) => sum + s.options, 0)
  const [kin, alone] = [leaveOneOut(demoBodies(), false), leaveOneOut(demoBodies(), true)]
  // eslint-disable-next-line no-console -- a figure that people look at
  console.info(
    `proposals: right meaning first ${(100 * share(kin, 'first')).toFixed(0)} %, among three ${(100 * share(kin, 'firstThree')).toFixed(0)} %; without any body of the maker ${(100 * share(alone, 'first')).toFixed(0)} % and ${(100 * share(alone, 'firstThree')).toFixed(0)} %`,
  )
  expect(share(kin, 'first')).toBeGreaterThan(0.85)
  expect(share(alone, 'first')).toBeGreaterThan(0.6)
  expect(share(alone, 'firstThree')).toBeGreaterThan(0.7)
})
