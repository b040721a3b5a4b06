import type { ImagingAnswer, ImagingAsk } from '../workers/imaging.worker'
import { type Asked, askOnce } from './ask-once'

/** Films and pictures are read on this device, in a worker of their own; none of them is sent anywhere. */

const IMAGING: Asked = {
  name: 'imaging',
  make: () => new Worker(new URL('../workers/imaging.worker.ts', import.meta.url), { type: 'module' }),
}

type AnswerTo<Kind extends ImagingAnswer['kind']> = Extract<ImagingAnswer, { readonly kind: Kind }>

/**
 * Asks once, and hears how far it is.
 *
 * @param kind the answer that ends it; lists of pictures end with their last one
 * @throws Error in words; an AbortError where it was stopped
 */
export const readOnDevice = async <Kind extends ImagingAnswer['kind']>(
  question: ImagingAsk,
  kind: Kind,
  onHeard: (answer: ImagingAnswer) => void,
  signal: AbortSignal,
): Promise<AnswerTo<Kind>> => {
  const isLast = (answer: ImagingAnswer) =>
    answer.kind === kind && (!('pictures' in answer) || answer.pictures.length === answer.of)
  return (await askOnce(IMAGING, question, isLast, onHeard, signal)) as AnswerTo<Kind>
}
