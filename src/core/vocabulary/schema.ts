import * as v from 'valibot'
import { DIMENSIONS, type Dimension } from './dimensions'
import * as values from './values'

/** Schemas of values by dimension: what a standard may ask for, and what an option of a body may mean. */

const openChoice = v.pipe(v.string(), v.minLength(1), v.maxLength(60))

const plainSchema = (d: Dimension): v.GenericSchema<unknown, values.NeutralValue> => {
  switch (d.kind) {
    case 'choice':
      return d.open ? openChoice : v.picklist(d.values)
    case 'scale':
      return v.picklist(d.values)
    case 'flag':
      return values.flagSchema
    case 'physical':
      if (d.measure === 'ratio') return values.physicalSchema
      return d.measure.within ? values.withinSchema(...d.measure.within) : values.signedSchema
    case 'assign':
      return values.placeAssignmentSchema
    case 'area':
      return values.areaSchema
    case 'size':
      return values.sizeSchema
    case 'position':
      return values.positionSchema
    case 'areas':
      return values.areaSetSchema
    case 'range':
      return values.rangeSchema
    case 'magnify':
      return values.magnifySchema
  }
}

export const targetSchema = plainSchema

/** On a body, functions sit on its named controls; everything else is as in a standard. */
export const meaningSchema = (d: Dimension): v.GenericSchema<unknown, values.NeutralValue> =>
  d.kind === 'assign' ? values.controlAssignmentSchema : plainSchema(d)

/** What an option means: dimension to value, several at once where the body bundles them. */
export type Meaning = Readonly<Record<string, values.NeutralValue>>

export const meaningsSchema = v.strictObject(
  Object.fromEntries(DIMENSIONS.map(d => [d.id, v.optional(meaningSchema(d))])),
) as v.GenericSchema<unknown, Meaning>
