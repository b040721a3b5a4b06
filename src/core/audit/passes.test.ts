import { expect, it } from 'vitest'
import { movedTo, passesIn } from './passes'

const at = (seconds: number) => new Date(Date.UTC(2026, 9, 12, 10) + seconds * 1000).toISOString()

/** Two blocks of three passes of four frames, then one of two: passes 8 s apart, a minute and more between blocks. */
const shot = [
  [0, 8, 16],
  [90, 98, 106],
  [200, 208],
].flatMap((passes, block) =>
  passes.flatMap(start => [0, 0.2, 0.4, 0.6].map(s => ({ at: at(start + s), block, start }))),
)

it('puts frames into passes and passes into blocks, in whatever order they were dropped', () => {
  const dropped = shot.toReversed()
  const passes = passesIn(
    dropped.map(s => s.at),
    3,
  )
  expect(passes.map(p => p.block)).toEqual([0, 0, 0, 1, 1, 1, 2, 2])
  for (const p of passes) {
    const starts = new Set(p.pictures.map(i => dropped[i]?.start))
    expect([p.pictures.length, starts.size]).toEqual([4, 1])
    expect(dropped[p.pictures[0] ?? 0]?.block).toBe(p.block)
  }
})

it('makes no more blocks than there are pauses to change a setting in, and no more than the plan has', () => {
  const times = shot.map(s => s.at)
  expect(new Set(passesIn(times, 12).map(p => p.block)).size).toBe(3)
  expect(new Set(passesIn(times, 2).map(p => p.block)).size).toBe(2)
  // Of two pauses the longer one is where the setting was changed.
  expect(passesIn(times, 2).map(p => p.block)).toEqual([0, 0, 0, 0, 0, 0, 1, 1])
  expect(passesIn([], 3)).toEqual([])
})

it('moves a pass with all that came after it', () => {
  const passes = passesIn(
    shot.map(s => s.at),
    3,
  )
  expect(movedTo(passes, 2, 1, 4).map(p => p.block)).toEqual([0, 0, 1, 2, 2, 2, 3, 3])
  expect(movedTo(passes, 3, 0, 4).map(p => p.block)).toEqual([0, 0, 0, 0, 0, 0, 1, 1])
})
