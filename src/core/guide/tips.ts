import { type Beside, PRACTICE } from './argument'
import { type Facts, holds, type When } from './facts'
import type { TopicId } from './schools'

/** What no setting does: how to shoot, and what to do when it goes wrong. */

interface Said {
  readonly id: string
  /** It is said where any of these holds. */
  readonly when: readonly When[]
  /** And where any of these schools was taken. */
  readonly beside?: Beside
  /** Only where none of these holds. */
  readonly unless?: When
  readonly source: string
}

export const ADVICE_TOPICS = ['exposure', 'distance', 'stance', 'timing', 'light', 'care'] as const
export type AdviceTopic = (typeof ADVICE_TOPICS)[number]

export interface Advice extends Said {
  readonly topic: AdviceTopic
  readonly title: string
  readonly text: string
}

export interface Remedy {
  readonly text: string
  /** What the bodies in hand call the thing it is done with. */
  readonly dimension?: string
}

export interface Rescue extends Said {
  readonly symptom: string
  readonly remedies: readonly Remedy[]
}

const spoken = ({ when, beside, unless }: Said, facts: Facts, decided: Partial<Record<TopicId, string>>): boolean =>
  when.some(w => holds(w, facts)) &&
  !(unless && holds(unless, facts)) &&
  Object.entries(beside ?? {}).every(([topic, schools]) =>
    (schools as readonly string[]).includes(decided[topic as TopicId] ?? ''),
  )

export const saidFor = <T extends Said>(all: readonly T[], facts: Facts, decided: Partial<Record<TopicId, string>>) =>
  all.filter(t => spoken(t, facts, decided))

const advice = (
  topic: AdviceTopic,
  id: string,
  title: string,
  text: string,
  when: readonly When[],
  more: Partial<Pick<Advice, 'beside' | 'unless' | 'source'>> = {},
): Advice => ({ id, topic, title, text, when, source: PRACTICE, ...more })

const MOVING = ['slow', 'stop-start', 'steady', 'sudden'] as const
const QUICK = ['steady', 'sudden'] as const
const FILM = ['video', 'slow-motion'] as const

