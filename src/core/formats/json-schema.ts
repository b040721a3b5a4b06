import { toJsonSchema } from '@valibot/to-json-schema'
import { bodySchema } from '../bodies'
import { houseGuideSchema } from '../guide/house'
import { stateSchema } from '../kit/state-file'
import { lensSchema } from '../lenses/schema'
import { standardSchema } from '../standards'
import { bundleSchema } from './bundle'

/** JSON Schema 2020-12 of an exchange format, generated from the schema that reads it. */
const schemaOf = (schema: Parameters<typeof toJsonSchema>[0], title: string): Record<string, unknown> => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  ...toJsonSchema(schema, { target: 'draft-2020-12', errorMode: 'ignore', typeMode: 'input' }),
  title,
})

export const bodyJsonSchema = () => schemaOf(bodySchema, 'coherion.body/1')
export const standardJsonSchema = () => schemaOf(standardSchema, 'coherion.standard/1')
export const lensJsonSchema = () => schemaOf(lensSchema, 'coherion.lens/1')

export const guideJsonSchema = () => schemaOf(houseGuideSchema, 'coherion.guide/1')
export const stateJsonSchema = () => schemaOf(stateSchema, 'coherion.state/1')

/** The members of a bundle are what files of their own would hold; their schemas say what that is. */
export const bundleJsonSchema = () => schemaOf(bundleSchema, 'coherion.bundle/1')
export { schemaOf }
