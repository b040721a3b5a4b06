// npm run mutants: puts faults into rooms of the core, one at a time, and prints which of them are noticed by the tests
// of the room, and of those that judge its work. A sample of lines, chosen by a seed; sharded, so that one run stays under twenty minutes.
//
//   npm run mutants -- --rooms steps,kit --seed 2 --lines 60 --shard 1/2 --minutes 18
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root, say } from './lib.mjs'

const ROOMS = ['vocabulary', 'bodies', 'resolve', 'steps', 'kit', 'level', 'controls']
const GOAL = 0.9
/** Rooms whose work is judged from another one as well. */
const JUDGED_FROM = {
  bodies: ['resolve', 'changes'],
  vocabulary: ['standards'],
  resolve: ['controls'],
  steps: [],
  kit: [],
}

const option = (name, usual) => {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? usual : (process.argv[at + 1] ?? usual)
}
const rooms = option('rooms', ROOMS.join(',')).split(',')
const seed = Number(option('seed', 1))
const most = Number(option('lines', 30))
const [part, parts] = option('shard', '1/1').split('/').map(Number)
const endsAt = Date.now() + Number(option('minutes', 18)) * 60_000

/** Mulberry32, so that a seed always means the same lines. */
const random = start => {
  let state = start >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const sourcesOf = room =>
  readdirSync(join(root, 'src/core', room))
    .filter(f => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .sort()
    .map(f => `src/core/${room}/${f}`)

/** Lines that say something a fault can be put into, shuffled by the seed. */
const linesOf = room => {
  const next = random(seed)
  const lines = sourcesOf(room).flatMap(file =>
    readFileSync(join(root, file), 'utf8')
      .split('\n')
      .flatMap((text, i) =>
        /[=<>!&|?+*/-]|return|\bif\b/.test(text.replace(/=>|\/?\*.*|\/\/.*|^\s*(import|export \*).*/g, ''))
          ? [{ file, line: i + 1 }]
          : [],
      ),
  )
  for (let i = lines.length - 1; i > 0; i--) {
    const j = Math.floor(next() * (i + 1))
    ;[lines[i], lines[j]] = [lines[j], lines[i]]
  }
  return lines.filter((_, i) => i % parts === part - 1).slice(0, most)
}

const totals = []
const survivors = []
for (const room of rooms) {
  if (Date.now() > endsAt) {
    say(`${room}: no time left; run it alone with --rooms ${room}`)
    continue
  }
  // Read by vitest.config.ts in the processes that run the tests.
  process.env.COHERION_ROOMS = [room, ...(JUDGED_FROM[room] ?? [])].join(',')
  const { Stryker } = await import('@stryker-mutator/core')
  const mutate = linesOf(room).map(({ file, line }) => `${file}:${line}-${line}`)
  const began = Date.now()
  const results = await new Stryker({ configFile: 'stryker.config.mjs', mutate, logLevel: 'warn' }).runMutationTest()
  const count = (...states) => results.filter(r => states.includes(r.status)).length
  const killed = count('Killed', 'Timeout')
  const lived = results.filter(r => r.status === 'Survived' || r.status === 'NoCoverage')
  totals.push({ room, killed, survived: lived.length, minutes: (Date.now() - began) / 60_000 })
  survivors.push(...lived)
  const share = killed + lived.length ? killed / (killed + lived.length) : 1
  say(`${room}: ${killed} of ${killed + lived.length} noticed, ${(100 * share).toFixed(0)} % (goal ${100 * GOAL} %)`)
  for (const m of lived)
    console.log(
      `    ${m.fileName.replace(`${root}/`, '')}:${m.location.start.line} ${m.mutatorName}: ${m.replacement.replaceAll(/\s+/g, ' ').slice(0, 90)}${m.status === 'NoCoverage' ? ' (no test comes here)' : ''}`,
    )
}
console.log('\nroom         noticed  survived  minutes')
for (const t of totals)
  console.log(
    `${t.room.padEnd(12)} ${String(t.killed).padStart(7)} ${String(t.survived).padStart(9)} ${t.minutes.toFixed(1).padStart(8)}`,
  )
