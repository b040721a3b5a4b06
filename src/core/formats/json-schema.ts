import { toJsonSchema } from '@valibot/to-json-schema'
import { bodySchema } from '../bodies'
import { standardSchema } from '../standards'

/** JSON Schema 2020-12 of an exchange format, generated from the schema that reads it. */
const schemaOf = (schema: Parameters<typeof toJsonSchema>[0], title: string): Record<string, unknown> => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  ...toJsonSchema(schema, { target: 'draft-2020-12', errorMode: 'ignore', typeMode: 'input' }),
  title,
})

export const bodyJsonSchema = () => schemaOf(bodySchema, 'coherion.body/1')
export const standardJsonSchema = () => schemaOf(standardSchema, 'coherion.standard/1')
export { schemaOf }
