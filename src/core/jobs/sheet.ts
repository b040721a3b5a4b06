import { SCHOOLS } from '../functions/schools'
import { firstRule } from '../rescues/rescue'
import { RULES } from '../rescues/rules'
import { SYMPTOMS, type SymptomId } from '../rescues/symptoms'
import { clockAt } from './clock'
import { type JobFacts, type Said, setUpWords } from './facts'
import { thumbOver } from './hands'
import type { Job } from './job'
import type { SceneLight } from './light'
import { likelyAt } from './likely'
import type { KeyFill, Station, StationChange } from './station'
import type { Happened } from './standing'
import { handScenes, lightsOf, limiterAt, peopleIn, stationsOf } from './warnings'
import type { Planned } from './replan'

/** What a call sheet says: for everybody, or for one. The same on a phone, on paper and in a calendar. */

export interface SheetTrouble {
  readonly symptom: SymptomId
  readonly label: string
  /** What to do this second. */
  readonly now: string
  readonly rule: string
}

export interface SheetLine {
  readonly key: string
  readonly scene: string
  readonly person: string | undefined
  readonly name: string
  readonly who: string
  readonly day: string
  readonly from: string
  readonly until: string
  /** Milliseconds since 1970, UTC. */
  readonly begins: number
  readonly ends: number
  readonly place: string
  readonly body: string | undefined
  readonly unit: { readonly id: string; readonly tag: string; readonly model: string } | undefined
  readonly lens: string | undefined
  readonly standard:
    | { readonly id: string; readonly name: string; readonly for: string; readonly isGuided: boolean }
    | undefined
  readonly slot: string | undefined
  /** The key that recalls it, for as long as it is held or on. */
  readonly held: string | undefined
  /** That key is on until it is pressed again. */
  readonly isToggled: boolean
  /** What to do before it, one thing after the other. */
  readonly change: readonly string[]
  readonly isLate: boolean
  readonly thumb: string
  readonly limiter: string
  readonly light: SceneLight | undefined
  readonly troubles: readonly SheetTrouble[]
  readonly cautions: readonly Said[]
  readonly notes: string
  /** How it stood on the last sheet that was printed, where that was otherwise; empty for what was not on it. */
  readonly printed: string | undefined
}

export interface Sheet {
  readonly who: { readonly id: string; readonly name: string } | undefined
  readonly lines: readonly SheetLine[]
  /** What is in the slots and on the keys when the day begins, camera by camera. */
  readonly prepare: readonly {
    readonly day: string
    readonly tag: string
    readonly body: string
    readonly slots: readonly string[]
    readonly keys: readonly string[]
    readonly first: string
    readonly areas: readonly string[]
  }[]
  readonly thumb: string
  /** Of the cameras and of how they are set, each once; those of a place stand with its scenes. */
  readonly cautions: readonly Said[]
}

const keyDeed = (key: string, { isToggled, stays }: StationChange): string =>
  stays
    ? `Leave ${key} on.`
    : isToggled
      ? `Press ${key} once: it is on until it is pressed again. Nothing else is changed.`
      : `Hold ${key} while you shoot; nothing else is changed.`

/** What a change is, in the words of the body. */
export const changeWords = (
  facts: JobFacts,
  unitModel: string,
  change: StationChange | undefined,
): readonly string[] => {
  if (!change) return []
  const model = facts.models.find(m => m.id === unitModel)
  const { walks } = change
  const walk = walks && model?.[walks.isRest ? 'rests' : 'walks'][walks.from]?.[walks.to]
  const steps = walk?.steps.flatMap(([row, option]) => {
    const setting = model?.rows[row]
    return setting
      ? [
          `${setting.path[0]} › ${setting.path[1]}, row ${setting.path[2]}: ${setting.label}, ${setting.options[option] ?? ''}`,
        ]
      : []
  })
  return [
    ...(change.back === undefined ? [] : [`Press ${change.back} again: the camera is as it was before.`]),
    ...(change.key === undefined ? [] : [keyDeed(change.key, change)]),
    ...(change.keeps === undefined ? [] : [`Store what is set in ${change.keeps}.`]),
    ...(change.recalls === undefined ? [] : [`Recall ${change.recalls}.`]),
    ...(walks && !walk && !walks.isRest ? ['Walk the card; its rows are not worked out yet.'] : (steps ?? [])),
    ...(change.stores === undefined ? [] : [`Then store it in ${change.stores}.`]),
  ]
}

/** Where a set-up is found on the camera; undefined where it is in no slot and on no key. */
export const whereIn = ({
  slot,
  held,
  isToggled,
}: Pick<SheetLine, 'slot' | 'held' | 'isToggled'>): string | undefined =>
  held === undefined
    ? slot === undefined
      ? undefined
      : `in ${slot}`
    : isToggled
      ? `with ${held} on`
      : `held on ${held}`

/** How long a key does what is stored for it. */
export const keyLasts = ({ isToggled }: Pick<KeyFill, 'isToggled'>): string =>
  isToggled ? 'until it is pressed again' : 'while it is held'

/** A key and what is stored for it at home. */
const keyWords = (key: KeyFill, people: JobFacts['people']): readonly string[] =>
  key.setUp ? [`${key.name} (${key.row.join(': ')}): ${setUpWords(key.setUp, people)}, ${keyLasts(key)}`] : []

/** Everything by which a line can have changed since it was printed. */
const lineText = (line: Omit<SheetLine, 'printed'>): string =>
  [
    `${line.day} ${line.from} to ${line.until}`,
    line.place,
    line.who,
    line.unit?.tag ?? 'no camera',
    line.lens ?? '',
    line.held === undefined ? (line.slot ?? '') : (whereIn(line) ?? ''),
    line.standard?.name ?? '',
  ]
    .filter(Boolean)
    .join(', ')

