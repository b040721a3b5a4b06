/**
 * How menus usually word what a standard asks about: a row with its options, for who has the body in hand and would rather
 * choose than type. The trade's general words, no maker's own; each is read right by what reads menus (a test).
 *
 * @source common practice, no published source
 */
const ROWS = `
trigger.shutter
  AF with shutter: On | Off
  Shutter button: AF start | Metering only
  Half-press: AF start | Metering start
trigger.touch
  Touch function: Off | Move AF point | Touch AF | Touch shutter
  Touch screen: Off | Touch AF | Touch AF and shutter
trigger.prefocus
  Pre-AF: Off | On
  Full-time AF: Off | On
trigger.instant
  Instant AF in manual: Single | Continuous
mode.drive
  Focus mode: AF-S | AF-A | AF-C | MF
  AF mode: S-AF | C-AF | MF
  AF operation: One shot | Servo
mode.override
  AF+MF: Off | On
  Full-time manual: Off | On
  Manual focus ring in AF: Off | On
area.pattern
  AF area: Single point | Zone | Wide
  AF area mode: Spot | Single point | Expand | Zone | Whole area
  Focus area: Pinpoint | Single point | Group | Wide zone | Auto
area.follow
  Tracking: Off | On
  Subject tracking: Off | On
area.chooser
  AF point selection: Manual | Automatic
area.inside
  Zone priority: Auto | Centre | Nearest
area.orientation
  Orientation-linked AF point: Same | Point | Point and area
  Vertical/horizontal AF point: Same for both | Separate points
area.wrap
  AF point wrap: Off | On
  Circulation of AF point: Stops | Continuous
area.step
  AF point movement: Normal | Large
area.points
  Number of AF points: All | Half
area.direct
  Direct AF point selection: Off | On
subject.class
  Subject detection: Off | People | Animals | Vehicles
  Subject to detect: Auto | People | Animals | Birds | Vehicles | None
subject.detail
  Face/eye priority: Face | Eye
subject.eye
  Eye priority: Auto | Right eye | Left eye
subject.scope
  Detection area: Whole frame | Inside AF area
subject.registered
  Registered faces first: Off | On
track.hold
  Tracking sensitivity: Locked on | -1 | 0 | +1 | Responsive
  Blocked shot response: 1 (responsive) | 2 | 3 | 4 | 5 (delayed)
  Lock-on: Off | Short | Normal | Long
track.response
  Acceleration/deceleration tracking: 0 | 1 | 2
  Subject motion: Steady | Normal | Erratic
track.switch
  AF point auto switching: 0 | 1 | 2
track.acquire
  AF drive speed: Slow | Normal | Fast
release.single
  AF-S priority: Release | Focus
  Priority in single AF: Release | Balanced | Focus
release.first
  First image priority: Release | Equal | Focus
  AF-C priority: Release | Focus
release.next
  Second image priority: Speed | Equal | Focus
  AF-C priority: Release | Focus
release.rate
  Continuous shooting speed: 3 fps | 6 fps | 10 fps
release.refocus
  AF between frames: First frame only | Every frame
range.limit
  Focus limiter: Full | 3 m to infinity
range.reset
  Reset lens at power-off: Off | On
see.area
  AF point display: Off | On
  AF frame while focusing: Not shown | Shown
see.grid
  Show all AF points: Off | On
see.subject
  Subject frame: Off | On
see.tone
  Beep: Off | On
  Focus tone: Off | On
see.lamp
  AF assist lamp: Off | On
  AF illuminator: Off | Auto
see.review
  Picture review: Off | On
  Image review: Off | 2 s | 5 s
see.exposure
  Exposure preview: Off | On
  Live view effect: Off | On
see.peaking
  Peaking level: Off | Low | Mid | High
see.magnify
  Focus magnifier: 5x | 10x
see.colour
  AF area colour: White | Red | Yellow
meter.pattern
  Metering: Multi | Centre-weighted | Spot
  Metering mode: Evaluative | Centre-weighted | Spot | Highlight
meter.follows
  Spot linked to AF point: Off | On
meter.bias
  Exposure compensation: -1 | -0.7 | -0.3 | 0 | +0.3 | +0.7 | +1
video.continuous
  Continuous AF in film: Off | On
video.touch
  Touch in film: Off | Rack focus | Track
video.assist
  AF assist by ring in film: Off | On
video.transition
  Film AF speed: Slow | Normal | Fast
video.shift
  AF subject shift sensitivity in film: 1 (locked on) | 2 | 3 | 4 | 5 (responsive)
`

export interface UsualRow {
  readonly label: string
  readonly options: readonly string[]
}

/** Label and options of a row written in one line. */
const rowOf = (line: string): UsualRow => {
  const at = line.indexOf(':')
  return {
    label: line.slice(0, at).trim(),
    options: line
      .slice(at + 1)
      .split('|')
      .map(o => o.trim()),
  }
}

const byDimension = (): ReadonlyMap<string, readonly UsualRow[]> => {
  const rows = new Map<string, UsualRow[]>()
  let id = ''
  for (const line of ROWS.split('\n')) {
    if (!line.trim()) continue
    if (line.startsWith(' ')) rows.get(id)?.push(rowOf(line.trim()))
    else rows.set((id = line.trim()), [])
  }
  return rows
}

/** Usual rows by dimension. Functions on keys have none: keys are asked about together. */
export const USUAL_ROWS = byDimension()

/** What keys can usually be given. */
export const USUAL_KEY_WORK = [
  'AF start',
  'AF stop',
  'AE lock',
  'AE lock (toggle)',
  'AE/AF lock',
  'AF/MF switch',
  'Home position',
  'Subject detection on/off',
  'Eye selection',
  'Focus area',
  'Magnify',
  'Not set',
] as const
