import { describe, expect, it } from 'vitest'
import { readUndo, writeUndo } from './undo-store'

const storeOf = (most = Infinity): Storage => {
  const items = new Map<string, string>()
  return {
    get length() {
      return items.size
    },
    clear: () => items.clear(),
    key: i => [...items.keys()][i] ?? null,
    removeItem: k => void items.delete(k),
    getItem: k => items.get(k) ?? null,
    setItem: (k, v) => {
      if (v.length > most) throw new Error('full')
      items.set(k, v)
    },
  }
}

describe('what can be undone after a page was loaded again', () => {
  const history = { past: [{ n: 1 }, { n: 2 }], present: { n: 3 }, future: [{ n: 4 }] }

  it('is what could be before', () => {
    const store = storeOf()
    writeUndo(store, '/a', history, 7)
    expect(readUndo(store, '/a', { n: 3 }, 7)).toEqual({ ...history, revision: 7 })
    expect(readUndo(store, '/b', { n: 3 }, 7)).toBeUndefined()
  })

  it('is nothing where the document has become another since', () => {
    const store = storeOf()
    writeUndo(store, '/a', history, 7)
    expect(readUndo(store, '/a', { n: 3 }, 8)).toBeUndefined()
    expect(readUndo(store, '/a', { n: 9 }, 7)).toBeUndefined()
  })

  it('holds what was stored last, where the page still shows what was before', () => {
    const store = storeOf()
    writeUndo(store, '/a', history, 7)
    expect(readUndo(store, '/a', { n: 2 }, 6)).toEqual({ ...history, revision: 7 })
  })

  it('keeps the latest steps of a large document, and gives up quietly where there is no room', () => {
    const large = (n: number) => ({ n, text: 'x'.repeat(400_000) })
    const store = storeOf()
    writeUndo(store, '/a', { past: [1, 2, 3, 4, 5].map(large), present: large(6), future: [] }, 1)
    expect(readUndo(store, '/a', large(6), 1)?.past.map(d => d.n)).toEqual([3, 4, 5])
    const full = storeOf(10)
    expect(() => writeUndo(full, '/a', history, 1)).not.toThrow()
    expect(readUndo(full, '/a', { n: 3 }, 1)).toBeUndefined()
  })
})
