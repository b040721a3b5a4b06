/** How workers and pages talk. A worker says at once who it is, so that a page never waits for another one's answer. */

export type WorkerName = 'completeness' | 'controls' | 'fleet' | 'imaging' | 'metadata' | 'phrases' | 'rehearsal'

export type Said<Answer> =
  | { readonly kind: 'ready'; readonly name: WorkerName }
  | { readonly kind: 'found'; readonly id: number; readonly found: Answer }
  | { readonly kind: 'failed'; readonly id: number; readonly why: string }

export interface Asking<Question> {
  readonly id: number
  readonly question: Question
}

/** Lets a newer question in between two pieces of an answer. */
const breath = () => new Promise(resolve => setTimeout(resolve))

/**
 * Answers what a page asks, in one piece or in several. A newer question stops an older one between two pieces.
 *
 * @param answersTo what is yielded is sent at once; what is thrown is sent as the reason why there is no answer
 */
export const serve = <Question, Answer>(
  name: WorkerName,
  answersTo: (question: Question) => Iterable<Answer> | AsyncIterable<Answer>,
): void => {
  const say = (said: Said<Answer>) => self.postMessage(said)
  let newest = 0
  const work = async ({ id, question }: Asking<Question>): Promise<void> => {
    for await (const found of answersTo(question)) {
      if (id !== newest) return
      say({ kind: 'found', id, found })
      await breath()
      if (id !== newest) return
    }
  }
  self.onmessage = (event: MessageEvent<Asking<Question>>) => {
    newest = event.data.id
    work(event.data).catch((error: unknown) =>
      say({ kind: 'failed', id: event.data.id, why: error instanceof Error ? error.message : String(error) }),
    )
  }
  say({ kind: 'ready', name })
}
