/** Seeded random numbers (mulberry32), so that every generated fixture can be made again. */
export interface Random {
  readonly next: () => number
  readonly int: (from: number, to: number) => number
  readonly pick: <T>(items: readonly T[]) => T
  readonly chance: (share: number) => boolean
  readonly shuffle: <T>(items: readonly T[]) => T[]
}

export const random = (seed: number): Random => {
  let state = seed >>> 0
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  const int = (from: number, to: number) => from + Math.floor(next() * (to - from + 1))
  const pick = <T>(items: readonly T[]): T => items[int(0, items.length - 1)] as T
  return {
    next,
    int,
    pick,
    chance: share => next() < share,
    shuffle: items => {
      const shuffled = [...items]
      for (let i = shuffled.length - 1; i > 0; i--) {
        const j = int(0, i)
        ;[shuffled[i], shuffled[j]] = [shuffled[j] as never, shuffled[i] as never]
      }
      return shuffled
    },
  }
}
