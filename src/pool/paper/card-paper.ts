import type { MessagePort } from 'node:worker_threads'
import QRCode from 'qrcode'
import { onPaper } from '@/core/standards/guidance'
import { canPrint, heightOf, PaperText, type Piece } from './paper-text'

/** Cards on paper, black on white: numbered steps with a box each, in the order of the walk, and a code to the live card. */

interface Caution {
  readonly title: string
  readonly words: string
}

/** A step as it is printed. */
interface PaperStep {
  readonly path: readonly [tab: string, page: string, row: number]
  readonly setting: string
  /** Undefined where nobody has seen what it says. */
  readonly from: string | undefined
  readonly to: string
  readonly why: string
  readonly notes: readonly string[]
  readonly cautions: readonly Caution[]
}

/** What paper shows of a card. */
export interface PaperCard {
  readonly body: { readonly maker: string; readonly model: string }
  readonly unit: { readonly tag: string } | undefined
  readonly firmware: string
  readonly standard: { readonly name: string; readonly version: number; readonly state: string }
  readonly begins: 'factory' | 'unknown' | 'known'
  readonly minutes: { readonly about: number }
  readonly special: readonly string[]
  readonly steps: readonly PaperStep[]
  readonly slots: { readonly store: { readonly slot: string } | undefined } | undefined
  readonly proofs: readonly { readonly words: string }[]
  readonly cautions: readonly Caution[]
  readonly lenses: readonly { readonly name: string; readonly words: string }[]
  readonly worked: readonly {
    readonly as: string
    readonly short: { readonly metric: string }
    readonly words: { readonly metric: string }
    readonly about: { readonly metric: string }
    readonly changed: readonly string[]
  }[]
  readonly guidance: {
    readonly advice: readonly { readonly title: string; readonly text: string }[]
    readonly rescues: readonly {
      readonly symptom: string
      readonly remedies: readonly { readonly text: string; readonly here: string | undefined }[]
    }[]
  }
}

/** Sizes in points, 1/72 inch; pocket is a quarter of A4. */
const PAPERS = {
  a4: { page: [595.28, 841.89], margin: 34, text: 10, code: 68, isSmall: false },
  letter: { page: [612, 792], margin: 34, text: 10, code: 68, isSmall: false },
  pocket: { page: [297.64, 419.53], margin: 17, text: 8, code: 52, isSmall: true },
} as const
export type PaperId = keyof typeof PAPERS

const BEGINNINGS: Readonly<Record<PaperCard['begins'], string>> = {
  known: 'From what it is known to be set to',
  factory: 'From factory defaults',
  unknown: 'From anything: look at each',
}

const nameOf = (card: PaperCard): string => card.unit?.tag ?? card.body.model

/** What is printed with a step, or between steps, kept together on one page. */
interface Block {
  readonly pieces: readonly Piece[]
  /** In from the left edge, in text sizes. */
  readonly indent?: number
  readonly above?: number
  readonly has?: 'box' | 'rule-below' | 'bar'
  /** Stands in the margin before the text. */
  readonly number?: number
}

const stepBlocks = (s: PaperStep, number: number, text: number, isSmall: boolean): readonly Block[] => {
  const small = text - 1.5
  const where = `row ${s.path[2]}, ${s.from === undefined ? 'look what it says' : `was ${s.from}`}`
  const quiet = [...(isSmall ? [] : [s.why]), ...s.notes].filter(Boolean)
  return [
    {
      pieces: [{ text: `${s.setting}: ` }, { text: s.to, isBold: true }, { text: `   ${where}`, size: small }],
      indent: 3.4,
      above: 0.45,
      has: 'box',
      number,
    },
    ...quiet.map(words => ({ pieces: [{ text: words, size: small }], indent: 3.4 })),
    ...s.cautions.map(c => cautionBlock(c, 3.4, small)),
  ]
}

const cautionBlock = (c: { readonly title: string; readonly words: string }, indent: number, size: number): Block => ({
  pieces: [
    { text: `${c.title}. `, isBold: true, size },
    { text: c.words, size },
  ],
  indent: indent + 0.7,
  above: 0.3,
  has: 'bar',
})

