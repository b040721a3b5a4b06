import { describe, expect, it } from 'vitest'
import { demoBodies, demoStandards } from '../../demo/world'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { type Body, setCounts, type Rule } from '../bodies'
import { type Standard, type Target } from '../standards'
import { spreadOf } from './fleet'
import { cellWords, conflictWords, explain, whyLostWords, resolve, summarise, whyWords } from './index'

const body = (id: string) => demoBodies().find(b => b.id === id) as Body
const ring = demoStandards().find(s => s.id === 'ring-action') as Standard

const standardOf = (...targets: Omit<Target, 'reason'>[]): Standard => ({
  ...ring,
  layers: [{ id: 'one', name: 'One', targets: targets.map(t => ({ ...t, reason: 'Because.' })) }],
})

const outcome = (b: Body, standard: Standard, dimension: string, firmware?: string) => {
  const found = resolve(b, standard, { firmware }).outcomes.find(o => o.target.dimension === dimension)
  if (!found) throw new Error(`no outcome for ${dimension}`)
  return found
}

describe('the traps of the demo bodies', () => {
  it('keeps detection on Linnet although a figure of its own would hold better', () => {
    const { outcome: held, alternatives } = explain(body('linnet'), ring, 'track.hold')
    expect(cellWords(body('linnet'), held).main).toBe('Temper 4')
    expect(held.grade).toBe('near')
    const better = alternatives.find(a => a.setting === 'own-wait' && a.option === '1-2-s')
    expect(better?.distance).toBe(0)
    const words = better ? whyLostWords(better.lost) : ''
    expect(words).toContain('The three figures of your own work only at Temper own.')
    expect(words).toContain('looks for would go from same to different')
    expect(whyWords(body('linnet'), held)).toContain('also sets response to speed, switching point')
  })

  it('names the rule that stops the spot from following while detection is on', () => {
    const { outcome: off, alternatives } = explain(body('sorrel'), ring, 'meter.follows')
    expect(off.grade).toBe('different')
    const [nearest] = alternatives
    expect(nearest && whyLostWords(nearest.lost)).toContain('While Seek is on, the spot no longer rides the patch.')
  })

  it('reads a scale that runs the other way', () => {
    const forTollgate = outcome(body('tollgate'), ring, 'track.response')
    expect(cellWords(body('tollgate'), forTollgate).main).toBe('Stagger −1')
    expect(forTollgate.distance).toBe(0)
  })

  it('says what a body lacks and why', () => {
    expect(outcome(body('wicket'), ring, 'track.hold').missing).toEqual({ why: 'no-setting' })
    expect(outcome(body('tollgate'), ring, 'subject.class').missing?.why).toBe('blocked')
    expect(cellWords(body('wicket'), outcome(body('wicket'), ring, 'trigger.prefocus')).main).toBe('always so')
    expect(cellWords(body('tollgate'), outcome(body('tollgate'), ring, 'trigger.prefocus')).sub).toBe('counts as no')
  })

  it('follows by a mode where following is no setting of its own', () => {
    const follow = standardOf({ dimension: 'area.follow', value: 'from-start-point', weight: 'must' })
    expect(cellWords(body('pebble'), outcome(body('pebble'), follow, 'area.follow')).main).toBe('Move + Chase')
  })

  it('tells which firmware brings a missing ability', () => {
    const known = standardOf({ dimension: 'subject.registered', value: true, weight: 'should' })
    expect(outcome(body('sorrel'), known, 'subject.registered', '2.4').missing).toEqual({
      why: 'needs-firmware',
      version: '2.10',
    })
    expect(outcome(body('sorrel'), known, 'subject.registered', '2.10').grade).toBe('same')
    const { alternatives } = explain(body('sorrel'), known, 'subject.registered', { firmware: '2.9' })
    expect(alternatives.map(a => whyLostWords(a.lost))).toContain('Needs firmware 2.10.')
  })
})

describe('conflicts', () => {
  it('says so when no option meets a must', () => {
    const [conflict] = resolve(body('wicket'), ring).conflicts
    expect(conflict).toEqual({ must: 'track.hold', against: [], rules: [], smallest: true })
    expect(conflict && conflictWords(conflict)).toBe('No option of this body meets the must “Hold when blocked”.')
  })

  it('finds the smallest set of musts and rules that cannot hold together', () => {
    const torn = standardOf(
      { dimension: 'subject.class', value: 'people', weight: 'must', tolerance: 0 },
      { dimension: 'meter.pattern', value: 'spot', weight: 'must', tolerance: 0 },
      { dimension: 'see.tone', value: false, weight: 'must' },
    )
    const { conflicts, mustsHeld, musts } = resolve(body('linnet'), torn, { firmware: '1.4' })
    expect([mustsHeld, musts]).toEqual([2, 3])
    expect(conflicts).toHaveLength(1)
    const [conflict] = conflicts
    expect([conflict?.must, ...(conflict?.against ?? [])].sort()).toEqual(['meter.pattern', 'subject.class'])
    expect(conflict?.rules.map(r => r.id)).toEqual(['kin-no-star'])
    expect(conflict && conflictWords(conflict)).toContain('“While Kin is on, One star cannot be chosen.”')
  })

  it('never drops a must silently: every broken one has a conflict', () => {
    for (const b of demoBodies())
      for (const s of demoStandards()) {
        const { conflicts, outcomes } = resolve(b, s)
        const broken = outcomes.filter(o => o.target.weight === 'must' && !o.held).map(o => o.target.dimension)
        expect(conflicts.map(c => c.must).sort()).toEqual([...broken].sort())
      }
  })
})

