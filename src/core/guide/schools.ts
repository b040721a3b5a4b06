import type { Target } from '../standards'
import type { Weight } from '../standards'

/**
 * The questions behind a standard and, for each, every school a competent person would defend: what it is called and
 * what it writes. Which one fits is argued elsewhere.
 */

/** A value that depends on what was answered. */
export interface From {
  readonly from: 'slower' | 'hidden' | 'hidden-film' | 'distances' | 'what'
}

export interface SchoolTarget {
  readonly dimension: string
  readonly value: Target['value'] | From
  readonly weight: Weight
  readonly tolerance?: number
}

export interface School {
  /** Schools of one name are one school in several sizes; only its best is offered. */
  readonly name: string
  readonly title: string
  readonly targets: readonly SchoolTarget[]
}

type Written = readonly [string, SchoolTarget['value'], Weight?, number?]

const school = (name: string, title: string, ...targets: readonly Written[]): School => ({
  name,
  title,
  targets: targets.map(([dimension, value, weight = 'should', tolerance]) => ({
    dimension,
    value,
    weight,
    ...(tolerance === undefined ? {} : { tolerance }),
  })),
})

type Chooser = 'operator' | 'camera'
const area = (pattern: string, width: number, height: number, chooser: Chooser) => ({
  pattern,
  width,
  height,
  chooser,
  follow: 'off' as const,
})
const POINT = area('point', 0.045, 0.06, 'operator')
const ZONE = area('zone', 0.35, 0.4, 'camera')
const FULL = area('full', 0.9, 0.92, 'camera')

const where = (
  name: string,
  title: string,
  value: ReturnType<typeof area>,
  weight: Weight = 'should',
  ...more: readonly Written[]
): School => school(name, title, ['area.pattern', value, weight], ...more)

/** Where detection chooses, the area and what is looked for belong together. */
const detecting = (scope: string): readonly Written[] => [
  ['subject.class', { from: 'what' }],
  ['subject.scope', scope, scope === 'inside-area' ? 'should' : 'nice'],
]

const THUMB: readonly Written[] = [
  ['trigger.shutter', 'meters-only', 'must'],
  ['trigger.start', { place: 'thumb-upper-right', press: 'held' }, 'must'],
]
const SECOND: Written = [
  'trigger.second',
  // Whom the second thumb looks for is filled in from what it is.
  { place: 'thumb-centre', area: FULL, subject: { class: 'people', detail: 'eye' } } as unknown as Target['value'],
]

