import { CHOOSERS, DETAILS, FOLLOWS, PRESETS, SHUTTERS } from './values'

/**
 * Every dimension of the neutral vocabulary, as data. Identifiers are stable: files that people exchange use them.
 */

export const GROUPS = [
  { id: 'how', label: 'How', about: 'how focusing is started and stopped' },
  { id: 'when', label: 'When', about: 'when the camera focuses' },
  { id: 'where', label: 'Where', about: 'where it may look' },
  { id: 'whom', label: 'Whom', about: 'whom it looks for' },
  { id: 'stays', label: 'Stays', about: 'how it stays with the subject' },
  { id: 'release', label: 'Releases', about: 'when the shutter may open' },
  { id: 'range', label: 'Range', about: 'how near and far it searches' },
  { id: 'sees', label: 'Sees', about: 'what the shooter sees and hears' },
  { id: 'video', label: 'Video', about: 'focus while filming' },
  { id: 'light', label: 'Light', about: 'what exposure is tied to' },
] as const
export type GroupId = (typeof GROUPS)[number]['id']

interface Common {
  readonly id: string
  readonly group: GroupId
  readonly label: string
  /** What it means, in plain words; completes the sentence "this is ...". */
  readonly about: string
  /** What a body does that has no setting for it, where that can be known without asking: it then counts as this value. */
  readonly without?: string | boolean | number
}

export type Dimension = Common &
  (
    | { readonly kind: 'choice'; readonly values: readonly string[]; readonly open?: boolean }
    | { readonly kind: 'scale'; readonly values: readonly string[] }
    | {
        readonly kind: 'physical'
        readonly unit: string
        /**
         * Ratio: a factor of four is another behaviour. Otherwise the difference that counts as another behaviour, and
         * what such an amount lies between, where it has an end.
         */
        readonly measure: 'ratio' | { readonly fullDifference: number; readonly within?: readonly [number, number] }
      }
    | { readonly kind: 'flag' }
    | { readonly kind: 'assign' }
    | { readonly kind: 'area' }
    | { readonly kind: 'size' }
    | { readonly kind: 'position' }
    | { readonly kind: 'areas' }
    | { readonly kind: 'range' }
    | { readonly kind: 'magnify' }
  )
export type Kind = Dimension['kind']

const choice = (
  id: string,
  group: GroupId,
  label: string,
  values: readonly string[],
  about: string,
  more: { without?: string; open?: boolean } = {},
): Dimension => ({ id, group, label, kind: 'choice', values, about, ...more })
const scale = (id: string, group: GroupId, label: string, values: readonly string[], about: string): Dimension => ({
  id,
  group,
  label,
  kind: 'scale',
  values,
  about,
})
const physical = (id: string, group: GroupId, label: string, unit: string, about: string): Dimension => ({
  id,
  group,
  label,
  kind: 'physical',
  unit,
  measure: 'ratio',
  about,
})
const flag = (id: string, group: GroupId, label: string, about: string, without?: boolean): Dimension => ({
  id,
  group,
  label,
  kind: 'flag',
  about,
  ...(without === undefined ? {} : { without }),
})
const assign = (id: string, group: GroupId, label: string, about: string): Dimension => ({
  id,
  group,
  label,
  kind: 'assign',
  about,
})

const READINESS = ['release', 'balanced', 'focus'] as const
const CLASSES = ['off', 'automatic', 'people', 'animals', 'birds', 'vehicles'] as const

