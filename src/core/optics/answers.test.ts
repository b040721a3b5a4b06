import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoBodies, demoLenses } from '../../demo/world'
import { allAnswers, allTroubles, answerTo } from './answers'
import { areasOnSubject, finestHeld } from './answers/area'
import type { Answer, QuestionId } from './answers/answer'
import { framings } from './answers/framing'
import { mayMiss } from './answers/miss'
import { recomposition } from './answers/recompose'
import { blurCurve, depthCurve, sharpnessCurve } from './curves'
import { cameraFigures, lensFigures } from './figures'
import { keepIn } from './keep'
import { sceneOf, standingOf } from './kept'
import { depthAt, distanceForShare, freeCamera, freeLens, reckon, type Reckoned, withinBounds } from './reckon'
import { BEGINNING, type Scene, sceneFromText, sceneText } from './scene'
import { subjectOf } from './subjects'
import { lengthWords, markedTime, markedUp, timeWords } from './words'
import { emptyStandard } from '../standards/edit'
import { calculationsOf } from '../standards/guidance'

const cameras = demoBodies().map(cameraFigures)
const lenses = demoLenses().map(lensFigures)

/** A scene by what it says, with the sizes of its subject. */
const at = (change: Partial<Scene>): Reckoned => {
  const s = subjectOf(change.subject ?? 'person')
  const scene = {
    ...BEGINNING,
    subjectWidth: s.width,
    subjectHeight: s.height,
    subjectDepth: s.depth,
    partSize: s.partSize,
    ...change,
  }
  const camera = cameras.find(c => c.id === scene.body) ?? freeCamera(scene)
  const lens = lenses.find(l => l.id === scene.lens) ?? freeLens(scene)
  return reckon(scene, camera, lens, 'metric')
}
const ask = (question: QuestionId, change: Partial<Scene>): Answer => answerTo(question, at(change))
const value = (answer: Answer, label: string): number => answer.figures.find(f => f.label === label)?.value ?? NaN

/** The marionette: a wooden face eight centimetres wide, hand-held. */
const MARIONETTE: Partial<Scene> = {
  body: 'sorrel',
  lens: 'sorrel-100-macro',
  focalMm: 100,
  subject: 'face',
  subjectWidth: 0.08,
  subjectHeight: 0.1,
  subjectDepth: 0.05,
  partSize: 0.012,
  distance: 0.6,
  fNumber: 5.6,
  time: 1 / 500,
}
/** The rope walker, high between two cranes. */
const ROPE: Partial<Scene> = {
  body: 'tollgate',
  lens: 'tollgate-500',
  focalMm: 500,
  distance: 40,
  fNumber: 4,
  time: 1 / 1000,
}

describe('depth', () => {
  it('says that a face at arm’s length is deeper than what is sharp, and what would hold it', () => {
    const answer = ask('depth', MARIONETTE)
    expect(answer.tone).toBe('no')
    expect(answer.verdict).toMatch(/is sharp; the subject is 5 cm deep/)
    const held = Number(/f\/(\d+) would hold it/.exec(answer.changes.join(' '))?.[1])
    expect(held).toBeGreaterThan(20)
    // What it names is true: asked again there, it holds, and one stop wider it does not.
    expect(ask('depth', { ...MARIONETTE, fNumber: held }).tone).not.toBe('no')
    expect(ask('depth', { ...MARIONETTE, fNumber: held / Math.SQRT2 }).tone).toBe('no')
  })

  it('warns where diffraction costs more than depth wins, and names the f-number', () => {
    const answer = ask('depth', { ...MARIONETTE, fNumber: 32, subjectDepth: 0.005 })
    const limit = value(answer, 'diffraction from')
    expect(answer.tone).toBe('mind')
    expect(limit).toBeGreaterThan(15)
    expect(limit).toBeLessThan(22)
    expect(value(answer, 'Airy disc') / value(answer, 'circle')).toBeCloseTo(32 / limit, 6)
  })

  it('of a subject turned end-on is short where side-on it is enough', () => {
    const wing = {
      ...MARIONETTE,
      subject: 'insect' as const,
      subjectWidth: 0.06,
      subjectDepth: 0.002,
      distance: 0.5,
      fNumber: 8,
    }
    expect(ask('depth', wing).tone).not.toBe('no')
    const turned = ask('depth', { ...wing, tiltDegrees: 90 })
    expect(turned.tone).toBe('no')
    expect(value(turned, 'the subject needs')).toBeCloseTo(0.06, 9)
    expect(value(turned, 'pictures for a stack')).toBeGreaterThan(1)
    expect(turned.changes.join(' ')).toContain('side-on')
  })

  it('is told by the pixel where somebody looks there', () => {
    const print = value(ask('depth', ROPE), 'depth')
    const pixel = value(ask('depth', { ...ROPE, basis: 'pixel', pixels: 1 }), 'depth')
    expect(pixel).toBeLessThan(print / 3)
  })
})

