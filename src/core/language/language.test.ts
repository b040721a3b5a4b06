import { describe, expect, it } from 'vitest'
import {
  isNearWord,
  isOrdinary,
  likeness,
  prepare,
  slugOf,
  stemOf,
  tellingStems,
  tellingWords,
  uniqueSlug,
  wordsIn,
} from './language'

describe('words', () => {
  it('lose case, accents and signs', () => {
    expect(wordsIn('Chaîne №5: “Éclair”')).toEqual(['chaine', 'no5', 'eclair'])
  })

  it('are one word in all their forms', () => {
    for (const forms of [
      ['follow', 'follows', 'following', 'followed'],
      ['step', 'steps', 'stepped'],
      ['eye', 'eyes'],
    ])
      expect(new Set(forms.map(stemOf)).size, forms.join()).toBe(1)
  })

  it('are near with one slip of the finger, not with two', () => {
    expect(isNearWord('nerve', 'nevre')).toBe(true)
    expect(isNearWord('temper', 'tempr')).toBe(true)
    expect(isNearWord('temper', 'timbre')).toBe(false)
  })

  it('are ordinary or coined', () => {
    expect(isOrdinary('middle')).toBe(true)
    expect(isOrdinary('meadow')).toBe(false)
  })
})

describe('likeness of labels', () => {
  const alike = (a: string, b: string) => likeness(prepare(a), prepare(b))
  it('is 1 for the same words in any order, and stays high through a slip', () => {
    expect(alike('Light lean', 'lean light')).toBe(1)
    expect(alike('Patience', 'Patiense')).toBeGreaterThan(0.5)
    expect(alike('Patience', 'Glide')).toBeLessThan(0.2)
  })
})

describe('ids', () => {
  it('are made from labels, each once', () => {
    const taken = new Set<string>()
    expect(uniqueSlug('Ring after AF', taken)).toBe('ring-after-af')
    expect(uniqueSlug('Ring (after) AF!', taken)).toBe('ring-after-af-2')
    expect(slugOf('焦点', 'setting')).toBe('setting')
  })
})

describe('words that say something', () => {
  it('are those that do not only join others', () => {
    expect(tellingWords('the way of the ring')).toEqual(['way', 'ring'])
    expect(tellingStems('Looks ahead of the press, looking')).toEqual(['look', 'ahead', 'pres'])
  })

  it('are all of them where nothing else is there', () => {
    expect(tellingWords('to be or not')).toEqual(['be', 'not'])
    expect(tellingWords('of the')).toEqual(['of', 'the'])
  })
})

it('prepares a label once, and again the same', () => {
  expect(prepare('Light lean')).toBe(prepare('Light lean'))
  expect([...prepare('Light lean').stems]).toEqual(['light', 'lean'])
})
