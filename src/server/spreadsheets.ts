import 'server-only'
import type { Sheet } from '@/core/reading/table'
import { readBytes } from './http'
import { RequestError } from './problems'
import { work } from './working'

/** Spreadsheets as they come in and go out. */

export const MOST_SHEET_BYTES = 5 * 1024 * 1024

/** Types of files, none of which a form of another website can send. */
const SHEET_TYPES = [
  'application/octet-stream',
  'text/csv',
  'application/vnd.ms-excel',
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
]

/** The bytes of a spreadsheet that is sent, bounded. @throws RequestError 413, 415 */
export const readSheetBytes = (request: Request): Promise<Uint8Array> => {
  const type = (request.headers.get('content-type') ?? '').split(';', 1)[0]?.trim().toLowerCase() ?? ''
  if (!SHEET_TYPES.includes(type))
    throw new RequestError(
      415,
      'A spreadsheet is needed',
      `Send the file as ${SHEET_TYPES.join(' or ')}; this came as “${type.slice(0, 80) || 'nothing'}”.`,
    )
  return readBytes(request, MOST_SHEET_BYTES)
}

/** Reads a table from the bytes of a file; what kind it is shows in its first bytes. */
export const readSheet = (bytes: Uint8Array, file: string): Promise<Sheet> => work('readSheet', { bytes, file })

/** Writes a table as XLSX. */
export const writeXlsx = (rows: readonly (readonly string[])[], name: string): Promise<Uint8Array> =>
  work('writeXlsx', { rows, name })

const TYPES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  text: 'text/plain; charset=utf-8',
  json: 'application/json',
} as const

/** A file to be saved by the browser. */
export const fileResponse = (content: string | Uint8Array, name: string, type: keyof typeof TYPES): Response =>
  new Response(content as BodyInit, {
    headers: { 'content-type': TYPES[type], 'content-disposition': `attachment; filename="${name}"` },
  })
