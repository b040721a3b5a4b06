import { describe, expect, it } from 'vitest'
import { tinyBody, tinyStandard } from '../../../test/fixtures/tiny-body'
import { demoBodies, demoStandards } from '../../demo/world'
import type { Body } from '../bodies'
import { SCHOOL_TARGETS } from '../guide/schools'
import type { PlaceAssignment } from '../vocabulary/values'
import { explain } from './explain'
import { resolve } from './resolve'
import { whyLostWords } from './words'

/** What an answer must not claim. Each was claimed once. */
describe('an answer', () => {
  it('does not choose an option that says nothing over one that says exactly what is wanted', () => {
    const silentFirst = tinyBody({ tone: ['shutter only', ['off', { 'trigger.touch': 'off' }]] })
    const wanted = tinyStandard({ dimension: 'trigger.touch', value: 'off', weight: 'should' })
    expect(resolve(silentFirst, wanted).state).toEqual({ tone: 'off' })
    // Where nothing says it at all, it still holds, even a must without any tolerance.
    const must = tinyStandard({ dimension: 'trigger.touch', value: 'off', weight: 'must', tolerance: 0 })
    expect(resolve(tinyBody({ other: ['a', 'b'] }), must).mustsHeld).toBe(1)
  })

  it('names as what brings something about only what is set, and not what is greyed out', () => {
    let named = 0
    for (const body of demoBodies())
      for (const standard of demoStandards()) {
        const { state, unavailable, outcomes } = resolve(body, standard)
        for (const { target, parts } of outcomes)
          for (const { setting, option } of parts.flatMap(p => p.deliveries)) {
            expect(state[setting], `${body.id}, ${standard.id}, ${target.dimension}`).toBe(option)
            expect(unavailable).not.toContain(setting)
            named++
          }
      }
    expect(named).toBeGreaterThan(1000)
  })

  it('does not call ten and fourteen frames a second just as good', () => {
    const body = tinyBody({
      burst: [
        ['ten', { 'release.rate': 10 }],
        ['fourteen', { 'release.rate': 14.4 }],
      ],
    })
    const { alternatives } = explain(
      body,
      tinyStandard({ dimension: 'release.rate', value: 12, weight: 'should' }),
      'release.rate',
    )
    expect(alternatives.map(a => whyLostWords(a.lost))).toEqual([
      expect.stringMatching(/^As near to what is asked, if not the same/),
    ])
  })

  it('does not let a body that offers only automatic hold the guide’s must for continuous', () => {
    const musts = SCHOOL_TARGETS.filter(t => t.dimension === 'mode.drive' && t.weight === 'must')
    expect(musts.length).toBeGreaterThan(0)
    const body = tinyBody({
      mode: [
        ['auto', { 'mode.drive': 'automatic' }],
        ['one', { 'mode.drive': 'single' }],
      ],
    })
    for (const { tolerance } of musts) {
      const target = { dimension: 'mode.drive', value: 'continuous', weight: 'must' } as const
      const { mustsHeld } = resolve(body, tinyStandard(tolerance === undefined ? target : { ...target, tolerance }))
      expect(mustsHeld).toBe(0)
    }
  })

  it('does not have a function on the lens half a unit off once and a quarter another time', () => {
    const lens: Body['controls'][number] = {
      id: 'collar',
      label: 'Collar',
      place: 'lens',
      at: { view: 'front', x: 0.5, y: 0.5 },
      functions: ['trigger.second'],
      holdable: true,
    }
    const area = { pattern: 'point', width: 0.05, height: 0.05 } as const
    const body = tinyBody(
      { key: [['second', { 'trigger.second': { control: 'collar', area } }]] },
      { controls: [lens] },
    )
    const off = (value: PlaceAssignment) =>
      resolve(body, tinyStandard({ dimension: 'trigger.second', value, weight: 'should' })).outcomes[0]?.distance
    expect(off({ place: 'thumb-centre' })).toBe(0.5)
    expect(off({ place: 'thumb-centre', area })).toBe(0.5)
    // What is bound may take it further off still.
    expect(off({ place: 'thumb-centre', area, subject: { class: 'birds' } })).toBe(0.5)
    expect(off({ place: 'lens', area, subject: { class: 'birds' } })).toBeCloseTo(1 / 3, 5)
  })

  it('does not ask a body without a row for exposure bias to have one', () => {
    const { outcomes } = resolve(
      tinyBody({ other: ['a', 'b'] }),
      tinyStandard({ dimension: 'meter.bias', value: 0, weight: 'must' }),
    )
    expect(outcomes[0]).toMatchObject({ held: true, missing: undefined })
  })
})
