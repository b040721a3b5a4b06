import { random, type Random } from '../../src/core/numeric/random'
import { type Line, ms, quantile, sendTo } from './measure'

const PAGES = [
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
]
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
const crowd = async (base: string, { readers, tickers, seconds, pauseMs, tickPauseMs }: Crowd) => {
  const steps = await Promise.all(
    UNITS.map(async ([body, unit]) => {
      const card = await fetch(`${base}/api/v1/cards?standard=ring-action&body=${body}&unit=${unit}`)
      return ((await card.json()) as { steps: { key: string }[] }).steps.map(s => s.key)
    }),
  )
  const waits: number[] = []
  let failed = 0
  const end = Date.now() + seconds * 1000
  const pause = (around: number, r: Random) =>
    around ? new Promise(go => setTimeout(go, around * (0.5 + r.next()))) : undefined
  const timed = async (ask: () => Promise<Response>, kind = 'tick') => {
    const began = performance.now()
    const response = await ask()
    await response.arrayBuffer()
    if (!response.ok) failed++
    waits.push(performance.now() - began); ((globalThis as any).K ??= {}); ((globalThis as any).K[kind] ??= []).push(performance.now() - began); ((globalThis as any).T ??= []).push([began, performance.now()-began, kind])
  }
  const read = async (seed: number) => {
    const r = random(seed)
    // Nobody comes at the same moment as everybody else.
    await pause(pauseMs, r)
    while (Date.now() < end) {
      { const pg = r.pick(PAGES); await timed(() => fetch(base + pg), "read " + pg) }
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
      await timed(() =>
        step === undefined
          ? fetch(`${base}/keep/readiness`)
          : sendTo(base, 'PUT', '/api/v1/ticks', { standard: 'ring-action', body, unit, step, ticked }),
      )
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
  const line = async (what: string, asked: Crowd, hasGoal: boolean): Promise<Line> => {
    const { waits, failed, perSecond } = await crowd(base, asked)
    const p95 = quantile(waits, 0.95)
    return {
      what,
      measured: `${perSecond.toFixed(0)} answers a second, p50 ${ms(quantile(waits, 0.5))}, p95 ${ms(p95)}, ${failed} failed`,
      ...(hasGoal ? { goal: `p95 under ${GOAL_MS} ms`, holds: p95 < GOAL_MS && failed === 0 } : {}),
    }
  }
  // Everything is looked at once before it is measured.
  await crowd(base, { readers: 4, tickers: 0, seconds: 6, pauseMs: 0, tickPauseMs: 0 })
  const all = { readers: 45, tickers: 5, seconds: 16 }
  return [
    await line(
      '50 readers who never pause',
      { readers: 50, tickers: 0, seconds: 12, pauseMs: 0, tickPauseMs: 0 },
      true,
    ),
    await line('45 readers and 5 who tick, each about 2 s apart', { ...all, pauseMs: 2000, tickPauseMs: 2000 }, true),
    await line(
      '45 readers who never pause, 5 who tick about 2 s apart',
      { ...all, pauseMs: 0, tickPauseMs: 2000 },
      true,
    ),
    await line('45 readers and 5 who tick, none of whom ever pauses', { ...all, pauseMs: 0, tickPauseMs: 0 }, true),
  ]
}
export const crowdFor = async (base: string) => { await crowd(base, { readers: 4, tickers: 0, seconds: 6, pauseMs: 0, tickPauseMs: 0 }); (globalThis as any).K = {}; return (await crowd(base, { readers: 45, tickers: 5, seconds: 16, pauseMs: 0, tickPauseMs: 0 })).waits }
