/** What the guide asks, in the order a photographer would be asked at the table. All of it can be left out. */

interface Option {
  readonly id: string
  readonly label: string
}

interface Asked {
  readonly id: string
  readonly text: string
  readonly why: string
}
type Choice = Asked & { readonly kind: 'one' | 'many'; readonly options: readonly Option[] }
type Amount = Asked & { readonly kind: 'amount'; readonly unit: string; readonly most: number }
export type Question = Choice | Amount

const options = (all: Readonly<Record<string, string>>): readonly Option[] =>
  Object.entries(all).map(([id, label]) => ({ id, label }))

const one = (id: string, text: string, why: string, all: Readonly<Record<string, string>>): Choice => ({
  id,
  text,
  why,
  kind: 'one',
  options: options(all),
})
const many = (id: string, text: string, why: string, all: Readonly<Record<string, string>>): Choice => ({
  ...one(id, text, why, all),
  kind: 'many',
})
const amount = (id: string, text: string, why: string, unit: string, most: number): Question => ({
  id,
  text,
  why,
  kind: 'amount',
  unit,
  most,
})

export const QUESTIONS: readonly Question[] = [
  one('what', 'Who or what is it?', 'decides whom the camera may look for', {
    people: 'people',
    animal: 'an animal',
    bird: 'a bird',
    vehicle: 'a vehicle',
    thing: 'a thing',
  }),
  many('motion', 'What moves, and how?', 'decides how focusing is started, and how eagerly it follows', {
    still: 'it stays where it is',
    'stop-start': 'it stops and starts',
    steady: 'steadily',
    sudden: 'suddenly',
    toward: 'straight at you',
    across: 'across',
    circle: 'in a circle',
  }),
  one('size', 'How large is it in the frame?', 'decides the area', {
    tiny: 'tiny, a tenth of the height or less',
    small: 'small, up to a third of the height',
    half: 'about half the height',
    fills: 'it fills the frame',
  }),
  one('faces', 'How many faces are in view?', 'decides whether detection helps or jumps', {
    none: 'none',
    one: 'one',
    two: 'two',
    several: 'several',
    crowd: 'a crowd',
  }),
  one('crossing', 'Who or what crosses in front?', 'decides how stubborn the camera should be', {
    nobody: 'nobody',
    things: 'small, quick things',
    people: 'people passing',
    crowd: 'heads of a crowd',
  }),
  amount('blocked', 'For how long is it hidden then?', 'decides the wait in seconds', 'seconds', 20),
  one('background', 'What is behind it?', 'decides where focus runs when it loses the subject', {
    plain: 'nothing much',
    busy: 'something busy, close behind',
    far: 'something far away',
  }),
  many('light', 'What is the light like?', 'decides whether faces are recognised, and how exposure is read', {
    even: 'even',
    spot: 'one lit figure in the dark',
    dark: 'dark',
    back: 'against the light',
    changing: 'it changes',
  }),
  one('foreground', 'Is there something to shoot through?', 'decides how small the area has to be', {
    none: 'no',
    gaps: 'gaps between leaves, ropes or heads',
  }),
  amount('nearest', 'How near can it come?', 'decides the search range', 'metres', 1000),
  amount('farthest', 'How far away can it be?', 'decides the search range', 'metres', 1000),
  amount('session', 'How long is the session?', 'decides what the thumb can bear', 'minutes', 1440),
  one('handed', 'Who may be handed the camera?', 'decides whether the shutter must focus', {
    nobody: 'nobody',
    colleague: 'a colleague who knows it',
    anyone: 'anyone',
  }),
  one('hands', 'Who shoots?', 'decides how small an area the hands can hold', {
    practised: 'practised hands',
    learning: 'somebody who is learning',
  }),
  many('output', 'What is wanted?', 'decides whether film counts', {
    stills: 'pictures',
    video: 'film',
    'slow-motion': 'slow motion',
  }),
  many('allowed', 'What is allowed there?', 'decides tone and lamp', {
    sound: 'sounds',
    lamp: 'a lamp',
    neither: 'neither',
  }),
]

/** Question to what was answered: an option, several, or an amount. */
export type Answers = Readonly<Record<string, string | number | readonly string[]>>

/**
 * About what share of the time goes into following, from how it moves: the figure that decides between the schools of
 * the thumb.
 *
 * @returns 0 to 1; undefined where nothing was said about movement
 * @source common practice, no published source
 */
export const followingShare = (motion: readonly string[]): number | undefined => {
  if (motion.length === 0) return undefined
  const moves = motion.filter(m => m !== 'still')
  if (moves.length === 0) return 0.1
  const mostly = moves.some(m => m !== 'stop-start')
  if (!mostly) return 0.5
  return motion.includes('still') || moves.includes('stop-start') ? 0.6 : 0.9
}
