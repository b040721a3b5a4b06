import { describe, expect, it } from 'vitest'
import { digestOfOptions, optionsLearnedWithout } from '../../../test/fixtures/known-options'
import { digestOfRows, knownRows, learnedWithout, tradeLabels } from '../../../test/fixtures/known-rows'
import { AT_LARGE, bodyOf, scoreOf, scoreText, summed, tradeMenus } from '../../../test/fixtures/trade-menus'
import labels from '../phrasebook/trade-labels.json' with { type: 'json' }
import { featuresOf } from './features'
import { knowledgeOf } from './knowledge'
import { likeOptions } from './like-options'
import { learnRows, likeRows } from './like-rows'
import { proposeAll } from './propose'
import { LEARNED_FROM, TRADE_LIKENESS } from './trade-likeness'

const ON_OFF = ['On', 'Off']
const likeliest = (label: string, options: readonly string[] = ON_OFF, page = '') =>
  [...TRADE_LIKENESS.likeRows({ label, options, page })].sort(([, a], [, b]) => b - a)[0] ?? ['', 0]

describe('what rows of menus are about at large', () => {
  it('was learned from the rows that are known now (if not: npm run learn-rows)', () => {
    expect(LEARNED_FROM).toEqual([digestOfRows(), digestOfOptions()])
    expect(labels).toEqual(tradeLabels())
  })

  it('is a share for each, together one', () => {
    const shares = [...TRADE_LIKENESS.likeRows({ label: 'AF area', options: ['Zone', 'All'], page: 'Focus' }).values()]
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9)
    expect(Math.min(...shares)).toBeGreaterThanOrEqual(0)
  })

  it('is told from words that no known row has together', () => {
    const labels = new Set(knownRows().map(r => r.row.label.toLowerCase()))
    for (const [label, options, is] of [
      ['Auxiliary beam for focusing in darkness', ON_OFF, 'see.lamp'],
      ['Endurance when the subject is hidden', ['Short', 'Medium', 'Long'], 'track.hold'],
      ['Tint of the peaking outline', ['Red', 'Blue'], 'see.colour'],
      ['Numbering of picture files', ['Continuous', 'Reset'], '-'],
    ] as const) {
      expect(labels.has(label.toLowerCase())).toBe(false)
      expect(likeliest(label, options), label).toEqual([is, expect.toSatisfy((p: number) => p > 0.5)])
    }
  })

  it('is not told from words that nobody has seen', () => {
    expect(likeliest('Quince plum', ['Pear', 'Medlar', 'Sloe'])[1]).toBeLessThan(0.5)
  })

  it('does not depend on the order of options, on capitals or on hyphens', () => {
    const one = featuresOf({ label: 'Pre-focus', options: ON_OFF, page: 'AF' })
    const other = featuresOf({ label: 'PRE FOCUS', options: ['Off', 'On'], page: 'af' })
    expect([...one].sort()).toEqual([...other].sort())
  })
})

it('two classes with a word of their own each are learned by these words', () => {
  const row = (label: string) => ({ label, options: ON_OFF, page: '' })
  let seed = 7
  const next = () => (seed = (seed * 16807) % 2147483647) / 2147483647
  const like = likeRows(
    learnRows(
      [
        { row: row('Plum size'), is: 'plum' },
        { row: row('Pear size'), is: 'pear' },
      ],
      next,
    ),
  )
  expect(like(row('Plum')).get('plum')).toBeGreaterThan(0.8)
  expect(like(row('Pear')).get('pear')).toBeGreaterThan(0.8)
  expect(like(row('Size')).get('plum')).toBeCloseTo(0.5, 1)
})

it('what is read by likeness alone counts where its row says', () => {
  const reading = (page: string) => {
    const rows = [{ label: 'Peep when sharp', options: ON_OFF, page, dimension: '', truth: [] }]
    return [...proposeAll(bodyOf(rows), AT_LARGE).values()][0]?.find(r => r.dimensions.join() === 'see.tone')
  }
  expect(reading('Focus')?.because).toEqual(['rows worded like it are about this'])
  expect(reading('Focus')?.counts).toBeUndefined()
  expect(reading('Movie')?.counts).toBe('film')
})

it('a set of menus that was left out is read right first in 85 of 100 rows, among three in 95, hardly ever wrong', () => {
  const knowledge = knowledgeOf([], {
    likeRows: likeRows(learnedWithout(['twelfth'])),
    likeOptions: likeOptions(optionsLearnedWithout(['twelfth'])),
  })
  const all = summed(
    'twelfth',
    tradeMenus('twelfth').map(m => scoreOf(m.name, m.rows, knowledge)),
  )
  expect(all.right / all.settings, scoreText(all)).toBeGreaterThanOrEqual(0.85)
  expect(all.inThree / all.settings, scoreText(all)).toBeGreaterThanOrEqual(0.95)
  expect(all.wrongFirst / all.settings, scoreText(all)).toBeLessThanOrEqual(0.04)
  expect(all.sureRight / all.sure, scoreText(all)).toBeGreaterThanOrEqual(0.95)
})
