// npm run backup: a backup now, while everybody goes on working.
import { resolve } from 'node:path'
import { makeBackup } from '../src/db/backups'

const folder = resolve(process.env['COHERION_DATA'] ?? 'data/own')
try {
  const { file, bytes, counts } = await makeBackup(folder, new Date().toISOString(), 'hand')
  const rows = Object.entries(counts).map(([table, n]) => `${n} ${table.replaceAll('_', ' ')}`)
  console.log(`› ${file}: ${Math.ceil(bytes / 1024)} kB, whole, with ${rows.join(', ')}`)
} catch (error) {
  console.error(`✖ There is no new backup: ${error instanceof Error ? error.message : String(error)}`)
  process.exit(1)
}
