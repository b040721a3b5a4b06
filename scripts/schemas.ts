import { readFileSync, writeFileSync } from 'node:fs'
import { ALL_FORMATS, formatsTable, jsonSchemaOf, schemaFileOf } from '../src/core/exchange/formats'

/** Writes docs/formats from the list of formats: a JSON Schema of each, and the table that leads to them. */
const folder = 'docs/formats'
for (const format of ALL_FORMATS)
  writeFileSync(`${folder}/${schemaFileOf(format)}`, `${JSON.stringify(jsonSchemaOf(format), null, 2)}\n`)

const readme = readFileSync(`${folder}/README.md`, 'utf8')
writeFileSync(
  `${folder}/README.md`,
  readme.replace(/\| format .*\n(\|.*\n)+/, () => `${formatsTable()}\n`),
)
