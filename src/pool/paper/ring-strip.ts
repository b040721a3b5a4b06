import { markLines, type MarkOnRing, type Ring, stripMm, ticksOn } from '@/core/film/marks'
import { PaperText } from './paper-text'

/** The strip for a focus ring at true scale, with the marks of a take, and the take as a table below it. */

/** Points to a millimetre. */
const MM = 72 / 25.4
/** On their side, width by height in millimetres. */
const PAPERS = { a4: [297, 210], letter: [279.4, 215.9] } as const
const MARGIN = 12
const STRIP_HEIGHT = 12
const BAR = 100

export interface RingStrip {
  readonly paper: keyof typeof PAPERS
  readonly lens: string
  readonly ring: Ring
  readonly marks: readonly MarkOnRing[]
}

const metres = (m: number): string => (Number.isFinite(m) ? `${Number(m.toFixed(m < 1 ? 3 : 2))} m` : 'infinity')
const short = (m: number): string => (Number.isFinite(m) ? String(Number(m.toFixed(2))) : '∞')

/** Where something lies on paper: a ring that turns clockwise to infinity has infinity on its left. */
const placeOf = (ring: Ring, mm: number): number => {
  const whole = stripMm(ring.throwDegrees, ring.diameterMm)
  return ring.infinityTurn === 'clockwise' ? mm : whole - mm
}

const turnWords = (turn: NonNullable<MarkOnRing['pull']>['turn']): string =>
  turn === 'none' ? 'stays' : turn === 'clockwise' ? 'clockwise' : 'anticlockwise'

export const ringStrip = ({ paper, lens, ring, marks }: RingStrip): Promise<Uint8Array> => {
  const [width, height] = PAPERS[paper]
  const text = new PaperText([width * MM, height * MM], 9)
  const { doc } = text
  doc.addPage()
  const say = (words: string, x: number, y: number, size = 9, isBold = false) =>
    text.draw(text.lines([{ text: words, size, isBold }], (width - x - MARGIN) * MM), x * MM, y * MM)
  const whole = stripMm(ring.throwDegrees, ring.diameterMm)
  const room = width - 2 * MARGIN
  const rows = Math.max(1, Math.ceil(whole / room))
  say(lens, MARGIN, MARGIN, 14, true)
  say(
    `Ring ${ring.diameterMm} mm across, ${ring.throwDegrees}° from infinity to ${metres(ring.closestMetres)}; it turns ${ring.infinityTurn} toward infinity, seen from behind the camera. Print at 100 %: the bar below is ${BAR} mm long.`,
    MARGIN,
    MARGIN + 7,
  )
  doc.lineWidth(0.6)
  doc
    .moveTo(MARGIN * MM, 32 * MM)
    .lineTo((MARGIN + BAR) * MM, 32 * MM)
    .stroke()
  for (const end of [0, BAR])
    doc
      .moveTo((MARGIN + end) * MM, 30.5 * MM)
      .lineTo((MARGIN + end) * MM, 33.5 * MM)
      .stroke()
  const top = 40
  const each = STRIP_HEIGHT + 22
  const at = (mm: number) => {
    const place = placeOf(ring, mm)
    const row = Math.min(rows - 1, Math.floor(place / room))
    return { x: MARGIN + place - row * room, y: top + row * each }
  }
  for (let row = 0; row < rows; row++) {
    const long = Math.min(room, whole - row * room)
    doc.rect(MARGIN * MM, (top + row * each) * MM, long * MM, STRIP_HEIGHT * MM).stroke()
  }
  for (const tick of ticksOn(ring)) {
    const { x, y } = at(tick.mm)
    const tall = tick.isLong ? 5 : 3
    doc
      .moveTo(x * MM, y * MM)
      .lineTo(x * MM, (y + tall) * MM)
      .stroke()
    if (tick.hasFigure)
      say(short(tick.metres) === '∞' ? 'inf' : short(tick.metres), Math.min(x + 0.4, width - MARGIN - 8), y + 5.5, 6.5)
  }
  for (const { mm, label } of markLines(marks)) {
    const { x, y } = at(mm)
    doc.lineWidth(1.2)
    doc
      .moveTo(x * MM, (y + STRIP_HEIGHT) * MM)
      .lineTo(x * MM, (y + STRIP_HEIGHT - 5) * MM)
      .stroke()
    doc.lineWidth(0.6)
    say(label, x - 1, y + STRIP_HEIGHT + 1, 9, true)
  }
  let down = top + rows * each + 2
  for (const [i, mark] of marks.entries()) {
    const pull = mark.pull
      ? ` From the one before: ${mark.pull.seconds.toFixed(1)} s, ${turnWords(mark.pull.turn)}, ${Number.isFinite(mark.pull.degreesPerSecond) ? `${Math.round(mark.pull.degreesPerSecond)}° a second` : 'at once'}.`
      : ''
    say(
      `${i + 1}  ${mark.name}: ${metres(mark.metres)} at ${mark.at.toFixed(1)} s. Sharp from ${metres(mark.near)} to ${metres(mark.far)}; ${mark.degrees.toFixed(0)}° or ${mark.mm.toFixed(1)} mm from infinity.${pull}`,
      MARGIN,
      down,
    )
    down += 6
    if (down > height - MARGIN) {
      doc.addPage()
      down = MARGIN
    }
  }
  say(
    'Reckoned for a lens that moves as a whole; check every mark on the lens itself before the take.',
    MARGIN,
    Math.min(down + 3, height - MARGIN),
    8,
  )
  return text.end(`Ring strip, ${lens}`)
}