export const ADVICE: readonly Advice[] = [
  advice(
    'exposure',
    'hand-speed',
    'No longer than one over the focal length',
    'Hand-held, the old rule: 1/60 s at 50 mm, 1/200 s at 200 mm, on the larger sensor. Stabilisation stretches it for what keeps still; a subject that moves does not care about it.',
    [
      { pace: ['still'], support: ['hand'] },
      { pace: ['stop-start', 'slow'], support: ['hand'], distance: ['near'] },
    ],
    { unless: { distance: ['close'] } },
  ),
  advice(
    'exposure',
    'moving-speed',
    'A time that stops the movement',
    'Begin at 1/1000 s for people and animals at full speed, 1/500 s for swings and jumps at their turning point; stabilisation does not help here.',
    [
      { what: ['people', 'animal'], pace: QUICK },
      { what: ['people', 'animal'], pace: ['stop-start'], motion: ['across', 'toward', 'circle', 'steady'] },
    ],
    { source: 'from memory', unless: { output: FILM } },
  ),
  advice(
    'exposure',
    'fast-birds',
    'About 1/2000 s at f/8',
    'Wings want about 1/2000 s; f/8 gives the depth that a bird at full speed needs.',
    [{ what: ['bird'], pace: ['sudden', 'steady'] }],
    { unless: { output: ['slow-motion'] } },
  ),
  advice(
    'exposure',
    'close-speed',
    'At least 1/1000 s, hand-held and close',
    'Close up everything moves more: at least 1/1000 s hand-held, faster for wings.',
    [{ distance: ['close'], support: ['hand'], what: ['insect'] }],
  ),
  advice(
    'exposure',
    'stop-down',
    'Stop down for depth',
    'From f/2.8 to f/5.6 is two stops: paid for with ISO 200 to 800, or four times the time. Close up take as much as the light gives.',
    [
      { depth: ['deep'] },
      { depth: ['layered'], pace: ['still', 'slow'] },
      { faces: ['several', 'crowd'], pace: ['still'], crossing: ['nobody'] },
      { distance: ['close'], support: ['tripod'] },
    ],
  ),
  advice(
    'exposure',
    'iso-price',
    'Pay with ISO, not with time',
    'In the dark noise can be lived with, blur cannot: two stops of ISO (200 to 800) buy a quarter of the time.',
    [
      { light: ['dark'], pace: MOVING },
      { light: ['dark'], support: ['hand'] },
      { light: ['dark'], output: ['video'] },
      { light: ['changing'], pace: QUICK },
      { light: ['spot'], support: ['hand'] },
    ],
  ),
  advice(
    'exposure',
    'guard-highlights',
    'Keep what is lit',
    'About 0.7 stop under: shadows can be lifted three to four stops, highlights lost beyond two cannot be recovered.',
    [{ light: ['spot'] }],
    { unless: { distance: ['close'] } },
  ),
  advice(
    'exposure',
    'open-for-face',
    'Open until the face is found',
    'A camera that judges from its live picture finds a face once the exposure is open enough for it; close it again afterwards.',
    [{ light: ['back'], what: ['people'], output: ['stills'] }],
  ),
  advice(
    'exposure',
    'spot-link',
    'Look whether the spot still follows',
    'On some bodies detection breaks the link between the spot meter and the focus point: the spot then stays in the middle. Try it once before the work; the card says where a body is known for it.',
    [{ light: ['spot', 'back'] }],
    { beside: { meter: ['spot'], whom: ['on', 'inside'] } },
  ),
  advice(
    'exposure',
    'film-shutter',
    'About half the frame interval',
    'At 25 frames a second about 1/50 s looks natural; in bright light use a grey filter, not a shorter time.',
    [{ output: ['video'] }],
    { source: 'from memory' },
  ),
  advice(
    'exposure',
    'slow-light',
    'More frames want more light',
    'Four times the frames are a quarter of the time for each: two stops more light, and lamps that do not flicker.',
    [{ output: ['slow-motion'] }],
    { source: 'from memory' },
  ),
  advice(
    'exposure',
    'tripod-stabiliser',
    'Stabiliser on a tripod: as its maker says',
    'Some stabilisers drift on a tripod, others notice it. The lens’s manual says which; where unknown switch it off and look.',
    [
      { support: ['tripod'], pace: ['still', 'slow'] },
      { support: ['tripod'], output: FILM },
      { support: ['tripod'], what: ['place'] },
    ],
  ),
  advice(
    'exposure',
    'stabiliser-pan',
    'Stabiliser to panning',
    'Moving along with it, let the stabiliser correct up and down only: its panning mode.',
    [
      { motion: ['across'], pace: QUICK, what: ['vehicle', 'bird', 'animal', 'people'], support: ['hand', 'monopod'] },
      { motion: ['across'], pace: QUICK, what: ['vehicle', 'bird'] },
    ],
    { unless: { foreground: ['leaves', 'gaps'] } },
  ),
  advice(
    'exposure',
    'gimbal-stabiliser',
    'One stabiliser, not two',
    'On a gimbal body and lens may work against it: try with theirs off.',
    [{ support: ['gimbal'], output: ['video'] }],
    { source: 'from memory' },
  ),

  advice(
    'distance',
    'go-closer',
    'Go closer, or take the longer lens',
    'Tiny in the frame nothing is recognised and the air lies between. Half the distance is worth more than any setting; keep the distance that the animal, the place and its rules ask for.',
    [{ size: ['tiny'], distance: ['far'] }],
  ),
  advice(
    'distance',
    'step-back',
    'Step back and crop',
    'A step back buys depth faster than stopping down; crop afterwards.',
    [{ distance: ['close'], support: ['hand'] }],
  ),
  advice(
    'distance',
    'plane-mark',
    'Measured from the mark on the body',
    'The closest focus distance counts from the sensor plane mark, not from the front of the lens.',
    [{ distance: ['close'] }],
  ),
  advice(
    'distance',
    'one-plane',
    'Into one plane',
    'Let them stand in one line as seen from you, or come closer to each other: nothing else costs no light.',
    [{ faces: ['two', 'several', 'crowd'], pace: ['still'], output: ['stills'], crossing: ['nobody'] }],
  ),
  advice(
    'distance',
    'one-depth',
    'One distance in the box',
    'With two distances in one box focus pulses between them: a smaller area, on one of them.',
    [{ depth: ['layered'] }],
  ),
  advice(
    'distance',
    'glass',
    'Lens against the glass',
    'As near to the pane as it goes, straight on, your own light off: then reflections and scratches are too near to be found.',
    [{ foreground: ['glass'] }],
  ),

  advice('stance', 'side-on', 'Side-on', 'Parallel to the sensor the whole of it is sharp, end-on only a slice.', [
    { distance: ['close'], what: ['insect'] },
  ]),
  advice(
    'stance',
    'tap-let-go',
    'Tap and let go',
    'What keeps still: tap and let go. Holding lets detection and the hand wander.',
    [{ pace: ['still'], what: ['bird', 'people', 'thing', 'animal'], size: ['small', 'half'] }],
    { beside: { start: ['thumb'], drive: ['single', 'continuous'] }, unless: { output: ['video'] } },
  ),
  advice(
    'stance',
    'hold-while-moves',
    'Hold while it moves, let go when it stops',
    'The thumb holds for as long as it moves; at rest it lets go and focus stays.',
    [{ pace: MOVING }],
    { beside: { start: ['thumb', 'two'] } },
  ),
  advice(
    'stance',
    'move-point',
    'Move the point, with the stick',
    'The stick moves the point without leaving the finder; a native point rather than a touch, which the nose can move again.',
    [
      { pace: ['still'], size: ['small'], background: ['far'], support: ['hand'] },
      { compose: ['recompose', 'move-point'] },
    ],
  ),
  advice(
    'stance',
    'recompose-limit',
    'Turn the camera only as far as depth allows',
    'Turning after focusing leaves the plane behind the subject; leaning adds directly. Far away it does not matter, near and wide open it does.',
    [{ compose: ['recompose'] }, { pace: ['slow'], what: ['people'], distance: ['near', 'middle'] }],
  ),
  advice(
    'stance',
    'ring-direction',
    'Know which way the ring turns',
    'Try it before: which way is nearer. Mark the place on the ring or its scale with a strip of tape.',
    [{ gap: ['smaller'] }, { output: FILM, distance: ['close'] }, { distance: ['close'], support: ['tripod'] }],
  ),
  advice(
    'stance',
    'breaks',
    'Breaks for the hand',
    'Long holds can injure: change between ways of starting, put the camera down, and stop when it hurts. Pain that stays is for a doctor or a licensed therapist.',
    [{ session: { min: 90 }, following: { min: 0.5 } }],
  ),
  advice(
    'stance',
    'repeat',
    'Repeat the easy thing',
    'Hundreds of the same passing movement: ducks on a pond, cyclists on a lap, a swing. Only then the hard one.',
    [
      { hands: ['learning', 'first-days'], pace: MOVING },
      { hands: ['first-days'], what: ['bird', 'animal'] },
    ],
    { unless: { output: ['video'] } },
  ),

  advice(
    'timing',
    'track-early',
    'Pick it up early',
    'Start following while it is still small and far: focus that has settled stays.',
    [
      { motion: ['toward'], pace: QUICK, output: ['stills'] },
      { what: ['bird'], pace: ['sudden'], foreground: ['none'] },
      { what: ['bird'], pace: ['sudden'], background: ['plain', 'far'] },
    ],
  ),
  advice(
    'timing',
    'wait-for-gap',
    'Wait for the gap',
    'Focus on something in the same plane beside it, wait until it shows in the gap, then release.',
    [
      { foreground: ['leaves', 'gaps'], output: ['stills'] },
      { crossing: ['crowd'], output: ['stills'] },
    ],
  ),
  advice(
    'timing',
    'known-place',
    'Focus where it will be',
    'Put focus on the place where it has to come past, by hand, and release as it comes.',
    [
      { pace: ['sudden'], foreground: ['gaps', 'leaves'] },
      { pace: ['sudden'], light: ['dark'] },
      { pace: ['sudden'], what: ['insect'] },
      { support: ['remote'] },
      { output: ['slow-motion'], pace: ['sudden'] },
    ],
  ),
  advice(
    'timing',
    'rack-rehearse',
    'Rehearse the rack',
    'Touch one, then the other, before the take: see where it stops and how long it travels.',
    [{ output: ['video'], faces: ['two'] }],
  ),
  advice(
    'timing',
    'slow-travel',
    'It will take as many times longer',
    'A travel of half a second becomes two at a quarter of the speed: let it be over before the moment.',
    [{ output: ['slow-motion'], pace: ['sudden'] }],
  ),
  advice(
    'timing',
    'battery',
    'A second battery',
    'A day of following empties one: no pre-focus, short reviews, and a full one in the pocket.',
    [{ session: { min: 180 } }],
  ),

  advice(
    'light',
    'face-light',
    'Light on the eye',
    'Turn them toward the light, or give the face some: until light reaches the eye no camera finds it.',
    [{ light: ['back'], what: ['people'] }],
  ),
  advice(
    'light',
    'shimmer',
    'Early, or not at all',
    'From mid-morning to late afternoon warm ground makes the air shimmer over long distances: nothing is sharp, whatever the settings.',
    [{ distance: ['far'] }],
    { unless: { light: ['dark'] } },
  ),

  advice(
    'care',
    'sun',
    'Never at the sun',
    'Never look at the sun through an optical finder, and never aim a long lens at it.',
    [{ light: ['back'] }],
    { unless: { distance: ['close', 'near'] } },
  ),
  advice(
    'care',
    'no-flash',
    'No lamp, no flash',
    'Lamps and flashes startle performers; follow the venue’s rules. Never toward aerialists or fire performers.',
    [{ lamp: ['no'], what: ['people'], light: ['dark', 'spot'] }],
  ),
  advice(
    'care',
    'animals-light',
    'No lamp toward animals',
    'Lamps, flashes and sounds startle animals; keep the distance that local rules ask for.',
    [{ what: ['animal', 'bird'] }],
  ),
  advice(
    'care',
    'place-safety',
    'The place comes first',
    'Roads, tracks, water and ice: the safety officer’s and local rules decide where a person stands, never a focus plan.',
    [
      { what: ['vehicle'] },
      { what: ['people', 'animal'], pace: QUICK, distance: ['middle'] },
      { crossing: ['crowd', 'people'], distance: ['near'], pace: MOVING },
    ],
  ),
  advice(
    'care',
    'remote-tether',
    'A second line on everything',
    'A camera over people hangs on a safety tether, rigged by someone qualified; the venue’s and local rules come first.',
    [{ support: ['remote'] }],
  ),
  advice(
    'care',
    'hand-over',
    'Hand it over ready',
    'Shutter starts, one area, no custom keys: the card for handing over sets it, and its inverse brings it back.',
    [{ handed: ['anyone'] }],
  ),
]

