import { mkdirSync, writeFileSync } from 'node:fs'
import {
  bodyJsonSchema,
  bundleJsonSchema,
  guideJsonSchema,
  lensJsonSchema,
  standardJsonSchema,
  stateJsonSchema,
} from '../src/core/formats/json-schema'

/** Writes the JSON Schemas of the exchange formats to docs/formats. */
mkdirSync('docs/formats', { recursive: true })
const write = (file: string, schema: object) =>
  writeFileSync(`docs/formats/${file}`, `${JSON.stringify(schema, null, 2)}\n`)
write('coherion.body-1.schema.json', bodyJsonSchema())
write('coherion.lens-1.schema.json', lensJsonSchema())
write('coherion.bundle-1.schema.json', bundleJsonSchema())
write('coherion.standard-1.schema.json', standardJsonSchema())
write('coherion.guide-1.schema.json', guideJsonSchema())
write('coherion.state-1.schema.json', stateJsonSchema())
