import type { Body } from '../../src/core/bodies'
import { falseFriendsOf } from '../../src/core/phrasebook/false-friends'
import { indexOf } from '../../src/core/phrasebook/search'
import { termsOf } from '../../src/core/phrasebook/terms'
import { demoBodies } from '../../src/demo/world'
import { leaveOneOut } from '../../test/fixtures/leave-one-out'
import { random } from '../../test/fixtures/random'
import { knowledgeOf } from '../../src/core/propose/knowledge'
import { likeOptions } from '../../src/core/propose/like-options'
import { likeRows } from '../../src/core/propose/like-rows'
import { optionsLearnedWithout } from '../../test/fixtures/known-options'
import { learnedWithout } from '../../test/fixtures/known-rows'
import { MENU_SETS, scoreOf, scoreText, summed, tradeMenus } from '../../test/fixtures/trade-menus'

const BODIES = 60
const SENTENCES = [
  'back button focus',
  'hold when blocked',
  'meadow',
  'how long it waits before it leaves',
  'nervve',
  'spyglas',
  'thumb button',
  'eye detection',
]

/** Sixty bodies whose words differ as those of makers do: the demo's, with letters changed by a seed. */
const dialects = (): readonly Body[] => {
  const demo = demoBodies()
  return Array.from({ length: BODIES }, (_, i): Body => {
    const body = demo[i % demo.length] as Body
    if (i < demo.length) return body
    const r = random(i)
    const shift = (word: string) =>
      word.length < 4
        ? word
        : word.replace(/[aeiou]/, r.pick(['a', 'e', 'i', 'o', 'u'])) + (r.chance(0.3) ? r.pick(['n', 'l', 'r']) : '')
    const reworded = (label: string) => label.replaceAll(/[A-Za-z]+/g, shift)
    return {
      ...body,
      id: `${body.id}-${i}`,
      model: reworded(body.model),
      maker: `${body.maker} ${i}`,
      settings: body.settings.map(s => ({
        ...s,
        label: reworded(s.label),
        options: s.options.map(o => ({ ...o, label: reworded(o.label) })),
      })),
    }
  })
}

const timed = <T>(work: () => T): readonly [T, number] => {
  const began = performance.now()
  const result = work()
  return [result, performance.now() - began]
}

/** Searching while typing, false friends, and how often proposals are right. */
export const benchPhrasebook = (): void => {
  const bodies = dialects()
  const [index, built] = timed(() => indexOf(bodies.flatMap(termsOf)))
  for (const s of SENTENCES) index.search(s)
  const strokes = SENTENCES.flatMap(s => Array.from(s, (_, i) => s.slice(0, i + 1))).map(
    q => timed(() => index.search(q))[1],
  )
  strokes.sort((a, b) => a - b)
  const at = (share: number) => strokes[Math.min(strokes.length - 1, Math.floor(strokes.length * share))]?.toFixed(1)
  console.log(
    `The phrasebook of ${BODIES} bodies: ${index.size} words, index built in ${built.toFixed(0)} ms (in a worker)`,
  )
  console.log(
    `  each keystroke: median ${at(0.5)} ms, 95 of 100 under ${at(0.95)} ms, slowest ${at(1)} ms (target under 16 ms)`,
  )
  const [friends, took] = timed(() => falseFriendsOf(bodies))
  console.log(
    `  false friends between all pairs: ${friends.length} in ${took.toFixed(0)} ms (on the server, once for each state)`,
  )

  console.log('Menus in the trade’s words, read with nothing known: first looks stand in docs/guides/a-new-body.md')
  for (const set of MENU_SETS) {
    const scores = tradeMenus(set).map(m => scoreOf(m.name, m.rows))
    for (const s of scores) console.log(`  ${scoreText(s)}`)
    console.log(`  ${scoreText(summed(`all ${set}`, scores))}`)
    const knowledge = knowledgeOf([], {
      likeRows: likeRows(learnedWithout([set])),
      likeOptions: likeOptions(optionsLearnedWithout([set])),
    })
    const unlearned = tradeMenus(set).map(m => scoreOf(m.name, m.rows, knowledge))
    console.log(`  ${scoreText(summed('  had its rows not been learned from', unlearned))}`)
  }

  console.log('Proposals, each body of the demo left out in turn: share of options whose right meaning is …')
  console.log('  body          first  among three   without any body of its maker: first  among three')
  const [kin, alone] = [leaveOneOut(demoBodies(), false), leaveOneOut(demoBodies(), true)]
  const show = (n: number) => `${(100 * n).toFixed(0)} %`.padStart(5)
  kin.forEach((k, i) => {
    const a = alone[i]
    console.log(
      `  ${k.name.padEnd(12)} ${show(k.first)}  ${show(k.firstThree)}${' '.repeat(39)}${show(a?.first ?? 0)}  ${show(a?.firstThree ?? 0)}`,
    )
  })
  const mean = (shares: typeof kin, of: 'first' | 'firstThree') =>
    shares.reduce((sum, s) => sum + s[of] * s.options, 0) / shares.reduce((sum, s) => sum + s.options, 0)
  console.log(
    `  all          ${show(mean(kin, 'first'))}  ${show(mean(kin, 'firstThree'))}${' '.repeat(39)}${show(mean(alone, 'first'))}  ${show(mean(alone, 'firstThree'))}`,
  )
}
