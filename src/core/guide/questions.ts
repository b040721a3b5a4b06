/** What the guide asks, in the order a photographer would be asked at the table. All of it can be left out. */

interface Option<Id extends string = string> {
  readonly id: Id
  readonly label: string
}

interface Asked<Id extends string> {
  readonly id: Id
  readonly text: string
  readonly why: string
  /**
   * The answers that make it matter: any of them is enough. One of the first five where absent; asked of everybody once
   * those have begun where empty.
   */
  readonly mattersWhen?: Readonly<Record<string, readonly string[]>>
}
type Choice<Id extends string, O extends string> = Asked<Id> & {
  readonly kind: 'one' | 'many'
  readonly options: readonly Option<O>[]
}
type Amount<Id extends string> = Asked<Id> & { readonly kind: 'amount'; readonly unit: string; readonly most: number }
export type Question = Choice<string, string> | Amount<string>

type Matters = Readonly<Record<string, readonly string[]>>

const choice =
  (kind: 'one' | 'many') =>
  <const Id extends string, O extends string>(
    id: Id,
    text: string,
    why: string,
    labels: Readonly<Record<O, string>>,
    mattersWhen?: Matters,
  ): Choice<Id, O> => ({
    id,
    text,
    why,
    kind,
    options: (Object.entries(labels) as [O, string][]).map(([o, label]) => ({ id: o, label })),
    ...(mattersWhen ? { mattersWhen } : {}),
  })
const one = choice('one')
const many = choice('many')
const amount = <const Id extends string>(
  id: Id,
  text: string,
  why: string,
  unit: string,
  most: number,
  mattersWhen: Matters,
): Amount<Id> => ({ id, text, why, kind: 'amount', unit, most, mattersWhen })

/** Given for a question that was read and cannot be answered: it blocks nothing, and is never counted as a no. */
export const UNKNOWN = 'unknown'

const LIVING = ['people', 'animal', 'bird'] as const
const ALWAYS = {}

