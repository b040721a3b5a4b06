/**
 * Where a control sits on a body, which finger works it, and whether that finger can reach it while the index
 * finger rests on the shutter. The table is the vocabulary's own: distances between assignments rest on it.
 *
 * @source common practice, no published source
 */
export type Place = keyof typeof PLACES

export type Finger = 'thumb' | 'index' | 'ring' | 'left'

export interface PlaceFacts {
  readonly label: string
  readonly finger: Finger
  /** How the hand gets there: index finger stays on the shutter, index finger leaves it, or the hand leaves the grip. */
  readonly reach: 'index-on-shutter' | 'index-leaves' | 'grip-leaves'
  readonly neighbours: readonly string[]
}

export const PLACES = {
  shutter: { label: 'shutter', finger: 'index', reach: 'index-on-shutter', neighbours: [] },
  'thumb-upper-right': {
    label: 'thumb, upper right',
    finger: 'thumb',
    reach: 'index-on-shutter',
    neighbours: ['thumb-centre'],
  },
  'thumb-centre': {
    label: 'thumb, centre',
    finger: 'thumb',
    reach: 'index-on-shutter',
    neighbours: ['thumb-upper-right', 'thumb-lower'],
  },
  'thumb-lower': { label: 'thumb, lower', finger: 'thumb', reach: 'index-on-shutter', neighbours: ['thumb-centre'] },
  'index-front': { label: 'index finger, front', finger: 'index', reach: 'index-leaves', neighbours: ['top-plate'] },
  'top-plate': { label: 'top plate', finger: 'index', reach: 'index-leaves', neighbours: ['index-front'] },
  'ring-finger-front': { label: 'ring finger, front', finger: 'ring', reach: 'index-on-shutter', neighbours: [] },
  'left-hand': { label: 'left hand', finger: 'left', reach: 'grip-leaves', neighbours: [] },
  lens: { label: 'on the lens', finger: 'left', reach: 'index-on-shutter', neighbours: [] },
} as const satisfies Record<string, PlaceFacts>

export const PLACE_IDS = Object.keys(PLACES) as [Place, ...Place[]]

/**
 * Distance between the wanted place of a function and the place it gets, 0 to 1.
 *
 * 0 same place; 0.2 neighbouring place that the same finger reaches; 0.5 elsewhere but reachable with the index
 * finger on the shutter; 0.8 reachable only by moving that finger or the grip.
 *
 * @example placeDistance('thumb-upper-right', 'thumb-centre') // 0.2
 */
export const placeDistance = (wanted: Place, got: Place): number => {
  if (wanted === got) return 0
  const neighbours: readonly string[] = PLACES[wanted].neighbours
  if (neighbours.includes(got)) return 0.2
  return PLACES[got].reach === 'index-on-shutter' ? 0.5 : 0.8
}
