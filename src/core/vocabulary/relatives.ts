/**
 * Choices that are nearer to each other than "different". Every entry says why. Pairs not listed are 1 apart.
 *
 * @source common practice, no published source
 */
export interface Relative {
  readonly a: string
  readonly b: string
  readonly distance: number
  readonly because: string
}

const relative = (a: string, b: string, distance: number, because: string): Relative => ({ a, b, distance, because })

const halfTouch = 'both act at the touched place, one does more than the other'

export const RELATIVES: Readonly<Record<string, readonly Relative[]>> = {
  'trigger.shutter': [
    relative('meters-only', 'holds-focus', 0.5, 'neither starts focusing, but one also freezes what the thumb started'),
  ],
  'trigger.touch': [
    relative('move-area', 'focus', 0.5, halfTouch),
    relative('focus', 'track', 0.5, halfTouch),
    relative('focus', 'focus-and-release', 0.5, halfTouch),
  ],
  'mode.drive': [
    relative('single', 'automatic', 0.5, 'automatic switching is half way between single and continuous'),
    relative('automatic', 'continuous', 0.5, 'automatic switching is half way between single and continuous'),
    relative('manual', 'preset-distance', 0.5, 'a preset distance is manual focus that starts from a stored place'),
  ],
  'area.follow': [
    relative('from-start-point', 'automatic', 0.5, 'both follow; they differ in who picks what is followed'),
  ],
  'area.inside': [
    relative('automatic', 'nearest', 0.5, 'automatic priority mostly takes the nearest thing'),
    relative('automatic', 'centre', 0.5, 'automatic priority often takes what is in the centre'),
  ],
  'area.orientation': [
    relative('point', 'point-and-pattern', 0.25, 'both remember the position, one also remembers the pattern'),
    relative('shared', 'point', 0.75, 'the position has to be moved by hand after each turn'),
  ],
  'subject.class': [
    relative('people', 'automatic', 0.25, 'automatic looks for people among others'),
    relative('animals', 'automatic', 0.25, 'automatic looks for animals among others'),
    relative('birds', 'automatic', 0.25, 'automatic looks for birds among others'),
    relative('vehicles', 'automatic', 0.25, 'automatic looks for vehicles among others'),
    relative('animals', 'birds', 0.5, 'animal detection finds some birds'),
  ],
  'meter.pattern': [
    relative('matrix', 'highlight', 0.5, 'both read the whole frame, one guards its brightest part'),
    relative('matrix', 'centre', 0.5, 'both read most of the frame'),
    relative('centre', 'spot', 0.5, 'both read the middle, one far more narrowly'),
  ],
  'video.touch': [relative('rack', 'track', 0.5, 'both go to the touched subject, one stays with it')],
}
