import { join } from 'node:path'
import type { TransferListItem } from 'node:worker_threads'
import { availableParallelism } from 'node:os'
import { Piscina } from 'piscina'
import { asker as currentAsker } from './asker'
import { type Lane, LANES, LIMITS, MOST_MEGABYTES, MOST_WAITING } from './limits'
import { Refusal } from './refusal'
import type { TaskName, Tasks } from './tasks'
import { type From, Turns } from './turns'
import type { Answer } from './worker'

/**
 * The threads on which everything runs whose cost somebody else decides: reading what was sent, searching, levelling,
 * planning, drawing. The thread that answers only waits for them. A task has so many seconds and so much memory, ends
 * when whoever asked has gone, and waits its turn among those who ask.
 */

export interface WorkOptions {
  /** What is handed over instead of copied. */
  readonly transfer?: readonly TransferListItem[]
  /** The answer is of use to others as well: it is worked out to its end, whoever goes. */
  readonly isForAll?: boolean
}

interface LaneState {
  readonly pool: Piscina
  readonly threads: number
  readonly waiting: Turns<() => void>
  running: number
}

/** Where the workers' program lies after a build. */
export const WORKERS = join(process.cwd(), 'dist', 'pool')

const THREADS: Readonly<Record<Lane, number>> = {
  page: Math.max(2, availableParallelism() - 1),
  file: Math.max(1, Math.floor(availableParallelism() / 2)),
}

const openLane = (lane: Lane): LaneState => ({
  pool: new Piscina({
    filename: join(WORKERS, 'worker.mjs'),
    // Pages are waited for: their threads are there from the beginning, and stay.
    minThreads: lane === 'page' ? THREADS.page : 0,
    maxThreads: THREADS[lane],
    // A new thread takes a second until it can answer; nobody who thinks for a minute should pay that.
    idleTimeout: 600_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES },
  }),
  threads: THREADS[lane],
  waiting: new Turns(),
  running: 0,
})

/** Survives being bundled several times. */
const shared = globalThis as {
  coherionPool?: Readonly<Record<Lane, LaneState>>
  coherionPoolBegun?: Map<TaskName, number>
}

/** How many tasks of each name were begun since the start: work that is done twice shows here, on any machine. */
export const tasksBegun = (): Map<TaskName, number> => (shared.coherionPoolBegun ??= new Map<TaskName, number>())

const lanes = (): Readonly<Record<Lane, LaneState>> =>
  (shared.coherionPool ??= Object.fromEntries(LANES.map(lane => [lane, openLane(lane)])) as Record<Lane, LaneState>)

/** Whether something is being worked out just now, for whomever. */
export const isWorking = (): boolean => LANES.some(lane => (shared.coherionPool?.[lane].running ?? 0) > 0)

/** Where the house does something by itself. */
const HOUSE: From = { address: '', browser: '' }

/** Resolves once there is a thread; those who ask take turns. @throws Refusal where too many wait or the asker goes */
const turnIn = (lane: LaneState, asker: From, gone: AbortSignal | undefined): Promise<void> => {
  if (lane.running < lane.threads) {
    lane.running++
    return Promise.resolve()
  }
  const own = lane.waiting.of(asker)
  const isTooMuch =
    lane.waiting.size >= MOST_WAITING.all || own.address >= MOST_WAITING.address || own.browser >= MOST_WAITING.browser
  if (isTooMuch)
    return Promise.reject(
      new Refusal('busy', 'Too much is being worked out at once. Nothing was changed; try again in a minute.'),
    )
  return new Promise((done, failed) => {
    const go = () => {
      gone?.removeEventListener('abort', leave)
      lane.running++
      done()
    }
    const leave = () => {
      lane.waiting.remove(go)
      failed(goneAway())
    }
    gone?.addEventListener('abort', leave, { once: true })
    lane.waiting.push(asker, go)
  })
}

const goneAway = (): Refusal => new Refusal('gone', 'Whoever asked for this has gone.')

const isOutOfMemory = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY'

/**
 * Has a task done by a worker.
 *
 * @throws Refusal where it was refused, took too long or too much memory, or was not begun because too much waits
 */
export const work = async <N extends TaskName>(
  name: N,
  input: Parameters<Tasks[N]>[0],
  { transfer = [], isForAll = false }: WorkOptions = {},
): Promise<Awaited<ReturnType<Tasks[N]>>> => {
  const { lane: laneName, seconds } = LIMITS[name]
  const lane = lanes()[laneName]
  const asker = currentAsker()
  const gone = isForAll ? undefined : asker?.gone
  if (gone?.aborted) throw goneAway()
  await turnIn(lane, asker ?? HOUSE, gone)
  tasksBegun().set(name, (tasksBegun().get(name) ?? 0) + 1)
  const tooLong = AbortSignal.timeout(seconds * 1000)
  try {
    const answer = (await lane.pool.run(
      { name, input },
      { signal: gone ? AbortSignal.any([gone, tooLong]) : tooLong, transferList: [...transfer] },
    )) as Answer
    if (answer.ok) return answer.value as Awaited<ReturnType<Tasks[N]>>
    throw new Refusal(answer.why, answer.message, answer.problems)
  } catch (error) {
    if (error instanceof Refusal) throw error
    if (gone?.aborted) throw goneAway()
    if (tooLong.aborted)
      throw new Refusal('too-long', `This was not worked out within ${seconds} seconds, and was ended.`)
    if (isOutOfMemory(error))
      throw new Refusal('too-much-memory', `This needs more than ${MOST_MEGABYTES} MB to be worked out, and was ended.`)
    throw error
  } finally {
    lane.running--
    lane.waiting.shift()?.()
  }
}

/** Ends all workers, as when a test is done with them. */
export const closePool = async (): Promise<void> => {
  const open = shared.coherionPool
  delete shared.coherionPool
  await Promise.all(Object.values(open ?? {}).map(lane => lane.pool.destroy()))
}
