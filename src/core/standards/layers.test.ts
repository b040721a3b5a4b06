import { describe, expect, it } from 'vitest'
import { problemWords } from '../reading/problem'
import { compareLayers, compareStandards, describeStandardChanges, isNoticed } from './compare'
import { contextFrom, contextText, refFrom, refText } from './context'
import {
  borrowed,
  emptyStandard,
  withLayerFacts,
  withNewerBelow,
  withNewLayer,
  withoutLayer,
  withoutTarget,
  withTarget,
} from './edit'
import {
  effectiveTargets,
  layered,
  type Layer,
  parseStandard,
  relaxesMust,
  relevantContext,
  scopesOf,
  type Standard,
  standardProblems,
  type Target,
} from './index'
import { mergeStandards } from './merge'

const target = (
  dimension: string,
  value: Target['value'],
  weight: Target['weight'] = 'should',
  more: Partial<Target> = {},
): Target => ({
  dimension,
  value,
  weight,
  reason: 'For a test.',
  ...more,
})
const layer = (id: string, kind: Layer['kind'], targets: readonly Target[], more: Partial<Layer> = {}): Layer => ({
  id,
  name: id,
  kind,
  targets: [...targets],
  ...more,
})
const standardOf = (...layers: readonly Layer[]): Standard => ({
  format: 'coherion.standard/1',
  id: 'ring',
  name: 'Ring',
  about: 'For a test.',
  version: 1,
  layers: [...layers],
})

const house = layer('house', 'house', [
  target('trigger.shutter', 'starts-af', 'must'),
  target('track.hold', 0.8),
  target('see.tone', false, 'must'),
])
const held = (s: Standard, context = {}) => effectiveTargets(s, context).find(t => t.dimension === 'track.hold')

describe('layers over each other', () => {
  const work = layer('work', 'work', [target('track.hold', 1.2)])
  const scene = layer('scene', 'scene', [target('track.hold', 2)], { applies: { scenes: ['Silks'] } })
  const hers = layer('hers', 'exception', [target('track.hold', 3)], {
    applies: { people: ['imelda'], units: ['u1', 'u2'] },
  })
  const standard = standardOf(house, work, scene, hers)

  it('says of each target where it comes from and what it overrode, nearest first', () => {
    expect(held(standard, { scenes: ['Silks'] })).toMatchObject({
      value: 2,
      from: { layer: 'scene' },
      over: [
        { layer: 'work', target: { value: 1.2 } },
        { layer: 'house', target: { value: 0.8 } },
      ],
    })
  })

  it('counts a layer only for whom it is; of every kind it names, one has to be there', () => {
    expect(held(standard)?.value).toBe(1.2)
    expect(held(standard, { people: ['imelda'] })?.value).toBe(1.2)
    expect(held(standard, { people: ['imelda'], units: ['u2'] })?.value).toBe(3)
    expect(held(standard, { people: ['rufus'], units: ['u2'] })?.value).toBe(1.2)
    expect(scopesOf(standard.layers)).toEqual({ people: ['imelda'], units: ['u1', 'u2'], scenes: ['Silks'] })
  })

  it('asks of a context only what some layer is for, so that the rest need not be told apart', () => {
    expect(relevantContext(standard, { people: ['rufus', 'imelda'], units: ['u9'], lenses: ['x'] })).toEqual({
      people: ['imelda'],
    })
  })

  it('restores the layer below when an override is taken out', () => {
    expect(held(withoutTarget(standard, 'work', 'track.hold'))?.value).toBe(0.8)
    expect(held(withTarget(standard, 'work', target('track.hold', 1.6)))?.value).toBe(1.6)
  })

  it('refuses layers that stand on their head, and ids that come twice', () => {
    const complaints = (s: Standard) => {
      const parsed = parseStandard(s, 'f')
      return parsed.ok ? '' : parsed.problems.map(problemWords).join()
    }
    expect(complaints(standardOf(work, house))).toContain('from the ground up')
    expect(complaints(standardOf(house, house))).toContain('every layer id only once')
    expect(complaints(standard)).toBe('')
    expect(complaints(standardOf(layer('x', 'scene', [], { applies: { people: [] } })))).toContain('at least one name')
  })
})

