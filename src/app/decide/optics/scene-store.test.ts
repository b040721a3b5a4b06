import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BEGINNING, type Scene } from '@/core/optics/scene'
import { sceneStore } from './scene-store'

describe('a scene that is changed', () => {
  it('takes a whole movement back in one step, and each thing on its own', () => {
    const store = sceneStore(BEGINNING)
    store.set({ distance: 3 })
    store.set({ distance: 2 })
    store.set({ fNumber: 8 })
    store.undo()
    expect([store.get().distance, store.get().fNumber]).toEqual([2, BEGINNING.fNumber])
    store.undo()
    expect(store.get()).toEqual(BEGINNING)
    store.redo()
    expect(store.get().distance).toBe(2)
  })

  it('forgets what was taken back once something else is changed', () => {
    const store = sceneStore(BEGINNING)
    store.set({ distance: 3 })
    store.undo()
    store.set({ fNumber: 8 })
    expect(store.canRedo()).toBe(false)
  })

  it('tells nobody of what changes nothing, and everybody of what does', () => {
    const store = sceneStore(BEGINNING)
    let told = 0
    const leave = store.subscribe(() => (told += 1))
    store.set({ distance: BEGINNING.distance })
    expect([told, store.canUndo()]).toEqual([0, false])
    store.set({ distance: 9 })
    leave()
    store.set({ distance: 10 })
    expect(told).toBe(1)
  })

  it('is where it began after as many steps back, whatever was done', () => {
    const change = fc.oneof(
      fc.record({ distance: fc.integer({ min: 1, max: 9 }) }),
      fc.record({ fNumber: fc.integer({ min: 1, max: 9 }) }),
      fc.record({ areaX: fc.constantFrom(0.2, 0.4), areaY: fc.constantFrom(0.2, 0.4) }),
    )
    fc.assert(
      fc.property(fc.array(change, { maxLength: 30 }), changes => {
        const store = sceneStore(BEGINNING)
        for (const c of changes) store.set(c)
        const end: Scene = store.get()
        while (store.canUndo()) store.undo()
        expect(store.get()).toEqual(BEGINNING)
        while (store.canRedo()) store.redo()
        expect(store.get()).toEqual(end)
        store.open({ ...BEGINNING, distance: 77 })
        expect(store.canUndo()).toBe(false)
      }),
    )
  })
})
