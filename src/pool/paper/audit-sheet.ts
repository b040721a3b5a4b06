import type { Finding } from '@/core/audit/findings'
import { heightOf, PaperText, type Piece } from './paper-text'

/** The report of an audit for the debrief: its findings, each with its evidence and the one change to consider. */

export interface AuditSheet {
  readonly paper: 'a4' | 'letter'
  readonly name: string
  /** What was looked at, in a sentence. */
  readonly about: string
  readonly findings: readonly Finding[]
  /** Everything that was set otherwise, a line each. */
  readonly differences: readonly string[]
  /** What was used, a line for each camera. */
  readonly used: readonly string[]
  /** What says nothing here, and why. */
  readonly leftOut: readonly string[]
  readonly printed: string
}

const PAPERS = { a4: [595.28, 841.89], letter: [612, 792] } as const
const MARGIN = 48
const SIZE = 10

class Report {
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

export const auditSheet = ({
  paper,
  name,
  about,
  findings,
  differences,
  used,
  leftOut,
  printed,
}: AuditSheet): Promise<Uint8Array> => {
  const report = new Report(paper)
  report.block([[{ text: name, isBold: true, size: 20 }], [{ text: about }]])
  report.heading(findings.length > 0 ? 'To talk about' : 'Nothing to talk about')
  if (findings.length === 0)
    report.block([[{ text: 'As far as the pictures tell, everything was as the standard wanted it.' }]], { above: 4 })
  findings.forEach((f, i) =>
    report.block(
      [
        [{ text: `${i + 1}  ${f.title}`, isBold: true, size: 11 }],
        [{ text: f.evidence }],
        [{ text: `To consider: ${f.change}` }],
      ],
      { above: 9 },
    ),
  )
  report.lines('Set otherwise', differences)
  report.lines('Used', used)
  report.lines('Left out', leftOut)
  report.block(
    [
      [
        {
          text: `Pictures say what a camera wrote into them; where a field is read wrongly, so is the setting. Figures of keepers are no trial. Printed ${printed}.`,
          size: 7.5,
        },
      ],
    ],
    { above: 18 },
  )
  return report.text.end(name)
}
