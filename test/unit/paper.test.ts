import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { describe, expect, it } from 'vitest'
import * as route from '../../src/app/api/v1/cards/pdf/route'
import { cardAddress, cardsAsked, makePdf, type PdfRequest } from '../../src/server/card-pdf'
import { readCard } from '../../src/server/cards'
import { withPinIn } from '../../src/core/standards/edit'
import { readStandard } from '../../src/server/catalogue'
import { canPrint, heightOf, PaperText } from '../../src/pool/paper/paper-text'
import { standardPdf } from '../../src/server/standard-pdf'
import { saveStandardDraft } from '../../src/server/standards'
import { useDemoFolder } from '../fixtures/demo-folder'
import { by } from '../fixtures/by'

/** Cards on paper. */

useDemoFolder()

const request = (changes: Partial<PdfRequest> = {}): PdfRequest => ({
  standard: 'ring-action',
  units: ['tsp-t1', 'tsp-l1', 'quay-1'],
  bodies: [],
  paper: 'a4',
  context: {},
  ...changes,
})

const make = async (asked: PdfRequest) => {
  const made: string[] = []
  for await (const p of makePdf(asked, await cardsAsked(asked), 'http://studio')) {
    if (p.kind === 'pdf') return { made, plain: Buffer.from(p.bytes).toString('latin1'), ...(await read(p.bytes)) }
    made.push(`${p.done} of ${p.of}: ${p.name}`)
  }
  throw new Error('no PDF')
}

/** What a reader of PDFs of another hand finds: sizes of the pages in points, and their text. */
const read = async (bytes: Uint8Array) => {
  const document = await getDocument({ data: Uint8Array.from(bytes), verbosity: 0 }).promise
  const pages = await Promise.all(Array.from({ length: document.numPages }, (_, i) => document.getPage(i + 1)))
  const texts = await Promise.all(
    pages.map(async page => {
      const { items } = await page.getTextContent()
      return items.map(i => ('str' in i ? i.str : '')).join('')
    }),
  )
  await document.destroy()
  return {
    sizes: [...new Set(pages.map(p => p.view.slice(2).join(' ')))],
    pages: pages.length,
    text: texts.join(' ').replace(/\s+/g, ' '),
  }
}

describe('a PDF of cards', () => {
  it('is made unit by unit, on the paper that is asked for', async () => {
    for (const [paper, size] of [
      ['a4', '595.28 841.89'],
      ['letter', '612 792'],
      ['pocket', '297.64 419.53'],
    ] as const) {
      const { made, plain, sizes, pages, text } = await make(request({ paper }))
      expect(made).toEqual(['1 of 3: TSP-T1', '2 of 3: TSP-L1', '3 of 3: QUAY-1'])
      expect(plain.startsWith('%PDF-')).toBe(true)
      expect(sizes).toEqual([size])
      expect(pages).toBeGreaterThanOrEqual(paper === 'pocket' ? 6 : 3)
      for (const tag of ['TSP-T1', 'TSP-L1', 'QUAY-1'])
        expect(text).toContain(`${tag} for Ring action, version 2 · page 1 of`)
    }
  })

  it('is black on white', async () => {
    const { plain } = await make(request({ units: ['tsp-t1'] }))
    expect(plain).not.toMatch(/\/(DeviceRGB|DeviceCMYK|Image|Shading)\b/)
  })

  it('has a card of a body that the team has no unit of', async () => {
    const { made } = await make(request({ units: [], bodies: ['linnet'] }))
    expect(made).toHaveLength(1)
  })

  it('says which unit is not there, and wants some', async () => {
    await expect(cardsAsked({ units: ['tsp-t1', 'nobody'], bodies: [] })).rejects.toThrow('no unit “nobody”')
    await expect(cardsAsked({ units: ['lens-1'], bodies: [] })).rejects.toMatchObject({ status: 404 })
    await expect(cardsAsked({ units: [], bodies: [] })).rejects.toThrow('Name 1 to 300 units')
  })

  it('leads by its code to the version in force, or to the one it was made for', async () => {
    const card = await readCard('ring-action', 'tollgate', 'tsp-t1')
    expect(cardAddress('http://studio', card)).toBe('http://studio/set/cards/tollgate?standard=ring-action&unit=tsp-t1')
    const old = await readCard('ring-action@1', 'tollgate', 'tsp-t1')
    expect(cardAddress('http://studio', old)).toContain('standard=ring-action%401')
  })

  it('holds every step in the body’s own words, numbered, under its menu', async () => {
    const { text } = await make(request({ units: ['tsp-t1'] }))
    const card = await readCard('ring-action', 'tollgate', 'tsp-t1')
    expect(card.steps.length).toBeGreaterThan(10)
    for (const [i, s] of card.steps.entries()) {
      expect(text).toContain(`${s.setting}: ${s.to}`)
      expect(text).toContain(`${i + 1}.`)
      expect(text).toContain(`${s.path[0]} › ${s.path[1]}`)
    }
    for (const p of card.proofs) expect(text).toContain(p.words)
  })

  it('says how to shoot and what to do when it goes wrong, in the words of the body', async () => {
    const { text } = await make(request({ standard: 'close-and-tiny', units: ['tsp-t1', 'quay-1'] }))
    expect(text).toContain('How to shoot')
    expect(text).toContain('Step back and crop. A step back buys depth faster than stopping down; crop afterwards.')
    expect(text).toContain('When it goes wrong')
    // Each body by its own word for the same remedy.
    expect(text).toContain('2. Focus by hand, at the size you want. Here: Drive.')
    expect(text).toContain('2. Focus by hand, at the size you want. Here: Sharpening.')
    expect((await make(request({ units: ['tsp-t1'] }))).text).not.toContain('How to shoot')
  })

  it('has the slot that it is stored in as the last step', async () => {
    const { text } = await make(request({ units: ['tsp-t1'], slots: 'Plate 2:ring-action' }))
    const { steps } = await readCard('ring-action', 'tollgate', 'tsp-t1')
    expect(text).toContain('Last of all, store what is set in Plate 2')
    expect(text).toContain(`${steps.length + 1}.`)
  })

  it('comes as lines of JSON with the PDF in the last one, for who wants to see how far it is', async () => {
    const get = (query: string) => route.GET(new Request(`http://studio/api/v1/cards/pdf?${query}`))
    const lines = await (await get('standard=ring-action&units=tsp-t1,quay-1&as=progress')).text()
    const made = lines
      .trim()
      .split('\n')
      .map(l => JSON.parse(l) as { kind: string; done?: number; bytes?: string })
    expect(made.map(m => m.kind)).toEqual(['made', 'made', 'pdf'])
    expect(Buffer.from(made[2]?.bytes ?? '', 'base64').toString('latin1', 0, 5)).toBe('%PDF-')
    expect((await get('standard=ring-action&units=tsp-t1&paper=parchment')).status).toBe(422)
    expect((await get('standard=nothing&units=tsp-t1&as=pdf')).status).toBe(404)
  })
})

