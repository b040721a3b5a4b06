import { uniqueSlug } from '../language/language'
import type { Place } from '../vocabulary/places'
import { CONTROL_FUNCTIONS } from './control-functions'
import { BODY_FORMAT, type Body, type Control, FACTS } from './schema'

/**
 * Where a new profile can begin: a kind of body with the facts such bodies usually have. Every fact stays marked as
 * not looked at until somebody confirms it.
 */
export interface Archetype {
  readonly id: 'mirrorless' | 'optical' | 'compact' | 'video'
  readonly label: string
  readonly about: string
}

export const ARCHETYPES: readonly Archetype[] = [
  {
    id: 'mirrorless',
    label: 'Recent mirrorless',
    about: 'Electronic finder, points over nearly the whole frame, several thumb buttons, memory slots.',
  },
  {
    id: 'optical',
    label: 'Older, optical finder',
    about: 'Points in the middle of the frame only, a mirror, fewer keys that can be given work.',
  },
  {
    id: 'compact',
    label: 'Compact, few settings',
    about: 'A screen, two keys at most, no memory slots worth the name.',
  },
  {
    id: 'video',
    label: 'Video first',
    about: 'Made for filming: few frame rates for stills, keys for freezing focus.',
  },
]

const SPOTS: Readonly<Record<Place, Control['at']>> = {
  shutter: { view: 'top', x: 0.86, y: 0.42 },
  'thumb-upper-right': { view: 'back', x: 0.8, y: 0.2 },
  'thumb-centre': { view: 'back', x: 0.86, y: 0.42 },
  'thumb-lower': { view: 'back', x: 0.86, y: 0.74 },
  'index-front': { view: 'front', x: 0.2, y: 0.3 },
  'top-plate': { view: 'top', x: 0.72, y: 0.5 },
  'ring-finger-front': { view: 'front', x: 0.26, y: 0.72 },
  'left-hand': { view: 'back', x: 0.12, y: 0.2 },
  lens: { view: 'front', x: 0.54, y: 0.85 },
}

/** How far apart two controls are drawn at least, in hundredths of the width; the height of a view in the same unit. */
const APART = 9
const HEIGHTS: Readonly<Record<Control['at']['view'], number>> = { back: 66, top: 40, front: 66 }

/**
 * Where a control is drawn that comes to a place: where such controls usually sit, or as near to it as leaves every other
 * one to be seen.
 *
 * @param others the controls that are there
 */
export const freeSpot = (place: Place, others: readonly Control[]): Control['at'] => {
  const usual = SPOTS[place]
  const height = HEIGHTS[usual.view]
  const isFree = ({ x, y }: Control['at']) =>
    others.every(c => c.at.view !== usual.view || Math.hypot((c.at.x - x) * 100, (c.at.y - y) * height) >= APART)
  const within = (n: number) => Number(Math.min(0.96, Math.max(0.04, n)).toFixed(3))
  for (let ring = 0; ring < 12; ring++)
    for (let turn = 0; turn < Math.max(1, ring * 6); turn++) {
      const angle = (2 * Math.PI * turn) / Math.max(1, ring * 6)
      const at = {
        view: usual.view,
        x: within(usual.x + (Math.cos(angle) * ring * APART) / 100),
        y: within(usual.y + (Math.sin(angle) * ring * APART) / height),
      }
      if (isFree(at)) return at
    }
  return usual
}

/** A control where such controls usually sit. */
export const controlAt = (id: string, label: string, place: Place, functions = CONTROL_FUNCTIONS): Control => ({
  id,
  label,
  place,
  at: SPOTS[place],
  functions: [...functions],
  holdable: place !== 'top-plate',
})

/** Where such bodies usually have a control that can be given work, and what it is called until somebody looks. */
const USUAL_KEYS: readonly (readonly [Place, string])[] = [
  ['thumb-upper-right', 'Upper thumb key'],
  ['thumb-centre', 'Thumb stick'],
  ['thumb-lower', 'Lower thumb key'],
  ['index-front', 'Front key'],
  ['ring-finger-front', 'Ring finger key'],
  ['top-plate', 'Top key'],
  ['lens', 'Lens key'],
]
const MOST_WITHOUT_FINDER = 2

