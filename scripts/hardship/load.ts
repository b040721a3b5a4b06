import { random, type Random } from '../../src/core/numeric/random'
import { drained, type Line, ms, quantile, sendTo } from './measure'

/** What a crowd looks at, and the standard whose steps it ticks meanwhile. */
interface Sight {
  readonly pages: readonly string[]
  readonly standard: string
}

/** The door was built with these in view. */
const USUAL: Sight = {
  standard: 'ring-action',
  pages: [
    '/decide/concordance',
    '/keep/readiness',
    '/set/cards',
    '/set/cards/linnet?unit=tsp-l1',
    '/set/cards/sorrel?unit=tsp-s1',
    '/name/phrasebook',
    '/name/phrasebook/track.hold',
    '/decide/standards',
    '/decide/standards/ring-action',
    '/keep/kit',
    '/name/bodies',
    '/name/bodies/linnet',
  ],
}
/** These were chosen when it stood. */
const OTHERS: Sight = {
  standard: 'high-rope',
  pages: [
    '/work/jobs',
    '/work/jobs/saltmarsh-ring',
    '/practise/drills',
    '/prove/trials',
    '/name/lenses',
    '/set/controls',
    '/keep/kit/tsp-l1',
    '/decide/standards/high-rope',
    '/name/bodies/sorrel',
    '/set/cards/tollgate?unit=tsp-t1',
    '/decide/compare',
    '/work/film',
  ],
}
const UNITS = [
  ['linnet', 'tsp-l1'],
  ['sorrel', 'tsp-s1'],
  ['tollgate', 'tsp-t1'],
] as const

interface Crowd {
  readonly readers: number
  readonly tickers: number
  readonly seconds: number
  /** Between an answer and the next question, on average. */
  readonly pauseMs: number
  /** Between two ticks: a step is set on the camera first. */
  readonly tickPauseMs: number
}

/** A crowd in a closed loop: everybody asks again as soon as they are answered, or after a pause. */
const crowd = async (
  base: string,
  { pages, standard }: Sight,
  { readers, tickers, seconds, pauseMs, tickPauseMs }: Crowd,
) => {
  const steps = await Promise.all(
    UNITS.map(async ([body, unit]) => {
      const card = await fetch(`${base}/api/v1/cards?standard=${standard}&body=${body}&unit=${unit}`)
      return ((await card.json()) as { steps: { key: string }[] }).steps.map(s => s.key)
    }),
  )
  const waits: number[] = []
  let failed = 0
  const end = Date.now() + seconds * 1000
  const pause = (around: number, r: Random) =>
    around ? new Promise(go => setTimeout(go, around * (0.5 + r.next()))) : undefined
  const timed = async (ask: () => Promise<{ readonly ok: boolean }>) => {
    const began = performance.now()
    const { ok } = await ask()
    if (!ok) failed++
    waits.push(performance.now() - began)
  }
  const change = async (step: string, rest: object) => {
    const response = await sendTo(base, 'PUT', '/api/v1/ticks', { standard, step, ...rest })
    await response.arrayBuffer()
    return response
  }
  const read = async (seed: number) => {
    const r = random(seed)
    // Nobody comes at the same moment as everybody else.
    await pause(pauseMs, r)
    while (Date.now() < end) {
      await timed(() => drained(base + r.pick(pages)))
      await pause(pauseMs, r)
    }
  }
  const tick = async (i: number) => {
    const [body, unit] = UNITS[i % UNITS.length] ?? UNITS[0]
    const mine = steps[i % UNITS.length] ?? []
    const r = random(1000 + i)
    await pause(tickPauseMs, r)
    for (let n = 0; Date.now() < end; n++) {
      const step = mine[n % Math.max(1, mine.length)]
      const ticked = Math.floor(n / mine.length) % 2 === 0
      await timed(() => (step === undefined ? drained(`${base}/keep/readiness`) : change(step, { body, unit, ticked })))
      await pause(tickPauseMs, r)
    }
  }
  await Promise.all([
    ...Array.from({ length: readers }, (_, i) => read(i + 1)),
    ...Array.from({ length: tickers }, (_, i) => tick(i)),
  ])
  return { waits, failed, perSecond: waits.length / seconds }
}

const GOAL_MS = 300

export const load = async (base: string): Promise<readonly Line[]> => {
  const line = async (what: string, sight: Sight, asked: Crowd): Promise<Line> => {
    const { waits, failed, perSecond } = await crowd(base, sight, asked)
    const p95 = quantile(waits, 0.95)
    return {
      what: sight === USUAL ? what : `${what}, on other pages`,
      measured: `${perSecond.toFixed(0)} answers a second, p50 ${ms(quantile(waits, 0.5))}, p95 ${ms(p95)}, ${failed} failed`,
      goal: `p95 under ${GOAL_MS} ms`,
      holds: p95 < GOAL_MS && failed === 0,
    }
  }
  const all = { readers: 45, tickers: 5, seconds: 16 }
  const lines: Line[] = []
  for (const sight of [USUAL, OTHERS]) {
    // Everything is looked at once before it is measured.
    await crowd(base, sight, { readers: 4, tickers: 0, seconds: 6, pauseMs: 0, tickPauseMs: 0 })
    lines.push(
      await line('50 readers who never pause', sight, {
        readers: 50,
        tickers: 0,
        seconds: 12,
        pauseMs: 0,
        tickPauseMs: 0,
      }),
      await line('45 readers and 5 who tick, each about 2 s apart', sight, {
        ...all,
        pauseMs: 2000,
        tickPauseMs: 2000,
      }),
      await line('45 readers who never pause, 5 who tick about 2 s apart', sight, {
        ...all,
        pauseMs: 0,
        tickPauseMs: 2000,
      }),
      await line('45 readers and 5 who tick, none of whom ever pauses', sight, {
        ...all,
        pauseMs: 0,
        tickPauseMs: 0,
      }),
    )
  }
  return lines
}
