import { describe, expect, it } from 'vitest'
import { allStates, figuresOf } from '../../../test/fixtures/brute-force'
import { generateBody, generateStandard } from '../../../test/fixtures/generate'
import { rule, tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { problemOf } from '../resolve/problem'
import type { Standard } from '../standards'
import { type Body, inMenuOrder } from './index'
import { groupsOf, SearchTooLargeError } from './search'
import { type StateGraph, stateGraph } from './state-graph'

/** What every term amounts to, as its distance in millionths. */
const graphsOf = (body: Body, standard: Standard): readonly StateGraph[] => {
  const { input, targets } = problemOf(body, standard)
  return groupsOf(input)
    .filter(g => g.terms.length + g.rules.length > 0)
    .flatMap(g => stateGraph(input, g, (t, choice) => targets[t]?.term.bound(choice) ?? 0) ?? [])
}

/** Everything a graph can amount to: for each of its states the terms with their distances, as one text. */
const outcomesOf = ({ nodes }: StateGraph): ReadonlySet<string> => {
  const below: string[][] = []
  for (const { branches } of nodes) {
    const all = branches.flatMap(b => {
      const here = b.decided.map(([t, off]) => `${t}=${off}`)
      return b.children.reduce<string[]>(
        (some, c) => some.flatMap(s => (below[c] ?? []).map(x => [s, x].filter(Boolean).join(' '))),
        [here.join(' ')],
      )
    })
    below.push([...new Set(all.map(a => a.split(' ').sort().join(' ')))])
  }
  return new Set(below.at(-1))
}

describe('the graph of all states', () => {
  it('holds exactly what trying every state finds, musts broken as little as possible', () => {
    for (let seed = 1; seed <= 120; seed++) {
      const body = generateBody(seed, { settings: 5, rules: 4, mostOptions: 3 })
      const standard = generateStandard(seed, 12)
      const { targets } = problemOf(body, standard)
      const known = Object.fromEntries(body.settings.map(s => [s.id, s.default]))
      const settings = inMenuOrder(body)
      const tried = [...allStates(body, known)].map(state => ({
        broken: figuresOf(body, standard, state, known)[0] ?? 0,
        choice: Int32Array.from(settings, s => s.options.findIndex(o => o.id === state[s.id])),
        state,
      }))
      const least = Math.min(...tried.map(t => t.broken))
      for (const graph of graphsOf(body, standard)) {
        // Greyed-out settings say nothing; their choice is put out of reach as the search does.
        const expected = new Set(
          tried
            .filter(t => t.broken === least)
            .map(t => {
              const choice = t.choice.map((o, i) => (isGreyed(body, t.state, settings[i]?.id ?? '') ? -2 : o))
              return graph.terms
                .map(n => `${n}=${targets[n]?.term.bound(choice)}`)
                .sort()
                .join(' ')
            }),
        )
        expect({ seed, outcomes: [...outcomesOf(graph)].sort() }).toEqual({ seed, outcomes: [...expected].sort() })
      }
    }
  })

  it('shares what is alike: a chain of settings takes branches by the sum and not by the product', () => {
    const settings = Object.fromEntries(
      Array.from({ length: 12 }, (_, i) => [`s${i}`, ['a', 'b', ['c', { 'see.tone': i % 2 === 0 }] as const] as const]),
    )
    const rules = Array.from({ length: 11 }, (_, i) =>
      rule(`r${i}`, { [`s${i}`]: 'a' }, { effect: 'excludes', setting: `s${i + 1}`, options: ['a'] }),
    )
    const graphs = graphsOf(
      tinyBody(settings, { rules }),
      tinyStandard({ dimension: 'see.lamp', value: false, weight: 'nice' }),
    )
    const branches = graphs.flatMap(g => g.nodes).reduce((sum, n) => sum + n.branches.length, 0)
    expect(branches).toBeLessThan(200)
  })

  it('has nothing where the rules leave no state, and only what can be reached', () => {
    const contradictory = tinyBody(
      { a: ['x'], b: [['y', { 'see.tone': true }]] },
      { rules: [rule('no', { a: 'x' }, { effect: 'excludes', setting: 'b', options: ['y'] })] },
    )
    expect(graphsOf(contradictory, tinyStandard({ dimension: 'see.tone', value: true, weight: 'nice' }))).toEqual([])
    const must = tinyBody({
      a: [
        ['on', { 'see.tone': true }],
        ['off', { 'see.tone': false }],
      ],
    })
    const [graph] = graphsOf(must, tinyStandard({ dimension: 'see.tone', value: false, weight: 'must' }))
    expect(graph?.nodes.at(-1)?.branches.map(b => b.option)).toEqual([1])
  })

  it('refuses what no memory could hold, naming the settings', () => {
    const count = 40
    const options = Array.from({ length: 6 }, (_, o) => `o${o}`)
    const settings = Object.fromEntries(
      Array.from({ length: count }, (_, i) => [
        `s${i}`,
        options.map(o => [o, { 'track.hold': i + 1 + o.length / 7 }] as const),
      ]),
    )
    const rules = Array.from({ length: 400 }, (_, n) =>
      rule(
        `r${n}`,
        { [`s${(n * 7) % 20}`]: `o${n % 6}`, [`s${20 + ((n * 3) % 10)}`]: `o${(n * 5) % 6}` },
        { effect: 'excludes', setting: `s${30 + ((n * 11) % 10)}`, options: [`o${(n * 2) % 6}`] },
      ),
    )
    expect(() =>
      graphsOf(tinyBody(settings, { rules }), tinyStandard({ dimension: 'track.hold', value: 1, weight: 'nice' })),
    ).toThrow(SearchTooLargeError)
  }, 120_000)
})

const isGreyed = (body: Body, state: Readonly<Record<string, string>>, id: string): boolean =>
  body.rules.some(
    r =>
      r.then.effect === 'unavailable' &&
      r.then.setting === id &&
      r.when.every(c => !isGreyed(body, state, c.setting) && c.is.includes(state[c.setting] ?? '')),
  )
