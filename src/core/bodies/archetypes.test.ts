import { describe, expect, it } from 'vitest'
import { PLACE_IDS } from '../vocabulary/places'
import { bodyFromArchetype, controlAt, freeSpot, withUsualControls } from './archetypes'
import { checkBody } from './check'
import type { Control } from './schema'

const HEIGHT = { back: 66, top: 40, front: 66 }

const apart = (a: Control, b: Control): number =>
  a.at.view === b.at.view ? Math.hypot((a.at.x - b.at.x) * 100, (a.at.y - b.at.y) * HEIGHT[a.at.view]) : Infinity

describe('a new control', () => {
  it('stands where such controls usually do, and never on one that is there', () => {
    for (const place of PLACE_IDS) {
      const controls: Control[] = []
      for (let n = 0; n < 8; n++) {
        const at = freeSpot(place, controls)
        const control = { ...controlAt(`key-${n}`, `Key ${n}`, place), at }
        if (n === 0) expect(at).toEqual(controlAt('x', 'X', place).at)
        // A mark is eight hundredths of the width across.
        for (const other of controls) expect(apart(control, other), `${place} ${n}`).toBeGreaterThan(8)
        controls.push(control)
      }
    }
  })

  it('stands as near to its usual place as leaves the others to be seen', () => {
    const controls: Control[] = []
    for (let n = 0; n < 7; n++)
      controls.push({ ...controlAt(`key-${n}`, `Key ${n}`, 'thumb-centre'), at: freeSpot('thumb-centre', controls) })
    const [first, ...others] = controls
    if (!first) throw new Error('no control')
    // Six find room around one, or nearly.
    for (const other of others) expect(apart(first, other)).toBeLessThan(19)
  })

  it('is drawn on the side of the body where its place is', () => {
    expect(freeSpot('index-front', []).view).toBe('front')
    expect(freeSpot('top-plate', [controlAt('a', 'A', 'shutter')]).view).toBe('top')
  })
})

describe('the controls such bodies usually have', () => {
  const named = { id: 'stilt', maker: 'Marl', model: 'Stilt' }

  it('come where there is none yet, each to be seen, and leave what is there', () => {
    const blank = bodyFromArchetype('mirrorless', named)
    const whole = withUsualControls(blank)
    expect(whole.controls.slice(0, blank.controls.length)).toEqual(blank.controls)
    expect(whole.controls.slice(blank.controls.length).map(c => c.label)).toEqual([
      'Lower thumb key',
      'Ring finger key',
      'Top key',
      'Lens key',
    ])
    for (const a of whole.controls) for (const b of whole.controls) if (a !== b) expect(apart(a, b)).toBeGreaterThan(8)
    expect(checkBody(whole, 'Stilt')).toEqual([])
    expect(withUsualControls(whole)).toEqual(whole)
  })

  it('are two where there is only a screen', () => {
    expect(withUsualControls(bodyFromArchetype('compact', named)).controls.map(c => c.place)).toEqual([
      'shutter',
      'thumb-upper-right',
      'thumb-centre',
    ])
  })
})
