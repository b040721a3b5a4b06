import { median } from 'simple-statistics'
import type { FunctionId } from '../functions/functions'
import type { SchoolId } from '../functions/schools'
import { random } from '../numeric/random'

/** Hold and let go: what happens to a subject, what a school's fingers do then, and how well somebody did it. */

export const HAPPENINGS = {
  comes: 'The subject comes in and moves',
  stops: 'It stops',
  moves: 'It moves again',
  hides: 'Something comes in front',
  back: 'It is clear again',
  joins: 'A second one joins',
  alone: 'It is alone again',
} as const
export type Happening = keyof typeof HAPPENINGS

/** A stretch in which nothing changes, from what began it. */
export interface Phase {
  readonly happening: Happening | undefined
  /** Milliseconds from the start. */
  readonly from: number
  readonly to: number
  readonly isThere: boolean
  readonly isMoving: boolean
  readonly isHidden: boolean
  readonly isJoined: boolean
}

/** Half-pressing the shutter, beside the functions that go to keys. */
export const SHUTTER = 'shutter'
/** A function that goes to a key, or the shutter. */
export type KeyId = FunctionId

export interface KeyPress {
  /** Milliseconds from the start. */
  readonly at: number
  readonly key: KeyId
  readonly isDown: boolean
}

type Scene = Pick<Phase, 'isThere' | 'isMoving' | 'isHidden' | 'isJoined'>

/** What may happen next in a scene, the most telling first. */
const nextOf = ({ isMoving, isHidden, isJoined }: Scene): readonly Happening[] =>
  isHidden ? ['back'] : isMoving ? ['stops', 'hides', isJoined ? 'alone' : 'joins'] : ['moves']

const after = (scene: Scene, happening: Happening): Scene => {
  switch (happening) {
    case 'comes':
      return { ...scene, isThere: true, isMoving: true }
    case 'stops':
      return { ...scene, isMoving: false }
    case 'moves':
      return { ...scene, isMoving: true }
    case 'hides':
      return { ...scene, isHidden: true }
    case 'back':
      return { ...scene, isHidden: false }
    case 'joins':
      return { ...scene, isJoined: true }
    case 'alone':
      return { ...scene, isJoined: false }
  }
}

/** No stretch is shorter or longer, in milliseconds: long enough to do what it asks, too uneven to be counted out. */
const SHORTEST = 1700
const LONGEST = 3800

/** What happens in a try: the same for the same seed; whatever came least often comes next. */
export const scriptOf = (seed: number, seconds: number): readonly Phase[] => {
  const { int, shuffle } = random(seed)
  const times = new Map<Happening, number>()
  let scene: Scene = { isThere: false, isMoving: false, isHidden: false, isJoined: false }
  const phases: Phase[] = [{ ...scene, happening: undefined, from: 0, to: int(1200, 2400) }]
  const end = seconds * 1000
  for (let from = phases[0]?.to ?? 0; end - from >= SHORTEST;) {
    const [happening = 'comes'] = scene.isThere
      ? shuffle(nextOf(scene)).toSorted((a, b) => (times.get(a) ?? 0) - (times.get(b) ?? 0))
      : (['comes'] as const)
    const to = from + int(SHORTEST, LONGEST)
    scene = after(scene, happening)
    times.set(happening, (times.get(happening) ?? 0) + 1)
    phases.push({ ...scene, happening, from, to: end - to < SHORTEST ? end : to })
    from = to
  }
  return phases
}

/** Seconds that a moving subject takes from one side to the other. */
const ACROSS_SECONDS = 4

/** Where the subject is, 0 to 1 from left to right: to and fro while it moves. */
export const placeAt = (phases: readonly Phase[], ms: number): number => {
  const moved = phases
    .filter(p => p.isMoving && !p.isHidden && p.from < ms)
    .reduce((n, p) => n + Math.min(ms, p.to) - p.from, 0)
  const way = (moved / 1000 / ACROSS_SECONDS) % 2
  return way <= 1 ? way : 2 - way
}

/** What the fingers should be doing, and why. */
export interface Wanted {
  readonly held: readonly KeyId[]
  /** Pressed once, and not held. */
  readonly tapped?: KeyId
  readonly why: string
}

/**
 * What a school's fingers do in a scene.
 *
 * @source common practice, no published source: with thumb start hold while it moves and let go when it stops; with
 *   thumb stop the shutter follows and the thumb freezes; a stubborn hold through what passes in front is the camera's
 *   work only where the finger does not know better
 */
export const wantedIn = (school: SchoolId, { isThere, isMoving, isHidden, isJoined }: Scene): Wanted => {
  if (!isThere) return { held: [], why: 'There is nothing to focus on yet.' }
  const follows = isMoving && !isHidden
  switch (school) {
    case 'shutter-start':
      return isHidden
        ? { held: [], why: 'Let go of the half-press, or the camera takes what came in front.' }
        : { held: [SHUTTER], why: 'The half-press focuses: keep it, the shutter is the only lock there is.' }
    case 'thumb-start':
      return follows
        ? { held: ['trigger.start'], why: 'Hold for as long as it moves.' }
        : {
            held: [],
            why: isHidden
              ? 'Let go, so that focus stays where it was behind what came in front.'
              : 'Let go when it stops: holding lets the camera wander.',
          }
    case 'thumb-stop':
      return follows
        ? { held: [SHUTTER], why: 'The shutter follows; the thumb stays off.' }
        : {
            held: [SHUTTER, 'trigger.stop'],
            why: isHidden ? 'Freeze with the thumb until it is clear.' : 'Freeze with the thumb while it stands.',
          }
    case 'two-thumbs':
    case 'three-ways':
      if (follows)
        return isJoined
          ? { held: ['trigger.start'], why: 'With two in view the small area says which one: first thumb.' }
          : { held: ['trigger.second'], why: 'Alone in view, the one that looks for an eye: second thumb.' }
      return isHidden && school === 'three-ways'
        ? { held: [], tapped: 'trigger.manual', why: 'Let go and go to manual: nothing may search now.' }
        : { held: [], why: isHidden ? 'Let go until it is clear.' : 'Let go when it stops.' }
  }
}

