import * as v from 'valibot'
import type { Body, State } from '../bodies'
import { type Parsed, parseWith, type Problem } from '../reading/problem'
import type { Known } from './known'

/**
 * The exchange format of what a unit is set to, `coherion.state/1`: written by a tool that reads a camera, or from what
 * is known here.
 */
export const STATE_FORMAT = 'coherion.state/1'

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(60))

export const stateSchema = v.strictObject({
  format: v.literal(STATE_FORMAT),
  /** The body's id, and the firmware that runs. */
  body: id,
  firmware: v.pipe(v.string(), v.regex(/^\d+(\.\d+){0,3}$/, 'expected a version such as 2.10')),
  /** The unit's asset tag, where it is known. */
  unit: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(40))),
  /** Setting to option, by their ids; what is not named is not known. */
  settings: v.pipe(
    v.record(id, id),
    v.check(s => Object.keys(s).length > 0, 'expected at least one setting'),
  ),
})

export type StateFile = v.InferOutput<typeof stateSchema>

/** What the file has to be about. */
export interface StateOf {
  /** At the firmware that runs. */
  readonly body: Body
  readonly firmware: string
  readonly tag: string
}

/**
 * Reads what a unit is set to; never throws.
 *
 * @param of the unit that it is read for: a file of another unit, body or firmware is refused
 * @returns the settings, or what is wrong and where
 */
export const parseState = (value: unknown, file: string, of: StateOf): Parsed<State> => {
  const parsed = parseWith(stateSchema, value, file)
  if (!parsed.ok) return parsed
  const { body, firmware, unit, settings } = parsed.value
  const problems: Problem[] = []
  const expect = (path: string, found: string, wanted: string) => {
    problems.push({ file, path, value: JSON.stringify(found), expected: wanted })
  }
  if (body !== of.body.id) expect('body', body, `expected ${of.body.id}, the body of this unit`)
  else {
    if (firmware !== of.firmware)
      expect('firmware', firmware, `expected ${of.firmware}, which this unit is known to run; change that in Kit first`)
    for (const [setting, option] of Object.entries(settings)) {
      const options = of.body.settings.find(s => s.id === setting)?.options.map(o => o.id)
      if (!options) expect(`settings.${setting}`, option, 'this body has no such setting at this firmware')
      else if (!options.includes(option)) expect(`settings.${setting}`, option, `expected one of ${options.join(', ')}`)
    }
  }
  if (unit !== undefined && unit !== of.tag) expect('unit', unit, `expected ${of.tag}, the unit that this is read for`)
  return problems.length ? { ok: false, problems } : { ok: true, value: settings }
}

/** Writes what is known of a unit; reading it again says the same. Undefined where nothing is known. */
export const stateFileOf = ({ body, firmware, tag }: StateOf, { facts }: Known): StateFile | undefined => {
  const known = body.settings.flatMap(s => {
    const option = facts.get(s.id)?.option
    return option === undefined ? [] : [[s.id, option] as const]
  })
  if (known.length === 0) return undefined
  return { format: STATE_FORMAT, body: body.id, firmware, unit: tag, settings: Object.fromEntries(known) }
}
