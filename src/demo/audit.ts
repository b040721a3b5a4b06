import { cameraOf, type Picture } from '../core/audit/picture'
import type { AuditPlan } from '../core/audit/plan'
import { type Body, bodyAt, factoryState, type State } from '../core/bodies'
import { random } from '../core/numeric/random'
import { resolve } from '../core/resolve'
import type { Standard } from '../core/standards'
import { demoBodies, demoStandards, demoUnits } from './world'

/**
 * Made-up metadata of 400 pictures of the ring festival, from cameras whose every setting is known: two of them drift,
 * one is set otherwise for a while and put back, one has its clock an hour behind.
 */

export interface Shooting {
  readonly tag: string
  readonly serial: string
  readonly firmware: string
  readonly body: Body
  readonly lens: string
  readonly focalMm: readonly number[]
  readonly pictures: number
  /** What was turned, from the picture with this number on, until the one with that. */
  readonly turned: { readonly setting: string; readonly option: string; readonly from: number; readonly until: number }
  /** Seconds that its clock is behind. */
  readonly behind: number
}

/** Minutes after the beginning at which each scene begins and ends. */
export const FESTIVAL = [
  { name: 'Ring entrance parade', from: 0, until: 40, standard: 'ring-action' },
  { name: 'Club passing', from: 60, until: 100, standard: 'ring-action' },
  { name: 'Curtain call', from: 120, until: 140, standard: 'ring-action' },
] as const

const DAY_MS = 24 * 3600 * 1000
/** Three days before what counts as now, in the afternoon. */
export const festivalStart = (now: string): number =>
  Date.parse(`${new Date(Date.parse(now) - 3 * DAY_MS).toISOString().slice(0, 10)}T14:00:00.000Z`)

const minutes = (n: number): number => n * 60_000

/** What a camera writes into its pictures where it is set so. */
const fieldsOf = (body: Body, state: State): Picture['fields'] =>
  Object.fromEntries((body.evidence ?? []).filter(e => state[e.setting] === e.option).map(e => [e.field, e.value]))

/** Bursts of four to twelve frames, spread over the scenes. @returns times, oldest first */
const timesOf = (count: number, start: number, seed: number): readonly number[] => {
  const chance = random(seed)
  const length = FESTIVAL.reduce((sum, s) => sum + s.until - s.from, 0)
  const bursts: number[] = []
  for (let left = count; left > 0;) {
    const frames = Math.min(left, 4 + Math.floor(chance.next() * 9))
    bursts.push(frames)
    left -= frames
  }
  return bursts.flatMap((frames, i) => {
    // As far into all scenes together as this burst is among all bursts; the gaps between scenes left out.
    let into = ((i + 0.2 + 0.6 * chance.next()) / bursts.length) * length
    const scene = FESTIVAL.find(s => (into -= s.until - s.from) < 0) ?? FESTIVAL[0]
    const at = start + minutes(scene.until + into)
    return Array.from({ length: frames }, (_, k) => at + k * 120)
  })
}

const EXPOSURES = [1 / 1000, 1 / 800, 1 / 640, 1 / 500, 1 / 250] as const
const F_NUMBERS = [2.8, 2.8, 4, 4, 5.6] as const

