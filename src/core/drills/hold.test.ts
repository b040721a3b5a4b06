import { describe, expect, it } from 'vitest'
import { refereeHold } from '../../../test/fixtures/hold-referee'
import { SCHOOL_IDS, type SchoolId } from '../functions/schools'
import { random } from '../numeric/random'
import {
  holdFigures,
  judgeHold,
  type KeyId,
  type KeyPress,
  type Phase,
  placeAt,
  scriptOf,
  thumbSeconds,
  wantedIn,
} from './hold'

/** Fingers that do what the school asks, so many milliseconds after each moment. */
const learner = (phases: readonly Phase[], school: SchoolId, delay: (i: number) => number): readonly KeyPress[] => {
  let held: readonly KeyId[] = []
  return phases.flatMap((p, i) => {
    const { held: next, tapped } = wantedIn(school, p)
    const at = p.from + delay(i)
    const isTap = tapped !== undefined && p.happening !== undefined
    const presses: KeyPress[] = [
      ...held.filter(k => !next.includes(k)).map(key => ({ at, key, isDown: false })),
      ...next.filter(k => !held.includes(k)).map(key => ({ at, key, isDown: true })),
      ...(isTap
        ? [
            { at, key: tapped, isDown: true },
            { at: at + 80, key: tapped, isDown: false },
          ]
        : []),
    ]
    held = next
    return presses
  })
}

describe('what happens in a try', () => {
  it('is the same for the same seed, and has everything in it that can happen', () => {
    for (let seed = 1; seed < 60; seed++) {
      const phases = scriptOf(seed, 45)
      expect(scriptOf(seed, 45)).toEqual(phases)
      const happened = new Set(phases.map(p => p.happening))
      for (const h of ['comes', 'stops', 'moves', 'hides', 'back', 'joins'] as const)
        expect(happened, `${seed}`).toContain(h)
      expect(phases.at(-1)?.to).toBe(45_000)
      phases.slice(1).forEach((p, i) => expect(p.from).toBe(phases[i]?.to))
      for (const p of phases.slice(1)) expect(p.to - p.from).toBeGreaterThanOrEqual(1700)
    }
  })

  it('stands still where it stands, and stays in the picture', () => {
    const phases = scriptOf(3, 45)
    for (const p of phases.filter(x => !x.isMoving))
      expect(placeAt(phases, p.from)).toBeCloseTo(placeAt(phases, p.to), 9)
    for (let ms = 0; ms < 45_000; ms += 50) {
      expect(placeAt(phases, ms)).toBeGreaterThanOrEqual(0)
      expect(placeAt(phases, ms)).toBeLessThanOrEqual(1)
    }
  })
})

describe('a try is judged', () => {
  it.each(SCHOOL_IDS)('%s: fingers that react after a quarter of a second are right all the time', school => {
    for (let seed = 1; seed < 30; seed++) {
      const phases = scriptOf(seed, 45)
      const judged = judgeHold(
        phases,
        learner(phases, school, () => 250),
        school,
      )
      const told = judged.map(j => `${j.happening} ${j.verdict}`).join()
      expect(holdFigures(judged), told).toMatchObject({ right: judged.length, of: phases.length - 1 })
      // A tap is over when its key is up again.
      expect(holdFigures(judged).figure).toBeGreaterThanOrEqual(250)
      expect(holdFigures(judged).figure).toBeLessThanOrEqual(330)
    }
  })

  it('too early, late, by another key, let go too soon, not at all: each is told apart', () => {
    const scene = { isThere: true, isMoving: true, isHidden: false, isJoined: false }
    const phases: readonly Phase[] = [
      { happening: undefined, from: 0, to: 2000, ...scene, isThere: false, isMoving: false },
      { happening: 'comes', from: 2000, to: 5000, ...scene },
    ]
    const verdict = (...presses: readonly (readonly [number, KeyId, boolean])[]) =>
      judgeHold(
        phases,
        presses.map(([at, key, isDown]) => ({ at, key, isDown })),
        'thumb-start',
      )[0]?.verdict
    expect(verdict([2300, 'trigger.start', true])).toBe('right')
    expect(verdict([1900, 'trigger.start', true])).toBe('early')
    expect(verdict([2050, 'trigger.start', true])).toBe('early')
    expect(verdict([3500, 'trigger.start', true])).toBe('late')
    expect(verdict([2300, 'shutter', true])).toBe('wrong-key')
    expect(verdict([2300, 'shutter', true], [2400, 'shutter', false], [2500, 'trigger.start', true])).toBe('wrong-key')
    expect(verdict([2300, 'trigger.start', true], [3000, 'trigger.start', false])).toBe('slipped')
    expect(verdict()).toBe('missed')
  })

  it('gives nothing to whoever does nothing while a subject moves', () => {
    const scene = { isThere: true, isMoving: true, isHidden: false, isJoined: false }
    const phases: readonly Phase[] = [
      { happening: undefined, from: 0, to: 2000, ...scene, isThere: false, isMoving: false },
      { happening: 'comes', from: 2000, to: 5000, ...scene },
      { happening: 'joins', from: 5000, to: 8000, ...scene, isJoined: true },
    ]
    const verdicts = (...presses: readonly KeyPress[]) => judgeHold(phases, presses, 'thumb-start').map(j => j.verdict)
    expect(verdicts()).toEqual(['missed', 'missed'])
    expect(verdicts({ at: 5600, key: 'trigger.start', isDown: true })).toEqual(['missed', 'late'])
    expect(verdicts({ at: 2300, key: 'trigger.start', isDown: true })).toEqual(['right', 'kept'])
  })

  it('agrees with a referee that walks through it by the millisecond, whatever the fingers do', () => {
    let compared = 0
    for (let seed = 1; seed <= 300; seed++) {
      const { int, pick, chance } = random(seed * 97)
      const school = pick(SCHOOL_IDS)
      const phases = scriptOf(seed, 45)
      const keys: readonly KeyId[] = ['shutter', 'trigger.start', 'trigger.second', 'trigger.stop', 'trigger.manual']
      const down = new Set<KeyId>()
      const noise: KeyPress[] = []
      for (let at = int(50, 900); at < 44_000 && seed % 3 !== 0; at += int(60, 4000)) {
        const key = pick(keys)
        noise.push({ at, key, isDown: !down.has(key) })
        if (down.has(key)) down.delete(key)
        else down.add(key)
      }
      const good = learner(phases, school, () => int(-200, 1500)).filter(() => chance(0.92))
      const presses = seed % 3 === 1 ? noise : seed % 3 === 0 ? good : [...good, ...noise.slice(0, 4)]
      const judged = judgeHold(phases, presses, school).map(j => ({ verdict: j.verdict, reaction: j.reaction }))
      expect(judged, `${seed} ${school}`).toEqual(refereeHold(phases, presses, school))
      compared += judged.length
    }
    expect(compared).toBeGreaterThan(3000)
  })

  it('counts how long the thumb held, and not the index finger', () => {
    const presses: readonly KeyPress[] = [
      { at: 0, key: 'shutter', isDown: true },
      { at: 1000, key: 'trigger.start', isDown: true },
      { at: 2000, key: 'trigger.second', isDown: true },
      { at: 3000, key: 'trigger.start', isDown: false },
      { at: 3500, key: 'trigger.second', isDown: false },
      { at: 9000, key: 'trigger.start', isDown: true },
    ]
    expect(thumbSeconds(presses, 10_000)).toBeCloseTo(3.5, 9)
  })
})
