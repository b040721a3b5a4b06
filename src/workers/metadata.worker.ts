import type { Picture } from '../core/audit/picture'
import { bareName } from '../core/audit/table'
import { allFields, ordinaryPicture } from './metadata'
import { type NotesReader, openNotesReader } from './notes'
import { serve } from './serve'

/** Reads the metadata of many pictures away from the page. No picture leaves the browser. */

export type MetadataAsk =
  | { readonly kind: 'ordinary'; readonly files: readonly File[] }
  /** The fields that are wanted, by their names; all of them where none are named. */
  | { readonly kind: 'notes'; readonly files: readonly File[]; readonly wanted: readonly string[] | undefined }

/** The next pictures, in the order of the files. */
export type MetadataAnswer =
  | { readonly kind: 'ordinary'; readonly pictures: readonly Picture[]; readonly isLast: boolean }
  | {
      readonly kind: 'notes'
      readonly fields: readonly (readonly (readonly [string, string])[])[]
      readonly isLast: boolean
    }

/** So many at once are read, and told of. */
const BATCH = 40

const PROGRAM = new URL('../../node_modules/@6over3/zeroperl-ts/dist/esm/zeroperl.wasm', import.meta.url)

let reader: Promise<NotesReader> | undefined
const fetchProgram = async (): Promise<Response> => {
  const response = await fetch(PROGRAM).catch(() => undefined)
  if (!response?.ok) throw new Error('The reader of makers’ own fields could not be loaded. Try again with network.')
  return response
}
const readerHere = (): Promise<NotesReader> => {
  reader ??= openNotesReader(fetchProgram)
  reader.catch(() => (reader = undefined))
  return reader
}

async function* answersTo(ask: MetadataAsk): AsyncGenerator<MetadataAnswer> {
  const { files } = ask
  if (ask.kind === 'ordinary') {
    for (let i = 0; i < files.length; i += BATCH) {
      const pictures = await Promise.all(files.slice(i, i + BATCH).map(f => ordinaryPicture(f)))
      yield { kind: 'ordinary', pictures, isLast: i + BATCH >= files.length }
    }
    return
  }
  const wanted = ask.wanted && new Set(ask.wanted.map(f => bareName(f).toLowerCase()))
  const notes = await readerHere()
  for (const [i, file] of files.entries()) {
    const fields = await allFields(file, notes).catch(() => [])
    yield {
      kind: 'notes',
      fields: [wanted ? fields.filter(([f]) => wanted.has(bareName(f).toLowerCase())) : fields],
      isLast: i === files.length - 1,
    }
  }
}

serve<MetadataAsk, MetadataAnswer>('metadata', answersTo)
