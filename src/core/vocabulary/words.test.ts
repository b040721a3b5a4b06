import { expect, it } from 'vitest'
import { dimension } from './dimensions'
import { distanceReason } from './distance'
import { toleranceWords, valueWords } from './words'

it.each([
  ['track.hold', 1.2, '1.2 s'],
  ['track.hold', 'never', 'never'],
  ['track.acquire', 0.8, '80 % of full speed'],
  ['meter.bias', -0.7, '-0.7 stops'],
  ['meter.bias', 0.3, '+0.3 stops'],
  ['see.tone', false, 'no'],
  ['mode.drive', 'preset-distance', 'preset distance'],
  ['trigger.start', { place: 'thumb-upper-right', press: 'held' }, 'thumb, upper right: while held'],
  [
    'area.pattern',
    { pattern: 'block', width: 0.15, height: 0.16, chooser: 'operator' },
    'block, 2.4 % of the frame, you pick',
  ],
  ['range.limit', { nearMetres: 0.28, farMetres: 'infinity' }, '0.28 m to infinity'],
  [
    'see.magnify',
    { factor: 5, seconds: 'until-released', onRingTurn: true },
    '5×, until released, starts with the ring',
  ],
] as const)('says %s %j as “%s”', (id, value, words) => {
  expect(valueWords(dimension(id), value)).toBe(words)
})

it('says a tolerance as people write it', () => {
  expect(toleranceWords(dimension('track.hold'), 0.3)).toBe('± 30 %')
  expect(toleranceWords(dimension('area.pattern'), 0.4)).toBe('up to 0.4 off')
})

it('tells how a distance came about', () => {
  expect(distanceReason(dimension('track.hold'), 1.2, 2.1)).toContain('ln(2.1 ÷ 1.2)')
  expect(distanceReason(dimension('mode.drive'), 'single', 'automatic')).toContain('half way')
  expect(distanceReason(dimension('release.first'), 'focus', 'release')).toBe('2 of 2 steps apart')
  expect(
    distanceReason(dimension('trigger.start'), { place: 'thumb-upper-right' }, { place: 'thumb-centre' }),
  ).toContain('same finger')
})
