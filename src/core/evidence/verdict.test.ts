import { describe, expect, it } from 'vitest'
import { random } from '../../../test/fixtures/random'
import { problemWords } from '../reading/problem'
import { sentencesOf } from './sentence'
import { blocksOf, type Count, minutesOf, parseTrial, passesOfEach, type Trial, TRIAL_FORMAT } from './trial'
import { verdictOf } from './verdict'

const PLAN: Trial = {
  format: TRIAL_FORMAT,
  name: 'Two areas',
  ways: [
    { id: 'a', name: 'Small' },
    { id: 'b', name: 'Large' },
  ],
  situations: [{ id: 's', name: 'Hands in front' }],
  expected: 0.8,
  matters: 0.1,
  passes: 50,
  rounds: 2,
  secondsAPass: 6,
  seed: 3,
  counts: [],
  notes: [],
}

const T0 = Date.parse('2026-11-01T10:00:00.000Z')

/** Passes of every block, judged by a rule. */
const counted = (
  plan: Trial,
  judge: (way: string, pass: number, block: number) => Count['judgement'],
  counter = 'One',
): readonly Count[] =>
  blocksOf(plan).flatMap(({ way }, block) =>
    Array.from({ length: plan.passes }, (_, pass) => ({
      id: `${counter}-${block}-${pass}`,
      block,
      counter,
      judgement: judge(way.id, pass, block),
      made: new Date(T0 + (block * plan.passes + pass) * 1000).toISOString(),
    })),
  )

const said = (trial: Trial): string => sentencesOf(trial, verdictOf(trial)).join(' ')
const kinds = (trial: Trial): readonly string[] => verdictOf(trial).remarks.map(r => r.kind)

describe('a trial says', () => {
  it('which way kept more, by how much, and whether that matters', () => {
    const trial = {
      ...PLAN,
      counts: [...counted(PLAN, (way, pass) => (pass % 50 < (way === 'a' ? 42 : 35) ? 'sharp' : 'soft'))],
    }
    expect(said(trial)).toBe(
      'Small kept more than Large: 84 of 100 against 70 of 100, between 2 and 25 more; enough to change the standard for this.',
    )
    expect(verdictOf(trial).comparisons[0]).toMatchObject({ a: 'a', b: 'b', isTold: true })
  })

  it('that nothing can be said yet where little was counted, and that nothing was where nothing was', () => {
    const few = counted(PLAN, (way, pass) => (way === 'a' || pass % 2 === 0 ? 'sharp' : 'soft')).filter(
      c => Number(c.id.split('-')[2]) < 3,
    )
    expect(said({ ...PLAN, counts: [...few] })).toMatch(
      /^Between Small and Large nothing can be said yet: 100 of 100 against 67 of 100/,
    )
    expect(kinds({ ...PLAN, counts: [...few] })).toContain('unfinished')
    expect(said(PLAN)).toBe('Nothing has been counted yet.')
    expect(kinds(PLAN)).toEqual(['nothing'])
  })

  it('that two ways keep alike where many passes say so', () => {
    const many = { ...PLAN, passes: 400 }
    expect(said({ ...many, counts: [...counted(many, (_, pass) => (pass % 10 < 9 ? 'sharp' : 'missed'))] })).toMatch(
      /^Small and Large keep alike, as far as it matters: 90 of 100 against 90 of 100, at most \d+ apart\.$/,
    )
  })

  it('a difference that is not there about once in twenty trials, and no more for looking at six ways', () => {
    const ways = ['a', 'b', 'c', 'd', 'e', 'f'].map(id => ({ id, name: id }))
    const six = { ...PLAN, ways, passes: 20 }
    const chance = random(77)
    const wrong = (plan: Trial, times: number) =>
      Array.from({ length: times }, () =>
        verdictOf({ ...plan, counts: [...counted(plan, () => (chance.chance(0.8) ? 'sharp' : 'soft'))] }),
      ).filter(v => v.comparisons.some(c => c.isTold)).length / times
    expect(wrong({ ...PLAN, passes: 20 }, 200)).toBeLessThan(0.08)
    expect(wrong(six, 60)).toBeLessThan(0.1)
  })

  it('more where the same passes were shot both ways: what both missed says nothing about either', () => {
    // 40 of 50 kept with both, 8 with the first alone, 1 with the second alone, 1 with none, in each of two rounds.
    const judge = (way: string, pass: number) =>
      (pass < 40 || (way === 'a' ? pass < 48 : pass === 48) ? 'sharp' : 'soft') as Count['judgement']
    const counts = [...counted(PLAN, judge)]
    const [apart, paired] = [verdictOf({ ...PLAN, counts }), verdictOf({ ...PLAN, counts, isPaired: true })]
    const width = (v: typeof apart) =>
      (v.comparisons[0]?.difference.high ?? 0) - (v.comparisons[0]?.difference.low ?? 0)
    expect(width(paired)).toBeLessThan(width(apart))
    // McNemar's exact test of 16 against 2: 2 * (1 + 18 + 153) / 2^18.
    expect(paired.comparisons[0]?.p).toBeCloseTo((2 * 172) / 2 ** 18, 9)
  })
})

