import type { ImagingAnswer, ImagingAsk } from '../workers/imaging.worker'
import { asker } from './asker'

/** Films and pictures are read on this device, in a worker of their own; none of them is sent anywhere. */

const imagingWorker = () => new Worker(new URL('../workers/imaging.worker.ts', import.meta.url), { type: 'module' })

type AnswerTo<Kind extends ImagingAnswer['kind']> = Extract<ImagingAnswer, { readonly kind: Kind }>

/**
 * Asks once, and hears how far it is.
 *
 * @param kind the answer that ends it; lists of pictures end with their last one
 * @throws Error in words; an AbortError where it was stopped
 */
export const readOnDevice = <Kind extends ImagingAnswer['kind']>(
  question: ImagingAsk,
  kind: Kind,
  onHeard: (answer: ImagingAnswer) => void,
  signal: AbortSignal,
): Promise<AnswerTo<Kind>> =>
  new Promise((resolve, reject) => {
    const line = asker<ImagingAsk, ImagingAnswer>('imaging', imagingWorker)
    const end = () => {
      signal.removeEventListener('abort', stop)
      unsubscribe()
      line.close()
    }
    const stop = () => {
      end()
      reject(new DOMException('stopped', 'AbortError'))
    }
    const unsubscribe = line.subscribe(() => {
      const { answer, trouble } = line.get()
      if (trouble) {
        end()
        reject(new Error(trouble))
      } else if (answer) {
        onHeard(answer)
        const isLast = answer.kind === kind && (!('pictures' in answer) || answer.pictures.length === answer.of)
        if (!isLast) return
        end()
        resolve(answer as AnswerTo<Kind>)
      }
    })
    signal.addEventListener('abort', stop)
    line.ask(question)
  })