describe('recompose or move the point', () => {
  it('lets a rope walker far away be recomposed, and not a face near by at a wide opening', () => {
    expect(ask('recompose', ROPE).verdict).toMatch(/^You may recompose/)
    const near = {
      body: 'sorrel',
      lens: 'sorrel-85',
      focalMm: 85,
      subject: 'face' as const,
      distance: 0.9,
      fNumber: 1.8,
      placeX: 0.1,
      placeY: 0.1,
    }
    const answer = ask('recompose', near)
    expect(answer.verdict).toMatch(/^Move the point/)
    expect(answer.target).toEqual({ dimension: 'area.direct', value: true })
    // The f-number it names makes it safe, and the one before does not.
    const stop = Number(/f\/([\d.]+) would make it safe/.exec(answer.changes.join(' '))?.[1])
    expect(ask('recompose', { ...near, fNumber: stop }).tone).not.toBe('no')
    expect(ask('recompose', { ...near, fNumber: stop * 0.8 }).tone).toBe('no')
    const back = /So would ([\d.]+) m away/.exec(answer.changes.join(' '))?.[1]
    expect(ask('recompose', { ...near, distance: Number(back) * 1.02 }).tone).not.toBe('no')
  })

  it('is nothing where the area already is at the wanted place, unless the body sways', () => {
    const there = { ...MARIONETTE, areaX: 0.2, areaY: 0.3, placeX: 0.2, placeY: 0.3 }
    expect(ask('recompose', there).verdict).toContain('nothing to recompose')
    expect(ask('recompose', { ...there, sway: 0.03 }).tone).toBe('no')
  })

  it('knows where the points of a body end', () => {
    const corner = {
      body: 'tollgate',
      lens: 'tollgate-17-50',
      focalMm: 50,
      distance: 0.5,
      fNumber: 2.8,
      placeX: 0.02,
      placeY: 0.02,
      subject: 'face' as const,
    }
    expect(ask('recompose', corner).changes.join(' ')).toContain('Focus points end before that place')
    expect(ask('recompose', { ...corner, placeX: 0.3, placeY: 0.35, sway: 0.02 }).changes.join(' ')).toContain(
      'Focus points reach that place',
    )
  })

  it('is safe exactly up to the angle it prints', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        (distance, placeX) => {
          const r = at({ distance, placeX, fNumber: 2.8 })
          const answer = answerTo('recompose', r)
          const turn = recomposition(r, { x: 0.5, y: 0.5 })
          expect(turn.released <= value(answer, 'largest safe angle')).toBe(answer.tone !== 'no')
        },
      ),
    )
  })
})

