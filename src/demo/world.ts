import { type LensTest, parseLensTest } from '../core/lens-tests/schema'
import { type Course, parseCourse } from '../core/course/course'
import { type Job, parseJob } from '../core/jobs/job'
import { parseRun, type Run } from '../core/scales/run'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { type Body, parseBody } from '../core/bodies'
import { type Parsed, parseJson, problemWords } from '../core/reading/problem'
import { type Lens, parseLens } from '../core/lenses/schema'
import { ownLayers, parseStandard, type Standard, standardProblems, type Target } from '../core/standards'
import { borrowed, withTarget } from '../core/standards/edit'
import type { VersionState } from '../db/standards'
import houseBaseline from '../core/standards/house-baseline.json' with { type: 'json' }

/** The demo world's files, read the way any team's files are. */

const here = join(process.cwd(), 'src/demo')

/** Reads and checks a folder of files, once. */
const reader = <T>(folder: string, parse: (value: unknown, file: string) => Parsed<T>): (() => readonly T[]) => {
  let files: readonly T[] | undefined
  return () => (files ??= read(folder, parse))
}

const read = <T>(folder: string, parse: (value: unknown, file: string) => Parsed<T>): readonly T[] =>
  readdirSync(join(here, folder))
    .sort()
    .map(file => {
      const json = parseJson(readFileSync(join(here, folder, file), 'utf8'), file)
      const parsed = json.ok ? parse(json.value, file) : json
      if (!parsed.ok) throw new Error(parsed.problems.map(problemWords).join('\n'))
      return parsed.value
    })

export const demoBodies: () => readonly Body[] = reader('bodies', parseBody)

/** A standard as a demo file states it: its own layers, and what it stands on, or what differs from another version. */
interface DemoComment {
  readonly by: string
  readonly dimension: string
  readonly text: string
}

type DemoStandard = {
  readonly state: VersionState
  readonly why?: string
  readonly comments?: readonly DemoComment[]
} & (
  | (Standard & { readonly on: string })
  | {
      readonly from: string
      readonly version: number
      readonly targets: readonly Target[]
      /** Layers that this version does not have. */
      readonly without: readonly string[]
    }
)

export interface DemoVersion {
  readonly standard: Standard
  readonly state: VersionState
  readonly why: string
  readonly comments: readonly DemoComment[]
}

const byVersion = (a: DemoVersion, b: DemoVersion): number =>
  a.standard.id.localeCompare(b.standard.id) || a.standard.version - b.standard.version

let versions: readonly DemoVersion[] | undefined

/** Every version of every standard, in the order they came about. */
export const demoVersions = (): readonly DemoVersion[] => (versions ??= readVersions())

const readVersions = (): readonly DemoVersion[] => {
  const files = readdirSync(join(here, 'standards')).map(f => data<DemoStandard>(`standards/${f}`))
  const found = new Map<string, DemoVersion>()
  const add = (key: string, value: object, { state, why = '', comments = [] }: DemoStandard): void => {
    const parsed = parseStandard(value, key)
    const problems = parsed.ok ? standardProblems(parsed.value, key) : parsed.problems
    if (!parsed.ok || problems.length) throw new Error(problems.map(problemWords).join('\n'))
    found.set(key, { standard: parsed.value, state, why, comments })
  }
  for (const standard of houseStandards())
    found.set(standard.id, { standard, state: 'approved', why: '', comments: [] })
  const own = files.flatMap(f => ('on' in f ? [f] : []))
  // What stands on another comes after it.
  for (let left = own; left.length; left = left.filter(f => !found.has(f.id)))
    for (const f of left) {
      const below = found.get(f.on)?.standard
      if (!below) continue
      const { on, state, why, comments, layers, ...rest } = f
      add(f.id, { ...rest, layers: [...borrowed(below), ...layers] }, f)
    }
  for (const f of files) {
    if (!('from' in f)) continue
    const base = found.get(f.from)?.standard
    if (!base) throw new Error(`no standard ${f.from}`)
    const layers = base.layers.filter(l => !f.without.includes(l.id))
    const changed = f.targets.reduce((s, t) => withTarget(s, base.id, { ...relaxing(base, t), ...t }), {
      ...base,
      layers,
    })
    add(`${base.id}@${f.version}`, { ...changed, version: f.version }, f)
  }
  return [...found.values()].sort(byVersion)
}