/** Topics in the order they are decided: an argument may look back at what was decided before it. */
export const TOPICS = {
  whom: {
    question: 'Whom it looks for',
    schools: {
      off: school('detection off', 'Detection off', ['subject.class', 'off']),
      inside: school(
        'on, but only inside the area',
        'Detection only inside the area',
        ['subject.class', { from: 'what' }],
        ['subject.scope', 'inside-area'],
      ),
      on: school(
        'detection on',
        'Detection on',
        ['subject.class', { from: 'what' }],
        ['subject.scope', 'whole-frame', 'nice'],
      ),
    },
  },
  drive: {
    question: 'When it focuses',
    schools: {
      continuous: school('always continuous', 'Continuous AF', ['mode.drive', 'continuous', 'must']),
      single: school('single for what is still', 'Single AF', ['mode.drive', 'single']),
      automatic: school('automatic switching', 'The camera switches between single and continuous', [
        'mode.drive',
        'automatic',
      ]),
      manual: school('manual and wait', 'Manual focus, set and waited for', ['mode.drive', 'manual']),
    },
  },
  start: {
    question: 'What starts focusing',
    schools: {
      thumb: school('thumb start', 'The thumb starts; hold to follow, let go to lock', ...THUMB),
      shutter: school('shutter start', 'The shutter starts focusing', ['trigger.shutter', 'starts-af', 'must']),
      stop: school(
        'thumb stop',
        'The shutter follows, the thumb freezes',
        ['trigger.shutter', 'starts-af', 'must'],
        ['trigger.stop', { place: 'thumb-upper-right', press: 'held' }, 'must'],
      ),
      two: school('two thumbs', 'Two thumb buttons: the point, and detection', ...THUMB, SECOND),
      three: school('three ways', 'Plain AF, detection and manual, a button each', ...THUMB, SECOND, [
        'trigger.manual',
        { place: 'thumb-lower' },
        'must',
      ]),
    },
  },
  touch: {
    question: 'Touching the screen',
    schools: {
      off: school('touch off', 'Touch off', ['trigger.touch', 'off']),
      focus: school('touch to focus', 'A touch focuses there', ['trigger.touch', 'focus']),
      track: school('touch to follow', 'A touch says whom to follow', ['trigger.touch', 'track']),
    },
  },
  prefocus: {
    question: 'Focusing before any press',
    schools: {
      no: school('no pre-focus', 'No focusing before a press', ['trigger.prefocus', false]),
      yes: school('pre-focus', 'Focus is kept near before any press', ['trigger.prefocus', true, 'nice']),
    },
  },
  override: {
    question: 'The ring after AF',
    schools: {
      ring: school('ring after AF', 'The ring works after AF', ['mode.override', true]),
      shut: school('ring shut off', 'The ring does nothing while AF is on', ['mode.override', false, 'nice']),
    },
  },
  follow: {
    question: 'Whether the area follows',
    schools: {
      hands: school('the hands follow', 'The area stays; the hands follow', ['area.follow', 'off']),
      camera: school('the camera follows', 'The area follows from where it began', [
        'area.follow',
        'from-start-point',
        'nice',
      ]),
    },
  },
  where: {
    question: 'Where it may look',
    schools: {
      point: where('smallest point that can be held', 'A single point', POINT, 'must'),
      pinpoint: where(
        'smallest point that can be held',
        'A pinpoint',
        area('pinpoint', 0.03, 0.04, 'operator'),
        'must',
      ),
      cross: where(
        'point plus surrounding points',
        'A point with its neighbours',
        area('cross', 0.1, 0.13, 'operator'),
        'must',
      ),
      block: where('point plus surrounding points', 'A block of points', area('block', 0.15, 0.16, 'operator'), 'must'),
      inside: where(
        'small area with detection inside',
        'A small group, detection inside it',
        area('group', 0.22, 0.24, 'operator'),
        'should',
        ...detecting('inside-area'),
      ),
      group: where('small group or zone', 'A small group', area('group', 0.22, 0.24, 'operator')),
      zone: where('small group or zone', 'A zone', ZONE),
      wide: where(
        'whole frame with detection',
        'A wide zone, detection chooses',
        area('wide-zone', 0.55, 0.6, 'camera'),
        'should',
        ...detecting('whole-frame'),
      ),
      full: where(
        'whole frame with detection',
        'The whole frame, detection chooses',
        FULL,
        'should',
        ...detecting('whole-frame'),
      ),
    },
  },
  offered: {
    question: 'Areas on the button',
    schools: {
      two: school('two areas on the button', 'A point and a zone, nothing else', [
        'area.offered',
        [POINT, ZONE] as Target['value'],
        'nice',
      ]),
      one: school('one area only', 'One area, so that nobody changes it', [
        'area.offered',
        [ZONE] as Target['value'],
        'nice',
      ]),
    },
  },
  orientation: {
    question: 'Upright and level',
    schools: {
      own: school('a place for each', 'Upright and level keep a point each', ['area.orientation', 'point', 'nice']),
      shared: school('one place for both', 'Upright and level share the point', ['area.orientation', 'shared', 'nice']),
    },
  },
  direct: {
    question: 'Moving the point',
    schools: {
      direct: school('at once', 'The point moves without another press', ['area.direct', true]),
    },
  },
  detail: {
    question: 'How fine it aims',
    schools: {
      body: school('the body', 'At the body', ['subject.detail', 'body']),
      face: school('the face', 'At the face', ['subject.detail', 'face', 'nice']),
      eye: school('the eye', 'At the eye', ['subject.detail', 'eye']),
    },
  },
  hold: {
    question: 'How long it waits when blocked',
    schools: {
      usual: school('as usual', 'The usual wait', ['track.hold', 0.8]),
      stubborn: school('stubborn', 'It waits until the subject is back', ['track.hold', { from: 'hidden' }, 'must']),
      loose: school('ready to change', 'It changes over soon', ['track.hold', 0.4]),
    },
  },
  switch: {
    question: 'How readily it changes over',
    schools: {
      stubborn: school('stubborn', 'It stays with its point', ['track.switch', { from: 'hidden' }]),
      loose: school('ready to change', 'It takes whoever comes', ['track.switch', 0.3]),
    },
  },
  response: {
    question: 'How eagerly it follows speed',
    schools: {
      middle: school('in the middle', 'In the middle', ['track.response', 0.5]),
      calm: school('calm', 'Calm', ['track.response', 0.35]),
      quick: school('quick', 'Quick', ['track.response', 0.8]),
    },
  },
  acquire: {
    question: 'How fast it first finds',
    schools: {
      fast: school('fast', 'Fast', ['track.acquire', 0.8, 'nice']),
      calm: school('measured', 'Measured, so that it does not run past', ['track.acquire', 0.5, 'nice']),
    },
  },
  first: {
    question: 'When the first frame is taken',
    schools: {
      balanced: school('balanced', 'Balanced', ['release.first', 'balanced']),
      focus: school('only in focus', 'Only in focus', ['release.first', 'focus'], ['release.single', 'focus']),
      release: school('at once', 'At once', ['release.first', 'release']),
    },
  },
  next: {
    question: 'When later frames are taken',
    schools: {
      balanced: school('balanced', 'Balanced', ['release.next', 'balanced']),
      release: school('at once', 'At once: the rate is kept', ['release.next', 'release', 'nice']),
      focus: school('only in focus', 'Only in focus, at the cost of the rate', ['release.next', 'focus', 'nice']),
    },
  },
  rate: {
    question: 'How many frames',
    schools: {
      few: school('one at a time', 'About three a second', ['release.rate', 3, 'nice']),
      some: school('short bursts', 'About six a second', ['release.rate', 6, 'nice']),
      many: school('long bursts', 'Ten a second or more', ['release.rate', 10]),
    },
  },
  range: {
    question: 'How near and far it searches',
    schools: {
      full: school('the whole range', 'The limiter stays open'),
      limit: school('limited', 'Only where it can be', ['range.limit', { from: 'distances' }]),
    },
  },
  reset: {
    question: 'Where the lens rests',
    schools: {
      stay: school('stays where it was', 'The lens stays where it was', ['range.reset', false, 'nice']),
      infinity: school('rests at infinity', 'The lens rests at infinity', ['range.reset', true, 'nice']),
    },
  },
  tone: {
    question: 'The focus tone',
    schools: {
      off: school('silent', 'No tone', ['see.tone', false, 'must']),
      on: school('tone on', 'The tone says that it is sharp', ['see.tone', true, 'nice']),
    },
  },
  lamp: {
    question: 'The AF lamp',
    schools: {
      off: school('lamp off', 'No lamp', ['see.lamp', false, 'must']),
      on: school('lamp on', 'The lamp may help', ['see.lamp', true, 'nice']),
    },
  },
  review: {
    question: 'Picture review',
    schools: {
      off: school('no review', 'No picture after the shot', ['see.review', false]),
      on: school('short review', 'A short look at every picture', ['see.review', true, 'nice']),
    },
  },
  shown: {
    question: 'The area in the finder',
    schools: { on: school('shown', 'The area is shown while it focuses', ['see.area', true]) },
  },
  preview: {
    question: 'Exposure preview',
    schools: {
      on: school('preview on', 'The finder shows the exposure', ['see.exposure', true]),
      off: school('preview off', 'The finder stays bright', ['see.exposure', false, 'nice']),
    },
  },
  peaking: {
    question: 'Peaking',
    schools: { on: school('peaking', 'Peaking, also while AF is on', ['see.peaking', 'mid']) },
  },
  magnify: {
    question: 'The magnifier',
    schools: {
      on: school('magnifier', 'The picture grows when the ring is turned', [
        'see.magnify',
        { factor: 5, seconds: 'until-released', onRingTurn: true },
        'nice',
      ]),
    },
  },
  'video-run': {
    question: 'AF while filming',
    schools: {
      auto: school('AF runs by itself', 'AF runs while filming', ['video.continuous', true, 'must']),
      hand: school('by hand', 'Focus is pulled by hand', ['video.continuous', false]),
    },
  },
  rack: {
    question: 'How fast focus travels on film',
    schools: {
      calm: school('calm travel', 'Calm: it is seen, and meant', ['video.transition', 1.2]),
      fast: school('fast travel', 'As fast as it has to be', ['video.transition', { from: 'slower' }]),
    },
  },
  shift: {
    question: 'How long film waits',
    schools: {
      usual: school('as usual', 'The usual wait', ['video.shift', 2]),
      stubborn: school('stubborn', 'It waits until the subject is back', ['video.shift', { from: 'hidden-film' }]),
    },
  },
  'video-touch': {
    question: 'A touch while filming',
    schools: {
      track: school('touch to follow', 'A touch says whom to follow', ['video.touch', 'track']),
      rack: school('touch to rack', 'A touch racks focus there', ['video.touch', 'rack']),
    },
  },
  assist: {
    question: 'The ring while filming',
    schools: {
      on: school('the ring may step in', 'The ring steps in, AF takes over after', ['video.assist', true, 'nice']),
    },
  },
  meter: {
    question: 'What exposure is read from',
    schools: {
      matrix: school('whole frame', 'The whole frame', ['meter.pattern', 'matrix']),
      spot: school(
        'spot that follows',
        'A spot that follows the focus area',
        ['meter.pattern', 'spot'],
        ['meter.follows', true],
      ),
      highlight: school('guard the highlights', 'The highlights are guarded', ['meter.pattern', 'highlight']),
    },
  },
  bias: {
    question: 'A standing correction',
    schools: {
      none: school('no correction', 'No standing correction', ['meter.bias', 0, 'nice']),
      minus: school('protect highlights', 'About two thirds of a stop under', ['meter.bias', -0.7]),
      plus: school('open for the face', 'About two thirds of a stop over', ['meter.bias', 0.7]),
    },
  },
  'light-lock': {
    question: 'Holding the exposure',
    schools: {
      key: school('on a key', 'Exposure is held on a key', ['meter.lock', { place: 'ring-finger-front' }, 'nice']),
    },
  },
} as const satisfies Readonly<
  Record<string, { readonly question: string; readonly schools: Readonly<Record<string, School>> }>
>

export type TopicId = keyof typeof TOPICS
export type SchoolId<T extends TopicId> = keyof (typeof TOPICS)[T]['schools'] & string
export const TOPIC_IDS = Object.keys(TOPICS) as readonly TopicId[]
/** Everything that any school would write. */
export const SCHOOL_TARGETS: readonly SchoolTarget[] = TOPIC_IDS.flatMap(t =>
  Object.values(TOPICS[t].schools as Readonly<Record<string, School>>).flatMap(s => s.targets),
)
export const schoolsIn = (topic: TopicId): Readonly<Record<string, School>> => TOPICS[topic].schools
