import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { type Body, parseBody } from '../core/bodies'
import { type Parsed, parseJson, problemWords } from '../core/formats/problem'
import { type Lens, parseLens } from '../core/lenses/schema'
import { parseStandard, type Standard } from '../core/standards'
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

const ownStandards = reader('standards', parseStandard)

/** The demo's own standards, on top of the one that comes with the house. */
export const demoStandards = (): readonly Standard[] => [...houseStandards(), ...ownStandards()]

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