/** A changed target goes on saying why it may relax what is below. */
const relaxing = (base: Standard, target: Target) => {
  const relaxes = ownLayers(base)[0]?.targets.find(t => t.dimension === target.dimension)?.relaxes
  return relaxes ? { relaxes } : {}
}

/** The standards in force. */
export const demoStandards = (): readonly Standard[] =>
  demoVersions()
    .filter(v => v.state === 'approved')
    .map(v => v.standard)

const houseStandards = (): readonly Standard[] => {
  const parsed = parseStandard(houseBaseline, 'house-baseline.json')
  if (!parsed.ok) throw new Error(parsed.problems.map(problemWords).join('\n'))
  return [parsed.value]
}

export const demoLenses: () => readonly Lens[] = reader('lenses', parseLens)

export interface DemoUnit {
  readonly body?: string
  readonly lens?: string
  readonly tag: string
  readonly serial: string
  readonly firmware?: string
  readonly owner?: string
  readonly hiredUntil?: string
  readonly notes?: string
}

const data = <T>(file: string): T => JSON.parse(readFileSync(join(here, file), 'utf8')) as T

export const demoUnits = (): readonly DemoUnit[] => data('units.json')

export const demoPeople = (): readonly string[] => data('people.json')

/** What happened to a unit before the demo begins. */
export type DemoLife = { readonly tag: string; readonly daysAgo: number; readonly by: string } & (
  | { readonly what: 'reset' | 'repaired' | 'returned' }
  | { readonly what: 'firmware'; readonly from: string }
  /** From factory defaults to the end of a card, signed; for the version in force where none is named. */
  | { readonly what: 'walked'; readonly standard: string; readonly version?: number; readonly minutes: number }
  /** Somebody found a setting at another option than it was left at. */
  | { readonly what: 'told'; readonly setting: string; readonly option: string }
)

export const demoLives = (): readonly DemoLife[] => data('lives.json')

/** Who usually carries which units, by tag. */
export interface DemoRun {
  readonly by: string
  readonly run: Run
}

/** What the team has measured and not taken up yet. */
export const demoRuns = (): readonly DemoRun[] =>
  data<readonly { by: string; run: unknown }[]>('runs.json').map(({ by, run }) => {
    const parsed = parseRun(run, 'runs.json')
    if (!parsed.ok) throw new Error(parsed.problems.map(problemWords).join('\n'))
    return { by, run: parsed.value }
  })

interface DemoLensTest {
  readonly by: string
  readonly test: LensTest
}

/** Lenses tested, from the made pictures: one that focuses in front, and one over its apertures. */
export const demoLensTests = (): readonly DemoLensTest[] =>
  data<readonly { by: string; test: unknown }[]>('lens-tests.json').map(({ by, test }) => {
    const parsed = parseLensTest(test, 'lens-tests.json')
    if (!parsed.ok) throw new Error(parsed.problems.map(problemWords).join('\n'))
    return { by, test: parsed.value }
  })

export const demoCarries = (): Readonly<Record<string, readonly string[]>> => data('carries.json')

/** Six who learn at Quayside in the evening, each with the body they bring. */
export interface DemoStudent {
  readonly name: string
  readonly body: string
  /** How far they are: lessons passed, and how their tries go. */
  readonly passed: number
  readonly reaction: number
}

export const demoStudents = (): readonly DemoStudent[] => data('students.json')

export const demoCourse = (): Course => {
  const parsed = parseCourse(data('course.json'), 'course.json')
  if (!parsed.ok) throw new Error(parsed.problems.map(problemWords).join('\n'))
  return parsed.value
}

/** The festival as it is written down: its days are counted from the first. */
type DemoJob = Omit<Job, 'day' | 'scenes'> & {
  readonly scenes: readonly (Omit<Job['scenes'][number], 'day'> & { readonly day: number })[]
}

/** The festival, beginning on a day. */
export const demoJob = (first: string): Job => {
  const { scenes, ...job } = data<Omit<DemoJob, 'day'> & { readonly day: number }>('job.json')
  const dayAfter = (days: number) => new Date(Date.parse(first) + days * 86_400_000).toISOString().slice(0, 10)
  const parsed = parseJob(
    { ...job, day: dayAfter(0), scenes: scenes.map(s => ({ ...s, day: dayAfter(s.day) })) },
    'job.json',
  )
  if (!parsed.ok) throw new Error(parsed.problems.map(problemWords).join('\n'))
  return parsed.value
}