export type HoldVerdict = 'right' | 'kept' | 'early' | 'late' | 'wrong-key' | 'missed' | 'slipped' | 'unasked'

export const HOLD_WORDS: Readonly<Record<HoldVerdict, string>> = {
  right: 'right',
  kept: 'right: nothing to change',
  early: 'too early: it had not happened yet',
  late: 'right, but late',
  'wrong-key': 'another key first',
  missed: 'not done',
  slipped: 'done, but not kept',
  unasked: 'changed where nothing was to change',
}

/** It counts as right. */
export const isRight = ({ verdict }: Pick<Judged, 'verdict'>): boolean => verdict === 'right' || verdict === 'kept'

export interface Judged {
  readonly happening: Happening
  readonly at: number
  readonly verdict: HoldVerdict
  /** Milliseconds, where something was done after it happened. */
  readonly reaction: number | undefined
  readonly wanted: Wanted
}

/** Faster than this nobody reacts to what they see: it was guessed. Milliseconds. @source from memory */
export const SOONEST_MS = 100
/** By then the moment is gone. Milliseconds. @source common practice, no published source */
export const LATEST_MS = 1200
/** Letting go within this of the next moment belongs to that one. Milliseconds. */
const BEFORE_MS = 400

const same = (held: ReadonlySet<KeyId>, wanted: readonly KeyId[]): boolean =>
  held.size === wanted.length && wanted.every(k => held.has(k))

/** Which keys are held from when on; the first entry holds before anything was pressed. */
const heldOver = (
  presses: readonly KeyPress[],
): readonly { readonly at: number; readonly held: ReadonlySet<KeyId> }[] => {
  const all: { at: number; held: ReadonlySet<KeyId> }[] = [{ at: -Infinity, held: new Set() }]
  for (const { at, key, isDown } of presses.toSorted((a, b) => a.at - b.at)) {
    const held = new Set(all.at(-1)?.held)
    if (isDown) held.add(key)
    else held.delete(key)
    all.push({ at, held })
  }
  return all
}

/** What somebody did at every moment of a try. Moments that ask for no change count as well: there the hand stays. */
export const judgeHold = (
  phases: readonly Phase[],
  presses: readonly KeyPress[],
  school: SchoolId,
): readonly Judged[] => {
  const over = heldOver(presses)
  const heldAt = (ms: number) => over.findLast(o => o.at <= ms)?.held ?? new Set<KeyId>()
  return phases.flatMap((phase, i) => {
    const before = phases[i - 1]
    if (!phase.happening || !before) return []
    const [was, wanted] = [wantedIn(school, before), wantedIn(school, phase)]
    const changes = over.filter(o => o.at > phase.from && o.at < phase.to)
    const judged = (verdict: HoldVerdict, reaction?: number): readonly Judged[] => [
      { happening: phase.happening as Happening, at: phase.from, verdict, reaction, wanted },
    ]
    /** The hand leaves what is wanted long enough before the next moment that it is not that one's. */
    const leaves = (from: number) =>
      changes.some(o => o.at > from && !same(o.held, wanted.held) && o.at < phase.to - BEFORE_MS)
    const isChange = !same(new Set(was.held), wanted.held) || wanted.tapped !== undefined
    if (!isChange) {
      // Whoever does not hold what is wanted by then has kept nothing.
      if (!same(heldAt(phase.from), wanted.held))
        return judged(changes.some(o => same(o.held, wanted.held)) ? 'late' : 'missed')
      return judged(leaves(phase.from) ? 'unasked' : 'kept')
    }
    const downs = presses.filter(p => p.isDown && p.at > phase.from && p.at < phase.to)
    const wrong = (until: number) =>
      downs.some(p => p.at < until && !wanted.held.includes(p.key) && p.key !== wanted.tapped)
    if (same(heldAt(phase.from), wanted.held) && wanted.tapped === undefined) return judged('early')
    const tapAt = wanted.tapped === undefined ? phase.from : downs.find(p => p.key === wanted.tapped)?.at
    const reached =
      tapAt === undefined
        ? undefined
        : [tapAt, ...changes.map(o => o.at).filter(at => at > tapAt)].find(
            at => at > phase.from && same(heldAt(at), wanted.held),
          )
    if (reached === undefined) return judged(wrong(phase.to) ? 'wrong-key' : 'missed')
    const reaction = reached - phase.from
    if (wrong(reached)) return judged('wrong-key', reaction)
    if (reaction < SOONEST_MS) return judged('early')
    if (reaction > LATEST_MS) return judged('late', reaction)
    return judged(leaves(reached) ? 'slipped' : 'right', reaction)
  })
}

/** Seconds in which at least one thumb button was held. */
export const thumbSeconds = (presses: readonly KeyPress[], until: number): number => {
  const over = heldOver(presses.filter(p => p.key !== SHUTTER))
  return over.reduce((n, o, i) => n + (o.held.size > 0 ? ((over[i + 1]?.at ?? until) - o.at) / 1000 : 0), 0)
}

/** A try in figures: how many were right, and the middle of the reaction times. */
export const holdFigures = (judged: readonly Judged[]) => {
  const reactions = judged.flatMap(j => (j.reaction === undefined ? [] : [j.reaction]))
  return {
    right: judged.filter(isRight).length,
    of: judged.length,
    figure: reactions.length ? Math.round(median(reactions)) : undefined,
  }
}