/** Everything below the head of a card, in groups that stay together. */
const groupsOf = (card: PaperCard, text: number, isSmall: boolean): readonly (readonly Block[])[] => {
  const small = text - 1.5
  const heading = (words: string): Block => ({ pieces: [{ text: words, isBold: true }], above: 0.9, has: 'rule-below' })
  const menuOf = (s: PaperStep | undefined) => (s ? `${s.path[0]} › ${s.path[1]}` : '')
  const all = [
    card.body.maker,
    ...card.steps.flatMap(s => [...s.path.slice(0, 2).map(String), s.setting, s.to, s.from ?? '']),
  ]
  return [
    ...(all.every(canPrint)
      ? []
      : [
          [
            {
              pieces: [
                { text: 'Some letters of this body’s words cannot be printed here; the code leads to all of them.' },
              ],
              above: 0.6,
            },
          ],
        ]),
    ...(card.steps.length === 0 ? [[{ pieces: [{ text: 'Nothing to set.' }], above: 0.8 }]] : []),
    ...card.steps.map((s, i) => [
      ...(menuOf(s) === menuOf(card.steps[i - 1]) ? [] : [heading(menuOf(s))]),
      ...stepBlocks(s, i + 1, text, isSmall),
    ]),
    ...(card.slots?.store
      ? [
          [
            {
              pieces: [{ text: 'Last of all, store what is set in ' }, { text: card.slots.store.slot, isBold: true }],
              indent: 3.4,
              above: 0.9,
              has: 'box' as const,
              number: card.steps.length + 1,
            },
          ],
        ]
      : []),
    ...(card.proofs.length === 0
      ? []
      : [
          [
            heading('Prove it on the camera'),
            ...card.proofs.map((p): Block => ({ pieces: [{ text: p.words }], indent: 1.7, above: 0.35, has: 'box' })),
          ],
        ]),
    ...card.cautions.map(c => [cautionBlock(c, 0, small)]),
    ...workedBlocks(card.worked, small, heading),
    ...lensBlocks(card.lenses, small, heading),
    ...guidanceBlocks(card.guidance, small, heading),
  ]
}

/** What was worked out for it, and what has changed under that since. */
const workedBlocks = (
  worked: PaperCard['worked'],
  small: number,
  heading: (words: string) => Block,
): readonly (readonly Block[])[] =>
  worked
    .filter(w => w.as !== 'target')
    .map((w, i) => [
      ...(i === 0 ? [heading('Worked out')] : []),
      {
        pieces: [
          { text: `${(w.as === 'figure' ? w.short : w.words).metric}. `, isBold: true, size: small },
          { text: w.about.metric, size: small },
          ...(w.changed.length > 0
            ? [{ text: ` Body or lens changed since: ${w.changed.join('; ')}.`, size: small }]
            : []),
        ],
        above: 0.3,
      },
    ])

/** What is to be set for each lens, in one block. */
const lensBlocks = (
  lenses: PaperCard['lenses'],
  small: number,
  heading: (words: string) => Block,
): readonly (readonly Block[])[] =>
  lenses.length === 0
    ? []
    : [
        [
          heading('With these lenses'),
          { pieces: [{ text: lenses.map(l => `${l.name}: ${l.words}`).join('; '), size: small }], above: 0.3 },
        ],
      ]

/** How to shoot, and what to try when it goes wrong: each group on one page with its heading. */
const guidanceBlocks = (
  guidance: PaperCard['guidance'],
  small: number,
  heading: (words: string) => Block,
): readonly (readonly Block[])[] => {
  const { advice, rescues, more } = onPaper(guidance)
  return [
    ...advice.map(({ title, text }, i): readonly Block[] => [
      ...(i === 0 ? [heading('How to shoot')] : []),
      {
        pieces: [
          { text: `${title}. `, isBold: true, size: small },
          { text, size: small },
        ],
        above: 0.3,
      },
    ]),
    ...rescues.map(({ symptom, remedies }, i): readonly Block[] => [
      ...(i === 0 ? [heading('When it goes wrong')] : []),
      { pieces: [{ text: symptom, isBold: true, size: small }], above: 0.3 },
      ...remedies.map(({ text, here }, n): Block => ({
        pieces: [{ text: `${n + 1}. ${text}${here ? ` Here: ${here}.` : ''}`, size: small }],
        indent: 1,
      })),
    ]),
    ...(more ? [[{ pieces: [{ text: more, size: small }], above: 0.3 }]] : []),
  ]
}

export class CardPaper {
  private readonly text: PaperText
  private readonly paper: (typeof PAPERS)[PaperId]
  private y = 0

  constructor(
    paper: PaperId,
    private readonly at: string,
  ) {
    this.paper = PAPERS[paper]
    this.text = new PaperText(this.paper.page, this.paper.text)
  }

  private get width(): number {
    return this.paper.page[0] - 2 * this.paper.margin
  }

  /** Adds a card on pages of its own. @param address that its code leads to */
  add(card: PaperCard, address: string): void {
    const { doc } = this.text
    const { margin, text, isSmall } = this.paper
    const firstPage = doc.bufferedPageRange().start + doc.bufferedPageRange().count
    this.turn()
    this.head(card, address)
    for (const group of groupsOf(card, text, isSmall)) this.group(group)
    this.sign()
    const { start, count } = doc.bufferedPageRange()
    const pages = start + count - firstPage
    for (let page = 0; page < pages; page++) {
      doc.switchToPage(firstPage + page)
      const foot = `${nameOf(card)} for ${card.standard.name}, version ${card.standard.version} · page ${page + 1} of ${pages}`
      const lines = this.text.lines([{ text: foot, size: text - 2 }], this.width)
      this.text.draw(lines, margin, this.paper.page[1] - margin * 0.55 - heightOf(lines))
    }
    doc.flushPages()
  }