describe('which area fits', () => {
  it('ranks every area of the body from the finest, at its true size on the subject', () => {
    const r = at({ ...MARIONETTE, distance: 2 })
    const areas = areasOnSubject(r)
    expect(areas.map(a => a.label)).toEqual([
      'Patch XS',
      'Patch S',
      'Patch M',
      'Patch L',
      'Meadow',
      'Wide meadow',
      'Whole view',
    ])
    // 3.2 % of 36 mm, magnified to the subject.
    expect(areas[0]?.width).toBeCloseTo((0.032 * 0.036) / r.magnification, 9)
  })

  it('lets steadier hands use finer areas, and never the other way round', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...cameras.map(c => String(c.id))),
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 0.02, max: 2, noNaN: true }),
        (body, distance, handsDegrees) => {
          const size = (hands: number) => {
            const best = finestHeld(
              areasOnSubject(at({ body, distance, handsDegrees: hands, focalMm: 200, closestMetres: 1 })),
            )
            return best ? best.width * best.height : Infinity
          }
          expect(size(handsDegrees / 2)).toBeLessThanOrEqual(size(handsDegrees))
        },
      ),
    )
  })

  it('says whether detection finds the part where the profile states it, and is silent where it does not', () => {
    expect(ask('area', { ...MARIONETTE }).changes.join(' ')).toContain('detection finds the eye')
    expect(
      ask('area', { body: 'sorrel', lens: 'sorrel-24-70', focalMm: 24, subject: 'face', distance: 9 }).changes.join(
        ' ',
      ),
    ).toContain('does not find the eye')
    expect(ask('area', ROPE).changes.join(' ')).not.toContain('etection')
  })

  it('turns with the camera that is held upright', () => {
    const size = (upright: boolean) => areasOnSubject(at({ body: 'sorrel', upright }))[0]
    expect(size(true)?.width).toBeCloseTo(Number(size(false)?.height), 12)
  })

  it('names an area of which the profile has no size, and the nearest that can be reckoned with', () => {
    const scene = { ...BEGINNING, body: 'x' }
    const camera = {
      ...freeCamera(scene),
      areas: [{ label: 'Speck', size: undefined, area: undefined, guessed: false }],
    }
    const answer = answerTo('area', reckon(scene, camera, freeLens(scene), 'metric'))
    expect(answer.changes.join(' ')).toContain('does not say how large Speck is')
  })
})

describe('the limiter', () => {
  it('for a plan from 4 to 20 m is far only, and saves two thirds of the travel', () => {
    const answer = ask('limiter', {
      body: 'sorrel',
      lens: 'sorrel-70-200',
      focalMm: 200,
      planNear: 4,
      planFar: 20,
      distance: 8,
    })
    expect(answer.verdict).toContain('“far only”')
    expect(value(answer, 'travel saved')).toBeCloseTo(0.68, 2)
  })

  it('in the body, for a subject at 5 m, is 4 m to 6 m (common practice, no published source)', () => {
    const answer = ask('limiter', { body: 'shingle', lens: 'pebble-300', focalMm: 300, distance: 5, margin: 0.2 })
    expect(answer.verdict).toContain('4 m to 6 m')
    expect(answer.target).toEqual({ dimension: 'range.limit', value: { nearMetres: 4, farMetres: 6 } })
  })

  it('converts what was measured from the front of the lens, and says so', () => {
    const lens = {
      body: 'sorrel',
      lens: 'sorrel-70-200',
      focalMm: 200,
      distance: 5,
      planNear: 2.8,
      planFar: 6,
      margin: 0,
    }
    expect(ask('limiter', lens).short).toBe('limiter off')
    const front = ask('limiter', { ...lens, planFrom: 'front' })
    // 2.8 m from the front of a lens of 24 cm is 3.04 m from the sensor plane.
    expect(value(front, 'planned')).toBeCloseTo(3.04, 9)
    expect(front.short).toContain('far only')
    expect(front.changes.join(' ')).toContain('yours were converted')
  })
})

describe('framing', () => {
  it('600 mm with a 1.4x extender on a 1.6 crop frames like 1344 mm (common practice, no published source)', () => {
    const answer = ask('framing', {
      sensorWidthMm: 36 / 1.6,
      sensorHeightMm: 24 / 1.6,
      focalMm: 600,
      extender: 1.4,
      distance: 50,
      closestMetres: 4,
      fNumber: 5.6,
    })
    expect(value(answer, 'frames like')).toBeCloseTo(1344, 6)
    expect(answer.verdict).toContain('1344 mm')
  })

  it('finds what gives the same frame and the same depth on another body, and it does', () => {
    const r = at({ body: 'sorrel', lens: 'sorrel-70-200', focalMm: 135, distance: 6, fNumber: 4 })
    const all = framings(r, cameras, lenses).filter(f => f.isSameFrame && f.depthRatio > 0.99 && f.depthRatio < 1.01)
    expect(all.length).toBeGreaterThan(1)
    for (const f of all) {
      const other = at({
        body: String(f.camera.id),
        lens: String(f.lens.id),
        focalMm: f.focalMm,
        distance: f.distance,
        fNumber: f.fNumber,
      })
      const diagonal = (x: Reckoned) => Math.hypot(x.camera.widthMm, x.camera.heightMm)
      expect((other.magnification / r.magnification) * (diagonal(r) / diagonal(other))).toBeCloseTo(1, 1)
      expect((other.depth.front + other.depth.behind) / (r.depth.front + r.depth.behind)).toBeCloseTo(1, 1)
    }
  })
})