export const DIMENSIONS: readonly Dimension[] = [
  choice(
    'trigger.shutter',
    'how',
    'Shutter half-press',
    ['starts-af', 'meters-only', 'holds-focus'],
    'what half-pressing the shutter does to focus',
  ),
  assign('trigger.start', 'how', 'AF start', 'the control that starts focusing and follows while held'),
  assign('trigger.stop', 'how', 'AF stop', 'the control that freezes focus while held'),
  assign(
    'trigger.second',
    'how',
    'Second AF start',
    'a second control that starts focusing with its own area and subject',
  ),
  assign('trigger.manual', 'how', 'AF / manual switch', 'the control that switches between AF and manual at once'),
  choice(
    'trigger.instant',
    'how',
    'AF start while in manual',
    ['single', 'continuous'],
    'what AF start does while the body is in manual focus',
  ),
  choice(
    'trigger.touch',
    'how',
    'Touching the screen',
    ['off', 'move-area', 'focus', 'focus-and-release', 'track'],
    'what a touch on the screen does',
    { without: 'off' },
  ),
  flag('trigger.prefocus', 'how', 'Pre-focus', 'focusing before any press; costs battery', false),
  assign(
    'trigger.drive',
    'how',
    'Single / continuous switch',
    'the control that changes between single and continuous AF, held or toggled',
  ),
  assign('trigger.recall', 'how', 'Recall of settings', 'the control that recalls a stored set of focus settings'),
  flag(
    'trigger.pad',
    'how',
    'Touch pad at the finder',
    'moving the area with a finger on the screen while the eye is at the finder',
    false,
  ),
  flag('trigger.magnified', 'how', 'AF while magnified', 'AF working while the picture is enlarged'),
  choice(
    'ring.response',
    'how',
    'Ring response',
    ['linear', 'by-speed'],
    'whether the focus ring of a lens without a mechanical one goes by how far or by how fast it is turned',
  ),
  choice(
    'ring.direction',
    'how',
    'Ring direction',
    ['clockwise-near', 'anticlockwise-near'],
    'which way the focus ring is turned toward near, seen from behind the camera',
  ),

  choice(
    'mode.drive',
    'when',
    'Focus drive',
    ['single', 'continuous', 'automatic', 'manual', 'preset-distance'],
    'whether focus is taken once, all the time, by the camera’s own choice, by hand, or from a stored distance',
  ),
  flag('mode.override', 'when', 'Ring after AF', 'the focus ring working after AF without changing the mode'),
  choice(
    'mode.aperture',
    'when',
    'Aperture while focusing',
    ['wide-open', 'working', 'automatic'],
    'whether the camera focuses with the lens wide open or at the aperture that is set',
  ),

  {
    id: 'area.pattern',
    group: 'where',
    label: 'Area',
    kind: 'area',
    about:
      'the area focus is taken from; compared by its share of the frame, by who chooses inside it and by whether it follows',
  },
  {
    id: 'area.size',
    group: 'where',
    label: 'Area size',
    kind: 'size',
    about: 'the width and height of the area as shares of the frame',
  },
  choice(
    'area.chooser',
    'where',
    'Who picks the target',
    CHOOSERS,
    'who picks the target inside the area: the person or the camera',
  ),
  choice(
    'area.follow',
    'where',
    'Follows across the frame',
    FOLLOWS,
    'whether the area follows the subject across the frame; a mode on some bodies, an area on others',
    { without: 'off' },
  ),
  choice(
    'area.start',
    'where',
    'Start of following',
    ['own', 'shared', 'automatic'],
    'where following begins: at a place of its own, at the area that was in use before, or wherever the camera picks',
  ),
  choice(
    'area.inside',
    'where',
    'Priority inside the area',
    ['centre', 'automatic', 'nearest'],
    'what the camera prefers inside a zone',
  ),
  {
    id: 'area.home',
    group: 'where',
    label: 'Home position',
    kind: 'position',
    about: 'where the area rests, and the control that brings it back',
  },
  choice(
    'area.orientation',
    'where',
    'Upright and level',
    ['shared', 'point', 'point-and-pattern'],
    'what is remembered apart for horizontal and vertical framing',
    { without: 'shared' },
  ),
  flag(
    'area.wrap',
    'where',
    'Runs over the edge',
    'the area moving over the edge of the frame to the other side',
    false,
  ),
  scale(
    'area.step',
    'where',
    'Movement per press',
    ['fine', 'normal', 'coarse'],
    'how far the area moves at each press',
  ),
  choice('area.points', 'where', 'Selectable points', ['all', 'reduced'], 'how many points can be selected', {
    without: 'all',
  }),
  {
    id: 'area.offered',
    group: 'where',
    label: 'Areas on offer',
    kind: 'areas',
    about: 'the shortened list that the area button walks through',
  },
  flag('area.direct', 'where', 'Moves directly', 'moving the area without first pressing another button'),
  assign('area.recall', 'where', 'Recall home', 'the control that brings the area back to its home position'),
  assign('area.cycle', 'where', 'Area button', 'the control that walks through the areas on offer'),

  choice('subject.class', 'whom', 'Looks for', CLASSES, 'what the camera looks for in the picture', {
    without: 'off',
    open: true,
  }),
  scale('subject.detail', 'whom', 'Finest part', DETAILS, 'the finest part of the subject it aims for'),
  choice('subject.eye', 'whom', 'Which eye', ['nearest', 'left', 'right'], 'which eye it prefers'),
  choice(
    'subject.scope',
    'whom',
    'Where it looks',
    ['whole-frame', 'inside-area'],
    'whether detection looks in the whole frame or only inside the area',
  ),
  flag('subject.registered', 'whom', 'Known faces first', 'preferring faces that were registered', false),
  assign(
    'subject.cycle',
    'whom',
    'Subject or eye switch',
    'the control that goes on to the next subject or the other eye',
  ),
  assign('subject.toggle', 'whom', 'Detection button', 'the control that switches detection, or what it looks for'),

  physical(
    'track.hold',
    'stays',
    'Hold when blocked',
    's',
    'how long it waits before leaving a subject that is blocked or lost',
  ),
  {
    id: 'track.response',
    group: 'stays',
    label: 'Response to speed',
    kind: 'physical',
    unit: 'of 1',
    measure: { fullDifference: 0.5, within: [0, 1] },
    about:
      'how much of a sudden change of speed it has taken up half a second later, from 0 (none of it) to 1 (all of it)',
  },
  physical(
    'track.switch',
    'stays',
    'Switching point',
    's',
    'how long it takes before it moves to another point or subject within the area',
  ),
  physical(
    'track.acquire',
    'stays',
    'First acquisition',
    'of full drive speed',
    'the speed of the first acquisition as a share of full drive speed',
  ),
  choice(
    'track.preset',
    'stays',
    'Behaviour bundle',
    PRESETS,
    'the bundle of the three above, on bodies that offer bundles',
    { open: true },
  ),
  choice(
    'track.search',
    'stays',
    'When nothing is found',
    ['continue', 'stop'],
    'whether the lens keeps searching or stops when focus cannot be found',
  ),

  scale('release.single', 'release', 'Single AF frame', READINESS, 'whether the shutter waits for focus in single AF'),
  scale(
    'release.first',
    'release',
    'First frame',
    READINESS,
    'whether the first frame in continuous AF waits for focus',
  ),
  scale('release.next', 'release', 'Later frames', READINESS, 'whether later frames in continuous AF wait for focus'),
  physical('release.rate', 'release', 'Frame rate', 'frames/s', 'frames taken each second while the shutter is held'),
  flag(
    'release.refocus',
    'release',
    'Focus between frames',
    'focusing again between the frames of a run; the fastest rates of some bodies do not',
  ),
  flag('release.remeter', 'release', 'Exposure between frames', 'measuring exposure again between the frames of a run'),
  choice(
    'release.shutter',
    'release',
    'Shutter',
    SHUTTERS,
    'what opens and closes the shutter: fast things bend and lamps band with a slow electronic one',
  ),

  {
    id: 'range.limit',
    group: 'range',
    label: 'Search range',
    kind: 'range',
    about: 'how near and far focus may search, in metres from the sensor plane',
  },
  assign('range.preset', 'range', 'Stored distance', 'the control that sends focus to a stored distance'),
  physical('range.stored', 'range', 'The distance stored', 'm', 'the distance that is stored, from the sensor plane'),
  assign('range.limiter', 'range', 'Search range switch', 'the control that switches the search range'),
  flag('range.reset', 'range', 'Lens reset', 'the lens returning to infinity at power-off', false),
  {
    id: 'range.offset',
    group: 'range',
    label: 'AF fine adjustment',
    kind: 'physical',
    unit: 'steps',
    measure: { fullDifference: 10 },
    about: 'a correction of focus for one lens on one body',
    without: 0,
  },

  flag('see.area', 'sees', 'Shows the area', 'the area frame being shown while focusing'),
  flag('see.grid', 'sees', 'Shows all points', 'all focus points being shown', false),
  flag('see.subject', 'sees', 'Shows the subject', 'a frame around what detection has found', false),
  choice(
    'see.colour',
    'sees',
    'Frame colour',
    ['red', 'yellow', 'green', 'blue', 'white', 'black'],
    'the colour of the area frame and of peaking',
  ),
  flag('see.tone', 'sees', 'Focus tone', 'a sound when focus is found', false),
  flag('see.lamp', 'sees', 'AF lamp', 'the lamp that lights the subject to help focus', false),
  flag('see.review', 'sees', 'Picture review', 'the picture showing by itself after each frame'),
  flag('see.exposure', 'sees', 'Exposure preview', 'the finder showing the exposure as it will be', false),
  scale('see.peaking', 'sees', 'Peaking', ['off', 'low', 'mid', 'high'], 'edges in focus being coloured'),
  {
    id: 'see.magnify',
    group: 'sees',
    label: 'Magnifier',
    kind: 'magnify',
    about: 'enlarging the picture for manual focus: how much, how long, and whether the ring starts it',
  },
  assign('see.enlarge', 'sees', 'Magnifier button', 'the control that enlarges the picture'),
  assign('see.outline', 'sees', 'Peaking button', 'the control that shows and hides peaking'),
  flag('see.map', 'sees', 'Depth map', 'colours in front of and behind the plane of focus', false),
  choice(
    'see.depth',
    'sees',
    'Depth scale basis',
    ['print', 'pixel'],
    'the sharpness that the depth scale is based on',
  ),

  flag('video.continuous', 'video', 'AF runs by itself', 'focus running by itself while filming'),
  flag('video.assist', 'video', 'Ring, then AF', 'the ring overriding AF, which then takes over again'),
  scale(
    'video.area',
    'video',
    'Area while filming',
    ['pinpoint', 'point', 'cross', 'block', 'group', 'zone', 'wide-zone', 'full'],
    'the area focus is taken from while filming, from the smallest to the whole frame',
  ),
  choice('video.subject', 'video', 'Looks for while filming', CLASSES, 'what the camera looks for while filming', {
    without: 'off',
    open: true,
  }),
  choice(
    'video.touch',
    'video',
    'Touch while filming',
    ['off', 'rack', 'track'],
    'what a touch on the screen does while filming',
    { without: 'off' },
  ),
  physical('video.transition', 'video', 'Rack time', 's', 'how long focus travels for a stated rack'),
  physical(
    'video.shift',
    'video',
    'Wait before leaving',
    's',
    'how long it waits before leaving the subject while filming',
  ),
  assign('video.freeze', 'video', 'Freeze focus', 'the control that holds focus while pressed'),

  choice(
    'meter.pattern',
    'light',
    'Metering',
    ['matrix', 'centre', 'spot', 'highlight'],
    'the part of the frame exposure is measured from',
  ),
  flag('meter.follows', 'light', 'Spot follows the point', 'spot metering following the focus area'),
  assign('meter.lock', 'light', 'Exposure hold', 'the control that holds exposure, held or toggled'),
  {
    id: 'meter.bias',
    group: 'light',
    label: 'Exposure bias',
    kind: 'physical',
    unit: 'stops',
    measure: { fullDifference: 2 },
    about: 'a standing correction of exposure; two stops are a factor of four in light',
    without: 0,
  },
]

const BY_ID = new Map(DIMENSIONS.map(d => [d.id, d]))

/** The dimension with this identifier, or undefined where the vocabulary has none. */
export const findDimension = (id: string): Dimension | undefined => BY_ID.get(id)

/**
 * The dimension with this identifier.
 *
 * @throws RangeError when the vocabulary has no such dimension
 */
export const dimension = (id: string): Dimension => {
  const found = BY_ID.get(id)
  if (!found) throw new RangeError(`unknown dimension: ${id}`)
  return found
}

/** Amounts that may be below zero: corrections, in either direction. */
export const isSigned = (d: Extract<Dimension, { kind: 'physical' }>): boolean =>
  d.measure !== 'ratio' && d.measure.within === undefined