  /** Closes the document. */
  end(title: string): Promise<Uint8Array> {
    return this.text.end(title)
  }

  private turn(): void {
    this.text.doc.addPage()
    this.y = this.paper.margin
  }

  private head(card: PaperCard, address: string): void {
    const { margin, text, code } = this.paper
    const { state } = card.standard
    const for_ = `${card.standard.name}, version ${card.standard.version}${state === 'approved' ? '' : ` (${state})`}`
    const steps = `${card.steps.length} ${card.steps.length === 1 ? 'step' : 'steps'}, about ${card.minutes.about} min`
    const all: readonly (readonly Piece[])[] = [
      [{ text: nameOf(card), isBold: true, size: text * 1.8 }],
      [{ text: `${card.body.maker} ${card.body.model}, firmware ${card.firmware}`, isBold: true }],
      [{ text: card.special.length ? `${for_}, with ${card.special.join(' and ')}` : for_ }],
      [{ text: `${BEGINNINGS[card.begins]}. ${steps}. Printed ${this.at.slice(0, 10)}.`, size: text - 1.5 }],
    ]
    const top = this.y
    for (const pieces of all)
      this.y += this.text.draw(this.text.lines(pieces, this.width - code - text), margin, this.y)
    this.code(address, this.paper.page[0] - margin - code, top, code)
    this.y = Math.max(this.y, top + code)
  }

  /** The code as squares, with the clear edge that readers need left to the margin. */
  private code(address: string, x: number, y: number, side: number): void {
    const { data, size } = QRCode.create(address, { errorCorrectionLevel: 'M' }).modules
    const square = side / size
    for (let i = 0; i < size * size; i++)
      if (data[i]) this.text.doc.rect(x + (i % size) * square, y + Math.floor(i / size) * square, square, square)
    this.text.doc.fill('#000')
  }

  private group(blocks: readonly Block[]): void {
    const { margin, text, page } = this.paper
    const laid = blocks.map(block => {
      const indent = (block.indent ?? 0) * text
      const lines = this.text.lines(block.pieces, this.width - indent)
      return { block, indent, lines, height: (block.above ?? 0) * text + heightOf(lines) }
    })
    const bottom = page[1] - margin - text * 1.4
    if (this.y + laid.reduce((sum, l) => sum + l.height, 0) > bottom && this.y > margin) this.turn()
    const { doc } = this.text
    for (const { block, indent, lines, height } of laid) {
      const top = this.y + (block.above ?? 0) * text
      this.text.draw(lines, margin + indent, top)
      if (block.has === 'box')
        doc
          .lineWidth(0.9)
          .rect(margin + 1, top + text * 0.12, text * 0.95, text * 0.95)
          .stroke('#000')
      if (block.number !== undefined)
        this.text.draw(
          this.text.lines([{ text: `${block.number}.`, isBold: true }], text * 3),
          margin + text * 1.6,
          top,
        )
      if (block.has === 'bar') doc.rect(margin + indent - text * 0.6, top, 1.6, heightOf(lines)).fill('#000')
      if (block.has === 'rule-below')
        doc
          .lineWidth(0.7)
          .moveTo(margin, this.y + height)
          .lineTo(margin + this.width, this.y + height)
          .stroke('#000')
      this.y += height
    }
    this.y += text * 0.25
  }

  private sign(): void {
    const { margin, text, page } = this.paper
    const needed = text * 4
    if (this.y + needed > page[1] - margin - text * 1.4) this.turn()
    const y = this.y + text * 2.6
    const half = (this.width - text) / 2
    for (const [i, label] of ['Name', 'Date and time'].entries()) {
      const x = margin + i * (half + text)
      this.text.doc
        .lineWidth(0.7)
        .moveTo(x, y)
        .lineTo(x + half, y)
        .stroke('#000')
      this.text.draw(this.text.lines([{ text: label, size: text - 1.5 }], half), x, y + 2)
    }
    this.y = y + text * 2
  }
}

/** Cards as one PDF. @param made is told after each of them */
export const cardSheets = async ({
  paper,
  at,
  title,
  cards,
  made,
}: {
  readonly paper: PaperId
  readonly at: string
  readonly title: string
  readonly cards: readonly { readonly card: PaperCard; readonly address: string }[]
  readonly made?: MessagePort | undefined
}): Promise<Uint8Array> => {
  const sheets = new CardPaper(paper, at)
  for (const { card, address } of cards) {
    sheets.add(card, address)
    made?.postMessage(card.unit?.tag ?? card.body.model)
  }
  made?.close()
  return sheets.end(title)
}
