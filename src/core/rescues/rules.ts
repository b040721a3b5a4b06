import type { NeutralValue } from '../vocabulary/values'
import { above, below, both, type Condition, hasKey, is, isLimited, isSmall, isWhole, isWide, not } from './situation'
import type { SymptomId } from './symptoms'

/**
 * What helps when it goes wrong.
 *
 * @source common practice, no published source
 */

/** What to change on the camera: to a value, or one step further along its scale. */
export interface Change {
  readonly dimension: string
  readonly to?: NeutralValue
  readonly step?: 'more' | 'less'
  readonly words: string
}

export interface Rule {
  readonly id: string
  readonly symptom: SymptomId
  /** What is so where the condition holds. */
  readonly cause: string
  /** Where it is missing, it may always be so. */
  readonly when?: Condition
  /** This second, with what is in the hand. */
  readonly now: string
  readonly change?: Change
  readonly why: string
}

const rule = (
  symptom: SymptomId,
  id: string,
  cause: string,
  now: string,
  why: string,
  more: Pick<Rule, 'when' | 'change'> = {},
): Rule => ({ id: `${symptom}/${id}`, symptom, cause, now, why, ...more })

const SMALLER: Change = { dimension: 'area.pattern', step: 'less', words: 'a smaller area' }
const LARGER: Change = { dimension: 'area.pattern', step: 'more', words: 'a larger area' }
const HOLD_MORE: Change = { dimension: 'track.hold', step: 'more', words: 'a longer wait when blocked' }
const HOLD_LESS: Change = { dimension: 'track.hold', step: 'less', words: 'a shorter wait when blocked' }
const CALMER: Change = { dimension: 'track.response', step: 'less', words: 'a calmer answer to speed' }
const QUICKER: Change = { dimension: 'track.response', step: 'more', words: 'a quicker answer to speed' }
const CONTINUOUS: Change = { dimension: 'mode.drive', to: 'continuous', words: 'continuous AF' }
const INSIDE: Change = { dimension: 'subject.scope', to: 'inside-area', words: 'detection inside the area only' }
const NO_DETECTION: Change = { dimension: 'subject.class', to: 'off', words: 'detection off' }
const RING: Change = { dimension: 'mode.override', to: true, words: 'the ring free after AF' }
const HALF_PRESS: Change = { dimension: 'trigger.shutter', to: 'starts-af', words: 'the half-press focuses' }

const NUDGE = 'Turn the ring a little toward it until something shows, then focus again.'
const SAME_PLANE = 'Aim at something with an edge in the same plane, focus, let go, come back.'