describe('step back and crop', () => {
  it('steps back as far as the output allows, and the depth is there', () => {
    const scene = { ...MARIONETTE, subjectDepth: 0.016, outputPixels: 2000 }
    const answer = ask('crop', scene)
    expect(answer.verdict).toMatch(/^Step back to/)
    const times = value(answer, 'step back')
    const back = at({ ...scene, distance: 0.6 * times, basis: 'own', circleMm: at(scene).circleMm / times })
    expect((back.depth.front + back.depth.behind) / 0.016).toBeCloseTo(1, 2)
    expect(value(answer, 'pixels left')).toBe(Math.floor(7008 / times))
  })

  it('stops down where too few pixels would be left', () => {
    expect(ask('crop', { ...MARIONETTE, subjectDepth: 0.016, outputPixels: 6000 }).verdict).toMatch(
      /^Stop down to f\/1/,
    )
  })
})

describe('the shutter', () => {
  it('for a runner who crosses names a time at which the blur is what counts as sharp', () => {
    const running = { ...ROPE, speed: 4, time: 1 / 250 }
    const answer = ask('shutter', running)
    expect(answer.tone).toBe('no')
    const safe = markedTime(value(answer, 'slowest safe time'))
    expect(ask('shutter', { ...running, time: safe }).tone).toBe('fine')
    expect(ask('shutter', { ...running, time: safe * 2 }).tone).toBe('no')
    expect(answer.changes.join(' ')).toContain('ISO has to pay')
  })

  it('lets the f-number pay where lens and depth allow it', () => {
    const answer = ask('shutter', {
      body: 'sorrel',
      lens: 'sorrel-70-200',
      focalMm: 200,
      distance: 30,
      fNumber: 8,
      speed: 5,
      time: 1 / 500,
    })
    expect(answer.changes.join(' ')).toContain('The f-number can pay')
  })

  it('does not care about stabilisation where the subject moves, and freezes with a flash', () => {
    const moving = { ...ROPE, speed: 6, time: 1 / 250, stabiliserStops: 4 }
    expect(ask('shutter', moving).changes.join(' ')).toContain('Stabilisation does not help')
    const flash = ask('shutter', { ...moving, flashTime: 1 / 20_000 })
    expect(flash.tone).toBe('fine')
    expect(flash.cautions.join(' ')).toContain('none toward aerialists')
  })
})

describe('a miss', () => {
  it('is told from its tolerance, and asks for focus priority where it shows', () => {
    const r = at(MARIONETTE)
    expect(ask('miss', { ...MARIONETTE, miss: r.depth.front * 0.9 }).tone).toBe('fine')
    const bad = ask('miss', { ...MARIONETTE, miss: r.depth.front * 3 })
    expect(bad.tone).toBe('no')
    expect(bad.target).toEqual({ dimension: 'release.first', value: 'focus' })
  })
})

describe('answers that fresh scenes found wrong', () => {
  it('a plane may miss exactly as far as the blur allows, also at the hyperfocal distance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: 1.8, max: 16, noNaN: true }),
        (distance, fNumber) => {
          const r = at({ distance, fNumber })
          const may = mayMiss(r)
          // Refocused there, the subject is at the rim of the depth of that plane: by the other formula.
          if (may.far < 50_000) expect(depthAt(r, { distance: distance + may.far }).front / may.far).toBeCloseTo(1, 2)
          if (may.near !== Infinity)
            expect(depthAt(r, { distance: distance - may.near }).behind / may.near).toBeCloseTo(1, 2)
        },
      ),
    )
    const row = { focalMm: 24, widestFNumber: 4, closestMetres: 0.3, distance: 9, fNumber: 5.6 }
    expect(at(row).depth.behind).toBe(Infinity)
    expect(value(ask('miss', row), 'too near may be')).toBeLessThan(9)
  })

  it('no camera is asked for a time that none has, and what to follow is true', () => {
    const bird = { ...ROPE, subject: 'small-bird' as const, distance: 12, speed: 40, time: 1 / 2000 }
    const answer = ask('shutter', bird)
    expect(answer.verdict).toContain('no shutter is short enough')
    const panned = Number(/Panned along with (\d+) %/.exec(answer.changes.join(' '))?.[1]) / 100
    expect(ask('shutter', { ...bird, panned: panned + 0.01 }).tone).toBe('fine')
    expect(ask('shutter', { ...bird, panned: panned - 0.02 }).tone).toBe('no')
  })

  it('turned no further than to the corner, and flat things are not turned flatter', () => {
    expect(ask('recompose', ROPE).short).toBe('recompose anywhere in the frame')
    expect(ask('crop', { ...MARIONETTE, subjectDepth: 0.5 }).verdict).toContain('bring it into one plane')
  })
})

