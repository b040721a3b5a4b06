import type { Preset } from './values'

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
  'meter.pattern': [
    relative('matrix', 'highlight', 0.5, 'both read the whole frame, one guards its brightest part'),
    relative('matrix', 'centre', 0.5, 'both read most of the frame'),
    relative('centre', 'spot', 0.5, 'both read the middle, one far more narrowly'),
  ],
  'release.shutter': [
    relative('mechanical', 'electronic-first', 0.25, 'both close the frame with a curtain; one opens it without'),
    relative('electronic-first', 'electronic', 0.75, 'only the opening is the same'),
  ],
  'video.touch': [relative('rack', 'track', 0.5, 'both go to the touched subject, one stays with it')],
}

/**
 * What cameras look for, from the general to the particular. Bodies name finer things than the vocabulary does; each
 * belongs to something more general, or stands alone.
 *
 * @source common practice, no published source
 */
const KINDS: Readonly<Record<string, { readonly of?: string; readonly also?: readonly string[] }>> = {
  people: { also: ['person', 'persons', 'human', 'humans', 'faces', 'face'] },
  animals: { also: ['animal', 'pets', 'pet'] },
  birds: { of: 'animals', also: ['bird'] },
  dogs: { of: 'animals', also: ['dog'] },
  cats: { of: 'animals', also: ['cat'] },
  horses: { of: 'animals', also: ['horse'] },
  insects: { of: 'animals', also: ['insect'] },
  vehicles: { also: ['vehicle'] },
  cars: { of: 'vehicles', also: ['car', 'automobiles'] },
  motorcycles: { of: 'vehicles', also: ['motorcycle', 'motorbikes', 'motorbike', 'bikes'] },
  bicycles: { of: 'vehicles', also: ['bicycle'] },
  trains: { of: 'vehicles', also: ['train'] },
  aircraft: { of: 'vehicles', also: ['airplanes', 'aeroplanes', 'airplane', 'aeroplane', 'planes'] },
  boats: { of: 'vehicles', also: ['boat', 'ships', 'ship'] },
}

/** The word the vocabulary has for what a body looks for. */
const kindOf = (word: string): string => {
  const lower = word.trim().toLowerCase()
  return lower in KINDS ? lower : (Object.keys(KINDS).find(k => KINDS[k]?.also?.includes(lower)) ?? lower)
}

/** Animal detection is made for what has a face with two eyes: it finds some birds and few insects. */
const HARDLY_ANIMALS = ['birds', 'insects']

const subjectRelative = (a: string, b: string): Near | undefined => {
  const [x, y] = [kindOf(a), kindOf(b)]
  if (x === y) return { distance: 0, because: 'two words for the same' }
  if (x === 'off' || y === 'off') return undefined
  if (x === 'automatic' || y === 'automatic')
    return { distance: 0.25, because: `automatic looks for ${x === 'automatic' ? y : x} among others` }
  const [of, other] = [KINDS[x]?.of, KINDS[y]?.of]
  if (of === y || other === x) {
    const fine = of === y ? x : y
    return HARDLY_ANIMALS.includes(fine)
      ? { distance: 0.5, because: `animal detection finds some ${fine}` }
      : { distance: 0.25, because: `${fine} are among the ${of === y ? y : x}` }
  }
  return of !== undefined && of === other ? { distance: 0.5, because: `both are among the ${of}` } : undefined
}

/** What a bundle usually does: hold in seconds, response, switching in seconds. */
const BUNDLES: Readonly<Record<Exclude<Preset, 'own'>, readonly [hold: number, response: number, shift: number]>> = {
  versatile: [0.6, 0.5, 0.6],
  'past-obstacles': [2, 0.4, 2],
  'onto-newcomers': [0.25, 0.6, 0.3],
  'changing-speed': [0.9, 0.75, 1],
  erratic: [0.6, 0.9, 0.4],
}

const octaves = (x: number, y: number) => Math.min(1, Math.abs(Math.log2(x / y)) / 2)

/** Bundles are as near as what they do; one of the person's own, or one nobody named by what it does, is like no other. */
const bundleRelative = (a: string, b: string): Near | undefined => {
  const [x, y] = [BUNDLES[a as keyof typeof BUNDLES], BUNDLES[b as keyof typeof BUNDLES]]
  if (!x || !y) return undefined
  const apart = octaves(x[0], y[0]) + Math.min(1, Math.abs(x[1] - y[1]) / 0.5) + octaves(x[2], y[2])
  return { distance: apart / 3, because: 'how long they usually hold, how they respond and how they switch' }
}

type Near = Pick<Relative, 'distance' | 'because'>

/** How near two choices are to each other, and why; undefined where they are simply different. */
export const relativeOf = (dimensionId: string, a: string, b: string): Near | undefined => {
  if (dimensionId === 'subject.class') return subjectRelative(a, b)
  if (dimensionId === 'track.preset') return bundleRelative(a, b)
  return RELATIVES[dimensionId]?.find(r => (r.a === a && r.b === b) || (r.a === b && r.b === a))
}
