import { type SymptomId, SYMPTOM_IDS } from '../rescues/symptoms'
import type { JobFacts } from './facts'
import type { SceneLight } from './light'
import type { Station } from './station'

/**
 * What is likeliest to go wrong at a scene, by what is known of it.
 *
 * @source common practice, no published source
 */

/** Troubles that go on a sheet. */
export const MOST_LIKELY = 3

type Weighed = Readonly<Partial<Record<SymptomId, number>>>

const BY_ANSWER: Readonly<Record<string, Readonly<Record<string, Weighed>>>> = {
  crossing: {
    things: { 'lets-go-crossed': 3, 'takes-front': 1 },
    people: { 'lets-go-crossed': 4, 'stays-wrong': 2 },
    crowd: { 'takes-front': 4, 'lets-go-crossed': 3 },
  },
  foreground: { leaves: { 'takes-front': 4 }, gaps: { 'takes-front': 4 }, glass: { 'takes-front': 2 } },
  background: { busy: { 'stays-background': 3 }, far: { 'stays-background': 3, 'will-not-find': 2 } },
  light: {
    dark: { 'hunts-dark': 4 },
    spot: { 'hunts-dark': 2 },
    back: { 'will-not-find': 3, 'wrong-eye': 1 },
    changing: { 'hunts-dark': 1 },
  },
  faces: {
    two: { 'wrong-eye': 3, 'jumps-between': 2 },
    several: { 'jumps-between': 3, 'wrong-eye': 2 },
    crowd: { 'jumps-between': 4, 'stays-wrong': 2 },
  },
  motion: {
    toward: { 'slow-start': 3, 'soft-though-sharp': 1 },
    sudden: { 'slow-start': 4, 'stays-wrong': 1 },
    steady: { 'slow-start': 1 },
    'stop-start': { 'two-tones': 1, 'slow-start': 1 },
    still: { 'two-tones': 1, 'soft-though-sharp': 2 },
  },
  size: { tiny: { 'stays-background': 3, 'will-not-find': 3 }, small: { 'stays-background': 2 } },
  depth: { deep: { 'sharp-middle': 4 }, layered: { pulses: 2, 'sharp-middle': 1 } },
  distance: { close: { 'will-not-find': 2, 'soft-though-sharp': 2, 'sharp-middle': 1 } },
  output: { video: { pulses: 4 }, 'slow-motion': { pulses: 2 } },
}

/** Where nothing is known of a scene. */
const USUAL: Weighed = { 'takes-front': 0.5, 'stays-background': 0.4, 'lets-go-crossed': 0.3 }

const answersTo = (answer: string | number | readonly string[] | undefined): readonly string[] =>
  answer === undefined ? [] : typeof answer === 'object' ? answer : [String(answer)]

/** @param told what the guide makes of the words of each scene */
export const likelyAt = (
  station: Station,
  light: SceneLight | undefined,
  told: JobFacts['told'],
): readonly SymptomId[] => {
  const facts = told[station.scene.id] ?? {}
  const points = new Map<SymptomId, number>(Object.entries(USUAL) as [SymptomId, number][])
  const add = (all: Weighed | undefined) => {
    for (const [id, n] of Object.entries(all ?? {}) as [SymptomId, number][]) points.set(id, (points.get(id) ?? 0) + n)
  }
  for (const [question, byAnswer] of Object.entries(BY_ANSWER))
    for (const answer of answersTo(facts[question])) add(byAnswer[answer])
  if (light?.falls === 'back') add({ 'will-not-find': 3 })
  if (light && light.altitude[1] < 0) add({ 'hunts-dark': 3 })
  // Whoever usually has another camera presses the shutter and wonders.
  const isStrange = station.person && !station.unit?.carriedBy.includes(station.person.id)
  if (isStrange && station.fit && station.fit.school !== 'shutter-start') add({ 'press-does-nothing': 3 })
  return SYMPTOM_IDS.filter(id => points.has(id))
    .toSorted((a, b) => (points.get(b) ?? 0) - (points.get(a) ?? 0))
    .slice(0, MOST_LIKELY)
}
