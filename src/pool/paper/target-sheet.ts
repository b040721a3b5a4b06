import { CHART, type Layout, RULER } from '@/core/imaging/target'
import { random } from '@/core/numeric/random'
import { PaperText } from './paper-text'

/** Sheets that are printed and photographed at the Bench. Millimetres on paper are those that measuring goes by. */

/** Points to a millimetre. */
const MM = 72 / 25.4
const PAPERS = { a4: [210, 297], letter: [215.9, 279.4] } as const
const BAR = 100
/** Distance of a field over the focal length. @source common practice, from memory */
const TIMES_FOCAL = 20
const FAR_OVER_NEAR = 2.5
const LEAST_METRES = 0.6

export interface TargetSheet {
  readonly sheet: 'ruler' | 'chart' | 'rack'
  readonly paper: keyof typeof PAPERS
  readonly focalMm: number
}

interface Place {
  readonly x: number
  readonly y: number
}

const metresFor = (focalMm: number): number => Math.max(LEAST_METRES, (focalMm * TIMES_FOCAL) / 1000)
const words = (metres: number): string => `${Number(metres.toFixed(2))} m (${Number((metres / 0.3048).toFixed(1))} ft)`

class Sheet {
  readonly text: PaperText
  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    this.text = new PaperText([width * MM, height * MM], 9.5)
    this.text.doc.addPage()
  }

  get doc(): PDFKit.PDFDocument {
    return this.text.doc
  }

  /** Draws in millimetres from a place. */
  at(place: Place, scale: number, draw: () => void): void {
    this.doc.save()
    this.doc.translate(place.x * MM, place.y * MM).scale(MM * scale)
    draw()
    this.doc.restore()
  }

  paragraphs(lines: readonly string[], x: number, y: number, width: number): void {
    let down = y * MM
    lines.forEach((text, i) => {
      down +=
        this.text.draw(
          this.text.lines([{ text, isBold: i === 0, size: i === 0 ? 13 : 9.5 }], width * MM),
          x * MM,
          down,
        ) + 3
    })
  }

  /** A bar to check the print with. */
  bar(x: number, y: number): void {
    this.at({ x, y }, 1, () => {
      this.doc.lineWidth(0.3).moveTo(0, 0).lineTo(BAR, 0).stroke()
      for (let i = 0; i <= BAR; i += 10)
        this.doc
          .moveTo(i, 0)
          .lineTo(i, i % 50 === 0 ? 3 : 1.8)
          .stroke()
    })
    this.text.draw(
      this.text.lines(
        [{ text: 'This bar is 100 mm long. If it is not, print again without fitting to the page.', size: 8 }],
        120 * MM,
      ),
      x * MM,
      (y + 4) * MM,
    )
  }

  marks(layout: Layout): void {
    for (const { x, y } of layout.marks) {
      this.doc.circle(x, y, 3.5 * layout.unit).fill('black')
      this.doc.circle(x, y, 2.5 * layout.unit).fill('white')
      this.doc.circle(x, y, 1.5 * layout.unit).fill('black')
    }
  }

  /** Patches of several sizes: something to focus on at any distance. */
  patches(width: number, height: number, seed: number): void {
    const chance = random(seed)
    for (const size of [12, 6, 3])
      for (let y = 0; y + size <= height; y += size)
        for (let x = 0; x + size <= width; x += size)
          if (chance.next() < 0.32) this.doc.rect(x, y, size, size).fill(chance.next() < 0.5 ? 'black' : 'white')
    this.doc.lineWidth(0.3).rect(0, 0, width, height).stroke('black')
  }

  /** Camera and sheets from the side, to scale along the distance. */
  side(
    x: number,
    y: number,
    width: number,
    things: readonly { readonly metres: number; readonly label: string; readonly leans?: boolean }[],
  ): void {
    const far = Math.max(...things.map(t => t.metres))
    this.at({ x, y }, 1, () => {
      this.doc.lineWidth(0.3)
      this.doc.rect(0, -5, 9, 8).stroke().rect(9, -3.5, 4, 5).stroke()
      this.doc.moveTo(13, -1).lineTo(width, -1).dash(1, { space: 1 }).stroke().undash()
      for (const { metres, leans } of things) {
        const at = 13 + (metres / far) * (width - 18)
        this.doc.lineWidth(0.7)
        if (leans)
          this.doc
            .moveTo(at - 7, 6)
            .lineTo(at + 7, -8)
            .stroke()
        else this.doc.moveTo(at, -8).lineTo(at, 6).stroke()
      }
    })
    for (const { metres, label } of things)
      this.text.draw(
        this.text.lines([{ text: `${label}: ${words(metres)}`, size: 7.5 }], 60 * MM),
        (x + 13 + (metres / far) * (width - 18) - 16) * MM,
        (y + 8) * MM,
      )
  }
}

const CAUTION =
  'Tripod, even light without glare, nobody to trip over it. Do not look into the sun or a lamp through the camera.'

