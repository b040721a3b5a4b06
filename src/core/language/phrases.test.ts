import { describe, expect, it } from 'vitest'
import { bestMet, isMet, phraseOf, phrasesIn, tokensOf } from './phrases'

const met = (phrase: string, text: string, aside = '') => isMet(phraseOf(phrase), tokensOf(text), tokensOf(aside))

describe('the words of a menu as phrases meet them', () => {
  it.each([
    ['AF-S', 'S-AF'],
    ['AF-C', 'C-AF'],
    ['One-shot AF', 'one shot'],
    ['AE lock', 'AEL'],
    ['AE-L', 'exposure lock'],
    ['AF lock', 'Focus Lock'],
    ['half-press', 'Halfway press'],
    ['Colour', 'colors'],
    ['Centre', 'center'],
    ['video', 'Movies'],
    ['10 fps', '10 frames per second'],
    ['Magnifier', 'enlargement'],
    ['×', 'x'],
    ['focuses', 'focused'],
    ['Metering', 'meters'],
  ])('are the same for “%s” and “%s”', (a, b) => {
    expect(tokensOf(a)).toEqual(tokensOf(b))
  })

  it.each([
    ['AF-S', 'AF-C'],
    ['AE lock', 'AF lock'],
    ['meter', 'metre'],
    ['Film format', 'film'],
    ['press', 'pre'],
  ])('are not the same for “%s” and “%s”', (a, b) => {
    expect(tokensOf(a)).not.toEqual(tokensOf(b))
  })
})

describe('a phrase', () => {
  it('is met in any order, with any of its alternatives, and not where a word forbids it', () => {
    expect(met('track/follow sensitiv*', 'Sensitivity of tracking')).toBe(true)
    expect(met('track/follow sensitiv*', 'Following sensitivity')).toBe(true)
    expect(met('track sensitiv* !movie', 'Tracking sensitivity (video)')).toBe(false)
    expect(met('track sensitiv*', 'Tracking')).toBe(false)
  })

  it('looks at the page only where it says so', () => {
    expect(met('@movie speed', 'Speed', 'Movie menu')).toBe(true)
    expect(met('movie speed', 'Speed', 'Movie menu')).toBe(false)
  })

  it('tells more the more it asks for', () => {
    const phrases = phrasesIn('area, af area, af area mode')
    expect(bestMet(phrases, tokensOf('AF area'))?.written).toBe('af area')
    expect(bestMet(phrases, tokensOf('Peaking'))).toBeUndefined()
  })
})
