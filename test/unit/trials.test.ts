import { describe, expect, it } from 'vitest'
import type { Count } from '../../src/core/evidence/trial'
import { demoTrials } from '../../src/demo/trials'
import { readStandard } from '../../src/server/catalogue'
import {
  countPass,
  listTrials,
  noteBlock,
  readTrial,
  readTrialDocument,
  removeTrial,
  saveTrial,
  writeFinding,
} from '../../src/server/trials'
import { by } from '../fixtures/by'
import { useDemoFolder } from '../fixtures/demo-folder'

/** Trials as the server keeps them: passes that come in late, twice or in the wrong order, and what is made of them. */

useDemoFolder()

const half = demoTrials()[1]?.trial
if (!half) throw new Error('no half-done trial')
const pass = (id: string, more: Partial<Count> = {}): Count => ({
  id,
  block: 3,
  counter: 'Tobiah Lark',
  judgement: 'sharp',
  made: '2026-11-25T10:00:00.000Z',
  ...more,
})
const begin = async (): Promise<string> => String((await saveTrial({ ...half, counts: [] }, by('tobiah-lark'))).id)
const idsOf = async (trial: string) => (await readTrialDocument(trial)).counts.map(c => c.id)

describe('passes', () => {
  it('count once, however often they are sent', async () => {
    const trial = await begin()
    for (let i = 0; i < 3; i++) await countPass(trial, { count: pass('again') }, by('tobiah-lark'))
    expect(await idsOf(trial)).toEqual(['again'])
  })

  it('that were taken back stay away, also where they come in afterwards', async () => {
    const trial = await begin()
    await countPass(trial, { count: pass('gone'), isTakenBack: true }, by('tobiah-lark'))
    await countPass(trial, { count: pass('gone') }, by('tobiah-lark'))
    await countPass(trial, { count: pass('here') }, by('tobiah-lark'))
    expect(await idsOf(trial)).toEqual(['here'])
  })

  it('stand in the order in which they were made, whatever came in first and whichever zone the clock told', async () => {
    const trial = await begin()
    await countPass(trial, { count: pass('third', { made: '2026-11-25T10:00:09.000Z' }) }, by('tobiah-lark'))
    await countPass(trial, { count: pass('first', { made: '2026-11-25T10:00:01.000Z' }) }, by('tobiah-lark'))
    await countPass(trial, { count: pass('second', { made: '2026-11-25T11:00:05.000+01:00' }) }, by('tobiah-lark'))
    expect(await idsOf(trial)).toEqual(['first', 'second', 'third'])
  })

  it('of a block that the plan does not have are refused, and change nothing', async () => {
    const trial = await begin()
    await expect(countPass(trial, { count: pass('wrong', { block: 99 }) }, by('tobiah-lark'))).rejects.toMatchObject({
      status: 422,
      detail: 'The plan has no block 100.',
    })
    await expect(countPass('999', { count: pass('wrong') }, by('tobiah-lark'))).rejects.toMatchObject({ status: 404 })
    expect(await idsOf(trial)).toEqual([])
  })
})

describe('a trial', () => {
  it('goes out and comes in with all that was counted, and says the same', async () => {
    const finished = (await listTrials()).find(t => t.name.startsWith('Thumb start'))
    const document = await readTrialDocument(String(finished?.id))
    const { id } = await saveTrial(document, by('imelda-frost'))
    expect(await readTrialDocument(String(id))).toEqual(document)
    expect((await readTrial(String(id))).sentences).toEqual((await readTrial(String(finished?.id))).sentences)
  })

  it('leaves out a block that was broken off', async () => {
    const { id } = await saveTrial(half, by('tobiah-lark'))
    const used = async () => (await readTrial(String(id))).verdict.ways.reduce((n, w) => n + w.tally.share.of, 0)
    expect(await used()).toBe(60)
    await noteBlock(String(id), { block: 0, isBroken: true }, by('tobiah-lark'))
    expect(await used()).toBe(40)
    const { verdict } = await readTrial(String(id))
    expect(verdict.remarks).toContainEqual({ kind: 'broken', blocks: [0] })
  })

  it('writes what it says into the draft of a standard: as advice, and as the reason of what it speaks about', async () => {
    const finished = (await listTrials()).find(t => t.name.startsWith('Thumb start'))
    const { standard, version } = await writeFinding(String(finished?.id), 'ring-action', by('imelda-frost'))
    const { document, state } = await readStandard(`${standard}@${version}`)
    const layers = document.layers.filter(l => !l.from)
    expect(state).toBe('draft')
    expect(layers.flatMap(l => l.advice ?? [])).toContainEqual(
      expect.objectContaining({ title: finished?.name, source: 'own trial of 2026-10-12' }),
    )
    expect(layers.flatMap(l => l.targets).find(t => t.dimension === 'trigger.start')?.reason).toContain(
      'own trial of 2026-10-12: Thumb start kept more than Shutter start',
    )
  })

  it('in which nothing was counted writes nothing, and one that is thrown away is gone', async () => {
    const trial = await begin()
    await expect(writeFinding(trial, 'ring-action', by('imelda-frost'))).rejects.toMatchObject({ status: 422 })
    await removeTrial(trial, by('tobiah-lark'))
    await expect(readTrial(trial)).rejects.toMatchObject({ status: 404 })
    await expect(saveTrial({ ...half, unit: 'NONE-9' }, by('tobiah-lark'))).rejects.toMatchObject({ status: 422 })
  })
})