describe('ties', () => {
  const threeWays: Body = {
    ...body('wicket'),
    rules: [] as Rule[],
    settings: [
      {
        id: 'only',
        label: 'Only',
        at: { tab: 'page-1', page: 1, row: 1 },
        default: 'b',
        options: ['a', 'b', 'c'].map(id => ({ id, label: id.toUpperCase(), means: { 'see.review': false } })),
      },
    ],
  }
  const wanted = standardOf({ dimension: 'see.review', value: false, weight: 'should' })

  it('keeps what the body is known to be set to, else its default, else the first in the menu', () => {
    expect(resolve(threeWays, wanted, { known: { only: 'c' } }).state).toEqual({ only: 'c' })
    expect(resolve(threeWays, wanted, { known: {} }).state).toEqual({ only: 'b' })
    const withoutDefault = {
      ...threeWays,
      settings: threeWays.settings.map(s => ({
        ...s,
        options: s.options.map(o => (o.id === 'b' ? { ...o, means: { 'see.review': true } } : o)),
      })),
    }
    expect(resolve(withoutDefault, wanted).state).toEqual({ only: 'a' })
  })
})

describe('a fleet', () => {
  const resolutions = demoBodies().map(b => resolve(b, ring))
  const summary = summarise(resolutions)

  it('has the mean agreement of its bodies and counts musts held on every one', () => {
    const mean = resolutions.reduce((sum, r) => sum + r.agreement, 0) / resolutions.length
    expect(summary.agreement).toBeCloseTo(mean, 12)
    expect([summary.mustsHeldEverywhere, summary.musts]).toEqual([9, 10])
    expect(summary.brokenMusts).toEqual([{ dimension: 'track.hold', bodies: ['lychgate', 'wicket'] }])
  })

  it('names the body that holds the others back, by leaving each one out', () => {
    const [first] = summary.withoutEach
    expect(first?.body).toBe('wicket')
    const others = summarise(resolutions.filter(r => r.body !== 'wicket'))
    expect(first?.agreementOfOthers).toBeCloseTo(others.agreement, 12)
  })

  it('measures spread between the bodies that differ most, and leaves out those without the behaviour', () => {
    const hold = summary.spreads.find(s => s.dimension === 'track.hold')
    expect(hold?.values.map(Number).sort()).toEqual([0.95, 1.4])
    expect(hold?.largest).toBeCloseTo(Math.log(1.4 / 0.95) / Math.log(4), 9)
  })

  it('is as wide on average as its pairs are, those that are alike counted as well', () => {
    const values = [0.5, 0.5, 0.5, 1, 1, 2]
    const spread = spreadOf(
      'track.hold',
      values.map((value, i) => ({ body: `b${i}`, value })),
    )
    // Two bodies of which one holds four times as long differ fully: a doubling is half of that.
    const pairs = values.flatMap((a, i) => values.slice(i + 1).map(b => Math.abs(Math.log(a / b)) / Math.log(4)))
    expect(spread?.mean).toBeCloseTo(pairs.reduce((n, p) => n + p, 0) / pairs.length, 9)
    expect(spread?.largest).toBeCloseTo(1, 9)
    expect(spread?.between).toEqual(['b0', 'b5'])
  })

  it('has no spread with itself', () => {
    const alone = summarise(resolutions.slice(0, 1))
    expect(alone.spreads).toEqual([])
  })
})

