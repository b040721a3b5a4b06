import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { checkBody, newEffort } from '../../src/core/bodies/check'
import { saveBody } from '../../src/db/documents'
import { demoBodies } from '../../src/demo/world'
import { closePool, tasksBegun } from '../../src/pool/pool'
import { tickStep } from '../../src/server/card-actions'
import { listCards, readCard } from '../../src/server/cards'
import { listStandards } from '../../src/server/catalogue'
import { readConcordance, readInHand } from '../../src/server/concordance'
import { database } from '../../src/server/database'
import { importJob, readJob, readJobView } from '../../src/server/jobs'
import { readKit } from '../../src/server/kit'
import { readFalseFriends } from '../../src/server/phrasebook'
import { readReadiness } from '../../src/server/readiness'
import { useDemoFolder } from '../fixtures/demo-folder'
import { by } from '../fixtures/by'

/** How much work an answer takes, counted: no machine is too slow for that, and what grows fails here. */
useDemoFolder(true)
afterAll(closePool)

let queries = 0
beforeAll(async () => {
  ;(await database()).on('query', () => queries++)
  // Sixty bodies, as a large house has them.
  for (let i = 0; i < 48; i++) {
    const body = demoBodies()[i % 12]
    if (!body) continue
    const copy = { ...body, id: `${body.id}-${i}`, model: `${body.model} ${i}` }
    await saveBody(await database(), copy, { at: '2026-11-24T09:00:00.000Z', personId: null })
  }
  const { chosen } = await readInHand({})
  await readConcordance('ring-action', chosen)
  await readReadiness('ring-action', {}, undefined)
  await readFalseFriends()
}, 240_000)

const worked = () => [...tasksBegun().values()].reduce((sum, n) => sum + n, 0)

/** Statements and tasks that something takes. */
const workOf = async (what: () => Promise<unknown>): Promise<{ readonly queries: number; readonly tasks: number }> => {
  const before = { queries, tasks: worked() }
  await what()
  return { queries: queries - before.queries, tasks: worked() - before.tasks }
}

describe('an answer that was given before', () => {
  const chosen = async () => (await readInHand({})).chosen
  it.each([
    ['the Concordance of sixty bodies', async () => readConcordance('ring-action', await chosen()), 8],
    ['Readiness', () => readReadiness('ring-action', {}, undefined), 18],
    ['every card of a standard', () => listCards('ring-action', undefined), 10],
    ['one card', () => readCard('ring-action', 'linnet', 'tsp-l1'), 24],
    ['the kit', () => readKit(), 4],
    ['all standards', () => listStandards(), 3],
  ] as const)('%s works nothing out again, and asks the database a few times', async (_, what, most) => {
    await what()
    const again = await workOf(what)
    expect(again.tasks).toBe(0)
    expect(again.queries).toBeLessThanOrEqual(most)
  })

  it('is what another job with some of the same scenes stands on: no set-up is resolved for it', async () => {
    const fits = () => tasksBegun().get('jobFits') ?? 0
    const before = fits()
    await readJobView('saltmarsh-ring')
    const known = fits()
    expect(known).toBeGreaterThan(before)
    const { document } = await readJob('saltmarsh-ring')
    await importJob({ ...document, id: 'shorter', scenes: document.scenes.slice(1, 5) }, by())
    const { facts } = await readJobView('shorter')
    expect(facts.setUps.length).toBeGreaterThan(1)
    expect(fits()).toBe(known)
  })

  it('is the same after a tick, which resolves nothing anew', async () => {
    const { steps } = await readCard('ring-action', 'linnet', 'tsp-l1')
    const step = steps[0]?.key ?? ''
    const tick = { standard: 'ring-action', body: 'linnet', unit: 'tsp-l1', step, ticked: true, person: 'imelda-frost' }
    expect((await workOf(() => tickStep(tick, by()))).tasks).toBe(0)
    expect((await workOf(() => readReadiness('ring-action', {}, undefined))).tasks).toBeLessThanOrEqual(2)
  })
})

it('proving that every option of the demo can be reached takes no more than it did', () => {
  const spent = demoBodies().map(body => {
    const effort = newEffort()
    checkBody(body, body.id, { effort })
    return newEffort().left - effort.left
  })
  expect(Math.max(...spent)).toBeLessThanOrEqual(25_000)
  expect(spent.reduce((sum, n) => sum + n, 0)).toBeLessThanOrEqual(105_000)
})
