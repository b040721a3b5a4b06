import type { Knex } from 'knex'
import { afterAll, describe, expect, it, vi } from 'vitest'
import { onBehalfOf } from '../../src/pool/asker'
import { documentOf, share } from '../../src/pool/documents'
import { closePool, work } from '../../src/pool/pool'
import { Refusal } from '../../src/pool/refusal'
import { Turns } from '../../src/pool/turns'
import { demoBodies, demoStandards } from '../../src/demo/world'
import { resolve } from '../../src/core/resolve'
import { database } from '../../src/server/database'
import { allWorkedOut, CannotReckonError, workedOut } from '../../src/server/worked-out'
import { useDemoFolder } from '../fixtures/demo-folder'

/** Work on threads of its own: who comes next, what ends it, and what is kept of it. */
useDemoFolder()
afterAll(closePool)

describe('those who ask', () => {
  it('take turns, however much one of them has waiting', () => {
    const turns = new Turns<string>()
    const from = (address: string) => ({ address, browser: '' })
    for (const n of [1, 2, 3]) turns.push(from('Anna'), `Anna ${n}`)
    turns.push(from('Bruno'), 'Bruno 1')
    turns.push(from('Clara'), 'Clara 1')
    turns.push(from('Bruno'), 'Bruno 2')
    turns.remove('Anna 3')
    expect([turns.size, turns.of(from('Bruno'))]).toEqual([5, { address: 2, browser: 2 }])
    const order = Array.from({ length: 6 }, () => turns.shift())
    expect(order).toEqual(['Anna 1', 'Bruno 1', 'Clara 1', 'Anna 2', 'Bruno 2', undefined])
  })

  it('take turns behind one address as well, and gain nothing by calling themselves by many names', () => {
    const turns = new Turns<string>()
    const office = (browser: string) => ({ address: 'office', browser })
    for (const n of [1, 2, 3]) turns.push(office('Anna'), `Anna ${n}`)
    turns.push(office('Bruno'), 'Bruno 1')
    for (const n of [1, 2, 3, 4]) turns.push({ address: 'elsewhere', browser: `name ${n}` }, `somebody ${n}`)
    turns.push(office('Clara'), 'left')
    turns.remove('left')
    expect(turns.of(office('Anna'))).toEqual({ address: 4, browser: 3 })
    expect(turns.of({ address: 'elsewhere', browser: 'name 1' })).toEqual({ address: 4, browser: 1 })
    const order = Array.from({ length: 9 }, () => turns.shift())
    const inTheOffice = ['Anna 1', 'Bruno 1', 'Anna 2', 'Anna 3']
    const elsewhere = ['somebody 1', 'somebody 2', 'somebody 3', 'somebody 4']
    expect(order).toEqual([...inTheOffice.flatMap((task, i) => [task, elsewhere[i]]), undefined])
    expect([turns.size, turns.of(office('Anna')).address]).toEqual([0, 0])
  })

  it('end what they asked for by going, before it began and while it runs; others are served on', async () => {
    const gone = new AbortController()
    const bodies = Array.from({ length: 200 }, (_, i) => ({ ...demoBodies()[i % 12], id: `b-${i}` }))
    const asked = { sent: { standard: demoStandards()[0], bodies }, file: 'request' }
    const both = onBehalfOf({ address: 'here', browser: 'Anna', gone: gone.signal }, () =>
      Promise.allSettled([1, 2, 3].map(() => work('resolveRequest', asked))),
    )
    const [linnet] = demoBodies()
    const other = work('isContradictory', { body: linnet as NonNullable<typeof linnet> })
    setTimeout(() => gone.abort(), 150)
    for (const ended of await both) {
      expect(ended.status).toBe('rejected')
      expect(ended.status === 'rejected' && (ended.reason as Refusal).why).toBe('gone')
    }
    expect(await other).toBe(false)
    expect(await work('readSheet', { bytes: new TextEncoder().encode('a\n'), file: 'x' })).toMatchObject({
      rows: [['a']],
    })
  })
})

describe('what is worked out', () => {
  it('comes back as it would be worked out here', async () => {
    const [body] = demoBodies()
    const standard = demoStandards().find(s => s.id === 'ring-action')
    if (!body || !standard) throw new Error('the demo is empty')
    const firmware = body.firmware.to
    const asked = { body: share(body), standard: share(standard), firmware, context: {}, known: {} }
    const text = await work('resolution', asked)
    expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify(resolve(body, standard, { firmware }))))
    expect(documentOf(share(body))).toEqual(body)
    expect(share(body)).toBe(share(body))
    expect(share({ ...body }).digest).toBe(share(body).digest)
  })

  it('is worked out once, also by those who ask at the same moment, and again after it failed by chance', async () => {
    await database()
    let made = 0
    const make = () => {
      made++
      return Promise.resolve('{"a":1}')
    }
    const both = await Promise.all([workedOut(['test', 'one'], make), workedOut(['test', 'one'], make)])
    expect([both, made]).toEqual([[{ a: 1 }, { a: 1 }], 1])
    const failing = () => Promise.reject(new Refusal('busy', 'Too much.'))
    await expect(workedOut(['test', 'two'], failing)).rejects.toThrow('Too much.')
    expect(await workedOut(['test', 'two'], make)).toEqual({ a: 1 })
    const never = () => Promise.reject(new Refusal('unresolvable', 'Tangled.'))
    await expect(workedOut(['test', 'three'], never)).rejects.toBeInstanceOf(CannotReckonError)
    // It was kept that it cannot be: nobody waits for it again.
    await expect(workedOut(['test', 'three'], make)).rejects.toThrow('Tangled.')
    expect(made).toBe(2)
  })

  it('is worked out together for many, one by one where one of them takes too long for all', async () => {
    await workedOut(['many', 'a'], () => Promise.resolve('"A"'))
    const asked: (readonly number[])[] = []
    const names = ['a', 'b', 'knot', 'd']
    const make = (missing: readonly number[]) => {
      asked.push(missing)
      if (missing.some(i => names[i] === 'knot')) return Promise.reject(new Refusal('too-long', 'Ended.'))
      return Promise.resolve(missing.map(i => ({ text: JSON.stringify((names[i] ?? '').toUpperCase()) })))
    }
    const all = () =>
      Promise.all(
        allWorkedOut<string>(
          names.map(n => ['many', n]),
          make,
        ).map(answer => answer.catch((error: unknown) => error)),
      )
    const [first, second] = await Promise.all([all(), all()])
    expect(first).toEqual(['A', 'B', new CannotReckonError('Ended.'), 'D'])
    expect(second).toEqual(first)
    // What was there is not asked for again, and nobody asks for the rest twice.
    expect(asked).toEqual([[1, 2, 3], [1], [2], [3]])
  })

  it('is still there after a restart', async () => {
    let made = 0
    const make = () => {
      made++
      return Promise.resolve('[1]')
    }
    const shared = globalThis as {
      coherionMemory?: Map<string, Map<string, unknown>>
      coherionWorkedOut?: Promise<Knex | undefined>
    }
    const kept = async () => ((await (await shared.coherionWorkedOut)?.('worked_out')) ?? []).length
    await workedOut(['test', 'before'], () => Promise.resolve('[]'))
    await vi.waitUntil(kept, { timeout: 60_000 })
    const before = await kept()
    await workedOut(['test', 'restart'], make)
    await vi.waitUntil(async () => (await kept()) > before, { timeout: 60_000 })
    // What a process remembers ends with it.
    shared.coherionMemory?.get('worked out')?.clear()
    expect(await workedOut(['test', 'restart'], make)).toEqual([1])
    expect(made).toBe(1)
  })
})