describe('light and air', () => {
  /** The harbour in June at half past seven in the evening, an hour ahead of UTC. */
  const evening = {
    latitude: 51.5,
    longitude: 0,
    at: Date.UTC(2026, 5, 21, 18, 30),
    offsetMinutes: 60,
    facingDegrees: 290,
  }

  it('has the stilt race against the sun, until when, and never without the caution', () => {
    const answer = ask('light', evening)
    expect(answer.verdict).toMatch(/^19:30: back-lit, the sun \d+° high in the (west|north-west), against you until/)
    expect(answer.target).toEqual({ dimension: 'meter.bias', value: -0.7 })
    expect(answer.cautions.join(' ')).toContain('Never look at the sun')
    expect(ask('light', { ...evening, facingDegrees: 110 }).verdict).toContain('lit from the front')
  })

  it('at the pole in winter says so, and when the sun comes back', () => {
    const r = at({ ...evening, latitude: 85, at: Date.UTC(2026, 11, 21, 12) })
    const [trouble] = allTroubles(r)
    expect(trouble?.words).toContain('The sun does not rise')
    expect(new Date(Number(trouble?.nearest)).getUTCFullYear()).toBe(2027)
    expect(answerTo('light', r).verdict).toContain('the sun is down')
  })

  it('warns calmly of warm ground far away at noon, not near by and not in the evening', () => {
    const noon = { ...evening, at: Date.UTC(2026, 5, 21, 12), warmGround: true }
    expect(ask('air', { ...noon, distance: 120 }).tone).toBe('mind')
    expect(ask('air', { ...noon, distance: 8 }).tone).toBe('fine')
    expect(ask('air', { ...noon, distance: 120, at: evening.at }).tone).toBe('fine')
  })
})

describe('what cannot be', () => {
  it.each([
    [{ ...MARIONETTE, distance: 0.2 }, 'distance', 0.28, 'inside the closest focus'],
    [{ ...MARIONETTE, distance: 0.1 }, 'distance', 0.28, 'inside the lens itself'],
    [{ ...MARIONETTE, fNumber: 1.4 }, 'fNumber', 2.8, 'f/1.4 is wider'],
    [{ ...ROPE, extender: 2, fNumber: 4 }, 'fNumber', 8, 'with this extender'],
    [{ ...MARIONETTE, focalMm: 50 }, 'focalMm', 100, '100 mm only'],
    [{ distance: -3 }, 'distance', 0.01, 'Distance cannot be -3'],
    [{ fNumber: 0 }, 'fNumber', 0.5, 'f-number cannot be 0'],
    [{ latitude: 123 }, 'latitude', 90, 'Latitude cannot be 123'],
    [{ ...MARIONETTE, planNear: 0.1, planFar: 3 }, 'planNear', 0.28, 'inside the lens'],
    [{ planNear: 8, planFar: 3 }, 'planNear', 3, 'swapped'],
    // Typed from the front of a lens of 17 cm, the nearest is told from there too.
    [
      { ...MARIONETTE, planFrom: 'front' as const, planNear: 0.05, planFar: 1 },
      'planNear',
      0.28 - 0.17,
      'does not focus nearer',
    ],
    [{ planFrom: 'front' as const, planNear: 2 }, 'frontMetres', undefined, 'type it'],
  ])('says so with the nearest that can, and answers all the same (%#)', (change, field, nearest, words) => {
    const r = at(change)
    const trouble = allTroubles(r).find(t => t.field === field)
    expect(trouble?.words).toContain(words)
    expect(trouble?.nearest).toBe(nearest)
    expect(allAnswers(r)).toHaveLength(10)
    // What is offered is not refused again.
    if (nearest !== undefined && field !== 'planNear')
      expect(
        allTroubles(at({ ...change, [field]: nearest })).filter(
          t => t.field === field && t.nearest !== undefined && t.words === trouble?.words,
        ),
      ).toEqual([])
  })

  it('fills the frame no further than the lens focuses', () => {
    const r = at({ ...MARIONETTE, subject: 'eye', subjectWidth: 0.005, subjectHeight: 0.005 })
    const found = distanceForShare(r, 3)
    expect(found.ok).toBe(false)
    const half = distanceForShare(r, 0.1)
    expect(
      half.ok &&
        at({ ...MARIONETTE, subject: 'eye', subjectWidth: 0.005, subjectHeight: 0.005, distance: half.distance }).fills,
    ).toBeCloseTo(0.1, 4)
  })

  it('never throws, and never shows what is no number, whatever is typed', () => {
    const any = fc.oneof(fc.double(), fc.constantFrom(0, -1, 1e-9, 1e9, NaN, Infinity))
    const keys = Object.entries(BEGINNING).flatMap(([k, v]) => (typeof v === 'number' ? [k] : []))
    fc.assert(
      fc.property(
        fc.dictionary(fc.constantFrom(...keys), any),
        fc.constantFrom('', ...cameras.map(c => String(c.id))),
        fc.constantFrom('', ...lenses.map(l => String(l.id))),
        (odd, body, lens) => {
          const r = at({ ...(odd as Partial<Scene>), body, lens })
          const said = allAnswers(r).flatMap(a => [a.verdict, a.short, ...a.changes, ...a.figures.map(f => f.words)])
          expect(said.filter(w => /NaN|undefined|Infinity/.test(w))).toEqual([])
        },
      ),
      { numRuns: 1000 },
    )
  })
})

