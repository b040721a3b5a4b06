import { describe, expect, it } from 'vitest'
import { scoreOf, scoreText, summed, tradeMenus, tradeWords } from '../../../test/fixtures/trade-menus'
import { DIMENSIONS, dimension } from '../vocabulary/dimensions'
import { LEXICON } from '../vocabulary/lexicon'
import { TRADE_WORDS } from '../vocabulary/trade-words'

/** Twelve made menus in the trade's plain words; six of them were not looked at while this was built. */
const scoresOf = (which: 'building' | 'unseen') => tradeMenus(which).map(m => scoreOf(m.name, m.rows))

describe('menus as they are really worded', () => {
  const unseen = summed('all', scoresOf('unseen'))

  it('are read right first in at least 85 of 100 settings, among three in 95', () => {
    expect(unseen.right / unseen.settings, scoreText(unseen)).toBeGreaterThanOrEqual(0.85)
    expect(unseen.inThree / unseen.settings, scoreText(unseen)).toBeGreaterThanOrEqual(0.95)
    expect(unseen.optionsRight / unseen.options, scoreText(unseen)).toBeGreaterThanOrEqual(0.85)
  })

  it('are hardly ever read wrong under a key: what is not known is left open', () => {
    expect(unseen.wrongFirst / unseen.settings, scoreText(unseen)).toBeLessThanOrEqual(0.04)
    expect(unseen.optionsFalse / unseen.options, scoreText(unseen)).toBeLessThanOrEqual(0.04)
  })

  it('are right where a reading is called sure, and each menu by itself is worth pasting', () => {
    for (const s of [...scoresOf('unseen'), ...scoresOf('building')])
      expect(s.right / s.settings, scoreText(s)).toBeGreaterThanOrEqual(0.8)
    const building = summed('all', scoresOf('building'))
    expect(building.sureRight / building.sure, scoreText(building)).toBeGreaterThanOrEqual(0.98)
  })
})

it('knows every common way of saying a thing', () => {
  const words = scoreOf('words', tradeWords())
  expect(words.misses).toEqual([])
})

describe('the words of the trade', () => {
  it('are there for every dimension, so that each can be found', () => {
    for (const d of DIMENSIONS) expect(LEXICON[d.id]?.words, d.id).toBeTruthy()
    for (const [id, entry] of [...Object.entries(LEXICON), ...Object.entries(TRADE_WORDS)]) {
      const d = dimension(id)
      if ('values' in d && d.values.length && entry.values)
        for (const value of Object.keys(entry.values)) expect(d.values, `${id}: ${value}`).toContain(value)
    }
  })
})
