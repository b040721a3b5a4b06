import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { REACTIONS, runStore } from './run-store'

const ORDER = ['a', 'b', 'b', 'a']

/** Signs answered after a quarter of a second each. */
const withReactions = () => {
  const store = runStore(ORDER)
  for (let i = 0; i < REACTIONS; i += 1) {
    store.shown(i * 1000)
    store.tap(i * 1000 + 250)
  }
  return store
}

describe('a run by thumb', () => {
  it('measures the thumb first, and takes no tap that came before the sign', () => {
    const store = runStore(ORDER)
    expect(store.tap(10)).toBe(false)
    store.shown(1000)
    expect(store.tap(1050)).toBe(false)
    expect(store.get().reactions).toEqual([])
    expect(withReactions().get()).toMatchObject({ reactions: [0.25, 0.25, 0.25, 0.25, 0.25], phase: { kind: 'ready' } })
  })

  it('takes two taps for a take, in the order of the run, until all are there', () => {
    const store = withReactions()
    for (const [i] of ORDER.entries()) {
      store.tap(10_000 * i)
      store.tap(10_000 * i + 1234)
    }
    expect(store.get().takes.map(t => t.step)).toEqual(ORDER)
    expect(store.get().takes[0]?.seconds).toBe(1.234)
    expect(store.get().phase).toEqual({ kind: 'done' })
    expect(store.tap(1)).toBe(false)
  })

  it('notes what never happened, and takes back what went wrong', () => {
    const store = withReactions()
    store.tap(0)
    store.never(20_000)
    expect(store.get().takes).toEqual([{ step: 'a', seconds: 20, never: true }])
    store.tap(30_000)
    store.undo()
    expect(store.get().phase).toEqual({ kind: 'ready' })
    store.undo()
    expect(store.get().takes).toEqual([])
  })

  it('begins where it was when a page is lost in the middle', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: ORDER.length }),
        fc.array(fc.integer({ min: 200, max: 9000 }), { minLength: 4, maxLength: 4 }),
        (lostAfter, times) => {
          let kept = {}
          const take = (store: ReturnType<typeof runStore>, ms: number) => {
            store.tap(0)
            store.tap(ms)
          }
          const first = runStore(ORDER, { reactions: [0.2, 0.2, 0.2, 0.2, 0.2] }, s => {
            kept = { reactions: s.reactions, takes: s.takes }
          })
          first.subscribe(() => undefined)
          times.slice(0, lostAfter).forEach(ms => take(first, ms))
          const second = runStore(ORDER, lostAfter === 0 ? { reactions: [0.2, 0.2, 0.2, 0.2, 0.2] } : kept)
          times.slice(lostAfter).forEach(ms => take(second, ms))
          expect(second.get().takes).toEqual(ORDER.map((step, i) => ({ step, seconds: Number(times[i]) / 1000 })))
        },
      ),
    )
  })
})