describe('a scene in an address', () => {
  it('comes back as it was; the beginning needs no words', () => {
    expect(sceneText(BEGINNING)).toBe('')
    fc.assert(
      fc.property(
        fc.record({
          distance: fc.double({ min: 0.1, max: 99, noNaN: true }),
          upright: fc.boolean(),
          subject: fc.constantFrom('eye', 'car'),
          body: fc.constantFrom('', 'sorrel'),
        }),
        change => {
          const scene = { ...BEGINNING, ...change }
          const back = sceneFromText(sceneText(scene))
          expect(back.distance).toBeCloseTo(scene.distance, 9)
          expect({ ...back, distance: 0 }).toEqual({ ...scene, distance: 0 })
        },
      ),
    )
  })

  it('ignores what it does not know', () => {
    expect(sceneFromText('fNumber~8*subject~whale*nonsense~3*upright~maybe*distance~far')).toEqual({
      ...BEGINNING,
      fNumber: 8,
      distance: BEGINNING.distance,
    })
  })
})

describe('a kept answer', () => {
  const standard = emptyStandard({ id: 'close', name: 'Close', about: 'x' }, 'work', undefined)
  const request = { as: 'figure', weight: 'should' } as const
  const r = at({ ...MARIONETTE, body: 'sorrel' })

  it('becomes a target with the calculation as its reason', () => {
    const kept = keepIn(standard, r, answerTo('limiter', r), { as: 'target', weight: 'must' })
    const target = kept?.standard.layers[0]?.targets[0]
    expect(target?.dimension).toBe('range.limit')
    expect(target?.weight).toBe('must')
    expect(target?.reason).toMatch(/^Optics: Set/)
    expect(kept?.calculation.dimension).toBe('range.limit')
    expect(keepIn(standard, r, answerTo('depth', r), { as: 'target', weight: 'must' })).toBeUndefined()
  })

  it('for one scene stands in that scene’s layer and counts only there', () => {
    const once = keepIn(standard, r, answerTo('depth', r), { ...request, as: 'note', forScene: 'Marionette close-up' })
    const twice =
      once && keepIn(once.standard, r, answerTo('recompose', r), { ...request, forScene: 'Marionette close-up' })
    expect(twice?.standard.layers.map(l => l.name)).toEqual(['Close', 'Marionette close-up'])
    expect(twice && calculationsOf(twice.standard)).toEqual([])
    expect(twice && calculationsOf(twice.standard, { scenes: ['Marionette close-up'] })).toHaveLength(2)
  })

  it('takes the place of what was kept before of the same body and lens, and of nothing else', () => {
    const one = keepIn(standard, r, answerTo('depth', r), request)
    const again =
      one &&
      keepIn(one.standard, at({ ...MARIONETTE, fNumber: 11 }), ask('depth', { ...MARIONETTE, fNumber: 11 }), request)
    expect(again && calculationsOf(again.standard)).toHaveLength(1)
    const rope = at(ROPE)
    const other = again && keepIn(again.standard, rope, answerTo('depth', rope), request)
    expect(other && calculationsOf(other.standard).map(c => c.id)).toEqual(['depth', 'depth-2'])
  })

  it('can be asked again, and says what has changed under it and what it would be now', () => {
    const kept = keepIn(standard, r, answerTo('depth', r), request)
    if (!kept) throw new Error('not kept')
    const { calculation } = kept
    expect(sceneOf(calculation)).toEqual(r.scene)
    const same = standingOf(calculation, r.camera, r.lens, 'metric')
    expect(same.changed).toEqual([])
    expect(same.now?.short).toBe(calculation.short)
    const changed = standingOf(calculation, { ...r.camera, widthMm: 23.6, heightMm: 15.7 }, r.lens, 'metric')
    expect(changed.changed).toEqual(['sensor: was 36 mm × 24 mm, is 23.6 mm × 15.7 mm'])
    expect(changed.now?.short).not.toBe(calculation.short)
    expect(standingOf(calculation, undefined, r.lens, 'metric').changed.join()).toContain('not here any more')
  })

  it('is asked again when a firmware changes the size of an area, and not when something else does', () => {
    const kept = keepIn(standard, r, answerTo('area', r), request)
    const larger = {
      ...r.camera,
      areas: r.camera.areas.map(a =>
        a.label === 'Patch S' && a.size ? { ...a, size: { width: 0.07, height: 0.09 } } : a,
      ),
    }
    expect(kept && standingOf(kept.calculation, larger, r.lens, 'metric').changed).toEqual([
      'area Patch S: was 4.5 % × 6 %, is 7 % × 9 %',
    ])
    const depth = keepIn(standard, r, answerTo('depth', r), request)
    expect(depth && standingOf(depth.calculation, larger, r.lens, 'metric').changed).toEqual([])
  })
})

