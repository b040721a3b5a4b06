import { describe, expect, it } from 'vitest'
import { problemWords } from '../../src/core/reading/problem'
import { importDocuments, exportBundle } from '../../src/server/authoring'
import { listCards, readCard } from '../../src/server/cards'
import { readInHand, readConcordance } from '../../src/server/concordance'
import { saveUnit } from '../../src/server/kit'
import { readReadiness, readReadinessByStandard } from '../../src/server/readiness'
import { RequestError } from '../../src/server/problems'
import { readSheet } from '../../src/server/spreadsheets'
import { effectOf } from '../../src/server/standard-effect'
import { resolveStateless } from '../../src/server/stateless'
import { work } from '../../src/server/working'
import { demoBodies, demoStandards } from '../../src/demo/world'
import { useDemoFolder } from '../fixtures/demo-folder'
import { entangledBody } from '../fixtures/entangled'
import { by } from '../fixtures/by'
import { HOSTILE_SHEETS } from '../hardship/xlsx'

/** What somebody sends to hold everybody up, and what becomes of it. */
useDemoFolder()

/** How long the thread that answers was held at a time, in milliseconds, while something was worked out. */
const longestHold = async (work: Promise<unknown>): Promise<number> => {
  let [longest, last] = [0, performance.now()]
  const beat = setInterval(() => {
    const now = performance.now()
    longest = Math.max(longest, now - last)
    last = now
  }, 5)
  await work.catch(() => undefined)
  clearInterval(beat)
  return longest
}

describe('a spreadsheet', () => {
  it.each(HOSTILE_SHEETS)('of $name is refused with a sentence', async ({ bytes, says }) => {
    const { rows, problems } = await readSheet(bytes(), 'x.xlsx')
    expect(problems.map(problemWords).join()).toMatch(says)
    expect(rows.length).toBeLessThan(2)
  })

  it('that needs more memory than a task may have ends alone', async () => {
    // Ten million empty cells in one row of text; the next task finds everything as it was.
    const wide = new TextEncoder().encode(`Tag,Model\n${','.repeat(4_900_000)}x`)
    const { problems } = await readSheet(wide, 'wide.csv').catch((error: RequestError) => ({
      problems: [{ file: '', path: '', value: '', expected: error.detail }],
    }))
    expect(problems.map(problemWords).join()).toMatch(/at most 256 columns|needs more than/)
    expect((await readSheet(new TextEncoder().encode('a,b\n'), 'x.csv')).rows).toEqual([['a', 'b']])
  })
})

describe('a request', () => {
  it('of twenty megabytes of broken JSON is read in a worker up to its first mistake', async () => {
    const broken = new TextEncoder().encode(`{"format": x${'[{]}'.repeat(5_000_000)}`)
    const held = await longestHold(
      expect(importDocuments(broken, 'b.json', 'ask', by())).rejects.toMatchObject({ status: 400 }),
    )
    // What is handed over is copied once; reading it would have held everybody for seconds.
    expect(held).toBeLessThan(1500)
  })

  it('that names one body fifteen hundred times is answered with it once', async () => {
    const { text } = await exportBundle(
      Array.from({ length: 1500 }, () => 'linnet'),
      undefined,
    )
    expect((JSON.parse(text) as { id: string }).id).toBe('linnet')
  })

  it('with names that every object has by itself means nothing by them', async () => {
    const [standard] = demoStandards()
    const body = { ...demoBodies().find(b => b.id === 'wicket'), id: 'constructor' }
    const [resolution] = await resolveStateless({ standard, bodies: [body], known: {}, firmware: {} })
    expect(resolution?.body).toBe('constructor')
  })

  it('ends when it takes too long, and says so', async () => {
    const knots = Array.from({ length: 200 }, (_, i) => entangledBody(26, i + 1))
    const answer = await work('resolveRequest', {
      sent: { standard: demoStandards()[0], bodies: knots },
      file: 'request',
    }).catch((error: unknown) => error)
    expect(answer).toBeInstanceOf(RequestError)
    expect(['The body cannot be resolved', 'Too much to work out', 'The content cannot be used']).toContain(
      (answer as RequestError).title,
    )
  })
})

describe('a profile too entangled to search', () => {
  it('stands beside the others, named, wherever bodies are reckoned', async () => {
    const knot = entangledBody(50)
    await importDocuments(knot, 'knot.json', 'ask', by())
    const unit = {
      tag: 'KNOT',
      kind: 'body',
      model: knot.id,
      serial: '',
      firmware: '1.0',
      owner: '',
      hiredUntil: '',
      notes: '',
    }
    await saveUnit(unit, undefined, 0, by())
    const named = [{ body: 'Knot 1', why: expect.stringContaining('too many combinations') as string }]
    const readiness = await readReadiness('ring-action', {}, undefined)
    expect(readiness.failed).toEqual(named)
    expect(readiness.units.length).toBeGreaterThan(20)
    expect(readiness.units.map(u => u.tag)).not.toContain('KNOT')
    expect((await readReadinessByStandard({}, undefined))[0]?.failed).toEqual(named)
    const { chosen } = await readInHand({})
    expect((await readConcordance('ring-action', chosen)).failed).toEqual(named)
    const effect = await effectOf('ring-action@3')
    expect([effect.failed, effect.bodies.length]).toEqual([named, 12])
    expect((await listCards('ring-action', undefined)).failed).toEqual(named)
    await expect(readCard('ring-action', knot.id, 'knot')).rejects.toThrow(/too many combinations/)
  }, 240_000)
})
