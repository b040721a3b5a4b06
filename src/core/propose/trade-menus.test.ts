import { describe, expect, it } from 'vitest'
import {
  MENU_SETS,
  type MenuSet,
  scoreOf,
  scoreText,
  summed,
  bodyOf,
  tradeMenus,
  tradeWords,
} from '../../../test/fixtures/trade-menus'
import { DIMENSIONS, dimension } from '../vocabulary/dimensions'
import { LEXICON } from '../vocabulary/lexicon'
import { TRADE_WORDS } from '../vocabulary/trade-words'
import { knowledgeOf } from './knowledge'
import { proposeFor } from './propose'

/** Made menus in the trade's plain words; docs/guides/a-new-body.md says how each was measured first. */
const scoresOf = (which: MenuSet) => tradeMenus(which).map(m => scoreOf(m.name, m.rows))

describe.each(MENU_SETS)('menus as they are really worded: %s', set => {
  const scores = scoresOf(set)
  const all = summed(set, scores)

  it('are read right first in at least 85 of 100 settings, among three in 95', () => {
    expect(all.right / all.settings, scoreText(all)).toBeGreaterThanOrEqual(0.85)
    expect(all.inThree / all.settings, scoreText(all)).toBeGreaterThanOrEqual(0.95)
    expect(all.optionsRight / all.options, scoreText(all)).toBeGreaterThanOrEqual(0.85)
    for (const s of scores) expect(s.right / s.settings, scoreText(s)).toBeGreaterThanOrEqual(0.65)
  })

  it('are hardly ever read wrong under a key: what is not known is left open', () => {
    expect(all.wrongFirst / all.settings, scoreText(all)).toBeLessThanOrEqual(0.04)
    expect(all.optionsFalse / all.options, scoreText(all)).toBeLessThanOrEqual(0.04)
    expect(all.sureRight / all.sure, scoreText(all)).toBeGreaterThanOrEqual(0.95)
  })
})

it('never has a row called Off do what it is the switch for', () => {
  const claims = MENU_SETS.flatMap(tradeMenus).flatMap(({ name, rows }) => {
    const body = bodyOf(rows)
    return body.settings.flatMap((s, n) => {
      const [first] = proposeFor(body, s, knowledgeOf([]))
      if (!first || first.certainty === 'unsure') return []
      return s.options.flatMap((o, i) =>
        // Where the row is a lock, its Off is a yes to what it locks.
        rows[n]?.truth[i] !== 'yes' &&
        /^(off|no|none|disabled?|never)\b/i.test(o.label) &&
        Object.values(first.means[i] ?? {}).includes(true)
          ? [`${name}: ${s.label}, ${o.label}`]
          : [],
      )
    })
  })
  expect(claims).toEqual([])
})

it('knows every common way of saying a thing', () => {
  const words = scoreOf('words', tradeWords())
  expect(words.misses).toEqual([])
})

describe('the words of the trade', () => {
  it('are there for every dimension, so that each can be found', () => {
    for (const d of DIMENSIONS) expect(LEXICON[d.id]?.words, d.id).toBeTruthy()
    for (const [id, entry] of Object.entries(TRADE_WORDS)) {
      const d = dimension(id)
      if ('values' in d && d.values.length && entry.values)
        for (const value of Object.keys(entry.values)) expect(d.values, `${id}: ${value}`).toContain(value)
    }
  })
})