describe('curves', () => {
  it('have the best f-number between where blur and where diffraction takes over', () => {
    const points = sharpnessCurve(at({ ...MARIONETTE, subjectDepth: 0.006 }))
    const best = points.reduce((a, b) => (b.atRim > a.atRim ? b : a))
    expect(best.fNumber).toBeGreaterThan(points[0]?.fNumber ?? 0)
    expect(best.fNumber).toBeLessThan(points.at(-1)?.fNumber ?? 0)
    expect(points.every(p => p.atRim <= p.inPlane + 1e-9)).toBe(true)
  })

  it('touch nought where the plane is on the subject, and the circle at the ends of the depth', () => {
    const r = at(MARIONETTE)
    const points = blurCurve(r)
    expect(Math.min(...points.map(p => p.blurMm))).toBeLessThan(r.circleMm / 5)
    expect(depthCurve(r).every((p, i, all) => i === 0 || p.depth >= Number(all[i - 1]?.depth))).toBe(true)
  })
})

describe('words', () => {
  it('are those people use', () => {
    expect([timeWords(1 / 125), timeWords(0.5), timeWords(1 / 1600)]).toEqual(['1/125 s', '0.5 s', '1/1600 s'])
    expect([
      lengthWords(0.0042, 'metric'),
      lengthWords(0.56, 'metric'),
      lengthWords(40, 'metric'),
      lengthWords(1, 'imperial'),
    ]).toEqual(['4.2 mm', '56 cm', '40 m', '3.28 ft'])
    expect([markedUp(5.2), markedUp(5.6), markedTime(0.0045)]).toEqual([5.6, 5.6, 1 / 250])
  })

  it('agree in metres and feet', () => {
    const feet = (r: Reckoned) => reckon(r.scene, r.camera, r.lens, 'imperial')
    const metric = at(ROPE)
    const values = (r: Reckoned) => allAnswers(r).flatMap(a => a.figures.map(f => f.value))
    expect(values(feet(metric))).toEqual(values(metric))
  })
})

it('has bounds for every figure of a scene', () => {
  const odd = Object.fromEntries(
    Object.entries(BEGINNING).map(([k, v]) => [k, typeof v === 'number' ? NaN : v]),
  ) as Scene
  expect(Object.values(withinBounds(odd).scene).filter(v => Number.isNaN(v))).toEqual([])
})
