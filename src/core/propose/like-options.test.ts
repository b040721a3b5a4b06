import { describe, expect, it } from 'vitest'
import { knownOptions, optionsLearnedWithout } from '../../../test/fixtures/known-options'
import { AT_LARGE, bodyOf, scoreOf, summed, tradeMenus } from '../../../test/fixtures/trade-menus'
import { dimension, DIMENSIONS } from '../vocabulary/dimensions'
import { groupOf, learnOptions, likeliest, likeOptions } from './like-options'
import type { Meaning } from '../vocabulary/schema'
import { type Reading, readAs } from './propose'
import { readOptions } from './read-options'
import { TRADE_LIKENESS } from './trade-likeness'

const bodyWith = (label: string, ...options: readonly string[]) =>
  bodyOf([{ label, options, page: 'Menu', dimension: '', truth: [] }])
const said = (id: string, label: string, ...options: readonly string[]) => {
  const body = bodyWith(label, ...options)
  const [setting] = body.settings
  if (!setting) throw new Error('no setting')
  const read = readOptions(body, dimension(id), setting, { like: TRADE_LIKENESS.likeOptions })
  return read.means.map(m => m[id])
}

describe('what options say that no phrase reads', () => {
  it('is told from words in combinations that nobody has written down', () => {
    const known = new Set(knownOptions().map(k => k.option.toLowerCase()))
    for (const [id, label, options, values] of [
      ['release.single', 'One picture', ['Shoots whenever', 'Only once it is sharp'], ['release', 'focus']],
      ['see.peaking', 'Edges', ['Strong marks', 'Weak marks'], ['high', 'low']],
      ['subject.class', 'Finds', ['Wild creatures', 'Racing cars only'], ['animals', 'vehicles']],
      ['meter.pattern', 'Light', ['Entire frame, weighed', 'Only the brightest'], ['matrix', 'highlight']],
      ['see.lamp', 'Lamp', ['Lights when dark', 'Lamp stays extinguished'], [true, false]],
    ] as const) {
      for (const o of options) expect(known.has(o.toLowerCase()), o).toBe(false)
      expect(said(id, label, ...options), label).toEqual(values)
    }
  })

  it('of two, the other one: what one of them says already is hardly said twice', () => {
    const alone = likeliest(
      dimension('release.single'),
      [undefined],
      [TRADE_LIKENESS.likeOptions(dimension('release.single'), { label: '', option: 'Quince' })],
    )
    expect(alone).toEqual([undefined])
    const beside = said('release.single', 'One picture', 'Release', 'Quince')
    expect(beside[0]).toBe('release')
    expect(beside[1]).not.toBe('release')
    expect(new Set(said('area.wrap', 'Point at the edge', 'Reappears', 'Sticks')).size).toBe(2)
  })

  it('stays open where nothing tells, and is never said of a kind that is read by figures', () => {
    expect(said('subject.class', 'Plum', 'Quince', 'Medlar', 'Sloe', 'Damson')).toEqual(Array(4).fill(undefined))
    for (const d of DIMENSIONS)
      if (['position', 'range', 'magnify', 'assign'].includes(d.kind)) expect(groupOf(d)).toBe(undefined)
  })

  it('says which way a scale runs whose ends no phrase knows, and asks where neither does', () => {
    const rises = (...options: readonly string[]) => {
      const body = bodyWith('Obstacle time', ...options)
      const [setting] = body.settings
      const read = setting && readOptions(body, dimension('track.hold'), setting, { like: TRADE_LIKENESS.likeOptions })
      const [first, last] = [read?.means[0], read?.means.at(-1)].map(m => Number(m?.['track.hold']))
      return read?.isEitherWay ? 'asks' : (last ?? 0) > (first ?? 0) ? 'rises' : 'falls'
    }
    expect(rises('Brief stay', 'Standard', 'Lengthy stay')).toBe('rises')
    expect(rises('Lengthy stay', 'Standard', 'Brief stay')).toBe('falls')
    expect(rises('-1', '0', '+1')).toBe('asks')
    // Of a share of full speed more is faster, of seconds less.
    expect(said('track.acquire', 'Start of focusing', 'Deliberate', 'Normal', 'Hasty')).toEqual([0.25, 0.5, 1])
  })

  it('gives way to plain figures: counted from nothing, nothing is no', () => {
    expect(said('see.tone', 'Beep', '3', '2', '1', '0')).toEqual([true, true, true, false])
    expect(said('see.tone', 'Sound', 'Volume 0', 'Volume 2')).toEqual([false, true])
  })

  it('knows a small area beside a smaller one', () => {
    const patterns = (...options: readonly string[]) =>
      said('area.pattern', 'Area', ...options).map(a => (a as { pattern: string } | undefined)?.pattern)
    expect(patterns('Tiny spot', 'Spot', 'Zone')).toEqual(['pinpoint', 'point', 'zone'])
    expect(patterns('Spot', 'Zone', 'Whole frame')).toEqual(['point', 'zone', 'full'])
    expect(patterns('Spot', 'Small', 'Whole frame')).toEqual(['pinpoint', 'point', 'full'])
  })

  it('counts as well where somebody says what a row is about', () => {
    const body = bodyWith('Quince', 'Shoots whenever', 'Only once it is sharp')
    const [setting] = body.settings
    if (!setting) throw new Error('no setting')
    const about = (readings: readonly Reading[]) =>
      readAs(body, setting, 'release.single', readings).means.map(m => m['release.single'])
    const means: readonly Meaning[] = [{ 'release.single': 'release' }, {}]
    const reading: Reading = { dimensions: ['release.single'], means, score: 0.3, certainty: 'unsure', because: [] }
    expect(about([reading])).toEqual(['release', undefined])
    expect(about([])).toEqual(
      readOptions(body, dimension('release.single'), setting).means.map(m => m['release.single']),
    )
  })
})

it('values with a word of their own each are learned by these words, whatever the dimension of their kind', () => {
  const known = (['see.lamp', 'see.tone'] as const).flatMap(id =>
    [
      ['plum', 'true'],
      ['pear', 'false'],
    ].map(([option = '', is = '']) => ({ d: dimension(id), label: '', option, is })),
  )
  let seed = 7
  const next = () => (seed = (seed * 16807) % 2147483647) / 2147483647
  const like = likeOptions(learnOptions(known, next))
  const share = (id: string, option: string) => like(dimension(id), { label: '', option })?.get('true')
  expect(share('see.lamp', 'Plum')).toBeGreaterThan(0.8)
  expect(share('see.grid', 'Pear')).toBeLessThan(0.2)
  expect(share('see.lamp', 'Quince')).toBeCloseTo(0.5, 1)
  expect(like(dimension('subject.class'), { label: '', option: 'Plum' })).toBeUndefined()
})

it('a set of menus that was left out has its options read as they are in 85 of 100, hardly ever wrong', () => {
  const likeness = { ...AT_LARGE, likeOptions: likeOptions(optionsLearnedWithout(['nineteenth'])) }
  const all = summed(
    'nineteenth',
    tradeMenus('nineteenth').map(m => scoreOf(m.name, m.rows, likeness)),
  )
  expect(all.optionsRight / all.options).toBeGreaterThan(0.85)
  expect(all.optionsFalse / all.options).toBeLessThan(0.03)
})
