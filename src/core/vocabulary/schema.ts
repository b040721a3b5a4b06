import * as v from 'valibot'
import { DIMENSIONS, type Dimension } from './dimensions'
import { kindOf } from './kinds'
import type { NeutralValue } from './values'

/** Schemas of values by dimension: what a standard may ask for, and what an option of a body may mean. */

export const targetSchema = (d: Dimension): v.GenericSchema<unknown, NeutralValue> => kindOf(d).schema(d)

/** On a body, functions sit on its named controls; everything else is as in a standard. */
export const meaningSchema = (d: Dimension): v.GenericSchema<unknown, NeutralValue> =>
  (kindOf(d).meaning ?? kindOf(d).schema)(d)

/** What an option means: dimension to value, several at once where the body bundles them. */
export type Meaning = Readonly<Record<string, NeutralValue>>

export const meaningsSchema = v.strictObject(
  Object.fromEntries(DIMENSIONS.map(d => [d.id, v.optional(meaningSchema(d))])),
) as v.GenericSchema<unknown, Meaning>
