import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Entry, KeptEntry, Landed, Remark } from '@/offline/outbox'
import type { CardView } from '@/server/cards'
import { type CardOutside, CardStore } from './card-store'

const STEPS = ['hold=long', 'area=small', 'shutter=off']

/** As much of a card as its store looks at. */
const cardWith = (ticked: ReadonlyMap<string, { by: string | null; at: string }>, more: object = {}): CardView =>
  ({
    body: { id: 'linnet' },
    unit: { id: 'tsp-l1' },
    standard: { id: 'ring-action', version: 2, name: 'Ring action' },
    for: '',
    profile: 1,
    steps: STEPS.map(key => ({ key, setting: key.split('=')[0], to: key.split('=')[1], tick: ticked.get(key) })),
    ...more,
  }) as unknown as CardView

/** A server that ticks, and a browser with an outbox, as far as a card can tell. */
const world = () => {
  const ticked = new Map<string, { by: string | null; at: string }>()
  const answers = new Map<string, CardView>()
  const box: KeptEntry[] = []
  const listeners = new Set<(landed: Landed | undefined) => void>()
  let place = 0
  const w = {
    isUp: true,
    keeps: true,
    ticked,
    box,
    /** What the server says of the next entry that does not simply go through. */
    remark: undefined as Remark | undefined,
    announce: (landed?: Landed) => listeners.forEach(l => l(landed)),
    card: () => cardWith(new Map(ticked)),
  }
  const send = async (entry: Entry): Promise<Landed | undefined> => {
    await Promise.resolve()
    if (!w.isUp) return undefined
    const { remark } = w
    w.remark = undefined
    const { deed } = entry
    if (!remark && deed.kind === 'tick' && deed.ticked) ticked.set(deed.step, { by: entry.by, at: entry.made })
    if (!remark && deed.kind === 'tick' && !deed.ticked) ticked.delete(deed.step)
    return { entry, remark, clockAheadMs: 0 }
  }
  const sendAll = async (): Promise<boolean> => {
    for (;;) {
      const next = box.find(e => !e.remark)
      if (!next) return true
      const landed = await send(next)
      if (!landed) return false
      const at = box.findIndex(e => e.place === next.place)
      if (landed.remark) box[at] = { ...next, remark: landed.remark }
      else box.splice(at, 1)
      w.announce(landed)
    }
  }
  let sending: Promise<boolean> = Promise.resolve(true)
  const outside: CardOutside = {
    read: () =>
      Promise.resolve(
        w.isUp
          ? { ok: true, value: w.card() }
          : { ok: false, status: 0, detail: 'The server does not answer', more: {} },
      ),
    keepAnswer: (address, card) => Promise.resolve(void answers.set(address, card)),
    readAnswer: address => Promise.resolve(answers.get(address)),
    outbox: {
      on: changed => {
        listeners.add(changed)
        return () => listeners.delete(changed)
      },
      read: () => Promise.resolve([...box]),
      keep: entry => {
        if (!w.keeps) return Promise.reject(new Error('private'))
        box.push({ ...entry, place: ++place, remark: undefined })
        w.announce()
        return Promise.resolve()
      },
      putAway: gone => {
        box.splice(0, box.length, ...box.filter(e => e.place !== gone))
        w.announce()
        return Promise.resolve()
      },
      send,
      // One at a time, as the lock of a browser has it.
      sendWaiting: () => (sending = sending.then(sendAll, sendAll)),
    },
    newId: () => `id-${++place}`,
    now: () => '2026-03-01T09:00:00.000Z',
  }
  return { w, outside }
}

const settle = async () => {
  for (let i = 0; i < 60; i++) await Promise.resolve()
}
const opened = async () => {
  const { w, outside } = world()
  const store = new CardStore(w.card(), outside)
  store.person = { id: 'imelda-frost', name: 'Imelda Frost' }
  const close = store.open()
  await settle()
  return { w, store, close, outside }
}
const ticksOf = (store: CardStore) => [...store.state().ticks.keys()].sort()

