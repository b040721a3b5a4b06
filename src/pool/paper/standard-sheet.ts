import { standardCautions } from '@/core/cautions/cautions'
import { effectiveTargets, type EffectiveTarget, layerKind, type Standard } from '@/core/standards'
import { calculationsOf, type Guidance, guidanceOf, notesAsAdvice, onPaper } from '@/core/standards/guidance'
import { dimension, GROUPS } from '@/core/vocabulary/dimensions'
import { toleranceWords, valueWords } from '@/core/vocabulary/words'
import { heightOf, type Line, PaperText, type Piece } from './paper-text'

/** A standard for the wall: what is wanted, how much, and why, on two pages; how to shoot on a third. Black on white. */

/** In points, 1/72 inch. */
const PAGE = [595.28, 841.89] as const
const MARGIN = 28
const GAP = 18
const COLUMN = (PAGE[0] - 2 * MARGIN - GAP) / 2
const BOTTOM = PAGE[1] - 40
/** Above and below the text of a row, and above a heading. */
const PADDING = 2.2
const ABOVE_HEADING = 7
/** Text sizes to try until everything stands where it belongs. */
const SIZES = [14, 12.5, 11, 9.5, 8.5, 7.5, 6.5, 5.5, 4.5]
const COLUMNS_OF_TARGETS = 4

/** Something in a column that is not torn apart, under a heading. */
interface Row {
  readonly heading: string
  /** Paragraphs, each of pieces. */
  readonly text: readonly (readonly Piece[])[]
}

interface LaidRow {
  readonly heading: string
  readonly lines: readonly Line[]
  readonly height: number
}

const wantedWords = (t: EffectiveTarget): string => {
  const d = dimension(t.dimension)
  return `${valueWords(d, t.value)}${t.tolerance === undefined ? '' : ` ${toleranceWords(d, t.tolerance)}`}`
}

const targetRow = (t: EffectiveTarget, size: number): Row => {
  const { group, label } = dimension(t.dimension)
  const weight = t.weight === 'must' ? '  MUST' : t.weight === 'nice' ? '  (nice)' : ''
  return {
    heading: GROUPS.find(g => g.id === group)?.label ?? '',
    text: [
      [
        { text: label, isBold: true, size },
        { text: `  ${wantedWords(t)}${weight}`, size },
      ],
      [{ text: `${t.reason}${t.relaxes ? ` Instead of a must below: ${t.relaxes}` : ''}`, size: size - 1 }],
    ],
  }
}

const adviceRows = ({ advice }: Guidance, size: number): readonly Row[] =>
  advice.map(a => ({
    heading: 'How to shoot',
    text: [[{ text: a.title, isBold: true, size }], [{ text: a.text, size }]],
  }))

const rescueRows = (
  { rescues, more }: Guidance & { readonly more: string | undefined },
  size: number,
): readonly Row[] => [
  ...rescues.map(r => ({
    heading: 'When it goes wrong',
    text: [
      [{ text: r.symptom, isBold: true, size }],
      ...r.remedies.map((m, i) => [{ text: `${i + 1}. ${m.text}`, size }]),
    ],
  })),
  ...(more ? [{ heading: 'When it goes wrong', text: [[{ text: more, size }]] }] : []),
]

/** Rows filled into columns in their order, none higher than it may be; undefined where they do not all fit. */
const filled = (
  rows: readonly LaidRow[],
  most: readonly number[],
  headingHeight: number,
): readonly (readonly LaidRow[])[] | undefined => {
  const columns: LaidRow[][] = most.map(() => [])
  let [at, height] = [0, 0]
  for (const row of rows) {
    const needs = () => row.height + (columns[at]?.at(-1)?.heading === row.heading ? 0 : headingHeight)
    while (at < most.length && height + needs() > (most[at] ?? 0)) [at, height] = [at + 1, 0]
    if (at === most.length) return undefined
    height += needs()
    columns[at]?.push(row)
  }
  return columns
}

/** The same, as evenly as they go. */
const spread = (rows: readonly LaidRow[], most: readonly number[], headingHeight: number) => {
  let [low, high] = [0, Math.max(...most)]
  let best = filled(rows, most, headingHeight)
  for (let i = 0; best && i < 12; i++) {
    const middle = (low + high) / 2
    const tried = filled(
      rows,
      most.map(m => Math.min(m, middle)),
      headingHeight,
    )
    if (tried) [best, high] = [tried, middle]
    else low = middle
  }
  return best
}

class StandardSheet {
  readonly text = new PaperText(PAGE, SIZES.at(-1) ?? 1)
  private y = 0

  constructor(
    private readonly standard: Standard,
    private readonly state: string,
  ) {}

  /** Lines over the whole width, below what was said before. */
  private say(pieces: readonly Piece[], above = 0): void {
    this.y += above
    this.y += this.text.draw(this.text.lines(pieces, PAGE[0] - 2 * MARGIN), MARGIN, this.y)
  }

  /** What stands at the head of a page. @returns where the columns begin */
  head(quiet: string, about = ''): number {
    this.text.doc.addPage()
    this.y = MARGIN
    this.say([{ text: this.standard.name, isBold: true, size: 18 }])
    this.say([{ text: `Version ${this.standard.version}, ${this.state} · ${quiet}`, size: 8 }], 2)
    if (about) this.say([{ text: about, size: 10 }], 6)
    return this.y + 10
  }