const rulerSheet = (sheet: Sheet, focalMm: number): void => {
  const ruler = { x: sheet.width - RULER.width - 10, y: 12 }
  const zero = RULER.zero
  sheet.at(ruler, 1, () => {
    const { doc } = sheet
    doc.lineWidth(0.2).dash(2, { space: 2 }).rect(0, 0, RULER.width, RULER.height).stroke('black').undash()
    const [a, b, c] = RULER.edges as [number, number, number]
    const [top, bottom] = [RULER.from - 6, RULER.to + 6]
    const stripe = (from: number, to: number) =>
      doc
        .polygon(
          [from + RULER.slope * (top - zero), top],
          [to + RULER.slope * (top - zero), top],
          [to + RULER.slope * (bottom - zero), bottom],
          [from + RULER.slope * (bottom - zero), bottom],
        )
        .fill('black')
    stripe(a, b)
    stripe(c, c + RULER.last)
    sheet.marks(RULER)
    doc
      .lineWidth(0.3)
      .moveTo(0, zero)
      .lineTo(2.5, zero)
      .stroke()
      .moveTo(RULER.width, zero)
      .lineTo(RULER.width - 2.5, zero)
      .stroke()
  })
  sheet.at({ x: 10, y: 37 }, 1, () => {
    for (let row = 0; row < 10; row++)
      for (let column = 0; column < 7; column++)
        if ((row + column) % 2 === 0) sheet.doc.rect(column * 12, row * 12, 12, 12).fill('black')
    sheet.doc.lineWidth(0.3).rect(0, 0, 84, 120).stroke()
  })
  const metres = metresFor(focalMm)
  sheet.paragraphs(
    [
      'Does the lens focus where it should',
      `Cut the ruler out along the dashed line and lean it back by 45° (a set square), its far end up, beside the chequered field. The short lines at its sides stand level with the field. For ${focalMm} mm: ${words(metres)} from the sensor to the field, aperture wide open.`,
      'Focus on the field with one point, ten times or more, each time from another side (once from nearer, once from farther). Do not move the camera. Drop all pictures together.',
      CAUTION,
    ],
    10,
    188,
    sheet.width - 20,
  )
  sheet.side(14, 243, 120, [{ metres, label: 'Field and ruler', leans: true }])
  sheet.bar(10, sheet.height - 14)
}

const chartSheet = (sheet: Sheet, focalMm: number): void => {
  const scale = Math.min(1, (sheet.width - 16) / CHART.width)
  sheet.at({ x: (sheet.width - CHART.width * scale) / 2, y: 8 }, scale, () => {
    const { doc } = sheet
    for (const { middle } of CHART.fields) {
      doc.save()
      doc.rotate(CHART.turn, { origin: [middle.x, middle.y] })
      doc.rect(middle.x - CHART.side / 2, middle.y - CHART.side / 2, CHART.side, CHART.side).fill('black')
      doc.restore()
    }
    sheet.marks(CHART)
    doc
      .lineWidth(0.2)
      .rect(-2, -2, CHART.width + 4, CHART.height + 4)
      .stroke()
  })
  sheet.text.draw(
    sheet.text.lines(
      [
        {
          text: `Where the lens is sharpest: fill the frame with this sheet, straight on, on a tripod. Focus on the centre once (${focalMm} mm), then one picture at every aperture, self-timer or remote, lowest sensitivity. Print it larger for wide lenses. ${CAUTION}`,
          size: 8,
        },
      ],
      (sheet.width - 24) * MM,
    ),
    12 * MM,
    (14 + CHART.height * scale) * MM,
  )
}

const rackSheet = (sheet: Sheet, focalMm: number): void => {
  const near = metresFor(focalMm)
  sheet.at({ x: 12, y: 12 }, 1, () => sheet.patches(sheet.width - 24, 96, 5))
  sheet.at({ x: 12, y: 114 }, 1, () => sheet.patches(sheet.width - 24, 84, 9))
  sheet.paragraphs(
    [
      'Far chart (above) and near chart (below): how long it holds, how fast it travels',
      `For ${focalMm} mm: the far chart ${words(near * FAR_OVER_NEAR)} from the sensor and a little to the left, where the near one never covers it. The near chart is glued to a board that somebody brings in at ${words(near)}, over the focus area. The area stands in the middle, on a second print of the far chart or on what is behind.`,
      CAUTION,
    ],
    12,
    202,
    sheet.width - 24,
  )
  sheet.side(14, 246, sheet.width - 60, [
    { metres: near, label: 'Board' },
    { metres: near * FAR_OVER_NEAR, label: 'Far chart' },
  ])
  sheet.bar(12, sheet.height - 14)
}

/** A sheet as PDF, in millimetres as they are measured. */
export const targetSheet = ({ sheet, paper, focalMm }: TargetSheet): Promise<Uint8Array> => {
  const [short, long] = PAPERS[paper]
  const page = sheet === 'chart' ? new Sheet(long, short) : new Sheet(short, long)
  switch (sheet) {
    case 'ruler':
      rulerSheet(page, focalMm)
      return page.text.end('Ruler for front and back focus')
    case 'chart':
      chartSheet(page, focalMm)
      return page.text.end('Chart for sharpness')
    case 'rack':
      rackSheet(page, focalMm)
      return page.text.end('Charts for a rack of focus')
  }
}
