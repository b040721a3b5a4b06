/** What goes wrong, in the words of whoever sees it; with other words people say for it. */
export const SYMPTOMS = {
  'takes-front': {
    label: 'Took what is in front',
    also: 'nearest branch leaf fence obstacle foreground head grabs near',
  },
  'stays-background': { label: 'Stays on the background', also: 'behind far wall trees back' },
  'will-not-find': { label: 'Will not find it', also: 'no focus blur nothing lost searching cannot' },
  'jumps-between': { label: 'Jumps between things', also: 'flickers wanders switches restless to and fro nervous' },
  'lets-go-crossed': {
    label: 'Lets go when somebody crosses',
    also: 'leaves obstacle passes walks through lost crossing',
  },
  'stays-wrong': { label: 'Stays on the wrong one', also: 'stubborn sticks does not change sticky other' },
  pulses: { label: 'Pulses', also: 'breathes in and out hunting small video filming restless' },
  'hunts-dark': { label: 'Hunts in the dark', also: 'night dim low light searching back and forth' },
  'soft-though-sharp': { label: 'Soft although it says sharp', also: 'blurred front focus back focus confirmed tone' },
  'press-does-nothing': { label: 'Half-press does nothing', also: 'shutter dead does not focus button no reaction' },
  'point-stuck': { label: 'The point will not move', also: 'area locked pad stick joystick cannot move' },
  'two-tones': { label: 'Two tones', also: 'beeps twice double beep focused twice recompose' },
  'slow-start': { label: 'Too slow at the start', also: 'late first frame acquisition lag delay' },
  'wrong-eye': { label: 'The eye of the wrong person', also: 'face other person detection jumps guest' },
  'sharp-middle': { label: 'Sharp in the middle only', also: 'edges corners soft group row field' },
} as const
export type SymptomId = keyof typeof SYMPTOMS
export const SYMPTOM_IDS = Object.keys(SYMPTOMS) as readonly SymptomId[]

const wordsIn = (text: string): readonly string[] => text.toLowerCase().match(/[a-z0-9]+/g) ?? []

/** Symptoms by what somebody types: all whose words begin like each of it, those by their own name first. */
export const findSymptoms = (typed: string): readonly SymptomId[] => {
  const asked = wordsIn(typed)
  if (asked.length === 0) return SYMPTOM_IDS
  const found = SYMPTOM_IDS.flatMap(id => {
    const [own, also] = [wordsIn(SYMPTOMS[id].label), wordsIn(SYMPTOMS[id].also)]
    const begins = (words: readonly string[], a: string) => words.some(w => w.startsWith(a))
    if (!asked.every(a => begins(own, a) || begins(also, a))) return []
    return [{ id, byName: asked.filter(a => begins(own, a)).length }]
  })
  return found.toSorted((a, b) => b.byName - a.byName).map(f => f.id)
}