/** The pictures of one camera, and what it was set to at each. */
export const picturesOf = (shooting: Shooting, standard: Standard, now: string): readonly Picture[] => {
  const { body: profile, firmware, serial, lens, focalMm, pictures, turned, behind } = shooting
  const body = bodyAt(profile, firmware)
  const wanted = resolve(body, standard, { firmware, known: factoryState(body) }).state
  const chance = random(pictures)
  const start = festivalStart(now)
  const pick = <T>(all: readonly T[]): T => all[Math.floor(chance.next() * all.length)] as T
  return timesOf(pictures, start, pictures).map((time, i) => {
    const isTurned = i >= turned.from && i < turned.until
    const isKept = chance.next() < (isTurned ? 0.22 : 0.3)
    return {
      file: `${shooting.tag.slice(-2)}_${String(i + 1).padStart(4, '0')}.JPG`,
      at: new Date(time - behind * 1000).toISOString(),
      make: body.maker,
      model: body.model,
      serial,
      lens,
      focalMm: pick(focalMm),
      fNumber: pick(F_NUMBERS),
      exposureSeconds: pick(EXPOSURES),
      iso: pick([800, 1600, 3200]),
      ...(isKept ? { rating: 1 + Math.floor(chance.next() * 5) } : {}),
      fields: fieldsOf(body, { ...wanted, ...(isTurned ? { [turned.setting]: turned.option } : {}) }),
    }
  })
}

/** The festival as it was shot. */
const SHOOTINGS: readonly (Omit<Shooting, 'body' | 'serial' | 'firmware'> & { readonly bodyId: string })[] = [
  {
    tag: 'TSP-S2',
    bodyId: 'sorrel',
    lens: 'Hearth 24-70 mm f/2.8',
    focalMm: [24, 35, 50, 70],
    pictures: 160,
    turned: { setting: 'grip', option: 'grip-2-of-7', from: 90, until: 160 },
    behind: 0,
  },
  {
    tag: 'TSP-L3',
    bodyId: 'linnet',
    lens: 'Swallow 50-140 mm f/2.8',
    focalMm: [50, 90, 140],
    pictures: 130,
    turned: { setting: 'frame', option: 'frame-1x1', from: 5, until: 40 },
    behind: 0,
  },
  {
    tag: 'TSP-T2',
    bodyId: 'tollgate',
    lens: 'Span 70-300 mm f/4.5-5.6',
    focalMm: [70, 135, 200, 300],
    pictures: 110,
    turned: { setting: 'studs', option: 'all-studs', from: 70, until: 110 },
    behind: 3600,
  },
]

/** The standard that the festival was shot by, and who shot it with which camera of the house. */
export const demoShootings = (): { readonly standard: Standard; readonly shootings: readonly Shooting[] } => {
  const standard = demoStandards().find(s => s.id === FESTIVAL[0].standard)
  const shootings = SHOOTINGS.flatMap(({ bodyId, ...rest }) => {
    const [unit, body] = [demoUnits().find(u => u.tag === rest.tag), demoBodies().find(b => b.id === bodyId)]
    return unit && body ? [{ ...rest, body, serial: unit.serial, firmware: unit.firmware ?? '' }] : []
  })
  if (!standard || shootings.length !== SHOOTINGS.length) throw new Error('the festival lacks a camera or its standard')
  return { standard, shootings }
}

/** The audit of the festival: its plan, and all its pictures in the order in which somebody dropped them. */
export const demoAudit = (
  shootings: readonly Shooting[],
  standard: Standard,
  now: string,
): { readonly plan: AuditPlan; readonly pictures: readonly Picture[] } => {
  const start = festivalStart(now)
  const pictures = shootings.flatMap(s => picturesOf(s, standard, now))
  const late = shootings.filter(s => s.behind !== 0)
  const keyOf = ({ body, serial }: Shooting) => cameraOf({ make: body.maker, model: body.model, serial })
  return {
    plan: {
      name: 'Saltmarsh Ring Festival, Saturday',
      scenes: FESTIVAL.map(s => ({
        name: s.name,
        from: new Date(start + minutes(s.from)).toISOString(),
        until: new Date(start + minutes(s.until)).toISOString(),
        standard: s.standard,
        for: '',
        ...(s.name === 'Club passing' ? { moves: { metresPerSecond: 1.5, distanceMetres: 9 } } : {}),
      })),
      clocks: Object.fromEntries(late.map(s => [keyOf(s), s.behind])),
      whose: {},
      minutesEast: 0,
    },
    pictures,
  }
}
