import { afterAll, describe, expect, it, vi } from 'vitest'
import { asker, onBehalfOf } from '../../src/pool/asker'
import { closePool, isWorking, tasksBegun, work } from '../../src/pool/pool'
import { aheadSettled, keepAhead, lookAheadAfter } from '../../src/server/ahead'
import { listStandards, readStandard } from '../../src/server/catalogue'
import { fitStandard } from '../../src/server/job-facts'
import { importJob, readJob, readJobView, saveJob } from '../../src/server/jobs'
import { warmUp } from '../../src/server/warm'
import { by } from '../fixtures/by'
import { useDemoFolder } from '../fixtures/demo-folder'

/** What is likely to be asked next is there before anybody asks, and nobody pays for it who is still editing. */
useDemoFolder(true)
afterAll(closePool)

const fits = () => tasksBegun().get('jobFits') ?? 0

describe('what the house works out ahead', () => {
  it('is all that a job never asked for needs of its standards, whoever covers what', async () => {
    for (const { id } of await listStandards()) await fitStandard(await readStandard(id))
    const before = fits()
    expect(before).toBeGreaterThan(0)
    const { document } = await readJob('saltmarsh-ring')
    const scenes = document.scenes.filter(s => s.standard !== undefined)
    await importJob({ ...document, id: 'never-asked', name: 'Never asked', scenes }, by())
    const { facts } = await readJobView('never-asked')
    expect(facts.setUps.length).toBeGreaterThan(3)
    expect(fits()).toBe(before)
  })

  it('begins once nothing was changed for a moment, and has the jobs to come ready', async () => {
    const { document, revision } = await readJob('never-asked')
    // A scene that nobody linked to a standard: only the job says what it asks for.
    const { standard: _, ...open } = { ...document.scenes[0] }
    const day = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10)
    const scenes = [...document.scenes, { ...open, id: 'open', name: 'Open' }].map(s => ({ ...s, day }))
    const inWhoseName: unknown[] = []
    const warmings = vi.fn(() => {
      inWhoseName.push(asker())
      return warmUp()
    })
    keepAhead(warmings)
    await aheadSettled()
    expect(warmings).toHaveBeenCalledTimes(1)
    await saveJob({ document: { ...document, day, scenes }, revision }, by())
    const before = fits()
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    onBehalfOf({ address: 'here', browser: 'Anna', gone: new AbortController().signal }, () =>
      lookAheadAfter('edit-bodies'),
    )
    vi.advanceTimersByTime(2000)
    onBehalfOf({ address: 'here', browser: 'Anna', gone: new AbortController().signal }, () =>
      lookAheadAfter('plan-jobs'),
    )
    vi.advanceTimersByTime(2000)
    lookAheadAfter('comment')
    await aheadSettled()
    expect(warmings).toHaveBeenCalledTimes(1)
    vi.advanceTimersByTime(1000)
    vi.useRealTimers()
    await aheadSettled()
    expect(warmings).toHaveBeenCalledTimes(2)
    // Whoever changed something does not wait behind it: it is done in nobody’s name.
    expect(inWhoseName).toEqual([undefined, undefined])
    const then = fits()
    expect(then).toBeGreaterThan(before)
    await readJobView('never-asked')
    expect(fits()).toBe(then)
  })

  it('waits until nobody is waiting for an answer', async () => {
    const warmings = vi.fn(() => Promise.resolve())
    keepAhead(warmings)
    await aheadSettled()
    expect(warmings).toHaveBeenCalledTimes(1)
    const answer = work('bundleText', { bodies: [], lenses: [] })
    expect(isWorking()).toBe(true)
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    lookAheadAfter('plan-jobs')
    vi.advanceTimersByTime(3000)
    expect(warmings).toHaveBeenCalledTimes(1)
    vi.useRealTimers()
    await answer
    expect(isWorking()).toBe(false)
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    lookAheadAfter('plan-jobs')
    vi.advanceTimersByTime(3000)
    vi.useRealTimers()
    await aheadSettled()
    expect(warmings).toHaveBeenCalledTimes(2)
  })
})