/**
 * The body with a control in every place where such bodies usually have one and this one has none yet: two for a body that
 * only has a screen. What is there stays as it is.
 */
export const withUsualControls = (body: Body): Body => {
  const usual = body.viewfinder === 'screen-only' ? USUAL_KEYS.slice(0, MOST_WITHOUT_FINDER) : USUAL_KEYS
  const ids = new Set(body.controls.map(c => c.id))
  return usual.reduce((b, [place, label]) => {
    if (b.controls.some(c => c.place === place)) return b
    const control = { ...controlAt(uniqueSlug(label, ids, 'control'), label, place), at: freeSpot(place, b.controls) }
    return { ...b, controls: [...b.controls, control] }
  }, body)
}

const shutter = controlAt('shutter', 'Shutter', 'shutter', ['menu'])
const upper = controlAt('upper-thumb-key', 'Upper thumb key', 'thumb-upper-right')
const centre = controlAt('thumb-stick', 'Thumb stick', 'thumb-centre')
const front = controlAt('front-key', 'Front key', 'index-front')

const FACTS_OF: Readonly<
  Record<Archetype['id'], Pick<Body, 'sensor' | 'viewfinder' | 'coverage' | 'frameRates' | 'controls' | 'slots'>>
> = {
  mirrorless: {
    sensor: { widthMm: 36, heightMm: 24, pixelsWide: 6000, pixelsHigh: 4000 },
    viewfinder: 'electronic',
    coverage: { width: 0.92, height: 0.94, columns: 31, rows: 21, sensitive: [] },
    frameRates: [{ label: 'Highest', framesPerSecond: 12, focusBetweenFrames: true }],
    controls: [shutter, upper, centre, front],
    slots: { names: ['1', '2', '3'], stores: 'everything' },
  },
  optical: {
    sensor: { widthMm: 23.6, heightMm: 15.7, pixelsWide: 5568, pixelsHigh: 3712 },
    viewfinder: 'optical',
    coverage: { width: 0.55, height: 0.4, columns: 15, rows: 7, sensitive: [] },
    frameRates: [{ label: 'Highest', framesPerSecond: 7, focusBetweenFrames: true }],
    controls: [shutter, upper, front],
    slots: { names: ['1', '2'], stores: 'everything' },
  },
  compact: {
    sensor: { widthMm: 13.2, heightMm: 8.8, pixelsWide: 5472, pixelsHigh: 3648 },
    viewfinder: 'screen-only',
    coverage: { width: 0.8, height: 0.75, columns: 9, rows: 7, sensitive: [] },
    frameRates: [{ label: 'Highest', framesPerSecond: 6, focusBetweenFrames: false }],
    controls: [shutter, upper],
    slots: { names: [], stores: 'everything' },
  },
  video: {
    sensor: { widthMm: 36, heightMm: 24, pixelsWide: 4240, pixelsHigh: 2832 },
    viewfinder: 'electronic',
    coverage: { width: 0.92, height: 0.92, columns: 27, rows: 17, sensitive: [] },
    frameRates: [{ label: 'Highest', framesPerSecond: 8, focusBetweenFrames: true }],
    controls: [shutter, upper, centre],
    slots: { names: ['1', '2', '3'], stores: 'everything' },
  },
}

/** An empty profile to begin with. */
export const bodyFromArchetype = (
  kind: Archetype['id'],
  name: { readonly id: string; readonly maker: string; readonly model: string },
): Body => ({
  format: BODY_FORMAT,
  ...name,
  firmware: { from: '1.0', to: '1.0' },
  ...FACTS_OF[kind],
  menu: { wraps: true, tabs: [{ id: 'menu', label: 'Menu', pages: ['Page 1'] }] },
  settings: [],
  rules: [],
  fixed: [],
  interlocks: [],
  cautions: [],
  updates: [],
  unconfirmed: [...FACTS],
})