/** The last print that a person has in their hands: of their own sheet, or of everybody's. */
const lastPrint = (
  happened: readonly Happened[],
  who: string | undefined,
): Readonly<Record<string, string>> | undefined =>
  happened
    .toSorted((a, b) => a.at.localeCompare(b.at))
    .flatMap(({ what }) =>
      what.kind === 'printed' && (what.who === undefined || what.who === who) ? [what.lines] : [],
    )
    .at(-1)

const REMOTE: Said = {
  title: 'Over people',
  words: 'A safety tether and someone qualified; the venue’s and local rules come first.',
}

const lineOf = (job: Job, facts: JobFacts, s: Station, light: SceneLight | undefined): Omit<SheetLine, 'printed'> => {
  const begins = clockAt(s.scene.from, job.timeZone)
  const ends = clockAt(s.scene.until, job.timeZone)
  const place = job.places.find(p => p.id === s.scene.place)
  const model = facts.models.find(m => m.id === s.unit?.model)
  const limiter = limiterAt(s.scene, s.lens)
  return {
    key: `${s.scene.id}/${s.cover}`,
    scene: s.scene.id,
    person: s.person?.id,
    name: s.scene.name,
    who: s.person?.name ?? '',
    day: begins.day,
    from: begins.time,
    until: ends.time,
    begins: s.scene.from,
    ends: s.scene.until,
    place: place?.name ?? '',
    body: model?.body,
    unit: s.unit && { id: s.unit.id, tag: s.unit.tag, model: model?.name ?? '' },
    lens: s.lens?.name,
    standard: s.setUp && { id: s.setUp.standard, name: s.setUp.name, for: s.setUp.for, isGuided: s.setUp.isGuided },
    slot: s.slot,
    held: s.change?.key,
    isToggled: s.change?.isToggled ?? false,
    change: [
      ...(s.isOtherLens && s.lens ? [`Put ${s.lens.name} on.`] : []),
      ...(s.unit ? changeWords(facts, s.unit.model, s.change) : []),
    ],
    isLate: s.change?.isLate === true,
    thumb: s.fit ? SCHOOLS[s.fit.school].about : '',
    limiter: limiter?.words ?? '',
    light,
    troubles: likelyAt(s, light, facts.told).map(symptom => {
      const own = s.fit && firstRule(symptom, s.fit.rescues, facts.told[s.scene.id])
      const rule = own ?? RULES.find(r => r.symptom === symptom)
      return { symptom, label: SYMPTOMS[symptom].label, now: rule?.now ?? '', rule: rule?.id ?? '' }
    }),
    cautions: [
      ...(place?.cautions ?? []).map(words => ({ title: place?.name ?? '', words })),
      ...(s.scene.covers[s.cover]?.remote ? [REMOTE] : []),
    ],
    notes: s.scene.notes ?? '',
  }
}

/** @param who everybody where not given */
export const sheetFor = (
  job: Job,
  facts: JobFacts,
  { standing, plan }: Pick<Planned, 'standing' | 'plan'>,
  happened: readonly Happened[],
  who?: string,
): Sheet => {
  const lights = lightsOf(job, standing)
  const stations = who === undefined ? plan.stations : stationsOf(plan, who)
  const printed = lastPrint(happened, who)
  const lines = stations.map((s): SheetLine => {
    const line = lineOf(job, facts, s, lights.get(s.scene.id))
    const then = printed?.[line.key]
    const isOther = printed !== undefined && then !== lineText(line)
    return { ...line, printed: isOther ? (then ?? '') : undefined }
  })
  const units = new Set(stations.map(s => s.unit?.id))
  const all = stations.flatMap(s => [
    ...(s.setUp?.cautions ?? []),
    ...(facts.models.find(m => m.id === s.unit?.model)?.cautions ?? []),
  ])
  const load = thumbOver(handScenes(stations))
  return {
    who: peopleIn(plan).find(p => p.id === who),
    lines,
    prepare: plan.units
      .filter(d => units.has(d.unit.id))
      .map(d => ({
        day: clockAt(d.from, job.timeZone).day,
        tag: d.unit.tag,
        body: facts.models.find(m => m.id === d.unit.model)?.name ?? '',
        slots: d.slots.flatMap(x => (x.setUp ? [`${x.name}: ${setUpWords(x.setUp, facts.people)}`] : [])),
        keys: (d.keys ?? []).flatMap(k => keyWords(k, facts.people)),
        first: stations.find(s => s.unit?.id === d.unit.id && s.scene.from >= d.from)?.setUp?.name ?? '',
        areas: d.areas,
      })),
    cautions: [...new Map(all.map(c => [c.words, c])).values()],
    thumb:
      who === undefined || load.heldMinutes < 1
        ? ''
        : `The thumb holds for about ${Math.round(load.heldMinutes)} of ${load.minutes} min.${load.instead ? ` With ${load.instead.label}: ${Math.round(load.instead.heldMinutes)}.` : ''}`,
  }
}

/** @param printed how it stood on the last print; empty for what was not on it */
export const changedWords = (printed: string): string =>
  `Changed since the last print${printed ? `; it was ${printed}` : ': it is new'}.`

/** What a print is remembered by. */
export const printedLines = (sheet: Sheet): Readonly<Record<string, string>> =>
  Object.fromEntries(sheet.lines.map(l => [l.key, lineText(l)]))

export const sheetsFor = (
  job: Job,
  facts: JobFacts,
  planned: Planned,
  happened: readonly Happened[],
): readonly Sheet[] => peopleIn(planned.plan).map(p => sheetFor(job, facts, planned, happened, p.id))
