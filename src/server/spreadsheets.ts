import 'server-only'
import type { Sheet } from '@/core/formats/table'
import { readBytes } from './http'
import { work } from './working'

/** Spreadsheets as they come in and go out. */

export const MOST_SHEET_BYTES = 5 * 1024 * 1024

/** The bytes of a spreadsheet that is sent, bounded. */
export const readSheetBytes = (request: Request): Promise<Uint8Array> => readBytes(request, MOST_SHEET_BYTES)

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