describe('a must of a lower layer', () => {
  it.each([
    ['another value', { value: 'meters-only', weight: 'must' }],
    ['less weight', { value: 'starts-af', weight: 'should' }],
    ['more tolerance', { value: 'starts-af', weight: 'must', tolerance: 0.6 }],
  ] as const)('is relaxed by %s only with a written reason', (_, change) => {
    const above = target(
      'trigger.shutter',
      change.value,
      change.weight,
      'tolerance' in change ? { tolerance: change.tolerance } : {},
    )
    const silent = standardOf(house, layer('work', 'work', [above]))
    const said = standardOf(house, layer('work', 'work', [{ ...above, relaxes: 'The thumb is trained.' }]))
    const shutter = (s: Standard) => effectiveTargets(s).find(t => t.dimension === 'trigger.shutter')
    expect(shutter(silent)).toMatchObject({ value: 'starts-af', weight: 'must', from: { layer: 'house' } })
    expect(layered(silent).withheld).toMatchObject([{ layer: 'work', must: { layer: 'house' } }])
    expect(standardProblems(silent, 'f').map(problemWords).join()).toContain(
      'f, layers.1.targets.0.relaxes: “work” relaxes the must “shutter half-press” of “house”',
    )
    expect(shutter(said)).toMatchObject({ value: change.value, weight: change.weight, from: { layer: 'work' } })
    expect(standardProblems(said, 'f')).toEqual([])
  })

  it('is not relaxed by being stricter, or by saying the same in other words', () => {
    const must = target('track.hold', 1, 'must', { tolerance: 0.3 })
    expect(relaxesMust(must, { ...must, tolerance: 0.1 })).toBe(false)
    const area = (pattern: 'block' | 'group') => target('area.pattern', { pattern, width: 0.2, height: 0.2 }, 'must')
    expect(relaxesMust(area('block'), area('group'))).toBe(false)
  })
})

it('asks for at least one target before anything can be approved', () => {
  expect(standardProblems(standardOf(layer('work', 'work', [])), 'f')).toHaveLength(1)
})

describe('drafting', () => {
  const below = standardOf(
    house,
    layer('ring', 'work', [target('track.hold', 1.2)]),
    layer('silks', 'scene', [], { applies: { scenes: ['Silks'] } }),
    layer('hers', 'exception', [], { applies: { people: ['imelda'] } }),
  )

  it('stands on what is below, without what is for one scene or one person there', () => {
    const above = emptyStandard({ id: 'rope', name: 'Rope', about: 'High.' }, 'scene', below)
    expect(above.layers.map(l => [l.id, l.from?.standard])).toEqual([
      ['house', 'ring'],
      ['ring', 'ring'],
      ['rope', undefined],
    ])
  })

  it('takes up a newer version of what is below and keeps its own', () => {
    const above = withTarget(
      emptyStandard({ id: 'rope', name: 'Rope', about: 'High.' }, 'scene', below),
      'rope',
      target('see.tone', false),
    )
    const newer = { ...withTarget(below, 'ring', target('track.hold', 2)), version: 2 }
    const moved = withNewerBelow(above, newer)
    expect(held(moved)).toMatchObject({ value: 2, from: { layer: 'ring' } })
    expect(moved.layers.at(-1)).toEqual(above.layers.at(-1))
    expect(compareLayers(above, moved)).toContain('Layer “ring” is taken from version 2 instead of 1.')
  })

  it('keeps layers in their order, whatever is added or turned into what', () => {
    const more = withNewLayer(below, { name: 'Work', kind: 'work' }, 'ring')
    expect(more.layers.map(l => l.id)).toEqual(['house', 'ring', 'ring-2', 'silks', 'hers'])
    expect(withLayerFacts(more, 'ring-2', { kind: 'exception' }).layers.map(l => l.id)).toEqual([
      'house',
      'ring',
      'silks',
      'ring-2',
      'hers',
    ])
    expect(withoutLayer(more, 'ring-2')).toEqual(below)
    expect(borrowed(below)).toHaveLength(2)
  })
})

