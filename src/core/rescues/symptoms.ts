import { stemsIn } from '../language/language'

/** What goes wrong, in the words of whoever sees it; with other words people say for it. */
export const SYMPTOMS = {
  'takes-front': {
    label: 'Took what is in front',
    also: 'nearest closest nearer branch twig leaf leaves bush grass reed fence railing rail net mesh obstacle foreground head heads audience shoulder grabs glass window cage rope instead',
  },
  'stays-background': {
    label: 'Stays on the background',
    also: 'behind far away wall tree trees sky horizon infinity mountain crowd backdrop curtain sharp distance past',
  },
  'will-not-find': {
    label: 'Will not find it',
    also: 'cannot can refuses never nothing lost lock blurry blur blurred everything completely out fails no searching hopeless unfocused',
  },
  'jumps-between': {
    label: 'Jumps between things',
    also: 'flickers wanders switches switching hops hopping dances dancing restless nervous unstable changes all the time erratic from one to the next back and forth among',
  },
  'lets-go-crossed': {
    label: 'Lets go when somebody crosses',
    also: 'loses lose drops drop leaves leave obstacle walks walked walking passes passed passing by way through lost crossing crossed interrupts somebody someone person player referee waiter car',
  },
  'stays-wrong': {
    label: 'Stays on the wrong one',
    also: 'stubborn sticks stuck sticky clings glued holds old change another other new subject let go will not leave follows keeps',
  },
  pulses: {
    label: 'Pulses',
    also: 'breathes breathing pumps pumping wobbles wobbling shifts shifting in and out small video film filming clip trembling micro',
  },
  'hunts-dark': {
    label: 'Hunts in the dark',
    also: 'hunting night dim low light stage club evening black gloomy concert searching back and forth candle',
  },
  'soft-though-sharp': {
    label: 'Soft although it says sharp',
    also: 'unsharp blurred blurry slightly front focus focusing back confirmed confirms light green box frame says misses off by a little though but despite',
  },
  'press-does-nothing': {
    label: 'Half-press does nothing',
    also: 'shutter button dead broken press pressing pressed does not focus react reaction happens happen autofocus af trigger release fire camera blocked works working respond',
  },
  'point-stuck': {
    label: 'The point will not move',
    also: 'area square frozen locked pad stick joystick cannot move moving fixed middle centre center stays select choose arrows dial af',
  },
  'two-tones': {
    label: 'Two tones',
    also: 'beep beeps beeped twice double second again refocus refocuses focused recompose chirp sound',
  },
  'slow-start': {
    label: 'Too slow at the start',
    also: 'late later first frame picture shot acquisition lag lags delay delayed sluggish slow takes long until moment missed begin beginning',
  },
  'wrong-eye': {
    label: 'The eye of the wrong person',
    also: 'face faces other person eyes far left right detection picks bride groom guest child bystander stranger ear lashes nose',
  },
  'sharp-middle': {
    label: 'Sharp in the middle only',
    also: 'edges edge corners corner soft group row rows back centre center field depth only front sides outer people',
  },
} as const
export type SymptomId = keyof typeof SYMPTOMS
export const SYMPTOM_IDS = Object.keys(SYMPTOMS) as readonly SymptomId[]

const STEMS = SYMPTOM_IDS.map(id => ({
  id,
  own: new Set(stemsIn(SYMPTOMS[id].label)),
  all: new Set(stemsIn(`${SYMPTOMS[id].label} ${SYMPTOMS[id].also}`)),
}))

/** Words that are typed half count from this length on, and a little less. */
const SHORTEST_BEGUN = 3
const BEGUN = 0.8
/** What is in the name itself counts more than what people also say. */
const BY_NAME = 1.3
/** Less than so much of the best is not shown. */
const WORTH_SHOWING = 0.5

const isIn = (stem: string, stems: ReadonlySet<string>): number =>
  stems.has(stem)
    ? 1
    : stem.length >= SHORTEST_BEGUN && [...stems].some(s => s.startsWith(stem) || (s.length > 3 && stem.startsWith(s)))
      ? BEGUN
      : 0

/**
 * Symptoms by what somebody types, the likeliest first: each word counts the more the fewer symptoms have it. Words that
 * none has are passed over.
 *
 * @returns all of them where nothing is typed, none where no word of it is known
 */
export const findSymptoms = (typed: string): readonly SymptomId[] => {
  const asked = [...new Set(stemsIn(typed))]
  if (asked.length === 0) return SYMPTOM_IDS
  const scores = STEMS.map(({ id, own }) => ({ id, own, score: 0 }))
  for (const stem of asked) {
    const hits = STEMS.map(s => isIn(stem, s.all))
    const many = hits.filter(h => h > 0).length
    hits.forEach((hit, i) => {
      const found = scores[i]
      if (!found || hit === 0) return
      const named = isIn(stem, found.own) > 0 ? BY_NAME : 1
      found.score += hit * named * Math.log((SYMPTOM_IDS.length + 1) / many)
    })
  }
  const best = Math.max(...scores.map(s => s.score))
  return scores
    .filter(s => s.score > 0 && s.score >= WORTH_SHOWING * best)
    .toSorted((a, b) => b.score - a.score)
    .map(s => s.id)
}

/** What the guide calls going wrong, as it is asked for with a camera in hand; what has no answer there is missing. */
const OF_GUIDE: Readonly<Record<string, SymptomId>> = {
  'grabs-background': 'stays-background',
  'far-and-near': 'stays-background',
  'grabs-front': 'takes-front',
  crossed: 'lets-go-crossed',
  'jumps-faces': 'jumps-between',
  'soft-still': 'soft-though-sharp',
  'close-sway': 'soft-though-sharp',
  'not-sharp': 'soft-though-sharp',
  'recompose-lost': 'two-tones',
  'hunts-dark': 'hunts-dark',
  pulsing: 'pulses',
  'film-hunts': 'pulses',
  'wont-release': 'press-does-nothing',
  'nothing-focuses': 'press-does-nothing',
  lost: 'will-not-find',
}

/** @param rescue the id that a standard keeps a rescue under */
export const symptomOfRescue = (rescue: string): SymptomId | undefined => OF_GUIDE[rescue]
