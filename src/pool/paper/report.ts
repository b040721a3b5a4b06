import { heightOf, PaperText, type Piece } from './paper-text'

const PAPERS = { a4: [595.28, 841.89], letter: [612, 792] } as const
const MARGIN = 48
const SIZE = 10

/** Paragraphs one below the other, on as many pages as they take. */
export class Report {
  readonly text: PaperText
  private down: number
  private readonly width: number
  private readonly bottom: number

  constructor(paper: keyof typeof PAPERS) {
    const [width, height] = PAPERS[paper]
    this.text = new PaperText([width, height], SIZE)
    this.width = width - 2 * MARGIN
    this.bottom = height - MARGIN
    this.down = this.bottom
    this.turn()
  }

  private turn(): void {
    this.text.doc.addPage()
    this.down = MARGIN
  }

  /** Pieces that stay together, a paragraph each; on the next page where they do not fit on this one. */
  block(paragraphs: readonly (readonly Piece[])[], { indent = 0, above = 0 } = {}): void {
    const laid = paragraphs.map(p => this.text.lines(p, this.width - indent))
    const height = laid.reduce((sum, lines) => sum + heightOf(lines), 0)
    if (this.down + above + height > this.bottom && this.down > MARGIN) this.turn()
    else this.down += above
    for (const lines of laid) this.down += this.text.draw(lines, MARGIN + indent, this.down)
  }

  heading(text: string): void {
    this.block([[{ text, isBold: true, size: 12 }]], { above: 16 })
  }

  lines(heading: string, all: readonly string[]): void {
    if (all.length === 0) return
    this.heading(heading)
    for (const text of all) this.block([[{ text, size: 9 }]], { above: 3 })
  }
}