describe('a card on a device', () => {
  it('shows a tick at once, and keeps it when the server has it', async () => {
    const { w, store } = await opened()
    store.toggle('hold=long')
    expect([ticksOf(store), store.state().waiting]).toEqual([['hold=long'], 1])
    await settle()
    expect([store.state().waiting, store.state().isAway]).toEqual([0, false])
    expect(w.ticked.get('hold=long')).toMatchObject({ by: 'Imelda Frost' })
    expect(ticksOf(store)).toEqual(['hold=long'])
    store.toggle('hold=long')
    await settle()
    expect([ticksOf(store), w.ticked.size]).toEqual([[], 0])
  })

  it('keeps what was done while the server is away, and says so; another page of it shows the same', async () => {
    const { w, store, outside } = await opened()
    w.isUp = false
    store.toggle('hold=long')
    store.toggle('area=small')
    await settle()
    expect(store.state()).toMatchObject({ waiting: 2, isAway: true })
    const other = new CardStore(w.card(), outside)
    other.open()
    await settle()
    expect([ticksOf(other), other.state().waiting]).toEqual([['area=small', 'hold=long'], 2])
    w.isUp = true
    await outside.outbox.sendWaiting()
    await settle()
    expect([ticksOf(store), store.state().waiting, ticksOf(other)]).toEqual([
      ['area=small', 'hold=long'],
      0,
      ['area=small', 'hold=long'],
    ])
  })

  it('finds what waits at the next look where the browser could not read it at first', async () => {
    const { w, store, outside } = await opened()
    w.isUp = false
    store.toggle('hold=long')
    await settle()
    const { read } = outside.outbox
    let tries = 0
    const later = new CardStore(w.card(), {
      ...outside,
      outbox: { ...outside.outbox, read: () => (++tries === 1 ? Promise.reject(new Error('internal')) : read()) },
    })
    later.open()
    await settle()
    expect(later.state().waiting).toBe(0)
    later.lookAgain()
    await settle()
    expect([later.state().waiting, ticksOf(later)]).toEqual([1, ['hold=long']])
  })

  it('shows what the server did otherwise as the server has it, with what it said', async () => {
    const { w, store } = await opened()
    w.remark = { outcome: 'overruled', by: 'Tobiah Lark', words: 'reset it' }
    store.toggle('hold=long')
    await settle()
    expect(ticksOf(store)).toEqual([])
    expect(store.state().remarks.map(r => [r.words, r.remark?.words])).toEqual([['hold: long ticked', 'reset it']])
    store.putAway(store.state().remarks[0]?.place ?? 0)
    await settle()
    expect(store.state().remarks).toEqual([])
  })

  it('takes the ticks of a setting away of which something else was said', async () => {
    const { w, store } = await opened()
    store.toggle('hold=long')
    await settle()
    w.isUp = false
    store.say('hold', 'short', 'hold says short')
    expect([ticksOf(store), [...store.state().told]]).toEqual([[], [['hold', 'short']]])
  })

  it('sends at once where the browser keeps nothing, and says what could not be sent', async () => {
    const { w, store } = await opened()
    w.keeps = false
    store.toggle('hold=long')
    await settle()
    expect([ticksOf(store), w.ticked.size]).toEqual([['hold=long'], 1])
    w.isUp = false
    store.toggle('area=small')
    await settle()
    expect(ticksOf(store)).toEqual(['hold=long'])
    expect(store.state().problem).toContain('“area: small ticked” could not be sent')
  })

  it('says when the profile was changed, until somebody has seen it', async () => {
    const { store, w } = await opened()
    store.take({ ...w.card(), profile: 2 } as unknown as CardView)
    expect(store.state().hasNewProfile).toBe(true)
    store.seeNewProfile()
    expect(store.state().hasNewProfile).toBe(false)
  })

  it('loses no tick, whenever the server goes and comes and the page is opened anew', async () => {
    const acts = fc.array(fc.constantFrom(...STEPS, 'server', 'page', 'rest'), { minLength: 1, maxLength: 25 })
    await fc.assert(
      fc.asyncProperty(acts, async all => {
        const first = await opened()
        let { store } = first
        let { close } = first
        const { w, outside } = first
        const wanted = new Set<string>()
        for (const act of all) {
          if (act === 'server') w.isUp = !w.isUp
          else if (act === 'rest') await settle()
          else if (act === 'page') {
            await settle()
            close()
            store = new CardStore(w.card(), outside)
            close = store.open()
            await settle()
          } else {
            if (!wanted.delete(act)) wanted.add(act)
            store.toggle(act)
          }
          expect(ticksOf(store)).toEqual([...wanted].sort())
        }
        w.isUp = true
        await outside.outbox.sendWaiting()
        await settle()
        await store.refresh()
        expect([...w.ticked.keys()].sort()).toEqual([...wanted].sort())
        expect([ticksOf(store), store.state().waiting]).toEqual([[...wanted].sort(), 0])
      }),
      { numRuns: 200 },
    )
  })
})
