import type { WorkerName } from '../workers/serve'
import { asker } from './asker'

/** How a worker is found. */
export interface Asked {
  readonly name: WorkerName
  readonly make: () => Worker
}

/**
 * Asks a worker of its own once, and hears how far it is.
 *
 * @param isLast which answer ends it
 * @param silenceMs after so long without an answer it is given up
 * @throws Error in words; an AbortError where it was stopped, a TimeoutError where it fell silent
 */
export const askOnce = <Question, Answer>(
  { name, make }: Asked,
  question: Question,
  isLast: (answer: Answer) => boolean,
  onHeard: (answer: Answer) => void,
  signal: AbortSignal,
  silenceMs?: number,
): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const line = asker<Question, Answer>(name, make)
    let timer: ReturnType<typeof setTimeout> | undefined
    const end = () => {
      clearTimeout(timer)
      signal.removeEventListener('abort', stop)
      unsubscribe()
      line.close()
    }
    const giveUp = (error: Error | DOMException) => {
      end()
      reject(error)
    }
    const stop = () => giveUp(new DOMException('stopped', 'AbortError'))
    const wait = () => {
      clearTimeout(timer)
      if (silenceMs !== undefined)
        timer = setTimeout(() => giveUp(new DOMException('silent', 'TimeoutError')), silenceMs)
    }
    const unsubscribe = line.subscribe(() => {
      const { answer, trouble } = line.get()
      if (trouble) giveUp(new Error(trouble))
      else if (answer) {
        wait()
        onHeard(answer)
        if (!isLast(answer)) return
        end()
        resolve(answer)
      }
    })
    signal.addEventListener('abort', stop)
    if (signal.aborted) return stop()
    wait()
    line.ask(question)
  })
