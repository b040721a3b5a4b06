import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Said } from '../workers/serve'
import { asker, type WorkerLike } from './asker'

/** A worker that says what a test has it say. */
class FakeWorker implements WorkerLike {
  readonly heard: { id: number; question: string }[] = []
  isEnded = false
  onmessage: WorkerLike['onmessage'] = null
  onmessageerror: WorkerLike['onmessageerror'] = null
  onerror: WorkerLike['onerror'] = null
  postMessage(message: { id: number; question: string }) {
    this.heard.push(message)
  }
  terminate() {
    this.isEnded = true
  }
  say(said: Said<string>) {
    this.onmessage?.call(this as unknown as Worker, { data: said } as MessageEvent)
  }
  break() {
    this.onerror?.call(this as unknown as Worker, { message: 'normalize is not a function' } as ErrorEvent)
  }
}

const WAITS = { startMs: 1000, silenceMs: 5000 }

const set = () => {
  const workers: FakeWorker[] = []
  const make = () => {
    const made = new FakeWorker()
    workers.push(made)
    return made
  }
  const line = asker<string, string>('phrases', make, WAITS)
  const newest = () => workers.at(-1) as FakeWorker
  return { line, workers, newest }
}

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

describe('a worker that is asked', () => {
  it('answers the newest question; what comes late for an older one does not count', () => {
    const { line, newest } = set()
    line.ask('one')
    line.ask('two')
    newest().say({ kind: 'ready', name: 'phrases' })
    const [one, two] = newest().heard
    newest().say({ kind: 'found', id: two?.id ?? 0, found: 'of two' })
    newest().say({ kind: 'found', id: one?.id ?? 0, found: 'of one' })
    expect(line.get()).toEqual({ answer: 'of two', trouble: '' })
  })

  it('keeps the former answer until there is a newer one, and asks nothing where there is no question', () => {
    const { line, newest } = set()
    line.ask('one')
    newest().say({ kind: 'found', id: newest().heard[0]?.id ?? 0, found: 'of one' })
    line.ask(undefined)
    line.ask('two')
    expect(line.get().answer).toBe('of one')
    expect(newest().heard.map(h => h.question)).toEqual(['one', 'two'])
  })

  it('tells those who listen, and not those who went', () => {
    const { line, newest } = set()
    const listener = vi.fn()
    const stop = line.subscribe(listener)
    line.ask('one')
    newest().break()
    expect(listener).toHaveBeenCalledTimes(1)
    stop()
    line.retry()
    expect(listener).toHaveBeenCalledTimes(1)
  })
})

describe('a worker that fails', () => {
  it.each([
    ['cannot be loaded', (w: FakeWorker) => w.break(), /could not be loaded/],
    ['is another one', (w: FakeWorker) => w.say({ kind: 'ready', name: 'fleet' }), /Another part of the program/],
    [
      'says why',
      (w: FakeWorker) => w.say({ kind: 'failed', id: w.heard[0]?.id ?? 0, why: 'No body is in hand.' }),
      /^No body is in hand\.$/,
    ],
    [
      'answers what cannot be read',
      (w: FakeWorker) => {
        w.onmessageerror?.call(w as unknown as Worker, {} as MessageEvent)
      },
      /could not be read/,
    ],
  ])('%s: it is said, and asked again', (_, fail, words) => {
    const { line, newest } = set()
    line.ask('one')
    fail(newest())
    expect(line.get().trouble).toMatch(words)
    line.retry()
    expect(line.get().trouble).toBe('')
    newest().say({ kind: 'ready', name: 'phrases' })
    newest().say({ kind: 'found', id: newest().heard.at(-1)?.id ?? 0, found: 'after all' })
    expect(line.get()).toEqual({ answer: 'after all', trouble: '' })
  })

  it('does not start: said after a while, and the next question gets a new one', () => {
    const { line, workers, newest } = set()
    line.ask('one')
    vi.advanceTimersByTime(WAITS.startMs)
    expect(line.get().trouble).toMatch(/does not start/)
    expect(workers[0]?.isEnded).toBe(true)
    line.ask('two')
    expect(workers).toHaveLength(2)
    expect(newest().heard.map(h => h.question)).toEqual(['two'])
  })

  it('is silent: said after a while, and an answer that comes after all counts', () => {
    const { line, newest } = set()
    line.ask('one')
    newest().say({ kind: 'ready', name: 'phrases' })
    vi.advanceTimersByTime(WAITS.silenceMs - 1)
    expect(line.get().trouble).toBe('')
    vi.advanceTimersByTime(1)
    expect(line.get().trouble).toMatch(/no answer/)
    newest().say({ kind: 'found', id: newest().heard[0]?.id ?? 0, found: 'late' })
    expect(line.get()).toEqual({ answer: 'late', trouble: '' })
  })

  it('cannot be made at all: said at once', () => {
    const line = asker<string, string>('phrases', () => {
      throw new Error('no workers here')
    })
    line.ask('one')
    expect(line.get().trouble).toMatch(/does not start/)
  })

  it('is closed: nothing is waited for any more', () => {
    const { line, workers } = set()
    line.ask('one')
    line.close()
    vi.advanceTimersByTime(10 * WAITS.silenceMs)
    expect(line.get().trouble).toBe('')
    expect(workers[0]?.isEnded).toBe(true)
  })
})
