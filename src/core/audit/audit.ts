import type { Body, State } from '../bodies'
import { cropFactor } from '../optics/equivalents'
import { type Followed, burstsOf, followedIn } from './bursts'
import { cameraOf, type Picture } from './picture'
import { type Difference, differencesIn, joined, lastSights, type Seen, type Sight } from './runs'
import { teller } from './told'
import { type KeptBy, keptBy, type Shot, type Used, usedIn } from './used'
import { camerasIn, type Identified, identified, type Owned } from './whose'

/** What the pictures of a job say: how each camera was set, where that was not what the standard wanted, what was used. */

export interface AuditedUnit extends Owned {
  readonly form: Body
}

export interface AuditedScene {
  readonly name: string
  /** ISO 8601; undefined where it has no beginning or end. */
  readonly from?: string | undefined
  readonly until?: string | undefined
  readonly moves?: Shot['moves']
  /** By unit: the settings that the standard of that time turns on there, with the option it wanted. */
  readonly wanted: Readonly<Record<string, State>>
}

export interface AuditAsked {
  readonly pictures: readonly Picture[]
  readonly units: readonly AuditedUnit[]
  readonly scenes: readonly AuditedScene[]
  /** By camera: seconds to add to what its clock said. */
  readonly clocks: Readonly<Record<string, number>>
  /** By camera: which unit somebody said it is. */
  readonly whose: Readonly<Record<string, string>>
  /** By unit: pictures that somebody judged in a trial, by the time in them as the camera wrote it. */
  readonly judged?: Readonly<Record<string, readonly Judged[]>>
  readonly now: string
}

export interface Judged {
  readonly at: string
  readonly isKept: boolean
}

/** What was seen of one unit. */
export interface UnitAudit {
  readonly unit: string
  readonly pictures: number
  /** Of these, from before it was entered in the kit. */
  readonly older: number
  readonly from: string
  readonly until: string
  /** Settings that its pictures tell of, of those that any standard here turns on. */
  readonly told: readonly string[]
  readonly untold: readonly string[]
  /** Settings of which pictures said two things at once, with how many did. */
  readonly torn: Readonly<Record<string, number>>
  readonly sights: readonly Sight[]
  readonly used: Used
  readonly followed: Followed | undefined
  /** By setting: how many pictures showed which option. */
  readonly shares: readonly { readonly setting: string; readonly options: Readonly<Record<string, number>> }[]
  readonly kept: readonly KeptBy[]
  /** By what it is told that a picture was kept; undefined where nobody said. */
  readonly keptAs: 'judged' | 'stars' | undefined
}

/** Pictures that say nothing here, and why. */
export interface LeftOut {
  readonly why: 'no-time' | 'in-the-future' | 'before-it-was-here' | 'whose' | 'no-scene'
  readonly pictures: number
  /** Of which camera or unit, where it is one. */
  readonly of: string
  readonly example: string
}

export interface Audit {
  readonly pictures: number
  readonly from: string | undefined
  readonly until: string | undefined
  readonly cameras: readonly Identified[]
  readonly units: readonly UnitAudit[]
  /** Drifts first, the most pictures first. */
  readonly differences: readonly Difference[]
  readonly leftOut: readonly LeftOut[]
}

/** A clock may be ahead of the server's by so much before a picture is from the future. */
const AHEAD_MS = 10 * 60 * 1000

interface Placed {
  readonly picture: Picture
  readonly unit: string
  readonly at: string
  readonly scene: number
}

export const auditOf = (asked: AuditAsked): Audit => {
  const { pictures, units, scenes } = asked
  const cameras = identified(camerasIn(pictures), units, asked.whose)
  const { placed, leftOut } = place(asked, cameras)
  const byUnit = new Map<string, Placed[]>()
  for (const p of placed) {
    const list = byUnit.get(p.unit)
    if (list) list.push(p)
    else byUnit.set(p.unit, [p])
  }
  const audits: UnitAudit[] = []
  const differences: Difference[] = []
  for (const unit of units) {
    const own = (byUnit.get(unit.id) ?? []).sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))
    if (own.length === 0) continue
    const { audit, found } = auditUnit(unit, own, scenes, asked.judged?.[unit.id] ?? [])
    audits.push(audit)
    differences.push(...found)
  }
  const times = placed.map(p => p.at).sort()
  return {
    pictures: pictures.length,
    from: times[0],
    until: times.at(-1),
    cameras,
    units: audits.sort((a, b) => b.pictures - a.pictures),
    differences: differences.sort((a, b) => Number(b.isStill) - Number(a.isStill) || b.pictures - a.pictures),
    leftOut,
  }
}

