import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoBodies } from '../../demo/world'
import { bodyAt } from '../bodies'
import { NOTHING_KNOWN } from './known'
import { parseState, type StateOf, stateFileOf } from './state-file'

const bodies = demoBodies().map((b): StateOf => ({
  body: bodyAt(b, b.firmware.to),
  firmware: b.firmware.to,
  tag: 'TSP-9',
}))
const linnet = bodies.find(b => b.body.id === 'linnet') as StateOf
const file = (changes: object = {}) => ({
  format: 'coherion.state/1',
  body: 'linnet',
  firmware: linnet.firmware,
  settings: { kin: 'kin-off' },
  ...changes,
})
const wrong = (changes: object) => {
  const parsed = parseState(file(changes), 'state.json', linnet)
  return parsed.ok ? [] : parsed.problems.map(p => `${p.path}: ${p.expected}`)
}

describe('what a unit is set to, as a file', () => {
  it('is the same when it is written and read again, whatever part of it is known', () => {
    const cases = fc
      .constantFrom(...bodies)
      .chain(of =>
        fc.tuple(fc.constant(of), fc.subarray([...of.body.settings], { minLength: 1 }), fc.infiniteStream(fc.nat())),
      )
    fc.assert(
      fc.property(cases, ([of, settings, picks]) => {
        const facts = settings.map(s => {
          const option = s.options[(picks.next().value ?? 0) % s.options.length]?.id ?? s.default
          return [s.id, { option, how: 'person', at: '', by: null }] as const
        })
        const written = stateFileOf(of, { ...NOTHING_KNOWN, facts: new Map(facts) })
        const read = parseState(JSON.parse(JSON.stringify(written)), 'state.json', of)
        expect(read).toEqual({ ok: true, value: Object.fromEntries(facts.map(([s, f]) => [s, f.option])) })
      }),
      { numRuns: 60 },
    )
    expect(stateFileOf(linnet, NOTHING_KNOWN)).toBeUndefined()
  })

  it('says where it is wrong, and what was expected', () => {
    expect(wrong({})).toEqual([])
    expect(wrong({ body: 'sorrel' })).toEqual(['body: expected linnet, the body of this unit'])
    expect(wrong({ firmware: '0.9' })[0]).toContain(`expected ${linnet.firmware}, which this unit is known to run`)
    expect(wrong({ unit: 'TSP-8' })).toEqual(['unit: expected TSP-9, the unit that this is read for'])
    expect(wrong({ settings: { kin: 'kin-fish', gone: 'x' } })).toEqual([
      expect.stringMatching(/^settings\.kin: expected one of .*kin-off/),
      'settings.gone: this body has no such setting at this firmware',
    ])
    expect(wrong({ settings: {} })).toEqual(['settings: expected at least one setting'])
    expect(wrong({ extra: 1 })).toEqual(['extra: the format has no field "extra"'])
    expect(parseState('nothing', 'state.json', linnet)).toMatchObject({ ok: false })
  })
})