const ASKED = [
  one('what', 'Who or what is it?', 'decides whom the camera may look for', {
    people: 'people',
    animal: 'an animal',
    bird: 'a bird',
    insect: 'an insect or something as small',
    vehicle: 'a vehicle',
    thing: 'a thing',
    place: 'a place: landscape, building, sky',
  }),
  many('motion', 'What moves, and how?', 'decides how focusing is started, and how eagerly it follows', {
    still: 'it stays where it is',
    slow: 'slowly',
    'stop-start': 'it stops and starts',
    steady: 'steadily',
    sudden: 'suddenly',
    toward: 'straight at you or away',
    across: 'across',
    circle: 'in a circle',
  }),
  one('size', 'How large is it in the frame?', 'decides the area', {
    tiny: 'tiny, a tenth of the height or less',
    small: 'small, up to a third of the height',
    half: 'about half the height',
    fills: 'it fills the frame',
  }),
  one('crossing', 'Who or what crosses in front?', 'decides how stubborn the camera should be', {
    nobody: 'nobody',
    things: 'small, quick things',
    people: 'people passing',
    crowd: 'heads of a crowd',
  }),
  many('output', 'What is wanted?', 'decides whether film counts', {
    stills: 'pictures',
    video: 'film',
    'slow-motion': 'slow motion',
  }),
  one(
    'faces',
    'How many faces are in view?',
    'decides whether detection helps or jumps',
    {
      none: 'none to be seen: backs, masks, helmets',
      one: 'one',
      two: 'two',
      several: 'several',
      crowd: 'a crowd',
    },
    { what: LIVING },
  ),
  amount('blocked', 'For how long is it hidden then?', 'decides the wait in seconds', 'seconds', 20, {
    crossing: ['things', 'people', 'crowd'],
    foreground: ['leaves', 'gaps'],
  }),
  one(
    'foreground',
    'Is there something to shoot through?',
    'decides how small the area has to be',
    {
      none: 'no',
      leaves: 'leaves, grass or reeds',
      gaps: 'gaps between ropes, bars or heads',
      glass: 'glass or a fine net',
    },
    ALWAYS,
  ),
  one(
    'gap',
    'How large are the gaps, held against one focus point?',
    'decides whether AF can be aimed through them at all',
    { larger: 'larger', same: 'about as large', smaller: 'smaller' },
    { foreground: ['leaves', 'gaps'] },
  ),
  one(
    'background',
    'What is behind it?',
    'decides where focus runs when it loses the subject',
    { plain: 'nothing much', busy: 'something busy, close behind', far: 'something far away' },
    { size: ['tiny', 'small', 'half'] },
  ),
  many(
    'light',
    'What is the light like?',
    'decides whether faces are recognised, and how exposure is read',
    {
      even: 'even',
      spot: 'one lit figure in the dark',
      dark: 'dark',
      back: 'against the light',
      changing: 'it changes',
    },
    ALWAYS,
  ),
  one(
    'distance',
    'How far away is it?',
    'decides depth, sway and air',
    {
      close: 'within reach',
      near: 'a few metres',
      middle: 'across a room, a street or a ring',
      far: 'further than that',
    },
    ALWAYS,
  ),
  amount('nearest', 'How near can it come, exactly?', 'decides the search range', 'metres', 1000, {
    distance: ['close', 'near', 'middle', 'far'],
  }),
  amount('farthest', 'How far away can it be, exactly?', 'decides the search range', 'metres', 1000, {
    distance: ['close', 'near', 'middle', 'far'],
  }),
  one(
    'depth',
    'How deep is what has to be sharp?',
    'decides the f-number, and whether one box holds two distances',
    {
      flat: 'all in one plane',
      layered: 'two things at different distances in one box',
      deep: 'everything from front to back',
    },
    { size: ['half', 'fills'], faces: ['two', 'several', 'crowd'], distance: ['close'], what: ['place', 'thing'] },
  ),
  one(
    'support',
    'What carries the camera?',
    'decides sway, and what a thumb can do',
    {
      hand: 'the hands',
      monopod: 'a monopod',
      tripod: 'a tripod',
      gimbal: 'a gimbal',
      remote: 'a stand, released from afar',
    },
    ALWAYS,
  ),
  one(
    'stance',
    'Do you move while you shoot?',
    'decides whether what is still stays in focus',
    { still: 'no', sway: 'a little: leaning, swaying', walk: 'walking along' },
    { support: ['hand', 'gimbal', 'monopod'], distance: ['close'] },
  ),
  one(
    'compose',
    'How do you bring it where you want it in the frame?',
    'decides between locking and moving the point',
    { recompose: 'focus, then turn the camera', 'move-point': 'the point goes there', either: 'no habit' },
    { motion: ['still', 'slow', 'stop-start'] },
  ),
  amount('session', 'How long is the session?', 'decides what the thumb can bear', 'minutes', 1440, ALWAYS),
  one(
    'handed',
    'Who may be handed the camera?',
    'decides whether the shutter must focus',
    { nobody: 'nobody', colleague: 'a colleague who knows it', anyone: 'anyone' },
    ALWAYS,
  ),
  one(
    'hands',
    'Who shoots?',
    'decides how small an area the hands can hold',
    {
      'first-days': 'somebody in the first weeks',
      learning: 'somebody who knows the camera and is learning this',
      practised: 'practised hands',
    },
    ALWAYS,
  ),
  one(
    'habit',
    'What starts focusing for you today, and should stay so?',
    'a habit is worth more than a small advantage',
    { shutter: 'the shutter', thumb: 'a button under the thumb', open: 'I would change it' },
    ALWAYS,
  ),
  one(
    'change',
    'May settings be changed during the work?',
    'decides how many areas are kept on the button',
    { yes: 'yes, between scenes', no: 'no, set once for the day' },
    ALWAYS,
  ),
  one(
    'sound',
    'May the camera make sounds there?',
    'decides the focus tone',
    { yes: 'yes', no: 'no' },
    { what: LIVING },
  ),
  one(
    'lamp',
    'May it shine a lamp there?',
    'decides the AF lamp',
    { yes: 'yes, all have agreed', no: 'no' },
    { light: ['dark', 'spot'], what: LIVING },
  ),
  amount('slower', 'How many times slower will it be shown?', 'decides how fast focus has to travel', 'times', 100, {
    output: ['slow-motion'],
  }),
] as const

type AskedQuestion = (typeof ASKED)[number]
export type QuestionId = AskedQuestion['id']
export type AmountId = Extract<AskedQuestion, { kind: 'amount' }>['id']
export type ChoiceId = Exclude<QuestionId, AmountId>
/** The answers that a question of choices takes. */
export type OptionOf<Q extends ChoiceId> = Extract<AskedQuestion, { id: Q; options: unknown }>['options'][number]['id']

export const QUESTIONS: readonly Question[] = ASKED

/** Question to what was answered: an option, several, or an amount. */
export type Answers = Readonly<Record<string, string | number | readonly string[]>>

export const answersTo = (answer: Answers[string] | undefined): readonly string[] =>
  answer === undefined || answer === '' ? [] : Array.isArray(answer) ? (answer as readonly string[]) : [String(answer)]

/** Whether something was said that can decide; what is not known decides nothing. */
export const isKnown = (answer: Answers[string] | undefined): boolean =>
  answersTo(answer).some(a => a !== UNKNOWN && a !== '')

/** The first five decide most; the rest appear when an answer makes them matter, or when they were answered. */
export const questionsFor = (answers: Answers): readonly Question[] => {
  const begun = QUESTIONS.some(q => !q.mattersWhen && answersTo(answers[q.id]).length > 0)
  return QUESTIONS.filter(({ id, mattersWhen }) => {
    if (!mattersWhen || answersTo(answers[id]).length > 0) return true
    const conditions = Object.entries(mattersWhen)
    if (conditions.length === 0) return begun
    return conditions.some(([q, options]) => answersTo(answers[q]).some(a => options.includes(a)))
  })
}
