// npm run mutants: puts faults into rooms of the core, one at a time, and prints which of them are noticed by the tests
// of the room, and of those that judge its work. A sample of lines, chosen by a seed; sharded, so that one run stays
// under twenty minutes.
//
//   npm run mutants -- --rooms steps,kit --seed 2 --lines 60 --shard 1/2 --minutes 18
import { readdirSync, readFileSync } from 'node:fs'
import { Stryker } from '@stryker-mutator/core'
import { random } from '../src/core/numeric/random'

const ROOMS = ['vocabulary', 'bodies', 'resolve', 'steps', 'kit', 'level', 'controls']
const GOAL = 0.9
/** Rooms whose work is judged from another one as well. */
const JUDGED_FROM: Readonly<Record<string, readonly string[]>> = {
  bodies: ['resolve', 'changes'],
  vocabulary: ['standards'],
  resolve: ['controls'],
}

const option = (name: string, usual: string): string => {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? usual : (process.argv[at + 1] ?? usual)
}
const rooms = option('rooms', ROOMS.join(',')).split(',')
const seed = Number(option('seed', '1'))
const most = Number(option('lines', '30'))
const [part = 1, parts = 1] = option('shard', '1/1').split('/').map(Number)
const endsAt = Date.now() + Number(option('minutes', '18')) * 60_000

const OPTIONS = {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner', '@stryker-mutator/typescript-checker'],
  // What the compiler refuses cannot land, and counts neither way.
  checkers: ['typescript'],
  tsconfigFile: 'tsconfig.core.json',
  vitest: { configFile: 'vitest.config.ts', related: true },
  coverageAnalysis: 'perTest',
  // What is worked out once when a file is read is data; words are read by people.
  ignoreStatic: true,
  mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
  // Only what the tests of core need is copied for each run.
  ignorePatterns: [
    '*',
    '!src',
    '!src/**',
    '!test',
    '!test/fixtures',
    '!test/fixtures/**',
    '!*.json',
    '!vitest.config.ts',
  ],
  reporters: [],
  concurrency: 2,
  timeoutMS: 20_000,
  timeoutFactor: 2,
  tempDirName: '.coherion/mutants',
  allowEmpty: true,
  logLevel: 'error',
} as const

/** What a fault can be put into, beside comments and imports. */
const SAYS_SOMETHING = /[=<>!&|?+*/-]|return|\bif\b/

/** Lines that say something, shuffled by the seed. */
const linesOf = (room: string): readonly string[] => {
  const lines = readdirSync(`src/core/${room}`)
    .filter(f => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .sort()
    .map(f => `src/core/${room}/${f}`)
    .flatMap(file =>
      readFileSync(file, 'utf8')
        .split('\n')
        .flatMap((text, i) => {
          const isCode = !/^\s*(?:\*|\/|import |export \*)/.test(text)
          return isCode && SAYS_SOMETHING.test(text.replace('=>', '')) ? [`${file}:${i + 1}-${i + 1}`] : []
        }),
    )
  return random(seed)
    .shuffle(lines)
    .filter((_, i) => i % parts === part - 1)
    .slice(0, most)
}

const totals: string[] = []
for (const room of rooms) {
  if (Date.now() > endsAt) {
    console.log(`${room}: no time left; run it alone with --rooms ${room}`)
    continue
  }
  // Read by vitest.config.ts in the processes that run the tests.
  process.env['COHERION_ROOMS'] = [room, ...(JUDGED_FROM[room] ?? [])].join(',')
  const began = Date.now()
  const results = await new Stryker({ ...OPTIONS, mutate: [...linesOf(room)] } as never).runMutationTest()
  const noticed = results.filter(r => r.status === 'Killed' || r.status === 'Timeout').length
  const lived = results.filter(r => r.status === 'Survived' || r.status === 'NoCoverage')
  const all = noticed + lived.length
  const share = all ? (100 * noticed) / all : 100
  const minutes = ((Date.now() - began) / 60_000).toFixed(1)
  const line = `${room.padEnd(12)} ${noticed} of ${all} noticed, ${share.toFixed(0)} % (goal ${100 * GOAL} %), ${minutes} minutes`
  totals.push(line)
  console.log(line)
  for (const m of lived) {
    const where = `${m.fileName.slice(m.fileName.indexOf('src/'))}:${m.location.start.line}`
    const note = m.status === 'NoCoverage' ? ' (no test comes here)' : ''
    console.log(`    ${where} ${m.mutatorName}: ${m.replacement.replaceAll(/\s+/g, ' ').slice(0, 90)}${note}`)
  }
}
console.log(`\n${totals.join('\n')}`)
