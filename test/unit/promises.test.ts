import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ALL_FORMATS } from '../../src/core/exchange/formats'
import { demoBodies } from '../../src/demo/world'
import { seedDemo } from '../../src/demo/seed'
import { readStandard } from '../../src/server/catalogue'
import { database } from '../../src/server/database'
import { importStandard, takeHouseBaseline } from '../../src/server/standard-import'
import { keepLevel, moveVersion, openDraft, saveStandardDraft } from '../../src/server/standards'
import { by } from '../fixtures/by'
import { useDemoFolder } from '../fixtures/demo-folder'

/** What is promised in prose, where no other test would notice that it is not so; docs/promises.md lists them all. */

const sourcesIn = (folder: string, pattern: RegExp): readonly (readonly [file: string, text: string])[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter(f => pattern.test(f))
    .map(f => [f, readFileSync(`${folder}/${f}`, 'utf8')])

it('every promise that is listed has a test of that name', () => {
  const rows = [...readFileSync('docs/promises.md', 'utf8').matchAll(/^\| [^|]+ \| `([^`]+)`: ([^|]+?) +\|$/gm)]
  expect(rows.length).toBeGreaterThan(20)
  for (const [, file = '', name = ''] of rows) {
    expect([file, existsSync(file)]).toEqual([file, true])
    expect([file, name, readFileSync(file, 'utf8').includes(`'${name}'`)]).toEqual([file, name, true])
  }
})

describe('a standard', () => {
  useDemoFolder()

  it('an approved version stays word for word, whatever anybody tries', async () => {
    const before = await readStandard('ring-action')
    expect(before.state).toBe('approved')
    const { document, revision } = before
    const other = { ...document, about: 'Something else.' }
    const tries = [
      () => saveStandardDraft('ring-action', document.version, { document: other, revision, what: 'x' }, by()),
      () => importStandard({ ...other, name: 'Another' }, 'file.json', by()),
      () => keepLevel('ring-action', { lambdaHundredths: 50, values: [] }, by()),
      () => openDraft('ring-action', by()),
      () => takeHouseBaseline(by()),
      () => moveVersion('ring-action', document.version, { state: 'draft', why: '', revision }, by('imelda-frost')),
      async () => seedDemo(await database(), '2026-11-25T09:00:00.000Z'),
    ]
    for (const attempt of tries) {
      await attempt().catch(() => undefined)
      expect((await readStandard(`ring-action@${document.version}`)).document).toEqual(document)
    }
  })
})

it('every migration is as it was when it first ran somewhere', () => {
  const digests = sourcesIn('src/db/migrations', /^\d.*\.ts$/).map(([file, text]) => [
    file,
    createHash('sha256').update(text).digest('hex').slice(0, 12),
  ])
  expect(Object.fromEntries(digests)).toMatchInlineSnapshot(`
    {
      "001-first.ts": "2424cb9dc22a",
      "002-name.ts": "56f5e43b0a13",
      "003-decide.ts": "c654778a75af",
      "004-set.ts": "d0617854ca1a",
      "005-keep.ts": "c65f6051ea69",
      "006-offline.ts": "76a368d3a5df",
      "007-response.ts": "11262590d9d0",
      "008-order.ts": "3d81ec26a881",
      "009-runs.ts": "c91ec16f674b",
      "010-lens-tests.ts": "97c6e7e8a721",
      "011-trials.ts": "3da662e231cc",
      "012-audits.ts": "d392dcb9c0e0",
      "013-practise.ts": "072a564a5782",
      "014-work.ts": "8c4956e03fb1",
    }
  `)
})

it('core asks neither the clock nor chance', () => {
  for (const [file, text] of sourcesIn('src/core', /(?<!\.test)\.ts$/))
    expect([file, /\bDate\.now\(|new Date\(\)|Math\.random\(|\bfetch\(|performance\.now\(/.exec(text)?.[0]]).toEqual([
      file,
      undefined,
    ])
})

it('no text is written into a page as markup', () => {
  for (const [file, text] of sourcesIn('src', /\.tsx?$/))
    expect([file, /dangerouslySetInnerHTML|\.innerHTML\b|insertAdjacentHTML|document\.write/.exec(text)?.[0]]).toEqual([
      file,
      undefined,
    ])
})

/** What becomes no text, however it is asked. */
const UNTELLABLE: readonly unknown[] = [{ toString: 7 }, Object.create(null), { valueOf: null, toString: null }]

it('every format reads anything at all without throwing', () => {
  const [body] = demoBodies()
  if (!body) throw new Error('no body')
  const of = { body, firmware: body.firmware.to, tag: 'TSP-1' }
  const anything = fc.oneof(
    fc.anything({ withNullPrototype: true }),
    fc.record({ format: fc.constantFrom(...ALL_FORMATS.map(f => f.name)), settings: fc.anything(), id: fc.anything() }),
    fc
      .tuple(fc.constantFrom(...Object.keys(body)), fc.oneof(fc.anything(), fc.constantFrom(...UNTELLABLE)))
      .map(([field, value]) => ({ ...body, [field]: value })),
  )
  for (const format of ALL_FORMATS)
    fc.assert(
      fc.property(anything, value => {
        const parsed = format.read(value, 'file.json', of)
        if (!parsed.ok) expect(parsed.problems.length).toBeGreaterThan(0)
      }),
      { numRuns: 300 },
    )
})
