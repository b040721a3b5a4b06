import { SaxesParser } from 'saxes'
import { type Entry, fromBuffer, type ZipFile } from 'yauzl'
import type { Problem } from '@/core/reading/problem'
import { cellPlace, columnLetters, type Sheet } from '@/core/reading/table'

/**
 * The first sheet of an XLSX file as a table of texts, read as it streams out of the archive: nothing is expanded
 * before it is counted, whatever the file claims about itself.
 *
 * @source ECMA-376-1 (2016), SpreadsheetML: 18.3.1 worksheets, 18.4 shared strings, 18.8 styles
 */

/** What a sheet may hold; a table of a team is far from all of them. */
export const MOST = {
  rows: 20_000,
  columns: 256,
  cells: 400_000,
  /** Each part of the archive, unpacked. */
  partBytes: 40 * 1024 * 1024,
  /** Parts in the archive. */
  parts: 2000,
  /** Problems that are told one by one. */
  problems: 50,
} as const

/** Why a file is not read any further. */
class Refused extends Error {
  constructor(
    readonly expected: string,
    readonly path = '',
    readonly value = '',
  ) {
    super(expected)
  }
}

const open = (bytes: Uint8Array): Promise<ZipFile> =>
  new Promise((done, failed) => {
    fromBuffer(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length), { lazyEntries: true }, (error, zip) =>
      error ? failed(error) : done(zip),
    )
  })

