// npm run restore -- FILE: puts a backup in the place of the data, and keeps what was there.
import { resolve } from 'node:path'
import { isInUse, restore } from '../src/db/backups'

const fail = (text: string): never => {
  console.error(`✖ ${text}`)
  process.exit(1)
}

const [file] = process.argv.slice(2)
const folder = resolve(process.env['COHERION_DATA'] ?? 'data/own')
if (!file) fail('Say which backup: npm run restore -- data/own/backups/FILE.db')
else if (await isInUse(folder)) fail(`A server works with ${folder}. Stop it, then restore.`)
else
  try {
    const aside = await restore(folder, resolve(file), new Date().toISOString())
    console.log(`› ${folder} is as ${file} has it.${aside ? ` What was there is in ${aside}.` : ''}`)
  } catch (error) {
    fail(`Nothing was changed: ${error instanceof Error ? error.message : String(error)}`)
  }