describe('before it is believed, it says', () => {
  it('that two who counted the same passes agree, and uses one of them', () => {
    const judge = (way: string, pass: number) =>
      (pass % (way === 'a' ? 9 : 3) === 0 ? 'soft' : 'sharp') as Count['judgement']
    const both = [...counted(PLAN, judge), ...counted(PLAN, judge, 'Two').slice(0, 120)]
    const verdict = verdictOf({ ...PLAN, counts: both })
    expect(verdict.remarks).toContainEqual({ kind: 'counters', first: 'One', second: 'Two', kappa: 1, passes: 120 })
    expect(verdict.ways.map(w => w.tally.share.of)).toEqual([100, 100])
  })

  it('that a block was broken off, and leaves it out', () => {
    const counts = [...counted(PLAN, () => 'sharp')]
    const trial = {
      ...PLAN,
      counts,
      notes: [
        { block: 0, isBroken: true as const },
        { block: 1, isOtherLight: true as const },
      ],
    }
    expect(verdictOf(trial).ways.reduce((n, w) => n + w.tally.share.of, 0)).toBe(150)
    expect(kinds(trial)).toEqual(['unfinished', 'unbalanced', 'broken', 'light', 'all-kept'])
  })

  it('nothing of an order where the second situation is only the harder one, and what is so within each', () => {
    const two = { ...PLAN, situations: [...PLAN.situations, { id: 't', name: 'Riders across' }] }
    const blocks = blocksOf(two)
    const harder = (_: string, pass: number, block: number): Count['judgement'] =>
      pass % 10 < (blocks[block]?.situation.id === 's' ? 9 : 4) ? 'sharp' : 'soft'
    expect(kinds({ ...two, counts: [...counted(two, harder)] })).toEqual([])
    const tiring = (way: string, pass: number, block: number): Count['judgement'] =>
      pass % 10 < (blocks[block]?.round === 0 ? 9 : 5) ? harder(way, pass, block) : 'missed'
    expect(kinds({ ...two, counts: [...counted(two, tiring)] })).toContain('order')
  })

  it('where one way had more of the harder situation, that within each it kept more all the same', () => {
    const two = { ...PLAN, passes: 100, situations: [...PLAN.situations, { id: 't', name: 'Riders across' }] }
    const blocks = blocksOf(two)
    const all = counted(two, (way, pass, block) =>
      pass % 10 < (blocks[block]?.situation.id === 's' ? (way === 'a' ? 10 : 8) : way === 'a' ? 5 : 2)
        ? 'sharp'
        : 'soft',
    )
    // Of the first way a tenth of the easy passes, of the second a tenth of the hard ones.
    const some = all.filter(c => {
      const block = blocks[c.block]
      return (block?.way.id === 'a') === (block?.situation.id === 't') || Number(c.id.split('-')[2]) < 10
    })
    expect(said({ ...two, counts: [...some] })).toMatch(
      /^Small kept more than Large: 55 of 100 against 75 of 100 in all, but more within each situation, between/,
    )
  })

  it('that one way was shot more often, and that first blocks went otherwise than later ones', () => {
    const all = counted(PLAN, (_, __, block) => (block < 2 ? 'soft' : 'sharp'))
    expect(kinds({ ...PLAN, counts: [...all] })).toEqual(['order', 'order'])
    const blocks = blocksOf(PLAN)
    const lopsided = all.filter(c => blocks[c.block]?.way.id === 'a' || Number(c.id.split('-')[2]) < 10)
    expect(kinds({ ...PLAN, counts: [...lopsided] })).toContain('unbalanced')
  })
})

describe('a plan', () => {
  it('takes its passes and its changes of setting', () => {
    expect(passesOfEach(PLAN)).toBe(100)
    // Four blocks of 50 passes of 6 s, and a minute for each change.
    expect(minutesOf(PLAN)).toBe(4 * 6)
    expect(minutesOf({ ...PLAN, isPaired: true })).toBe(2 * 6)
  })

  it('that cannot be shot is refused where it is wrong', () => {
    const wrong = (value: object) => {
      const parsed = parseTrial({ ...PLAN, ...value }, 'trial.json')
      return parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')
    }
    expect(wrong({})).toBe('')
    expect(wrong({ ways: PLAN.ways.slice(0, 1) })).toContain('expected two to six ways')
    expect(wrong({ ways: [PLAN.ways[0], PLAN.ways[0]] })).toContain('two ways have the same id')
    expect(wrong({ notes: [{ block: 4, isBroken: true }] })).toContain('a block that the plan does not have')
    expect(wrong({ matters: 0 })).not.toBe('')
  })
})
