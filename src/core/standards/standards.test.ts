import { expect, it } from 'vitest'
import { demoStandards } from '../../demo/world'
import { problemWords } from '../reading/problem'
import { effectiveTargets, parseStandard } from './index'

const ring = demoStandards().find(s => s.id === 'ring-action')

const complaints = (value: unknown): string => {
  const parsed = parseStandard(value, 'ring.json')
  return parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')
}

const withTarget = (target: object) => ({ ...ring, layers: [{ id: 'one', name: 'One', targets: [target] }] })
const target = { dimension: 'track.hold', value: 1.2, weight: 'must', reason: 'Because.' }

it('reads the demo standards, with at least 25 targets each', () => {
  for (const s of demoStandards()) {
    expect(complaints(s)).toBe('')
    expect(effectiveTargets(s).length).toBeGreaterThanOrEqual(25)
  }
})

it.each([
  ['an unknown dimension', { ...target, dimension: 'track.luck' }, 'layers.0.targets.0.dimension: "track.luck"'],
  ['a value of the wrong kind', { ...target, value: 'long' }, 'layers.0.targets.0.value: "long"'],
  ['an unknown weight', { ...target, weight: 'maybe' }, 'layers.0.targets.0.weight: "maybe"'],
  ['a tolerance beyond another behaviour', { ...target, tolerance: 3 }, 'layers.0.targets.0.tolerance: 3'],
  ['a target without a reason', { ...target, reason: '' }, 'layers.0.targets.0.reason: ""'],
])('names %s', (_, wrong, message) => {
  expect(complaints(withTarget(wrong))).toContain(message)
})

it('refuses a dimension that stands there twice', () => {
  const twice = { ...ring, layers: [{ id: 'one', name: 'One', targets: [target, target] }] }
  expect(complaints(twice)).toContain('expected every dimension only once')
})

it('refuses another version of the format', () => {
  expect(complaints({ ...ring, format: 'coherion.standard/9' })).toContain('expected coherion.standard/1')
})

it('tells from which layer each target comes', () => {
  const [first] = ring ? effectiveTargets(ring) : []
  expect(first?.from).toEqual({ standard: 'Ring action', layer: 'Ring action' })
})