  lay(rows: readonly Row[]): readonly LaidRow[] {
    return rows.map(({ heading, text }) => {
      const lines = text.flatMap(pieces => this.text.lines(pieces, COLUMN))
      return { heading, lines, height: heightOf(lines) + 2 * PADDING }
    })
  }

  headingHeight(size: number): number {
    return ABOVE_HEADING + heightOf(this.text.lines([{ text: 'How', isBold: true, size }], COLUMN)) + PADDING
  }

  /** Columns beside each other from a height down. */
  columns(columns: readonly (readonly LaidRow[])[], top: number, size: number): void {
    const { doc } = this.text
    const rule = (x: number, y: number, width: number) =>
      doc
        .lineWidth(width)
        .moveTo(x, y)
        .lineTo(x + COLUMN, y)
        .stroke('#000')
    for (const [i, rows] of columns.entries()) {
      const x = MARGIN + i * (COLUMN + GAP)
      let y = top
      for (const [n, row] of rows.entries()) {
        if (row.heading !== rows[n - 1]?.heading) {
          this.text.draw(this.text.lines([{ text: row.heading, isBold: true, size }], COLUMN), x, y + ABOVE_HEADING)
          y += this.headingHeight(size)
          rule(x, y, 0.8)
        }
        this.text.draw(row.lines, x, y + PADDING)
        y += row.height
        rule(x, y, 0.3)
      }
    }
  }

  /** Small lines at the foot of the page that is open. */
  foot(lines: readonly string[], at: string): void {
    const foot = `MUST comes before everything else; a body that cannot hold it is told on its card. Printed ${at}.`
    const below = this.belowLines(lines)
    this.text.draw(below, MARGIN, BOTTOM - heightOf(below))
    const small = this.text.lines([{ text: foot, size: 7 }], PAGE[0] - 2 * MARGIN)
    this.text.draw(small, MARGIN, PAGE[1] - 16 - heightOf(small))
  }

  belowLines(lines: readonly string[]): readonly Line[] {
    return lines.flatMap(text => this.text.lines([{ text, size: 8 }], PAGE[0] - 2 * MARGIN))
  }
}

/** The sheet of a standard as PDF. @param pins what is set on single bodies anyway, in words */
export const standardSheet = async ({
  standard,
  state,
  at,
  pins,
}: {
  readonly standard: Standard
  readonly state: string
  readonly at: string
  readonly pins: readonly string[]
}): Promise<Uint8Array> => {
  const sheet = new StandardSheet(standard, state)
  const targets = effectiveTargets(standard)
  const kept = guidanceOf(standard)
  const guidance = { ...kept, advice: [...kept.advice, ...notesAsAdvice(calculationsOf(standard))] }
  const pages = guidance.advice.length + guidance.rescues.length > 0 ? 3 : 2
  const layers = standard.layers
    .filter(l => layerKind(l) !== 'exception' && !l.applies)
    .map(l => `${l.name}${l.from ? `, version ${l.from.version}` : ''}`)
    .join(' › ')
  const below = [
    ...pins.map(p => `Set anyway on ${p}`),
    ...standardCautions(targets).map(c => `${c.title}: ${c.words}`),
  ]
  const printed = at.slice(0, 10)

  const top = sheet.head(`${layers} · page 1 of ${pages}`, standard.about)
  const room = [BOTTOM - top, BOTTOM - top, BOTTOM - top, BOTTOM - top]
  const underneath = heightOf(sheet.belowLines(below))
  for (const i of [2, 3]) room[i] = BOTTOM - top - underneath
  const laidAt = (size: number) =>
    spread(sheet.lay(targets.map(t => targetRow(t, size))), room, sheet.headingHeight(size))
  const size = SIZES.find(s => laidAt(s)) ?? SIZES.at(-1) ?? 1
  // What does not fit at the smallest size anybody reads goes over the edge rather than away.
  const columns = laidAt(size) ?? [sheet.lay(targets.map(t => targetRow(t, size)))]
  sheet.columns(columns.slice(0, COLUMNS_OF_TARGETS / 2), top, size)
  sheet.foot([], printed)
  const second = sheet.head(`${layers} · page 2 of ${pages}`)
  sheet.columns(columns.slice(COLUMNS_OF_TARGETS / 2), second, size)
  sheet.foot(below, printed)

  if (pages > 2) {
    const third = sheet.head(`page 3 of 3`)
    const paper = onPaper(guidance)
    const most = [BOTTOM - third]
    const rows = (s: number) => [sheet.lay(adviceRows(paper, s)), sheet.lay(rescueRows(paper, s))] as const
    const fits = (s: number) => rows(s).every(r => filled(r, most, sheet.headingHeight(s + 1)))
    const s = SIZES.filter(n => n <= 11).find(fits) ?? SIZES.at(-1) ?? 1
    sheet.columns(rows(s), third, s + 1)
  }
  return sheet.text.end(`${standard.name}, version ${standard.version}`)
}
