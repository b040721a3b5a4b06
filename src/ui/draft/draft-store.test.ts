import fc from 'fast-check'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { merge } from '@/core/changes/changes'
import type { Sent } from '../send'
import { DraftStore, type Outside, RETRY_AFTER_MS, SAVE_AFTER_MS } from './draft-store'

type Document = Readonly<Record<string, number>>

/** What a browser keeps, without its limits. */
const storage = (): Storage => {
  const items = new Map<string, string>()
  return {
    get length() {
      return items.size
    },
    clear: () => items.clear(),
    key: i => [...items.keys()][i] ?? null,
    removeItem: k => void items.delete(k),
    getItem: k => items.get(k) ?? null,
    setItem: (k, v) => void items.set(k, v),
  }
}

/** A server that takes a document only from whoever knows the one it has. */
const server = (document: Document = { a: 1 }) => {
  const house = {
    document,
    revision: 1,
    isUp: true,
    /** What was said of each change. */
    history: [] as string[],
    put: async (_: string, content: object): Promise<Sent<{ readonly revision: number }>> => {
      await new Promise(done => setTimeout(done, 10))
      const sent = content as { document: Document; revision: number; what: string }
      const no = (status: number, more = {}) => ({ ok: false, status, detail: 'no', more }) as const
      if (!house.isUp) return no(0)
      if (sent.document['refused']) return no(422)
      if (sent.revision !== house.revision) return no(409, { document: house.document, revision: house.revision })
      house.document = sent.document
      house.history.push(sent.what)
      return { ok: true, value: { revision: ++house.revision } }
    },
  }
  return house
}
type House = ReturnType<typeof server>

/** A browser of somebody; a tab of it can be closed and opened again. */
const browser = (house: House) => {
  const [kept, tab] = [storage(), storage()]
  const outside: Outside = { put: house.put, unsent: () => kept, undo: () => tab }
  const late = vi.fn()
  const open = () => {
    const { document, revision } = house
    const store = new DraftStore<Document>(
      { address: '/a', document, revision, merge: (base, mine, theirs, p) => merge(base, mine, theirs, undefined, p) },
      outside,
    )
    return { store, close: store.open(late) }
  }
  return { open, late }
}
const set = (name: string, n: number) => (d: Document) => ({ ...d, [name]: n })
const settle = () => vi.advanceTimersByTimeAsync(SAVE_AFTER_MS + 100)

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