describe('comparison by meaning', () => {
  const before = standardOf(
    house,
    layer('work', 'work', [
      target('area.pattern', { pattern: 'block', width: 0.2, height: 0.2 }),
      target('track.response', 0.5),
    ]),
  )
  const changed = (t: Target) => withTarget(before, 'work', t)

  it('sees no difference in another name for the same area, or another way to write a number', () => {
    expect(
      compareStandards(
        before,
        changed(target('area.pattern', { pattern: 'group', width: 0.2, height: 0.2, chooser: 'operator' })),
      ),
    ).toEqual([])
  })

  it('tells what was added, removed and changed, and how far', () => {
    const after = withoutTarget(
      withTarget(changed(target('track.response', 1, 'must')), 'work', target('see.lamp', false)),
      'work',
      'area.pattern',
    )
    expect(compareStandards(before, after).map(d => [d.kind, d.dimension, d.apart])).toEqual([
      ['removed', 'area.pattern', 1],
      ['changed', 'track.response', 1],
      ['added', 'see.lamp', 1],
    ])
    expect(compareStandards(before, after)[1]?.words).toBe('Response to speed: 1, a must; it was 0.5, a should')
  })

  it('tells a changed reason apart from a change that a body would notice', () => {
    const [difference] = compareStandards(
      before,
      changed(target('track.response', 0.5, 'should', { reason: 'Because.' })),
    )
    expect(difference).toMatchObject({ kind: 'changed', in: ['reason'] })
    expect(difference && isNoticed(difference)).toBe(false)
    // The usual tolerance, written out, is the same tolerance.
    expect(compareStandards(before, changed(target('track.response', 0.5, 'should', { tolerance: 0.125 })))).toEqual([])
  })

  it('tells when bodies are held to a common level', () => {
    const levelled: Standard = { ...before, level: { lambdaHundredths: 43, values: [] } }
    expect(compareLayers(before, levelled).join()).toContain('being alike counts 0.43 against 1')
  })
})

describe('two people on one draft', () => {
  const base = standardOf(layer('work', 'work', [target('track.hold', 1), target('see.tone', false)]))
  const mine = withTarget(base, 'work', target('track.hold', 2))

  it('merges what each changed, target by target', () => {
    const theirs = withTarget(withTarget(base, 'work', target('see.tone', true)), 'work', target('see.lamp', false))
    const merged = mergeStandards(base, mine, theirs)
    expect(merged.conflicts).toEqual([])
    expect(effectiveTargets(merged.document).map(t => [t.dimension, t.value])).toEqual([
      ['track.hold', 2],
      ['see.tone', true],
      ['see.lamp', false],
    ])
    expect(parseStandard(merged.document, 'merged').ok).toBe(true)
    expect(describeStandardChanges(merged.theirs, base, theirs).map(d => d.words)).toContain(
      'Focus tone, in work: yes, a should; it was no, a should',
    )
  })

  it('asks where both changed the same target', () => {
    const merged = mergeStandards(base, mine, withTarget(base, 'work', target('track.hold', 3)))
    expect(merged.conflicts).toHaveLength(1)
  })
})

describe('addresses', () => {
  it('name whom and what a standard is for, and read back what they wrote', () => {
    const context = { people: ['imelda-frost'], scenes: ['Club passing, twice: fast'] }
    expect(contextFrom(contextText(context))).toEqual(context)
    expect(contextFrom('nonsense,people:,%%%,scenes:%E0%A4%A')).toEqual({ scenes: ['%E0%A4%A'] })
  })

  it('name one version, or the one in force', () => {
    expect([refFrom('ring@3'), refFrom('ring'), refFrom('ring@x')]).toEqual([
      { id: 'ring', version: 3 },
      { id: 'ring' },
      { id: 'ring' },
    ])
    expect([refText({ id: 'ring', version: 3 }), refText({ id: 'ring' })]).toEqual(['ring@3', 'ring'])
  })
})
