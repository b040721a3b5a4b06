import { demandFor, differenceTold, framesToTell } from '@/core/evidence/size'
import { minutesOf, passesOfEach, TRIAL_FORMAT, type Trial, type TrialPlan } from '@/core/evidence/trial'

/** What is typed into the plan, as it is typed. */
export interface Typed {
  readonly name: string
  readonly ways: readonly { readonly name: string; readonly how: string; readonly standard: string }[]
  readonly situations: readonly string[]
  readonly unit: string
  /** What the question speaks about: a dimension, or nothing. */
  readonly about: string
  readonly expected: string
  readonly matters: string
  readonly passes: string
  readonly rounds: string
  readonly seconds: string
  readonly isPaired: boolean
}

export const EMPTY: Typed = {
  name: '',
  ways: [
    { name: '', how: '', standard: '' },
    { name: '', how: '', standard: '' },
  ],
  situations: [''],
  unit: '',
  about: '',
  expected: '80',
  matters: '15',
  passes: '25',
  rounds: '2',
  seconds: '12',
  isPaired: false,
}

const number = (text: string): number => Number(text.trim().replace(',', '.'))

/** Fields that cannot be used yet, with what is expected there. */
export type Wrong = Readonly<
  Partial<Record<'name' | 'ways' | 'situations' | 'expected' | 'matters' | 'passes' | 'rounds' | 'seconds', string>>
>

const between = (text: string, low: number, high: number, what: string): string | undefined => {
  const n = number(text)
  return text.trim() !== '' && n >= low && n <= high ? undefined : `${what} from ${low} to ${high}`
}

const whole = (text: string, low: number, high: number): string | undefined =>
  Number.isInteger(number(text)) ? between(text, low, high, 'A whole number') : `A whole number from ${low} to ${high}`

export const wrongIn = (typed: Typed): Wrong => {
  const found = {
    name: typed.name.trim() ? undefined : 'The question, in a few words',
    ways: typed.ways.every(w => w.name.trim()) ? undefined : 'Every way needs a name',
    situations: typed.situations.every(s => s.trim()) ? undefined : 'Every situation needs a name',
    expected: between(typed.expected, 1, 99, 'A number'),
    matters: between(typed.matters, 1, 90, 'A number'),
    passes: whole(typed.passes, 1, 2000),
    rounds: whole(typed.rounds, 1, 12),
    seconds: between(typed.seconds, 1, 3600, 'Seconds'),
  }
  return Object.fromEntries(Object.entries(found).filter(([, words]) => words !== undefined))
}

/** The plan as it is stored; what is wrong counts as what a plan begins with. */
export const planOf = (typed: Typed, seed: number): TrialPlan => {
  const wrong = wrongIn(typed)
  const good = (field: 'expected' | 'matters' | 'passes' | 'rounds' | 'seconds') =>
    number(wrong[field] === undefined ? typed[field] : EMPTY[field])
  return {
    name: typed.name.trim(),
    ways: typed.ways.map(({ name, how, standard }, i) => ({
      id: `way-${i + 1}`,
      name: name.trim(),
      ...(how.trim() ? { how: how.trim() } : {}),
      ...(standard ? { standard } : {}),
    })),
    situations: typed.situations.map((name, i) => ({ id: `situation-${i + 1}`, name: name.trim() })),
    ...(typed.unit ? { unit: typed.unit } : {}),
    ...(typed.about ? { about: typed.about } : {}),
    expected: good('expected') / 100,
    matters: good('matters') / 100,
    passes: good('passes'),
    rounds: good('rounds'),
    ...(typed.isPaired ? { isPaired: true as const } : {}),
    secondsAPass: good('seconds'),
    seed,
  }
}

export const trialOf = (plan: TrialPlan): Trial => ({ format: TRIAL_FORMAT, ...plan, counts: [], notes: [] })

/** What a plan can tell, before anybody begins. */
export interface Outlook {
  readonly each: number
  readonly minutes: number
  /** The smallest difference that it would tell four times of five; undefined where it would tell none. */
  readonly told: number | undefined
  /** Passes of each way that the difference that matters needs. */
  readonly needed: number
}

export const outlookOf = (plan: TrialPlan): Outlook => ({
  each: passesOfEach(plan),
  minutes: minutesOf(plan),
  told: differenceTold(passesOfEach(plan), plan.expected, demandFor(plan.ways.length)),
  needed: framesToTell(plan.expected, Math.max(0, plan.expected - plan.matters), demandFor(plan.ways.length)).corrected,
})

/** Passes of each way against the difference that they would tell, for drawing. */
export const curveOf = ({ expected, ways }: TrialPlan): readonly (readonly [frames: number, difference: number])[] =>
  [10, 15, 20, 30, 40, 60, 80, 100, 150, 200, 300, 400].flatMap(frames => {
    const told = differenceTold(frames, expected, demandFor(ways.length))
    return told === undefined ? [] : [[frames, told] as const]
  })