describe('what else would do', () => {
  const rules = [rule('loud', { row: 'better' }, { effect: 'forced', setting: 'tone', option: 'on' })]
  const loud = tinyBody(
    {
      row: [
        ['worse', { 'track.hold': 4 }],
        ['better', { 'track.hold': 1 }],
      ],
      tone: [
        ['off', { 'see.tone': false }],
        ['on', { 'see.tone': true }],
      ],
    },
    { rules },
  )
  const cost = (tone: Omit<Target, 'reason'>, body = loud) => {
    const standard = tinyStandard({ dimension: 'track.hold', value: 1, weight: 'nice' }, tone)
    const { outcome: got, alternatives } = explain(body, standard, 'track.hold')
    return { got, lost: alternatives.find(a => a.option === 'better')?.lost }
  }

  it('breaks a must only where that was held and would not be', () => {
    const must = cost({ dimension: 'see.tone', value: false, weight: 'must' })
    expect(must.lost).toMatchObject({ why: 'costs-elsewhere', worse: [{ dimension: 'see.tone', breaksMust: true }] })
    expect(must.lost && whyLostWords(must.lost)).toMatch(/would go from same to different/)
    const should = cost({ dimension: 'see.tone', value: false, weight: 'should' })
    expect(should.lost).toMatchObject({ why: 'costs-elsewhere', worse: [{ breaksMust: false }] })
  })

  it('says of what was chosen whether it is exact, near enough, or the least that had to be paid', () => {
    const least = cost({ dimension: 'see.tone', value: false, weight: 'must' })
    expect(whyWords(loud, least.got)).toContain('costs least over all targets')
    const exact = cost({ dimension: 'see.tone', value: true, weight: 'must' })
    expect(whyWords(loud, exact.got)).toContain('exactly what is wanted')
    const near = tinyBody({ row: [['about', { 'track.hold': 1.01 }]] })
    expect(whyWords(near, cost({ dimension: 'see.tone', value: true, weight: 'nice' }, near).got)).toContain(
      'too small to notice',
    )
    const greyed = outcome(body('tollgate'), ring, 'subject.class')
    expect(whyWords(body('tollgate'), greyed)).toMatch(/greyed out\. \S.*\./)
  })
})

it('asks a row for live view, or for film, only for what it counts for', () => {
  const two = tinyBody({
    finder: [
      ['point', { 'track.hold': 1 }],
      ['long', { 'track.hold': 4 }],
    ],
    live: [['zone', { 'track.hold': 0.2 }]],
    film: [['quick', { 'track.hold': 0.2, 'video.shift': 1 }]],
  })
  const counting = (counts: Readonly<Record<string, 'live-view' | 'film'>>): Body => ({
    ...two,
    settings: two.settings.map(s => (counts[s.id] ? { ...s, counts: counts[s.id] } : s)),
  })
  const standard = tinyStandard(
    { dimension: 'track.hold', value: 4, weight: 'must' },
    { dimension: 'video.shift', value: 1, weight: 'should' },
  )
  const grades = (body: Body) => resolve(body, standard).outcomes.map(o => o.grade)
  // Nobody can tell which of three prevails, until it is said where they count.
  expect(grades(two)).toEqual(['different', 'same'])
  const apart = counting({ live: 'live-view', film: 'film' })
  expect(grades(apart)).toEqual(['same', 'same'])
  expect(explain(apart, standard, 'track.hold').alternatives.map(a => a.setting)).toEqual(['finder'])
  expect(grades({ ...apart, viewfinder: 'screen-only' })).toEqual(['different', 'same'])
})

describe('a row or an option for one focus drive alone', () => {
  const body: Body = {
    ...tinyBody({
      drive: [
        ['single', { 'mode.drive': 'single' }],
        ['continuous', { 'mode.drive': 'continuous' }],
      ],
      'hold-single': [['short', { 'track.hold': 0.2 }]],
      'hold-continuous': [
        ['short', { 'track.hold': 0.2 }],
        ['long', { 'track.hold': 4 }],
      ],
    }),
  }
  const counting: Body = {
    ...body,
    settings: body.settings.map(s =>
      s.id === 'hold-single'
        ? { ...s, counts: 'single-af' }
        : s.id === 'hold-continuous'
          ? { ...s, counts: 'continuous-af' }
          : s,
    ),
  }
  const wanting = (drive: 'single' | 'continuous', hold: number) =>
    tinyStandard(
      { dimension: 'mode.drive', value: drive, weight: 'must' },
      { dimension: 'track.hold', value: hold, weight: 'must' },
    )
  const grade = (of: Body, drive: 'single' | 'continuous', hold: number) =>
    resolve(of, wanting(drive, hold)).outcomes.find(o => o.target.dimension === 'track.hold')?.grade

  it('is asked only where that drive is wanted', () => {
    // Of two rows about one thing nobody can tell which prevails.
    expect(grade(body, 'continuous', 4)).toBe('different')
    expect(grade(counting, 'continuous', 4)).toBe('same')
    expect(grade(counting, 'single', 0.2)).toBe('same')
    expect(grade(counting, 'single', 4)).toBe('different')
    const { alternatives } = explain(counting, wanting('continuous', 4), 'track.hold')
    expect(alternatives.map(a => `${a.setting} ${a.option}`)).toEqual(['hold-continuous short'])
  })

  it('an option says it for itself, before its row', () => {
    const only = setCounts(counting, 'hold-continuous', 'long', 'film')
    expect(grade(only, 'continuous', 4)).toBe('different')
    expect(grade(setCounts(only, 'hold-continuous', 'long', undefined), 'continuous', 4)).toBe('same')
  })
})
