import { heightOf, PaperText, type Piece } from './paper-text'

/** Sizes in points, 1/72 inch; pocket is a quarter of A4. */
const PAPERS = {
  a4: { page: [595.28, 841.89], margin: 48, text: 10 },
  letter: { page: [612, 792], margin: 48, text: 10 },
  pocket: { page: [297.64, 419.53], margin: 20, text: 8 },
} as const

/** Paragraphs one below the other, on as many pages as they take. */
export class Report {
  readonly text: PaperText
  private down: number
  private readonly width: number
  private readonly bottom: number
  private readonly margin: number

  constructor(paper: keyof typeof PAPERS) {
    const { page, margin, text } = PAPERS[paper]
    const [width, height] = page
    this.text = new PaperText([width, height], text)
    this.margin = margin
    this.width = width - 2 * margin
    this.bottom = height - margin
    this.down = this.bottom
    this.turn()
  }

  private turn(): void {
    this.text.doc.addPage()
    this.down = this.margin
  }

  nextPage(): void {
    if (this.down > this.margin) this.turn()
  }

  /** Pieces that stay together, a paragraph each; on the next page where they do not fit on this one. */
  block(paragraphs: readonly (readonly Piece[])[], { indent = 0, above = 0 } = {}): void {
    const laid = paragraphs.map(p => this.text.lines(p, this.width - indent))
    const height = laid.reduce((sum, lines) => sum + heightOf(lines), 0)
    if (this.down + above + height > this.bottom && this.down > this.margin) this.turn()
    else this.down += above
    for (const lines of laid) this.down += this.text.draw(lines, this.margin + indent, this.down)
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
