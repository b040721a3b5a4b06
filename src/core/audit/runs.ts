import type { Body, State } from '../bodies'

/** How one setting of one unit stood, picture after picture. */

/** A picture of a unit, with what it tells. */
export interface Seen {
  readonly file: string
  /** When it was taken, after the camera's clock was put right. ISO 8601. */
  readonly at: string
  readonly state: State
}

/** Pictures one after the other that show one option. */
export interface Run {
  readonly option: string
  readonly from: string
  readonly until: string
  readonly firstFile: string
  readonly lastFile: string
  readonly pictures: number
}

/** @param seen oldest first */
export const runsOf = (seen: readonly Seen[], setting: string): readonly Run[] => {
  const runs: Run[] = []
  for (const { file, at, state } of seen) {
    const option = state[setting]
    if (option === undefined) continue
    const last = runs.at(-1)
    if (last?.option === option)
      runs[runs.length - 1] = { ...last, until: at, lastFile: file, pictures: last.pictures + 1 }
    else runs.push({ option, from: at, until: at, firstFile: file, lastFile: file, pictures: 1 })
  }
  return runs
}

/** One setting against what the standard wanted, in one scene or in several one after the other. */
export interface Difference {
  readonly unit: string
  /** In the order in which they were shot. */
  readonly scenes: readonly number[]
  readonly setting: string
  readonly wanted: string
  /** What most of the pictures that differ show. */
  readonly seen: string
  /** Pictures that differ, of those that tell. */
  readonly pictures: number
  readonly of: number
  /** Since when it was otherwise, and still was at the last picture; else when it first was. */
  readonly since: string
  readonly sinceFile: string
  readonly lastFile: string
  /** It still was at the last picture: it drifted. Else it came back. */
  readonly isStill: boolean
  /** It was so from the first picture on. */
  readonly isFromFirst: boolean
}

const meaningOf = (body: Body, setting: string, option: string): string => {
  const found = body.settings.find(s => s.id === setting)?.options.find(o => o.id === option)
  const means = Object.entries(found?.means ?? {}).sort(([a], [b]) => (a < b ? -1 : 1))
  // What means nothing is only itself.
  return means.length > 0 ? JSON.stringify(means) : `= ${option}`
}

/** Whether two options of a setting are as good as each other, as far as anybody wants something. */
const isAlike = (body: Body, setting: string, a: string, b: string): boolean =>
  a === b || meaningOf(body, setting, a) === meaningOf(body, setting, b)

/**
 * Where pictures of a scene show something else than was wanted.
 *
 * @param seen of one unit in one scene, oldest first
 * @param wanted settings that the standard turns on, with the option it wants
 */
export const differencesIn = (
  unit: string,
  scene: number,
  body: Body,
  seen: readonly Seen[],
  wanted: State,
): readonly Difference[] =>
  Object.entries(wanted).flatMap(([setting, option]): Difference[] => {
    const runs = runsOf(seen, setting)
    const other = runs.filter(r => !isAlike(body, setting, r.option, option))
    const [first] = other
    if (!first) return []
    const most = other.reduce((a, b) => (b.pictures > a.pictures ? b : a))
    const last = other.at(-1) ?? first
    const isStill = last === runs.at(-1)
    // Several runs in a row that differ, each in its own way, are one drift.
    const back = runs.findLastIndex(r => isAlike(body, setting, r.option, option))
    const begun = isStill ? (runs[back + 1] ?? first) : first
    return [
      {
        unit,
        scenes: [scene],
        setting,
        wanted: option,
        seen: isStill ? last.option : most.option,
        pictures: other.reduce((n, r) => n + r.pictures, 0),
        of: runs.reduce((n, r) => n + r.pictures, 0),
        since: begun.from,
        sinceFile: begun.firstFile,
        lastFile: last.lastFile,
        isStill,
        isFromFirst: runs[0] === first,
      },
    ]
  })

/**
 * Differences of one unit over its scenes: what a scene ends with and the next begins with is one drift, and what the
 * next scene begins without was put back.
 *
 * @param byScene of each scene in the order in which they were shot, with the settings that its pictures tell of
 */
export const joined = (
  byScene: readonly { readonly differences: readonly Difference[]; readonly told: ReadonlySet<string> }[],
): readonly Difference[] => {
  const done: Difference[] = []
  let open = new Map<string, Difference>()
  for (const { differences, told } of byScene) {
    const next = new Map([...open].filter(([setting]) => !told.has(setting)))
    for (const d of differences) {
      const before = open.get(d.setting)
      const goesOn = before !== undefined && d.isFromFirst && before.wanted === d.wanted
      if (before && !goesOn) done.push({ ...before, isStill: false })
      const whole: Difference = goesOn
        ? {
            ...d,
            scenes: [...before.scenes, ...d.scenes],
            pictures: before.pictures + d.pictures,
            of: before.of + d.of,
            since: before.since,
            sinceFile: before.sinceFile,
            isFromFirst: before.isFromFirst,
          }
        : d
      if (whole.isStill) next.set(d.setting, whole)
      else done.push(whole)
    }
    const gone = new Set(differences.map(d => d.setting))
    for (const [setting, before] of open)
      if (told.has(setting) && !gone.has(setting)) done.push({ ...before, isStill: false })
    open = next
  }
  return [...done, ...open.values()]
}

/** What is known of a unit after its pictures: the last that each setting was seen at, by the picture that showed it. */
export interface Sight {
  readonly at: string
  readonly file: string
  readonly settings: State
}

/** @param seen of one unit, oldest first. @returns oldest first; each setting stands in one of them */
export const lastSights = (seen: readonly Seen[]): readonly Sight[] => {
  const left = new Set(seen.flatMap(s => Object.keys(s.state)))
  const sights: Sight[] = []
  for (let i = seen.length - 1; i >= 0 && left.size > 0; i--) {
    const s = seen[i]
    const fresh = Object.entries(s?.state ?? {}).filter(([setting]) => left.delete(setting))
    if (s && fresh.length > 0) sights.unshift({ at: s.at, file: s.file, settings: Object.fromEntries(fresh) })
  }
  return sights
}