/** Every picture with its unit, its right time and its scene, as far as it has them. */
const place = (
  { pictures, units, scenes, clocks, now }: AuditAsked,
  cameras: readonly Identified[],
): { readonly placed: readonly Placed[]; readonly leftOut: readonly LeftOut[] } => {
  const placed: Placed[] = []
  const left = new Map<string, LeftOut & { pictures: number }>()
  const leave = (why: LeftOut['why'], of: string, example: string) => {
    const key = `${why} ${of}`
    const known = left.get(key)
    left.set(key, { why, of, example: known?.example ?? example, pictures: (known?.pictures ?? 0) + 1 })
  }
  const unitOf = new Map(cameras.flatMap(c => (c.whose.is === 'unit' ? [[c.key, c.whose.unit] as const] : [])))
  const sinceOf = new Map(units.map(u => [u.id, u.since]))
  const latest = new Date(Date.parse(now) + AHEAD_MS).toISOString()
  for (const picture of pictures) {
    const camera = cameraOf(picture)
    const unit = unitOf.get(camera)
    if (unit === undefined) {
      leave('whose', camera, picture.file)
      continue
    }
    if (picture.at === undefined) {
      leave('no-time', unit, picture.file)
      continue
    }
    const at = new Date(Date.parse(picture.at) + (clocks[camera] ?? 0) * 1000).toISOString()
    if (at > latest) leave('in-the-future', unit, picture.file)
    else if (at < (sinceOf.get(unit) ?? '')) leave('before-it-was-here', unit, picture.file)
    else {
      const scene = scenes.findIndex(s => (s.from ?? '') <= at && at <= (s.until ?? '9999'))
      if (scene < 0) leave('no-scene', unit, picture.file)
      placed.push({ picture, unit, at, scene })
    }
  }
  return { placed, leftOut: [...left.values()].sort((a, b) => b.pictures - a.pictures) }
}

const auditUnit = (
  unit: AuditedUnit,
  own: readonly Placed[],
  scenes: readonly AuditedScene[],
  judged: readonly Judged[],
): { readonly audit: UnitAudit; readonly found: readonly Difference[] } => {
  const { form } = unit
  const offered = new Map(form.settings.map(s => [s.id, new Set(s.options.map(o => o.id))]))
  // What this firmware does not offer cannot have been set.
  const tell = teller((form.evidence ?? []).filter(e => offered.get(e.setting)?.has(e.option)))
  const torn: Record<string, number> = {}
  const seen = own.map((p): Seen & Placed => {
    const told = tell(p.picture.fields)
    for (const s of told.torn) torn[s] = (torn[s] ?? 0) + 1
    return { ...p, file: p.picture.file, state: told.state }
  })
  const inScenes = scenes
    .map((s, i) => ({ scene: i, wanted: s.wanted[unit.id] ?? {}, seen: seen.filter(p => p.scene === i) }))
    .filter(s => s.seen.length > 0)
    .sort((a, b) => ((a.seen[0]?.at ?? '') < (b.seen[0]?.at ?? '') ? -1 : 1))
  const found = joined(
    inScenes.map(s => ({
      differences: differencesIn(unit.id, s.scene, form, s.seen, s.wanted),
      told: new Set(s.seen.flatMap(p => Object.keys(p.state))),
    })),
  )
  const asked = new Set(scenes.flatMap(s => Object.keys(s.wanted[unit.id] ?? {})))
  const told = new Set(seen.flatMap(s => Object.keys(s.state)))
  const { widthMm, heightMm } = form.sensor
  const crop = cropFactor(form.sensor)
  const judgedOf = new Map(judged.map(j => [Date.parse(j.at), j.isKept]))
  const isJudged = seen.some(s => judgedOf.has(timeOf(s)))
  const keptAs = isJudged ? 'judged' : seen.some(s => (s.picture.rating ?? 0) !== 0) ? 'stars' : undefined
  // Where pictures were judged, those that were not say nothing; stars say something of all of them.
  const judgedAt = (setting: string) =>
    seen.flatMap(s => {
      const option = s.state[setting]
      const isKept = isJudged ? judgedOf.get(timeOf(s)) : (s.picture.rating ?? 0) > 0
      return option === undefined || isKept === undefined ? [] : [{ option, isKept }]
    })
  return {
    audit: {
      unit: unit.id,
      pictures: own.length,
      older: own.filter(p => p.at < unit.entered).length,
      from: own[0]?.at ?? '',
      until: own.at(-1)?.at ?? '',
      told: [...told].sort(),
      untold: [...asked].filter(s => !told.has(s)).sort(),
      torn,
      sights: lastSights(seen),
      used: usedIn(
        own.map(p => ({
          picture: p.picture,
          crop,
          diagonalMm: Math.hypot(widthMm, heightMm),
          moves: scenes[p.scene]?.moves,
        })),
      ),
      followed: followedIn(burstsOf(own.map(p => p.at))),
      shares: [...told].sort().map(setting => ({ setting, options: countOptions(seen, setting) })),
      kept: keptAs === undefined ? [] : [...told].sort().flatMap(setting => keptBy(setting, judgedAt(setting)) ?? []),
      keptAs,
    },
    found,
  }
}

/** By the camera's own clock. */
const timeOf = ({ picture }: Placed): number => Date.parse(picture.at ?? '')

const countOptions = (seen: readonly Seen[], setting: string): Readonly<Record<string, number>> => {
  const counts: Record<string, number> = {}
  for (const { state } of seen) {
    const option = state[setting]
    if (option !== undefined) counts[option] = (counts[option] ?? 0) + 1
  }
  return counts
}