export const RULES: readonly Rule[] = [
  rule(
    'takes-front',
    'whole',
    'The area is the whole frame: it takes the nearest thing.',
    'Point with the middle, and let go once it is there.',
    'A camera that chooses by itself prefers what is near.',
    { when: isWide, change: SMALLER },
  ),
  rule(
    'takes-front',
    'hasty',
    'It leaves after a short wait.',
    'Let go while something is in front; press again behind it.',
    'A longer wait survives what passes.',
    { when: below('track.hold', 0.4), change: HOLD_MORE },
  ),
  rule(
    'takes-front',
    'gap',
    'The gap is smaller than the area.',
    'The smallest point, through the gap; or manual, and wait.',
    'What fills most of the area wins.',
    { when: not(isSmall), change: SMALLER },
  ),
  rule(
    'takes-front',
    'range',
    'It may search from the closest distance on.',
    SAME_PLANE,
    'A limiter keeps what is nearer out.',
    { change: { dimension: 'range.limit', step: 'less', words: 'a search range that begins behind it' } },
  ),

  rule(
    'stays-background',
    'ring',
    'The ring is locked out after AF.',
    SAME_PLANE,
    'A small near subject is out of reach from far away; the ring brings it within.',
    { when: is('mode.override', false), change: RING },
  ),
  rule(
    'stays-background',
    'nudge',
    'Focus is so far away that the near subject is only a blur.',
    NUDGE,
    'Many bodies do not find a small near subject before a far background at all.',
    {},
  ),
  rule(
    'stays-background',
    'small',
    'The area is larger than the subject: what is behind fills it.',
    'Put the area on an edge with contrast.',
    'Contrast in the area decides.',
    { when: isWide, change: SMALLER },
  ),
  rule(
    'stays-background',
    'preset',
    'A stored distance is on a key.',
    'Press the key with the stored distance, then focus.',
    'It brings the lens within reach at once.',
    { when: hasKey('range.preset') },
  ),

  rule(
    'will-not-find',
    'manual',
    'Focus is at manual.',
    'Focus by the ring now; then switch to AF at one place only.',
    'Nothing searches while it is at manual.',
    { when: is('mode.drive', 'manual'), change: CONTINUOUS },
  ),
  rule(
    'will-not-find',
    'range',
    'The search range is limited.',
    'Step back or forward into the range, or open it.',
    'What lies outside the range is not looked for.',
    {
      when: isLimited,
      change: { dimension: 'range.limit', step: 'more', words: 'the full search range' },
    },
  ),
  rule(
    'will-not-find',
    'stopped',
    'It stops when it finds nothing.',
    NUDGE,
    'With searching off the lens waits where it is.',
    { when: is('track.search', 'stop'), change: { dimension: 'track.search', to: 'continue', words: 'searching on' } },
  ),
  rule(
    'will-not-find',
    'edge',
    'There is nothing in the area that it can hold on to.',
    'Move to an edge with contrast at the same distance.',
    'Focus needs an edge.',
    {},
  ),
  rule(
    'will-not-find',
    'near',
    'It may be nearer than the lens can focus.',
    'Step back; the distance counts from the mark on the body.',
    'Closest focus is measured from the sensor plane.',
    {},
  ),

  rule(
    'jumps-between',
    'wide',
    'The area takes in several things.',
    'Freeze, or let go once it is right.',
    'In a large area it chooses anew all the time.',
    { when: isWide, change: SMALLER },
  ),
  rule(
    'jumps-between',
    'quick',
    'It answers to every change of distance.',
    'Let go for as long as the subject keeps its distance.',
    'A calmer answer does not follow every flicker.',
    { when: above('track.response', 0.7), change: CALMER },
  ),
  rule(
    'jumps-between',
    'detects',
    'Detection finds several in the whole frame.',
    'Point on the one you want, then press anew.',
    'Inside the area it finds only that one.',
    { when: both(is('subject.scope', 'whole-frame'), not(is('subject.class', 'off'))), change: INSIDE },
  ),
  rule(
    'jumps-between',
    'let-go',
    'It is asked to choose all the time.',
    'Let go once it is right; press anew when it moves.',
    'What is not asked does not jump.',
  ),
  rule(
    'jumps-between',
    'switch',
    'It goes over to another point quickly.',
    'Freeze until they stand apart.',
    'A slower switch stays with the one it had.',
    {
      when: below('track.switch', 0.3),
      change: { dimension: 'track.switch', step: 'more', words: 'a slower switch to another point' },
    },
  ),

  rule(
    'lets-go-crossed',
    'hold',
    'It waits too short a time.',
    'Let go while they pass, press again after.',
    'A longer wait survives who crosses.',
    { when: below('track.hold', 1), change: HOLD_MORE },
  ),
  rule(
    'lets-go-crossed',
    'freeze',
    'A key freezes focus.',
    'Hold the key that freezes until they are through.',
    'What is frozen goes nowhere.',
    { when: hasKey('trigger.stop') },
  ),
  rule(
    'lets-go-crossed',
    'anew',
    'Whoever crossed took it along.',
    'Let go, aim anew, press: it does not come back by itself.',
    'What it follows now it follows on.',
  ),
  rule(
    'lets-go-crossed',
    'wide',
    'The area is large enough for whoever crosses.',
    'Let go while they pass.',
    'In a smaller area less of them comes in.',
    { when: isWide, change: SMALLER },
  ),

  rule(
    'stays-wrong',
    'hold',
    'It waits long before it leaves.',
    'Let go, aim at the right one, press anew.',
    'A long wait also holds what is wrong.',
    { when: above('track.hold', 1), change: HOLD_LESS },
  ),
  rule(
    'stays-wrong',
    'detects',
    'Detection holds on to a face.',
    'Second thumb, or detection off for a moment; the point alone then decides.',
    'A face that was found is not given up for a point.',
    { when: not(is('subject.class', 'off')), change: NO_DETECTION },
  ),
  rule(
    'stays-wrong',
    'anew',
    'It began on the wrong one.',
    'Let go and begin anew on the right one.',
    'Each press begins anew.',
    {},
  ),

  rule(
    'pulses',
    'continuous',
    'It corrects all the time.',
    'Let go, or freeze: nothing more is corrected.',
    'Continuous AF makes tiny corrections on what keeps still.',
    { when: is('mode.drive', 'continuous') },
  ),
  rule(
    'pulses',
    'quick',
    'It answers to the smallest change.',
    'Freeze for as long as the distance stays.',
    'A calmer answer lets small changes be.',
    { when: above('track.response', 0.6), change: CALMER },
  ),
  rule(
    'pulses',
    'edge',
    'There is little to hold on to.',
    'Aim at an edge with contrast at the same distance.',
    'On a plain surface it goes to and fro to find out.',
  ),
  rule(
    'pulses',
    'depths',
    'Two depths lie in one area.',
    'Put the area on one of them.',
    'It cannot be sharp on both, and tries each in turn.',
    { when: isWide, change: SMALLER },
  ),

  rule(
    'hunts-dark',
    'small',
    'The point is very small.',
    'A larger area, or the middle point, on an edge.',
    'In the dark it needs more of an edge.',
    { when: isSmall, change: LARGER },
  ),
  rule(
    'hunts-dark',
    'exposure',
    'The finder may be darker than the scene.',
    'Open the exposure until you see the edge.',
    'A camera that judges from its picture needs light in it.',
    {},
  ),
  rule(
    'hunts-dark',
    'manual',
    'There is too little to see for AF.',
    'Manual with peaking, and rock the body until it is sharp.',
    'What the eye sees, the ring finds.',
    { change: { dimension: 'see.peaking', to: 'mid', words: 'peaking' } },
  ),
  rule(
    'hunts-dark',
    'detects',
    'Detection looks for a face it cannot see.',
    'Point on the edge of face and light.',
    'Under a certain light nothing is recognised.',
    { when: not(is('subject.class', 'off')), change: NO_DETECTION },
  ),

  rule(
    'soft-though-sharp',
    'release',
    'The shutter does not wait for focus.',
    'Half-press, wait for the tone, then through.',
    'In continuous AF it may open before focus is there.',
    {
      when: is('release.next', 'release'),
      change: { dimension: 'release.next', to: 'focus', words: 'frames that wait for focus' },
    },
  ),
  rule(
    'soft-though-sharp',
    'blur',
    'It may have been you, or the subject.',
    'A shorter time; for movement stabilisation does not help.',
    'Sharp in no plane at all is movement, not focus.',
    {},
  ),
  rule(
    'soft-though-sharp',
    'recompose',
    'The plane moved with the turn.',
    'Move the point there instead of turning.',
    'Close and wide open a turn moves the plane further than is sharp.',
    {},
  ),
  rule(
    'soft-though-sharp',
    'offset',
    'This lens may focus in front or behind on this body.',
    'Look where it is sharp: in front or behind. Live picture instead of the finder, if there is one.',
    'An offset belongs to a lens on a body; the Bench measures it.',
    { when: s => s.says.has('range.offset') },
  ),
  rule(
    'soft-though-sharp',
    'wandered',
    'Focus wandered on while you held.',
    'For what keeps still: tap and let go.',
    'Held, continuous AF corrects until the shutter opens.',
    { when: is('mode.drive', 'continuous') },
  ),

  rule(
    'press-does-nothing',
    'thumb',
    'The half-press only meters: a thumb key focuses.',
    'Press the thumb key; the shutter only takes the picture.',
    'Somebody who does not know the camera half-presses, and nothing focuses.',
    { when: is('trigger.shutter', 'meters-only'), change: HALF_PRESS },
  ),
  rule(
    'press-does-nothing',
    'holds',
    'The half-press holds focus, it does not start it.',
    'Press the key that starts AF, then half-press.',
    'Here the shutter keeps what is there.',
    { when: is('trigger.shutter', 'holds-focus'), change: HALF_PRESS },
  ),
  rule(
    'press-does-nothing',
    'manual',
    'Focus is at manual.',
    'Turn the ring; then switch to AF at one place only.',
    'At manual no press focuses. On some systems forcing lens against body can damage the drive: read the maker’s manual.',
    { when: is('mode.drive', 'manual'), change: CONTINUOUS },
  ),
  rule(
    'press-does-nothing',
    'lens',
    'A switch on the lens may be at manual, or its range limited.',
    'Look at the switches of the lens.',
    'The lens goes before the body on many systems.',
    {},
  ),
  rule(
    'press-does-nothing',
    'waits',
    'The shutter waits for focus that does not come.',
    'Aim at an edge with contrast; then back.',
    'With focus priority nothing is taken until it is sharp.',
    { when: is('release.single', 'focus') },
  ),

  rule(
    'point-stuck',
    'whole',
    'The area is the whole frame: there is nothing to move.',
    'Recompose, or let detection choose.',
    'An area that fills the frame has no place.',
    { when: isWhole, change: SMALLER },
  ),
  rule(
    'point-stuck',
    'camera',
    'The camera picks the point.',
    'Aim with the middle.',
    'Where the camera picks, the pad moves nothing.',
    {
      when: is('area.chooser', 'camera'),
      change: { dimension: 'area.chooser', to: 'operator', words: 'you pick the point' },
    },
  ),
  rule(
    'point-stuck',
    'direct',
    'Another button has to be pressed first.',
    'Press the area button, then the pad.',
    'Moving directly is off.',
    { when: is('area.direct', false), change: { dimension: 'area.direct', to: true, words: 'moves directly' } },
  ),
  rule(
    'point-stuck',
    'edge',
    'It stops at the edge, or the points end before the frame does.',
    'Turn back to the middle; recompose the rest.',
    'On some bodies points lie only in the middle.',
    {},
  ),

  rule(
    'two-tones',
    'refocus',
    'It focused twice: the recompose was lost.',
    'Keep half-pressed all the way, or let the thumb go and leave it.',
    'Every press of what starts focusing begins anew.',
    { when: is('trigger.shutter', 'starts-af') },
  ),
  rule(
    'two-tones',
    'continuous',
    'It goes on focusing while you turn.',
    'Let go before you turn.',
    'Continuous AF follows what comes under the point.',
    { when: is('mode.drive', 'continuous') },
  ),
  rule(
    'two-tones',
    'again',
    'The key was pressed once more.',
    'Hold, turn, take: one tone.',
    'One tone is one focus.',
    {},
  ),

  rule(
    'slow-start',
    'near',
    'Focus begins far from where the subject comes.',
    'Focus beforehand on where it will come, then wait.',
    'A short way is a quick one.',
    {},
  ),
  rule(
    'slow-start',
    'waits',
    'The first frame waits for focus.',
    'Press before it comes.',
    'With focus priority the first frame is late.',
    {
      when: is('release.first', 'focus'),
      change: { dimension: 'release.first', to: 'balanced', words: 'a first frame that does not wait for long' },
    },
  ),
  rule(
    'slow-start',
    'automatic',
    'The camera decides itself whether to follow, and decides late.',
    'Start it with the thumb as it moves.',
    'Automatic switching notices the first movement late.',
    { when: is('mode.drive', 'automatic'), change: CONTINUOUS },
  ),
  rule(
    'slow-start',
    'calm',
    'It answers slowly to speed.',
    'Press anew at the start.',
    'A quicker answer takes up a sudden start.',
    { when: below('track.response', 0.4), change: QUICKER },
  ),
  rule(
    'slow-start',
    'range',
    'It searches the whole range.',
    'Keep it from going near: focus far first.',
    'Half the way is half the time.',
    { change: { dimension: 'range.limit', step: 'less', words: 'a narrower search range' } },
  ),

  rule(
    'wrong-eye',
    'whole',
    'It looks for faces in the whole frame.',
    'Point on the one you want, press anew.',
    'Inside the area it sees only yours.',
    { when: both(is('subject.scope', 'whole-frame'), not(is('subject.class', 'off'))), change: INSIDE },
  ),
  rule(
    'wrong-eye',
    'cycle',
    'A key goes on to the next face or eye.',
    'Press the key that goes on to the next one.',
    'It was found already, only not chosen.',
    { when: hasKey('subject.cycle') },
  ),
  rule(
    'wrong-eye',
    'alone',
    'Two are in view.',
    'Turn until only one is in the picture, press, turn back.',
    'What it has taken hold of it keeps for a while.',
  ),
  rule(
    'wrong-eye',
    'off',
    'Detection chooses whom it likes.',
    'Detection off, small point on the eye.',
    'A point chooses nobody else.',
    { when: not(is('subject.class', 'off')), change: NO_DETECTION },
  ),

  rule(
    'sharp-middle',
    'depth',
    'The row is deeper than what is sharp.',
    'Stop down, or step back and crop.',
    'Depth grows with the square of the distance.',
    {},
  ),
  rule(
    'sharp-middle',
    'parallel',
    'They do not stand parallel to the sensor.',
    'Have them stand in one plane, or stand square to them.',
    'What is end-on needs more depth than what is side-on.',
    {},
  ),
  rule(
    'sharp-middle',
    'third',
    'Focus is on the nearest one.',
    'Focus a third of the way into the group.',
    'More is sharp behind than in front.',
    {},
  ),
]