const rescue = (
  id: string,
  symptom: string,
  remedies: readonly (string | readonly [text: string, dimension: string])[],
  when: readonly When[],
  more: Partial<Pick<Rescue, 'beside' | 'unless'>> = {},
): Rescue => ({
  id,
  symptom,
  remedies: remedies.map(r => (typeof r === 'string' ? { text: r } : { text: r[0], dimension: r[1] })),
  when,
  source: PRACTICE,
  ...more,
})

export const RESCUES: readonly Rescue[] = [
  rescue(
    'grabs-background',
    'It takes what is behind',
    [
      ['A smaller area, on an edge with contrast.', 'area.pattern'],
      ['A short turn of the ring toward you, then AF again.', 'mode.override'],
      'Focus on something in the same plane beside it, then come back.',
    ],
    [
      { pace: ['still'], size: ['small', 'tiny'] },
      { size: ['tiny'], pace: ['slow', 'sudden', 'stop-start'] },
      { background: ['busy'], pace: ['steady'], crossing: ['nobody'] },
    ],
    { unless: { faces: ['several', 'crowd'] } },
  ),
  rescue(
    'far-and-near',
    'Focus sits far behind, and nothing near is found',
    [
      ['Turn the ring toward you until something shows, then AF.', 'mode.override'],
      ['Recall the stored distance.', 'range.preset'],
      ['Cut off what is out of range.', 'range.limit'],
    ],
    [{ background: ['far'], size: ['small', 'tiny'] }],
  ),
  rescue(
    'grabs-front',
    'It takes what is in front',
    [
      ['The smallest point, through the gap.', 'area.pattern'],
      ['Cut off the near range.', 'range.limit'],
      ['Ring or manual, and wait.', 'mode.drive'],
    ],
    [
      { foreground: ['leaves', 'gaps'] },
      { crossing: ['crowd'], output: ['stills'] },
      { foreground: ['glass'], light: ['even'] },
      { foreground: ['glass'], pace: ['slow'] },
    ],
  ),
  rescue(
    'crossed',
    'It goes away with who crosses',
    [
      'Let go while they pass, press again after.',
      ['A longer wait.', 'track.hold'],
      ['A smaller area.', 'area.pattern'],
    ],
    [
      { crossing: ['people', 'things', 'crowd'], output: ['stills'] },
      { blocked: { min: 0.5 }, foreground: ['leaves', 'gaps'] },
    ],
  ),
  rescue(
    'jumps-faces',
    'It jumps to another',
    [
      ['Detection only inside the area, or off.', 'subject.scope'],
      ['Point on the one you want, then press anew.', 'area.pattern'],
      'Wait until they stand apart.',
    ],
    [{ faces: ['two', 'several', 'crowd'], output: ['stills'] }],
  ),
  rescue(
    'falls-off',
    'It slips off the area',
    [
      ['A larger area, or its neighbours.', 'area.pattern'],
      'A shorter focal length, and crop.',
      'Follow it for a while before pressing.',
    ],
    [
      { pace: QUICK, crossing: ['nobody'] },
      { hands: ['first-days', 'learning'], pace: ['slow', 'stop-start'], crossing: ['nobody'] },
    ],
    { unless: { foreground: ['leaves', 'gaps'] } },
  ),
  rescue(
    'overshoots',
    'It runs past when it stops',
    [
      ['A calmer answer to speed.', 'track.response'],
      ['Let go at the stop; press again at the start.', 'trigger.start'],
    ],
    [
      { pace: ['sudden'], output: ['stills'] },
      { motion: ['stop-start'], output: ['stills'] },
    ],
  ),
  rescue(
    'soft-still',
    'Sharp, and then a little soft',
    [
      ['Let go: nothing more is corrected.', 'trigger.start'],
      ['Single AF for what keeps still.', 'mode.drive'],
      'A shorter time: it may have been you.',
    ],
    [{ what: ['people'], faces: ['one'], pace: ['still', 'stop-start'], size: ['half', 'fills'] }],
  ),
  rescue(
    'recompose-lost',
    'Two tones before one picture',
    [
      'It focused twice: the recompose was lost. Keep half-pressed, or let the thumb go.',
      ['AF off the shutter.', 'trigger.shutter'],
      ['Move the point instead.', 'area.direct'],
    ],
    [{ compose: ['recompose'] }, { habit: ['shutter'], pace: ['still', 'stop-start'] }],
  ),
  rescue(
    'no-face',
    'The face is not found',
    [
      ['Open the exposure until it is.', 'meter.bias'],
      ['A point on the edge of face and hair.', 'area.pattern'],
      'Bring light to the eye.',
    ],
    [{ light: ['back'], what: ['people', 'vehicle'] }],
  ),
  rescue(
    'hunts-dark',
    'It hunts and finds nothing',
    [
      ['An edge with contrast in the same plane.', 'area.pattern'],
      ['Manual with peaking.', 'see.peaking'],
      ['The lamp, where all have agreed.', 'see.lamp'],
    ],
    [{ light: ['dark'] }, { light: ['spot'], faces: ['none'] }],
  ),
  rescue(
    'close-sway',
    'Sharp beside what you wanted',
    [
      'Rock slowly to and fro and release as it comes through.',
      ['Focus by hand, at the size you want.', 'mode.drive'],
      'Elbows on the ground or the knee; a beanbag.',
    ],
    [{ distance: ['close'], support: ['hand'] }],
  ),
  rescue(
    'pulsing',
    'It pulses to and fro',
    [
      ['A smaller area: one distance in the box.', 'area.pattern'],
      ['Hold focus once it is right.', 'trigger.stop'],
    ],
    [{ depth: ['layered'] }],
  ),
  rescue(
    'wont-release',
    'It does not release',
    [
      ['The point on an edge with contrast.', 'area.pattern'],
      ['At once for this frame, in focus or not.', 'release.single'],
      'A step back: nearer than the closest focus nothing is found.',
    ],
    [{ pace: ['still', 'slow'], output: ['stills'], distance: ['close', 'near'] }],
  ),
  rescue(
    'lost',
    'It is lost, and focus runs to the end',
    [
      'Let go, aim anew, press again; pressing on only searches further.',
      ['A larger area until it is found again.', 'area.pattern'],
      ['A short turn of the ring toward it.', 'mode.override'],
    ],
    [{ pace: ['slow', 'steady', 'sudden'], output: ['stills', 'slow-motion'] }],
  ),
  rescue(
    'not-sharp',
    'Focus is right, and yet it is not sharp',
    [
      'Stabiliser off, and released without touching the camera.',
      ['Grow the picture and look at it.', 'see.magnify'],
      ['Look whether this lens needs an offset on this body.', 'range.offset'],
    ],
    [
      { support: ['tripod', 'monopod'], pace: ['still', 'slow'] },
      { what: ['place', 'thing'], pace: ['still'] },
    ],
  ),
  rescue(
    'film-hunts',
    'It hunts in the middle of the take',
    [
      ['Freeze it, or pull by hand.', 'video.freeze'],
      ['A smaller area, on one distance.', 'area.pattern'],
      ['Calmer travel, so that it is less seen.', 'video.transition'],
    ],
    [
      { output: FILM, pace: ['still', 'slow'] },
      { output: FILM, distance: ['close'] },
      { output: FILM, what: ['place', 'thing', 'vehicle'] },
      { output: FILM, light: ['dark'] },
    ],
  ),
  rescue(
    'thumb-hurts',
    'The thumb hurts',
    [
      ['Let the shutter follow and freeze with the thumb.', 'trigger.stop'],
      'A break. Pain that stays is for a doctor or a licensed therapist.',
    ],
    [{ session: { min: 90 }, following: { min: 0.5 } }],
  ),
  rescue(
    'nothing-focuses',
    'A guest presses and nothing focuses',
    [['AF back on the shutter.', 'trigger.shutter'], 'The card for handing over.'],
    [{ handed: ['anyone'] }],
  ),
  rescue(
    'air',
    'Nothing is sharp, whatever you do',
    ['The air shimmers: come back early, or go closer.', 'Try the next frame: between two swirls one may be sharp.'],
    [{ distance: ['far'], size: ['tiny', 'small'] }],
  ),
  rescue(
    'film-drifts',
    'Focus wanders off in the take',
    [
      ['Freeze it while somebody passes.', 'video.freeze'],
      ['A longer wait.', 'video.shift'],
      ['A touch brings it back.', 'video.touch'],
    ],
    [{ output: ['video'] }, { output: ['slow-motion'], faces: ['one'] }],
    { unless: { what: ['thing', 'place', 'vehicle'] } },
  ),
]
