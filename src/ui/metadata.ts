import type { Picture } from '../core/audit/picture'
import type { MetadataAnswer, MetadataAsk } from '../workers/metadata.worker'
import { type Asked, askOnce } from './ask-once'

/** What pictures on this device say of themselves; only words and figures leave the worker, and no picture the browser. */

const METADATA: Asked = {
  name: 'metadata',
  make: () => new Worker(new URL('../workers/metadata.worker.ts', import.meta.url), { type: 'module' }),
}

/** A file that takes longer is not worth waiting for; the first also waits for the reader to be fetched. */
const SILENCE_MS = 45_000
/** So often in a row it is no fault of the files. */
const MOST_SILENCES = 2

const ask = (question: MetadataAsk, onHeard: (answer: MetadataAnswer) => void, signal: AbortSignal, silence?: number) =>
  askOnce<MetadataAsk, MetadataAnswer>(METADATA, question, answer => answer.isLast, onHeard, signal, silence)

/**
 * The standard fields of pictures.
 *
 * @param onSome hears the next ones, in the order of the files
 * @throws Error in words; an AbortError where it was stopped
 */
export const readOrdinary = async (
  files: readonly File[],
  onSome: (pictures: readonly Picture[]) => void,
  signal: AbortSignal,
): Promise<void> => {
  if (files.length === 0) return
  await ask({ kind: 'ordinary', files }, a => a.kind === 'ordinary' && onSome(a.pictures), signal)
}

export type Fields = readonly (readonly [string, string])[]

/**
 * The fields of pictures with the makers' own ones. A file at which the reader stands still is passed over with none.
 *
 * @param wanted names of fields; all of them where undefined
 * @param onOne hears each in the order of the files
 * @throws Error in words; an AbortError where it was stopped
 */
export const readNotes = async (
  files: readonly File[],
  wanted: readonly string[] | undefined,
  onOne: (fields: Fields, index: number) => void,
  signal: AbortSignal,
): Promise<void> => {
  let done = 0
  const hear = (answer: MetadataAnswer) => {
    if (answer.kind !== 'notes') return
    for (const fields of answer.fields) onOne(fields, done++)
  }
  let silences = 0
  while (done < files.length) {
    const from = done
    try {
      await ask({ kind: 'notes', files: files.slice(done), wanted }, hear, signal, SILENCE_MS)
    } catch (error) {
      if (!(error instanceof DOMException && error.name === 'TimeoutError')) throw error
      silences = done === from ? silences + 1 : 1
      if (silences > MOST_SILENCES)
        throw new Error('The reader of makers’ own fields does not answer. Try again, or load the page again.', {
          cause: error,
        })
      onOne([], done++)
    }
  }
}
