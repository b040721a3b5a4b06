import { describe, expect, it } from 'vitest'
import { demoBodies, demoLenses } from '../../demo/world'
import { bundleOf, parseBundle } from './bundle'
import { problemWords } from '../reading/problem'

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))
const complaints = (value: unknown) => {
  const parsed = parseBundle(value, 'file.json')
  return parsed.ok ? '' : parsed.problems.map(problemWords).join('\n')
}

describe('one file with many bodies and lenses', () => {
  it('written and read again is the same', () => {
    const parsed = parseBundle(plain(bundleOf(demoBodies(), demoLenses())), 'all.json')
    expect(parsed).toEqual({ ok: true, value: { bodies: demoBodies(), lenses: demoLenses() } })
  })

  it('may be a single body or a single lens as well', () => {
    const [body, lens] = [demoBodies()[0], demoLenses()[0]]
    expect(parseBundle(plain(body), 'b.json')).toEqual({ ok: true, value: { bodies: [body], lenses: [] } })
    expect(parseBundle(plain(lens), 'l.json')).toEqual({ ok: true, value: { bodies: [], lenses: [lens] } })
  })

  it('is refused as a whole where one document is wrong, with its place', () => {
    const [good, bad] = demoBodies()
    const broken = { ...(plain(bad) as object), viewfinder: 'periscope' }
    expect(complaints(bundleOf([good, broken] as never, []))).toContain('file.json, bodies.1.viewfinder: "periscope"')
  })

  it.each([
    [{ format: 'coherion.bundle/3' }, 'written by a later version'],
    [{ format: 'coherion.standard/1' }, 'this file holds a standard'],
    [{ format: 7 }, 'format'],
    [null, 'file.json'],
    [[], 'file.json'],
  ])('is refused where it is something else (%#)', (value, words) => {
    expect(complaints(value)).toContain(words)
  })
})
