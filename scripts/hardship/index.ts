// npm run hardship: attacks the built application on the demo, and prints what held. With --write it goes into docs.
import { spawnSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import makeTemplate from '../../test/browser/support/template'
import { TestServer } from '../../test/browser/support/server'
import { kills } from './kills'
import { latency } from './latency'
import { load } from './load'
import type { Line } from './measure'
import { races } from './races'
import { generated } from './requests'

const count = Number(process.argv.find(a => /^\d+$/.test(a)) ?? 20_000)
const only = process.argv.find(a => a.startsWith('--only='))?.slice(7)
await makeTemplate()
const server = await TestServer.start('demo')
const lines: Line[] = []
const parts: readonly (readonly [string, () => Promise<readonly Line[]>])[] = [
  ['load', () => load(server.address)],
  ['latency', () => latency(server.address)],
  ['races', () => races(server.address, 40)],
  ['kills', () => kills(server, 40)],
  ['requests', () => generated(server.address, count)],
]
try {
  for (const [name, run] of parts) {
    if (only !== undefined && only !== name) continue
    await server.startAfresh()
    for (const line of await run()) {
      lines.push(line)
      console.log(`${line.holds === undefined ? ' ' : line.holds ? '✔' : '✘'} ${line.what}: ${line.measured}`)
    }
  }
} finally {
  await server.stop()
}
if (process.argv.includes('--write')) {
  const rows = lines.map(
    l =>
      `| ${l.what} | ${l.measured} | ${l.goal ?? ''} | ${l.holds === undefined ? '' : l.holds ? 'holds' : '**does not hold**'} |`,
  )
  writeFileSync(
    'docs/hardship.md',
    [
      '# Hardship',
      '',
      'What the running product was put through, and what held; printed by `npm run hardship -- --write` on the demo. The server, the attackers and those who wait share one machine.',
      '',
      `Measured on ${cpus().length} processors, Node.js ${process.versions.node}.`,
      '',
      '| what | measured | goal | |',
      '| --- | --- | --- | --- |',
      ...rows,
      '',
    ].join('\n'),
  )
  // Columns are laid out by the house's own formatter, which lint holds.
  spawnSync(process.execPath, ['node_modules/oxfmt/bin/oxfmt', 'docs/hardship.md'], { stdio: 'inherit' })
}
process.exit(lines.every(l => l.holds !== false) ? 0 : 1)