describe('text on paper', () => {
  it('is broken between words, and none is lost', () => {
    const text = new PaperText([300, 400], 10)
    const words = 'Żabka follows the flyer, wherever she goes; Ünter Brückn'
    const lines = text.lines([{ text: words }], 90)
    expect(lines.length).toBeGreaterThan(2)
    expect(lines.flatMap(l => l.runs.map(r => r.text)).join('')).toBe(words)
    for (const { runs } of lines.slice(0, -1))
      expect(runs.reduce((sum, r) => sum + r.width, 0)).toBeLessThanOrEqual(90 + 3)
    expect(heightOf(lines)).toBeCloseTo(lines.length * 12.5)
  })

  it('takes letters of central Europe from the second set, and knows what it cannot print', () => {
    const text = new PaperText([300, 400], 10)
    expect(text.lines([{ text: 'Łódź' }], 90)[0]?.runs.map(r => [r.text, r.face])).toEqual([
      ['Ł', 'latin-ext 400'],
      ['ód', 'latin 400'],
      ['ź', 'latin-ext 400'],
    ])
    expect(canPrint('Łódź › Größe')).toBe(true)
    expect(canPrint('焦点')).toBe(false)
  })
})

it('the sheet for the wall says what is set on single bodies anyway, and stays on two pages', async () => {
  const { document, revision } = await readStandard('ring-action@3')
  const rows = [...Array(12).keys()].map(n => ({ setting: `row-${n}`, option: 'on' }))
  const pins = [{ setting: 'view', option: 'board-raised' }, ...rows]
  const layer = document.layers.at(-1)?.id ?? ''
  const pinned = pins.reduce(
    (s, p) => withPinIn(s, layer, { body: 'tollgate', ...p, reason: 'The class is taught with it.' }),
    document,
  )
  await saveStandardDraft('ring-action', 3, { document: pinned, revision, what: 'set anyway' }, by())
  const { pages, text } = await read((await standardPdf('ring-action@3')).bytes)
  expect(pages).toBe(2)
  expect(text).toContain('Set anyway on Tollgate: Sighting: Board raised. The class is taught with it.')
  expect(text).toContain('5 more bodies and rows; see the standard.')
})

it('the sheet for the wall has a third page where how to shoot is kept', async () => {
  const { pages, text } = await read((await standardPdf('close-and-tiny')).bytes)
  expect(pages).toBe(3)
  expect(text).toContain('page 3 of 3')
  expect(text).toContain('Rock slowly to and fro and release as it comes')
})
