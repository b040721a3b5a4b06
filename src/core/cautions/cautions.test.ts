import { describe, expect, it } from 'vitest'
import { tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { demoBodies } from '../../demo/world'
import { effectiveTargets, type Target } from '../standards'
import { bodyCautions, standardCautions } from './cautions'

const titles = (cautions: readonly { readonly title: string }[]) => cautions.map(c => c.title)

describe('of a body', () => {
  it('say what is safe where the profile does not tell how AF and manual get along', () => {
    const [first] = bodyCautions(tinyBody({ a: ['x'] }))
    expect(first?.words).toContain('switch at one place only and read the maker’s manual')
  })

  it('are the body’s own where its profile tells', () => {
    const tollgate = demoBodies().find(b => b.id === 'tollgate')
    const words = tollgate
      ? bodyCautions(tollgate)
          .map(c => c.words)
          .join(' ')
      : ''
    expect(words).toContain('side lever only')
    expect(words).not.toContain('This profile does not say')
  })

  it('warn of the sun wherever there is an optical finder, and only there', () => {
    for (const body of demoBodies())
      expect(titles(bodyCautions(body)).includes('Sun')).toBe(body.viewfinder === 'optical')
  })

  it('never leave AF against manual unsaid', () => {
    for (const body of demoBodies())
      expect(
        bodyCautions(body).some(c => c.dimensions.includes('mode.drive')),
        body.model,
      ).toBe(true)
  })
})

describe('of a standard', () => {
  const cautions = (...targets: readonly Omit<Target, 'reason'>[]) =>
    titles(standardCautions(effectiveTargets(tinyStandard(...targets))))
  const thumb = { dimension: 'trigger.start', value: { place: 'thumb-upper-right' }, weight: 'must' } as const

  it('warn of the thumb when the thumb holds, not when the shutter starts focus', () => {
    expect(cautions(thumb)).toContain('Your thumb')
    expect(cautions(thumb, { dimension: 'trigger.shutter', value: 'starts-af', weight: 'must' })).not.toContain(
      'Your thumb',
    )
  })

  it('warn of lamp and sounds unless both are switched off', () => {
    const off = (dimension: string) => ({ dimension, value: false, weight: 'must' }) as const
    expect(cautions(thumb)).toContain('AF lamp, flash and sounds')
    expect(cautions(off('see.lamp'))).toContain('AF lamp, flash and sounds')
    expect(cautions(off('see.lamp'), off('see.tone'))).not.toContain('AF lamp, flash and sounds')
  })
})
