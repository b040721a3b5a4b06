import { describe, expect, it } from 'vitest'
import { setUpOf } from '../../src/core/rehearsal/set-up'
import { readRehearsal } from '../../src/server/rehearsal'
import { useDemoFolder } from '../fixtures/demo-folder'

/** What a rehearsal is played with: what a body comes to be set to, in figures. */

useDemoFolder()

const ask = (more: object = {}) =>
  readRehearsal({
    standard: 'ring-action',
    for: undefined,
    body: 'sorrel',
    otherStandard: undefined,
    otherBody: undefined,
    ...more,
  })

describe('a rehearsal', () => {
  it('is played with what the standard sets on that body, and assumes little', async () => {
    const { first, second } = (await ask()) ?? {}
    expect(second).toBeUndefined()
    expect(first).toMatchObject({ body: 'sorrel', standard: 'ring-action', name: 'Sorrel, Ring action' })
    const { setUp, assumed } = setUpOf(
      first?.means ?? {},
      first?.facts ?? { sensor: { widthMm: 1, heightMm: 1 }, leastFace: undefined, frameRate: undefined },
      { focalMm: 135, fNumber: 2.8 },
      'practised',
      first?.school ?? 'thumb-start',
    )
    expect(assumed).toEqual([])
    expect(setUp.framesPerSecond).toBe(12)
    expect(setUp.finds).toBe('inside-area')
    expect(setUp.areaWidth).toBeGreaterThan(0.02)
  })

  it('stands beside another standard, or another body, and goes by what is there', async () => {
    expect((await ask({ otherStandard: 'high-rope' }))?.second).toMatchObject({ body: 'sorrel', standard: 'high-rope' })
    expect((await ask({ otherBody: 'wicket' }))?.second).toMatchObject({ body: 'wicket', standard: 'ring-action' })
    expect(await ask({ body: 'nobody', standard: 'nothing', otherBody: 'nobody' })).toMatchObject({
      first: { standard: 'ring-action' },
      second: undefined,
    })
  })
})
