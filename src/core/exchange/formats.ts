import { toJsonSchema } from '@valibot/to-json-schema'
import { BODY_FORMAT, bodySchema, parseBody } from '../bodies'
import { GUIDE_FORMAT, houseGuideSchema, parseHouseGuide } from '../guide/house'
import { parseState, STATE_FORMAT, type StateOf, stateSchema } from '../kit/state-file'
import { JOB_FORMAT, jobSchema, parseJob } from '../jobs/job'
import { COURSE_FORMAT, courseSchema, parseCourse } from '../course/course'
import { parseTrial, TRIAL_FORMAT, trialSchema } from '../evidence/trial'
import { LENS_FORMAT, lensSchema, parseLens } from '../lenses/schema'
import type { Parsed } from '../reading/problem'
import { LENS_TEST_FORMAT, lensTestSchema, parseLensTest } from '../lens-tests/schema'
import { parseRun, RUN_FORMAT, runSchema } from '../scales/run'
import { parseStandard, STANDARD_FORMAT, standardSchema } from '../standards'
import { BUNDLE_FORMAT, bundleSchema, parseBundle } from './bundle'

type Schema = Parameters<typeof toJsonSchema>[0]

/** One exchange format: everything that has to be said of it anywhere. */
export interface Format {
  /** As the file says it in `format`. */
  readonly name: string
  /** What such a file holds. */
  readonly about: string
  /** Its name among the schemas of the HTTP interface. */
  readonly component: string
  readonly schema: Schema
  /** Never throws. `of` is the unit a state is read for; nothing else needs it. */
  readonly read: (value: unknown, file: string, of?: StateOf) => Parsed<unknown>
  /** The file in docs/formats/examples, or the path of the HTTP interface that writes one. */
  readonly example: `${string}.json` | `GET /${string}`
}

const stateOfNobody: Parsed<never> = {
  ok: false,
  problems: [{ file: '', path: '', value: '', expected: 'expected to be told which unit this is for' }],
}

/** Every exchange format. JSON Schemas, docs, the HTTP interface and the tests of examples go by this list. */
export const FORMATS = {
  body: {
    name: BODY_FORMAT,
    about: 'a camera body',
    component: 'Body',
    schema: bodySchema,
    read: parseBody,
    example: 'body.json',
  },
  lens: {
    name: LENS_FORMAT,
    about: 'a lens',
    component: 'Lens',
    schema: lensSchema,
    read: parseLens,
    example: 'lens.json',
  },
  bundle: {
    name: BUNDLE_FORMAT,
    about: 'several bodies and lenses in one file',
    component: 'Bundle',
    schema: bundleSchema,
    read: parseBundle,
    example: 'GET /api/v1/bundle',
  },
  standard: {
    name: STANDARD_FORMAT,
    about: 'a standard',
    component: 'Standard',
    schema: standardSchema,
    read: parseStandard,
    example: 'standard.json',
  },
  guide: {
    name: GUIDE_FORMAT,
    about: 'what a house makes of the guide',
    component: 'HouseGuide',
    schema: houseGuideSchema,
    read: parseHouseGuide,
    example: 'guide.json',
  },
  run: {
    name: RUN_FORMAT,
    about: 'a measuring run of a scale',
    component: 'Run',
    schema: runSchema,
    read: parseRun,
    example: 'run.json',
  },
  lensTest: {
    name: LENS_TEST_FORMAT,
    about: 'a lens tested on a body',
    component: 'LensTest',
    schema: lensTestSchema,
    read: parseLensTest,
    example: 'lens-test.json',
  },
  trial: {
    name: TRIAL_FORMAT,
    about: 'a field trial, with what was counted',
    component: 'Trial',
    schema: trialSchema,
    read: parseTrial,
    example: 'trial.json',
  },
  course: {
    name: COURSE_FORMAT,
    about: 'a course, lesson by lesson',
    component: 'Course',
    schema: courseSchema,
    read: parseCourse,
    example: 'course.json',
  },
  job: {
    name: JOB_FORMAT,
    about: 'a job, scene by scene',
    component: 'Job',
    schema: jobSchema,
    read: parseJob,
    example: 'job.json',
  },
  state: {
    name: STATE_FORMAT,
    about: 'what a unit is set to',
    component: 'UnitState',
    schema: stateSchema,
    read: (value, file, of) => (of ? parseState(value, file, of) : stateOfNobody),
    example: 'state.json',
  },
} satisfies Readonly<Record<string, Format>>

export type FormatId = keyof typeof FORMATS
export const ALL_FORMATS: readonly Format[] = Object.values(FORMATS)

/** JSON Schema 2020-12, generated from the schema that reads. */
export const schemaOf = (schema: Schema, title: string): Record<string, unknown> => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  ...toJsonSchema(schema, { target: 'draft-2020-12', errorMode: 'ignore', typeMode: 'input' }),
  title,
})

export const jsonSchemaOf = ({ schema, name }: Format): Record<string, unknown> => schemaOf(schema, name)

/** `coherion.body/1` is described in `coherion.body-1.schema.json`. */
export const schemaFileOf = ({ name }: Format): string => `${name.replace('/', '-')}.schema.json`

/** The formats as components of an OpenAPI document. */
export const formatComponents = (): Readonly<Record<string, Record<string, unknown>>> =>
  Object.fromEntries(ALL_FORMATS.map(f => [f.component, jsonSchemaOf(f)]))

/** The formats as a Markdown table, for docs/formats/README.md. */
export const formatsTable = (): string => {
  const rows = ALL_FORMATS.map(f => [
    `\`${f.name}\`: ${f.about}`,
    `[JSON Schema](${schemaFileOf(f)})`,
    f.example.endsWith('.json') ? `[${f.example}](examples/${f.example})` : `\`${f.example}\``,
  ])
  const all = [['format', 'schema', 'example'], ...rows]
  const widths = [0, 1, 2].map(i => Math.max(...all.map(row => row[i]?.length ?? 0)))
  const line = (cells: readonly string[]) => `| ${cells.map((c, i) => c.padEnd(widths[i] ?? 0)).join(' | ')} |`
  return [line(all[0] ?? []), `| ${widths.map(w => '-'.repeat(w)).join(' | ')} |`, ...all.slice(1).map(line)].join('\n')
}
