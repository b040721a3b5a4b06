import { IDBFactory } from 'fake-indexeddb'
import 'fake-indexeddb/auto'
import { deleteDB, openDB } from 'idb'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type * as Outbox from './outbox'
import type { Entry, Landed } from './outbox'

/** What waits on a device, against a server that fails in every way a network has. */

let outbox: typeof Outbox
let landed: Landed[]
let stop: () => void

/** What came in, in order; each by the id of its request. */
let arrived: string[]
/** How the server answers what comes next; it takes everything once these are used up. */
let answers: (() => Response | Promise<Response>)[]

const taken = (more: object = {}) =>
  Response.json({ outcome: 'done', at: 'x', received: new Date().toISOString(), ...more })
const refused = (status: number) => Response.json({ detail: 'The card has no such step.' }, { status })
/** It came in, and the answer was lost on the way back. */
const lostAnswer = (): never => {
  throw new TypeError('network')
}

beforeEach(async () => {
  vi.resetModules()
  globalThis.indexedDB = new IDBFactory()
  vi.stubGlobal('navigator', {})
  arrived = []
  answers = []
  landed = []
  vi.stubGlobal('fetch', async (_: string, request: { body: string }) => {
    arrived.push((JSON.parse(request.body) as { id: string }).id)
    return (answers.shift() ?? taken)()
  })
  outbox = await import('./outbox')
  stop = outbox.onOutbox(l => {
    if (l) landed.push(l)
  })
})
afterEach(() => {
  stop()
  vi.unstubAllGlobals()
})

const entry = (id: string, more: Partial<Entry> = {}): Entry => ({
  id,
  card: 'linnet/tsp-l1',
  deed: { kind: 'tick', step: 'kin=kin-off', ticked: true },
  words: 'Kin: off ticked',
  by: 'Imelda Frost',
  made: '2026-11-24T09:00:00.000Z',
  method: 'PUT',
  address: '/api/v1/ticks',
  content: { step: 'kin=kin-off' },
  ...more,
})
const keepAll = async (...ids: string[]) => {
  for (const id of ids) await outbox.keep(entry(id))
}
const waiting = async () => (await outbox.readOutbox()).filter(e => !e.remark).map(e => e.id)

describe('what waits', () => {
  it('is sent in the order in which it was done, and gone once the server has it', async () => {
    await keepAll('a', 'b', 'c')
    expect(await waiting()).toEqual(['a', 'b', 'c'])
    expect(await outbox.sendWaiting()).toBe(true)
    expect(arrived).toEqual(['a', 'b', 'c'])
    expect(await outbox.readOutbox()).toEqual([])
    await vi.waitFor(() => expect(landed.map(l => l.entry.id)).toEqual(['a', 'b', 'c']))
  })

  it('stays while the server cannot take it; nothing overtakes it', async () => {
    for (const cannot of [lostAnswer, () => refused(503), () => refused(500), () => refused(429)]) {
      arrived = []
      answers = [taken, cannot]
      await keepAll('a', 'b', 'c')
      expect(await outbox.sendWaiting()).toBe(false)
      expect(arrived).toEqual(['a', 'b'])
      expect(await waiting()).toEqual(['b', 'c'])
      expect(await outbox.sendWaiting()).toBe(true)
      // The same request, by its id: the server knows that it has it.
      expect(arrived).toEqual(['a', 'b', 'b', 'c'])
    }
  })

  it('is kept the next time where the browser could not open what it keeps in', async () => {
    // Kept in a form that it does not know.
    const other = await openDB('coherion-outbox', 9)
    other.close()
    await expect(outbox.keep(entry('a'))).rejects.toThrow('version')
    await deleteDB('coherion-outbox')
    await keepAll('b')
    expect(await waiting()).toEqual(['b'])
  })

  it('is kept to be read where it is refused, and what comes after goes on', async () => {
    answers = [() => refused(422)]
    await keepAll('a', 'b')
    expect(await outbox.sendWaiting()).toBe(true)
    const [left, ...rest] = await outbox.readOutbox()
    expect(rest).toEqual([])
    expect(left).toMatchObject({ id: 'a', remark: { outcome: 'refused', words: 'The card has no such step.' } })
    await outbox.putAway(left?.place ?? -1)
    expect(await outbox.readOutbox()).toEqual([])
  })

  it('is kept to be read where others did something else meanwhile', async () => {
    const overruled = { outcome: 'overruled', by: 'Bram Tollard', when: '2026-11-24T10:00:00.000Z', words: 'reset' }
    answers = [
      () => taken(overruled),
      () => taken({ outcome: 'was-so' }),
      () => taken({ outcome: 'was-so', when: 'x' }),
    ]
    await keepAll('a', 'b', 'c')
    await outbox.sendWaiting()
    expect((await outbox.readOutbox()).map(e => [e.id, e.remark?.outcome])).toEqual([
      ['a', 'overruled'],
      ['c', 'was-so'],
    ])
  })

  it('is sent once, by however many it is asked for at a time', async () => {
    await keepAll('a', 'b')
    const all = await Promise.all([outbox.sendWaiting(), outbox.sendWaiting(), outbox.sendWaiting()])
    expect(all).toEqual([true, true, true])
    expect(arrived).toEqual(['a', 'b'])
  })

  it('that comes while others are sent is sent as well', async () => {
    answers = [
      async () => {
        await keepAll('late')
        return taken()
      },
    ]
    await keepAll('a')
    await outbox.sendWaiting()
    expect(arrived).toEqual(['a', 'late'])
  })

  it('says when it was done and sent by the clock of the device, and how far that is off', async () => {
    const sent: { made: string; sent: string }[] = []
    vi.stubGlobal('fetch', (_: string, request: { body: string }) => {
      sent.push(JSON.parse(request.body) as { made: string; sent: string })
      return Promise.resolve(taken({ received: new Date(Date.now() - 3_600_000).toISOString() }))
    })
    await keepAll('a')
    await outbox.sendWaiting()
    expect(sent[0]?.made).toBe('2026-11-24T09:00:00.000Z')
    expect(Math.abs(Date.parse(sent[0]?.sent ?? '') - Date.now())).toBeLessThan(5000)
    await vi.waitFor(() => expect(landed).toHaveLength(1))
    expect(Math.round((landed[0]?.clockAheadMs ?? 0) / 60_000)).toBe(60)
  })
})