describe('a draft', () => {
  it('is stored a moment after the last edit, with what was done in words', async () => {
    const house = server()
    const { store } = browser(house).open()
    store.edit('a to 2', set('a', 2))
    store.edit('b to 3', set('b', 3))
    expect([store.state().document, store.state().status.kind]).toEqual([{ a: 2, b: 3 }, 'saving'])
    expect(house.document).toEqual({ a: 1 })
    await settle()
    expect(house.document).toEqual({ a: 2, b: 3 })
    expect(house.history).toEqual(['a to 2; b to 3'])
    expect(store.state()).toMatchObject({ status: { kind: 'saved' }, revision: 2 })
  })

  it('tells whoever looks, once for each change, and no more once they look away', () => {
    const { store } = browser(server()).open()
    const seen = vi.fn()
    const stop = store.subscribe(seen)
    store.edit('a', set('a', 2))
    store.edit('nothing', d => d)
    expect(seen).toHaveBeenCalledTimes(1)
    stop()
    store.edit('a', set('a', 3))
    expect(seen).toHaveBeenCalledTimes(1)
  })

  it('goes back and forth, also after it was left and come back to', async () => {
    const house = server()
    const mine = browser(house)
    const first = mine.open()
    first.store.edit('a', set('a', 2))
    first.store.edit('a', set('a', 3))
    first.store.undo()
    expect(first.store.state()).toMatchObject({ document: { a: 2 }, canUndo: true, canRedo: true })
    await settle()
    first.close()
    expect(mine.late).toHaveBeenCalledTimes(1)
    const { store } = mine.open()
    store.redo()
    expect(store.state().document).toEqual({ a: 3 })
    store.undo()
    store.undo()
    expect(store.state()).toMatchObject({ document: { a: 1 }, canUndo: false })
  })

  it('is not sent where it was undone before its time came', async () => {
    const house = server()
    const { store } = browser(house).open()
    store.edit('a', set('a', 2))
    store.undo()
    await settle()
    expect([house.revision, house.history, store.state().status.kind]).toEqual([1, [], 'saved'])
  })

  it('waits while the server does not answer, and is sent when it does', async () => {
    const house = server()
    house.isUp = false
    const { store } = browser(house).open()
    store.edit('a', set('a', 2))
    await settle()
    expect(store.state().status).toEqual({ kind: 'waiting', why: 'no' })
    house.isUp = true
    await vi.advanceTimersByTimeAsync(RETRY_AFTER_MS + 100)
    expect([house.document, store.state().status.kind]).toEqual([{ a: 2 }, 'saved'])
  })

  it('says what the server refused, and is sent once it was mended', async () => {
    const house = server()
    const { store } = browser(house).open()
    store.edit('wrong', set('refused', 1))
    await settle()
    expect(store.state().status).toEqual({ kind: 'refused', why: 'no' })
    store.edit('mended', set('refused', 0))
    await settle()
    expect(house.document).toEqual({ a: 1, refused: 0 })
  })

  it('knows its own work again where the page was left before the answer came', async () => {
    const house = server()
    const mine = browser(house)
    const left = mine.open()
    house.isUp = false
    left.store.edit('a to 2', set('a', 2))
    await settle()
    left.close()
    // The server got it all the same; the page that sent it never heard.
    const again = mine.open()
    house.isUp = true
    house.document = { a: 2 }
    house.revision = 2
    await vi.advanceTimersByTimeAsync(RETRY_AFTER_MS + 100)
    expect(again.store.state()).toMatchObject({ status: { kind: 'saved' }, revision: 2, conflict: undefined })
    expect(house.history).toEqual([])
  })

  it('asks where both changed the same, and sends nothing before that is settled', async () => {
    const house = server()
    const [one, two] = [browser(house).open().store, browser(house).open().store]
    one.edit('a to 2', set('a', 2))
    await settle()
    two.edit('a to 3', set('a', 3))
    await settle()
    expect(two.state()).toMatchObject({ status: { kind: 'conflict' }, document: { a: 3 } })
    expect(house.document).toEqual({ a: 2 })
    two.edit('b', set('b', 9))
    await settle()
    expect(house.document).toEqual({ a: 2 })
    two.mergeWith({ a: 'mine' })
    await settle()
    expect(house.document).toEqual({ a: 3, b: 9 })
    one.edit('c', set('c', 1))
    await settle()
    one.takeTheirs()
    await settle()
    expect([one.state().document, house.document]).toEqual([
      { a: 3, b: 9 },
      { a: 3, b: 9 },
    ])
    one.undo()
    await settle()
    expect(house.document).toMatchObject({ c: 1 })
  })
})

describe('nothing that was typed is ever lost', () => {
  type Act = { readonly who: 0 | 1; readonly do: 'edit' | 'close' | 'wait' | 'server'; readonly n: number }
  const acts = fc.array(
    fc.record<Act>({
      who: fc.constantFrom(0, 1),
      do: fc.constantFrom('edit', 'edit', 'edit', 'close', 'wait', 'server'),
      n: fc.nat(300),
    }),
    { minLength: 1, maxLength: 30 },
  )

  it('whoever else edits, whenever the server is away and tabs are closed: both have it all in the end', async () => {
    await fc.assert(
      fc.asyncProperty(acts, async all => {
        const house = server({})
        const people = [browser(house), browser(house)]
        const tabs = people.map(p => p.open())
        const typed: Record<string, number> = {}
        for (const [i, act] of all.entries()) {
          const tab = tabs[act.who]
          if (act.do === 'server') house.isUp = !house.isUp
          if (act.do === 'wait') await vi.advanceTimersByTimeAsync(act.n)
          if (act.do === 'edit') {
            // Everybody has fields of their own, so that there is one right answer.
            const name = `${act.who}-${i}`
            typed[name] = act.n
            tab?.store.edit(name, set(name, act.n))
          }
          if (act.do === 'close') {
            tab?.close()
            const again = people[act.who]?.open()
            if (again) tabs[act.who] = again
          }
        }
        house.isUp = true
        for (let i = 0; i < 6; i++) {
          await vi.advanceTimersByTimeAsync(RETRY_AFTER_MS + SAVE_AFTER_MS)
          for (const { store } of tabs) if (store.state().conflict) store.mergeWith({})
        }
        await vi.advanceTimersByTimeAsync(RETRY_AFTER_MS)
        expect(house.document).toEqual(typed)
      }),
      { numRuns: 300 },
    )
  })
})
