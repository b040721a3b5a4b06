import { existsSync, readFileSync, writeFileSync } from 'node:fs'

/**
 * Figures beside those of before: a bench that nobody compares with anything tells nobody that something grew. Records
 * lie in the repository; a loop that always does the same says how quick this machine is against the one they are from.
 */

const FILE = 'docs/bench.json'
/** More than this against its record, on the same footing, is told. */
const NOTICED = 1.3

interface Records {
  /** How long the loop took where they were made, in milliseconds. */
  readonly loopMs: number
  readonly figures: Readonly<Record<string, number>>
}

/** Integer work, memory and strings, about as the house mixes them. */
const loop = (): number => {
  const began = performance.now()
  const words = new Map<string, number>()
  let x = 1
  for (let i = 0; i < 600_000; i++) {
    x = (Math.imul(x, 1_103_515_245) + 12_345) & 0x7fffffff
    const word = `w${x % 5000}`
    words.set(word, (words.get(word) ?? 0) + 1)
  }
  JSON.parse(JSON.stringify([...words]))
  return performance.now() - began
}

const loopMs = Math.min(...Array.from({ length: 7 }, loop))
const records: Records = existsSync(FILE)
  ? (JSON.parse(readFileSync(FILE, 'utf8')) as Records)
  : { loopMs, figures: {} }
const scale = loopMs / records.loopMs
const now: Record<string, number> = {}
const over: string[] = []

/**
 * Notes a figure in milliseconds and says it as text.
 *
 * @param target in milliseconds, on the machine that the records are from
 */
export const figure = (name: string, value: number, target?: number): string => {
  now[name] = Math.round(value * 10) / 10
  const record = records.figures[name]
  const before = record === undefined ? undefined : record * scale
  if (before !== undefined && value > NOTICED * before)
    over.push(
      `${name}: ${value.toFixed(0)} ms, ${(value / before).toFixed(2)} times its record of ${before.toFixed(0)} ms`,
    )
  if (target !== undefined && value > target * scale)
    over.push(`${name}: ${value.toFixed(0)} ms, over its target of ${(target * scale).toFixed(0)} ms`)
  return `${value.toFixed(value < 10 ? 1 : 0)} ms${target === undefined ? '' : ` (target under ${Math.round(target)} ms)`}${before === undefined ? '' : `, ${before.toFixed(0)} ms before`}`
}

/** Says everything that is over; with `--record` what was measured becomes the record. */
export const endOfFigures = (): void => {
  console.log(`This machine takes ${scale.toFixed(2)} times as long as the one of the records; they are scaled by it.`)
  for (const line of over) console.log(`OVER  ${line}`)
  if (over.length === 0) console.log('No figure is over its record or its target.')
  if (!process.argv.includes('--record')) return
  // What was not measured this time keeps its record, on the footing of this machine.
  const kept = Object.fromEntries(
    Object.entries(records.figures).map(([name, ms]) => [name, Math.round(ms * scale * 10) / 10]),
  )
  writeFileSync(FILE, `${JSON.stringify({ loopMs, figures: { ...kept, ...now } }, null, 2)}\n`)
}
