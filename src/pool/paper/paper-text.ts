import PDFDocument from 'pdfkit'
import { faceFile } from './pdf-fonts'

/** Text on paper: words in a regular and a bold face, broken into lines, with letters beyond western Europe. */

export interface Piece {
  readonly text: string
  readonly isBold?: boolean
  /** Points, 1/72 inch; the text size of the paper where it is not said. */
  readonly size?: number
}

/** A stretch of text in one face. */
interface Run {
  readonly text: string
  readonly face: string
  readonly size: number
  readonly width: number
}

export interface Line {
  readonly runs: readonly Run[]
  readonly height: number
}

/** Lines stand this much apart, as a share of their size. */
const LEADING = 1.25
/** From the top of a line to what its letters stand on, as a share of the size, in this face. */
const ASCENT = 0.95

/** Beyond Latin-1, what the first set of the face holds all the same: marks, the euro, arrows. */
const isInFirstSet = (code: number): boolean =>
  code <= 0xff ||
  [0x131, 0x152, 0x153, 0x20ac, 0x2122, 0x2191, 0x2193, 0x2212].includes(code) ||
  (code >= 0x2000 && code <= 0x206f)
/** Latin Extended A and B, phonetic and additional letters, some currencies. */
const isInSecondSet = (code: number): boolean =>
  (code >= 0x100 && code <= 0x2af) || (code >= 0x1e00 && code <= 0x1eff) || (code >= 0x20a0 && code <= 0x20cf)

/** Whether the faces have all its letters. */
export const canPrint = (text: string): boolean =>
  [...text].every(letter => {
    const code = letter.codePointAt(0) ?? 0
    return isInFirstSet(code) || isInSecondSet(code)
  })

export class PaperText {
  readonly doc: PDFKit.PDFDocument
  private readonly widths = new Map<string, number>()
  private readonly bytes: Promise<Uint8Array>

  /**
   * @param page width and height in points
   * @param size of the text in points
   */
  constructor(
    page: readonly [number, number],
    private readonly size: number,
  ) {
    this.doc = new PDFDocument({ size: [...page], margin: 0, autoFirstPage: false, bufferPages: true, lang: 'en' })
    const chunks: Buffer[] = []
    this.bytes = new Promise((done, failed) => {
      this.doc.on('data', (chunk: Buffer) => chunks.push(chunk))
      this.doc.on('end', () => done(Buffer.concat(chunks)))
      this.doc.on('error', failed)
    })
    for (const letters of ['latin', 'latin-ext'] as const)
      for (const weight of [400, 700] as const) this.doc.registerFont(`${letters} ${weight}`, faceFile(letters, weight))
  }

  /** Breaks text into lines of a width in points; a word that is wider stands alone. */
  lines(pieces: readonly Piece[], width: number): readonly Line[] {
    const lines: Run[][] = [[]]
    let filled = 0
    for (const { text, isBold = false, size = this.size } of pieces)
      for (const word of text.split(/(?<=\s)/)) {
        const runs = this.runs(word, isBold ? 700 : 400, size)
        const wide = runs.reduce((sum, r) => sum + r.width, 0)
        if (filled > 0 && filled + wide > width) {
          lines.push([])
          filled = 0
        }
        lines.at(-1)?.push(...runs)
        filled += wide
      }
    return lines.map(runs => ({ runs, height: LEADING * Math.max(this.size * 0.7, ...runs.map(r => r.size)) }))
  }

  /** Draws lines from the upper left. @returns the height they took */
  draw(lines: readonly Line[], x: number, y: number): number {
    let down = 0
    for (const { runs, height } of lines) {
      let across = 0
      const largest = Math.max(0, ...runs.map(r => r.size))
      for (const { text, face, size, width } of runs) {
        // All stand on one line, whatever their size.
        const lowered = ASCENT * (largest - size)
        this.doc.font(face, size).text(text, x + across, y + down + lowered, { lineBreak: false })
        across += width
      }
      down += height
    }
    return down
  }

  /** Closes the document. */
  end(title: string): Promise<Uint8Array> {
    this.doc.info.Title = title
    this.doc.end()
    return this.bytes
  }

  private runs(word: string, weight: 400 | 700, size: number): readonly Run[] {
    const stretches: { text: string; letters: 'latin' | 'latin-ext' }[] = []
    for (const letter of word) {
      const letters = isInFirstSet(letter.codePointAt(0) ?? 0) ? 'latin' : 'latin-ext'
      const last = stretches.at(-1)
      if (last?.letters === letters) last.text += letter
      else stretches.push({ text: letter, letters })
    }
    return stretches.map(({ text, letters }) => {
      const face = `${letters} ${weight}`
      return { text, face, size, width: this.widthOf(text, face, size) }
    })
  }

  private widthOf(text: string, face: string, size: number): number {
    const key = `${face} ${size} ${text}`
    const known = this.widths.get(key)
    if (known !== undefined) return known
    const width = this.doc.font(face, size).widthOfString(text)
    this.widths.set(key, width)
    return width
  }
}

export const heightOf = (lines: readonly Line[]): number => lines.reduce((sum, l) => sum + l.height, 0)
