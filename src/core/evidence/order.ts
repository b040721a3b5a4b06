import type { Random } from '../numeric/random'

/**
 * A Williams square: every way once in every row and column, and every way after every other equally often, so that
 * what one leaves behind for the next falls on all alike. An odd number of ways takes twice as many rows.
 *
 * @param ways how many, at least 1
 * @returns rows of numbers from 0 to ways - 1
 * @source Williams (1949), Australian Journal of Scientific Research A 2:149-168
 */
export const williamsSquare = (ways: number): readonly (readonly number[])[] => {
  // 0, 1, n-1, 2, n-2, ...: neighbours differ by every step once.
  const first = Array.from({ length: ways }, (_, i) => (i % 2 === 1 ? (i + 1) / 2 : (ways - i / 2) % ways))
  const rows = Array.from({ length: ways }, (_, r) => first.map(v => (v + r) % ways))
  return ways % 2 === 0 || ways === 1 ? rows : [...rows, ...rows.map(r => r.toReversed())]
}

/** Blocks of a trial: one way in one situation. */
export interface Slot {
  readonly situation: number
  readonly round: number
  readonly way: number
}

/**
 * Every way in every situation, so many rounds: one situation after the other, each round a row of a Williams square,
 * rows drawn by chance and used up before any comes again.
 */
export const balancedBlocks = (ways: number, situations: number, rounds: number, chance: Random): readonly Slot[] => {
  const square = williamsSquare(ways)
  return Array.from({ length: situations }, (_, situation) => {
    const rows: (readonly number[])[] = []
    while (rows.length < rounds) rows.push(...chance.shuffle(square))
    return rows.slice(0, rounds).flatMap((row, round) => row.map(way => ({ situation, round, way })))
  }).flat()
}
