import type { Asking, Said, WorkerName } from '../workers/serve'

/** What is known of a question that was put to a worker. */
export interface AskedAnswer<Answer> {
  /** The newest answer; the former one stays until it is there. */
  readonly answer: Answer | undefined
  /** What went wrong and what to do, in words; empty where nothing did. */
  readonly trouble: string
}

/** What an asker needs of a worker. */
export type WorkerLike = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror' | 'onmessageerror'>

export interface Asker<Question, Answer> {
  readonly get: () => AskedAnswer<Answer>
  readonly subscribe: (listener: () => void) => () => void
  /** Only the newest question is answered; nothing is while there is none. */
  readonly ask: (question: Question | undefined) => void
  /** Asks once more, of a new worker. */
  readonly retry: () => void
  readonly close: () => void
}

/** A worker that has not said who it is by then did not start; one that is silent for longer may have stopped. */
export const WAITS = { startMs: 20_000, silenceMs: 60_000 } as const

const WORDS = {
  notLoaded:
    'What this is reckoned with could not be loaded. Try again; where Coherion was updated meanwhile, reload the page.',
  notStarted: 'What this is reckoned with does not start. Try again, or reload the page.',
  other: 'Another part of the program answered than the one that was asked. Reload the page.',
  silent: 'There is no answer after a minute. It may still come; or try again.',
  unreadable: 'The answer could not be read. Try again.',
} as const

/**
 * A worker that is asked again and again, and what came of it: every way in which it can fail ends in words. It starts
 * with the first question; after a failure the next one gets a new worker.
 */
export const asker = <Question, Answer>(
  name: WorkerName,
  make: () => WorkerLike,
  waits: { readonly startMs: number; readonly silenceMs: number } = WAITS,
): Asker<Question, Answer> => {
  let state: AskedAnswer<Answer> = { answer: undefined, trouble: '' }
  let worker: WorkerLike | undefined
  let isReady = false
  let newest = 0
  let last: Question | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  const listeners = new Set<() => void>()

  const set = (next: Partial<AskedAnswer<Answer>>) => {
    state = { ...state, ...next }
    for (const listener of listeners) listener()
  }
  const end = () => {
    clearTimeout(timer)
    worker?.terminate()
    worker = undefined
    isReady = false
  }
  const fail = (trouble: string) => {
    end()
    set({ trouble })
  }
  const wait = () => {
    clearTimeout(timer)
    timer = isReady
      ? setTimeout(() => set({ trouble: WORDS.silent }), waits.silenceMs)
      : setTimeout(() => fail(WORDS.notStarted), waits.startMs)
  }
  const hear = (said: Said<Answer>) => {
    switch (said.kind) {
      case 'ready':
        if (said.name !== name) return fail(WORDS.other)
        isReady = true
        return wait()
      case 'found':
        if (said.id !== newest) return
        clearTimeout(timer)
        return set({ answer: said.found, trouble: '' })
      case 'failed':
        if (said.id !== newest) return
        clearTimeout(timer)
        return set({ trouble: said.why })
    }
  }
  const start = (): WorkerLike => {
    const made = make()
    made.onmessage = event => hear(event.data as Said<Answer>)
    made.onmessageerror = () => fail(WORDS.unreadable)
    made.onerror = event => {
      event.preventDefault?.()
      fail(WORDS.notLoaded)
    }
    worker = made
    return made
  }
  const ask = (question: Question | undefined) => {
    newest += 1
    last = question
    if (state.trouble) set({ trouble: '' })
    if (question === undefined) return clearTimeout(timer)
    try {
      ;(worker ?? start()).postMessage({ id: newest, question } satisfies Asking<Question>)
    } catch {
      return fail(WORDS.notStarted)
    }
    wait()
  }
  return {
    get: () => state,
    subscribe: listener => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    ask,
    retry: () => {
      end()
      ask(last)
    },
    close: end,
  }
}