/** The parts of the archive by name; their content is not touched. */
const partsOf = (zip: ZipFile): Promise<ReadonlyMap<string, Entry>> =>
  new Promise((done, failed) => {
    const parts = new Map<string, Entry>()
    if (zip.entryCount > MOST.parts) {
      failed(new Refused(`expected at most ${MOST.parts} parts in the archive`, '', `${zip.entryCount} parts`))
      return
    }
    zip.on('entry', (entry: Entry) => {
      parts.set(entry.fileName.replace(/^\//, ''), entry)
      zip.readEntry()
    })
    zip.on('end', () => done(parts))
    zip.on('error', failed)
    zip.readEntry()
  })

interface Reader {
  readonly open?: (name: string, attributes: Readonly<Record<string, string>>) => void
  readonly text?: (text: string) => void
  readonly close?: (name: string) => void
}

const local = (name: string): string => name.slice(name.indexOf(':') + 1)

/** Streams one part through a reader; its real size is counted, not the one it claims. */
const readPart = async (zip: ZipFile, entry: Entry, reader: Reader): Promise<void> => {
  const tooLarge = new Refused(
    `unpacked, ${entry.fileName} is larger than ${MOST.partBytes / 1024 / 1024} MB; save only the table`,
  )
  if (entry.uncompressedSize > MOST.partBytes) throw tooLarge
  const stream = await new Promise<NodeJS.ReadableStream>((done, failed) =>
    zip.openReadStream(entry, (error, found) => (error ? failed(error) : done(found))),
  )
  const parser = new SaxesParser()
  parser.on('error', error => {
    throw error
  })
  parser.on('opentag', tag => reader.open?.(local(tag.name), tag.attributes))
  parser.on('text', text => reader.text?.(text))
  parser.on('cdata', text => reader.text?.(text))
  parser.on('closetag', tag => reader.close?.(local(tag.name)))
  const decoder = new TextDecoder()
  let bytes = 0
  for await (const chunk of stream as AsyncIterable<Buffer>) {
    bytes += chunk.length
    if (bytes > MOST.partBytes) throw tooLarge
    parser.write(decoder.decode(chunk, { stream: true }))
  }
  parser.write(decoder.decode()).close()
}

/** Number formats that show a day or a time. @source ECMA-376-1, 18.8.30: built-in formats 14 to 22 and 45 to 47 */
const isDateFormat = (id: number, code: string | undefined): boolean =>
  code === undefined
    ? (id >= 14 && id <= 22) || (id >= 45 && id <= 47)
    : /[dmyhs]/i.test(code.replaceAll(/"[^"]*"|\\.|\[[^\][]*\]/g, ''))

/** Which cell formats show days. */
const readStyles = async (zip: ZipFile, entry: Entry | undefined): Promise<ReadonlySet<number>> => {
  const dates = new Set<number>()
  if (!entry) return dates
  const codes = new Map<number, string>()
  let inFormats = false
  let index = 0
  await readPart(zip, entry, {
    open: (name, a) => {
      if (name === 'numFmt') codes.set(Number(a['numFmtId']), a['formatCode'] ?? '')
      if (name === 'cellXfs') inFormats = true
      if (name === 'xf' && inFormats) {
        const id = Number(a['numFmtId'] ?? 0)
        if (isDateFormat(id, codes.get(id))) dates.add(index)
        index++
      }
    },
    close: name => {
      if (name === 'cellXfs') inFormats = false
    },
  })
  return dates
}

/** Texts that cells refer to by number; how a word is spoken is no part of it. */
const readSharedTexts = async (zip: ZipFile, entry: Entry | undefined): Promise<readonly string[]> => {
  const texts: string[] = []
  if (!entry) return texts
  let text = ''
  let isText = false
  let spoken = 0
  await readPart(zip, entry, {
    open: name => {
      if (name === 'si') text = ''
      if (name === 'rPh') spoken++
      isText = name === 't' && spoken === 0
    },
    text: t => {
      if (isText) text += t
    },
    close: name => {
      if (name === 't') isText = false
      if (name === 'rPh') spoken--
      if (name !== 'si') return
      if (texts.push(text) > MOST.cells) throw new Refused(`expected at most ${MOST.cells} texts`)
    },
  })
  return texts
}

const DAY_MS = 24 * 3600 * 1000

/** A day as its number of days. @source ECMA-376-1, 18.17.4.1: the 1900 system counts a 29 February 1900 that never was */
const dayText = (serial: number, from1904: boolean): string | undefined => {
  const day = from1904 ? serial + 1462 : serial
  const date = new Date(Date.UTC(1899, 11, day < 60 ? 31 : 30) + Math.floor(day) * DAY_MS)
  return Number.isNaN(date.getTime()) ? undefined : date.toISOString().slice(0, 10)
}

/** `BC12` as row 12, column 55, both counted from 1; undefined for anything else. */
const placeOf = (ref: string): { readonly row: number; readonly column: number } | undefined => {
  const match = /^([A-Z]{1,3})(\d{1,7})$/.exec(ref)
  if (!match) return undefined
  const [, letters = '', digits = ''] = match
  return { row: Number(digits), column: [...letters].reduce((n, c) => n * 26 + c.charCodeAt(0) - 64, 0) }
}

interface Cell {
  readonly row: number
  readonly column: number
  readonly type: string
  readonly style: number
  text: string
  formula: string | undefined
}

interface Known {
  readonly texts: readonly string[]
  readonly dates: ReadonlySet<number>
  readonly from1904: boolean
}

const shownBy = (cell: Cell, { texts, dates, from1904 }: Known): string => {
  switch (cell.type) {
    case 's':
      return texts[Number(cell.text)] ?? ''
    case 'b':
      return cell.text === '1' ? 'true' : 'false'
    case 'd':
      return cell.text.slice(0, 10)
    case 'n': {
      const number = Number(cell.text)
      if (!Number.isFinite(number)) return cell.text
      return (dates.has(cell.style) ? dayText(number, from1904) : undefined) ?? String(number)
    }
    default:
      return cell.text
  }
}

interface Told extends Problem {
  readonly row: number
  readonly column: number
}

/** Reads the cells that hold something; formatting alone takes no room. */
const readCells = async (zip: ZipFile, entry: Entry, file: string, known: Known): Promise<Sheet> => {
  const rows: string[][] = []
  const told: Told[] = []
  let untold = 0
  const tell = (row: number, column: number, value: string, expected: string) => {
    if (told.length < MOST.problems)
      told.push({ file, path: cellPlace(row, columnLetters(column - 1)), value, expected, row, column })
    else untold++
  }
  let cells = 0
  let row = 0
  let column = 0
  let cell: Cell | undefined
  let into: 'text' | 'formula' | undefined
  const put = (c: Cell) => {
    const shown = c.formula === undefined && c.type !== 'e' ? shownBy(c, known) : ''
    if (c.formula !== undefined)
      tell(c.row, c.column, c.formula ? `=${c.formula}` : '', 'a formula stands here; put its value in its place')
    else if (c.type === 'e') tell(c.row, c.column, c.text, 'an error stands here; put a value in its place')
    else if (shown === '') return
    if (c.row > MOST.rows)
      throw new Refused(`expected at most ${MOST.rows} rows in the first sheet`, '', `row ${c.row}`)
    if (c.column > MOST.columns)
      throw new Refused(
        `expected at most ${MOST.columns} columns in the first sheet`,
        cellPlace(c.row, columnLetters(c.column - 1)),
        shown,
      )
    if (++cells > MOST.cells) throw new Refused(`expected at most ${MOST.cells} cells in the first sheet`)
    const line = (rows[c.row - 1] ??= [])
    line[c.column - 1] = shown
  }
  await readPart(zip, entry, {
    open: (name, a) => {
      switch (name) {
        case 'row':
          row = Number(a['r'] ?? row + 1)
          column = 0
          break
        case 'c': {
          const place = placeOf(a['r'] ?? '') ?? { row, column: column + 1 }
          column = place.column
          cell = { ...place, type: a['t'] ?? 'n', style: Number(a['s'] ?? 0), text: '', formula: undefined }
          break
        }
        case 'f':
          if (cell) cell.formula = ''
          into = 'formula'
          break
        case 'v':
        case 't':
          into = cell && 'text'
          break
        case 'mergeCell': {
          const at = placeOf((a['ref'] ?? '').split(':')[0] ?? '')
          if (at)
            tell(
              at.row,
              at.column,
              rows[at.row - 1]?.[at.column - 1] ?? '',
              'merged cells stand here; write the value in every row',
            )
          break
        }
      }
    },
    text: t => {
      if (!cell || !into) return
      if (into === 'text') cell.text += t
      else cell.formula = (cell.formula ?? '') + t
    },
    close: name => {
      if (name === 'c' && cell) {
        // Without a value there is only formatting.
        if (cell.text !== '' || cell.formula !== undefined) put(cell)
        cell = undefined
      }
      if (name === 'v' || name === 't' || name === 'f') into = undefined
    },
  })
  const problems: Problem[] = told
    .sort((a, b) => a.row - b.row || a.column - b.column)
    .map(({ path, value, expected }) => ({ file, path, value, expected }))
  if (untold) problems.push({ file, path: '', value: '', expected: `and ${untold} more cells like these` })
  return { rows: Array.from(rows, r => Array.from(r ?? [], c => c ?? '')), problems }
}

/** Where the first sheet lies in the archive, and how it counts days. */
const firstSheet = async (
  zip: ZipFile,
  parts: ReadonlyMap<string, Entry>,
): Promise<{ readonly sheet: Entry | undefined; readonly from1904: boolean }> => {
  const [book, links] = [parts.get('xl/workbook.xml'), parts.get('xl/_rels/workbook.xml.rels')]
  if (!book || !links) throw new Refused('this file cannot be read as XLSX; open it and save it again')
  let first: string | undefined
  let from1904 = false
  await readPart(zip, book, {
    open: (name, a) => {
      if (name === 'sheet') first ??= Object.entries(a).find(([key]) => local(key) === 'id' && key !== 'id')?.[1]
      if (name === 'workbookPr') from1904 = ['1', 'true'].includes(a['date1904'] ?? '')
    },
  })
  const targets = new Map<string, string>()
  await readPart(zip, links, {
    open: (name, a) => {
      if (name === 'Relationship') targets.set(a['Id'] ?? '', a['Target'] ?? '')
    },
  })
  const target = (first && targets.get(first)) ?? ''
  return { sheet: parts.get(target.startsWith('/') ? target.slice(1) : `xl/${target}`), from1904 }
}

/** Reads the first sheet; what is wrong comes as problems, never as an error. */
export const readXlsx = async (bytes: Uint8Array, file: string): Promise<Sheet> => {
  const refused = (expected: string, path = '', value = ''): Sheet => ({
    rows: [],
    problems: [{ file, path, value, expected }],
  })
  try {
    const zip = await open(bytes)
    const parts = await partsOf(zip)
    const { sheet, from1904 } = await firstSheet(zip, parts)
    if (!sheet) return refused('expected a sheet with a table')
    const texts = await readSharedTexts(zip, parts.get('xl/sharedStrings.xml'))
    const dates = await readStyles(zip, parts.get('xl/styles.xml'))
    return await readCells(zip, sheet, file, { texts, dates, from1904 })
  } catch (error) {
    if (error instanceof Refused) return refused(error.expected, error.path, error.value)
    return refused('this file cannot be read as XLSX; open it and save it again')
  }
}
