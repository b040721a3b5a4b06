import { BURST_GAP_SECONDS } from './bursts'

/** Pictures of a trial, as the passes and blocks in which they were taken. */

/** A burst, or a single picture: what was taken of one pass. */
export interface Pass {
  /** Places in the list of pictures. */
  readonly pictures: readonly number[]
  readonly block: number
}

/** Setting a camera up anew takes longer than this; a shorter pause is one between passes. @source from memory */
const CHANGE_SECONDS = 20

/**
 * Passes by time, and the blocks by the longest pauses between them: a camera was set up anew there.
 *
 * @param times when each picture was taken, ISO 8601, in any order
 * @param blocks as many as the plan has; where the pauses are fewer, the last blocks have none
 * @returns in the order in which they were taken
 */
export const passesIn = (times: readonly string[], blocks: number): readonly Pass[] => {
  const order = times.map((at, index) => ({ seconds: Date.parse(at) / 1000, index }))
  order.sort((a, b) => a.seconds - b.seconds || a.index - b.index)
  const passes: { pictures: number[]; begins: number; ends: number }[] = []
  for (const { seconds, index } of order) {
    const last = passes.at(-1)
    if (last && seconds - last.ends <= BURST_GAP_SECONDS) {
      last.pictures.push(index)
      last.ends = seconds
    } else passes.push({ pictures: [index], begins: seconds, ends: seconds })
  }
  const pauses = passes
    .map((p, i) => ({ i, seconds: p.begins - (passes[i - 1]?.ends ?? p.begins) }))
    .filter(p => p.seconds >= CHANGE_SECONDS)
    .sort((a, b) => b.seconds - a.seconds || a.i - b.i)
    .slice(0, Math.max(0, blocks - 1))
  const begins = new Set(pauses.map(p => p.i))
  let block = 0
  return passes.map(({ pictures }, i) => {
    if (begins.has(i)) block++
    return { pictures, block }
  })
}

/** The same with a pass, and all that came after it, put into another block; the later blocks move along. */
export const movedTo = (passes: readonly Pass[], from: number, block: number, blocks: number): readonly Pass[] => {
  const by = block - (passes[from]?.block ?? block)
  return passes.map((p, i) => {
    if (i < from) return { ...p, block: Math.min(p.block, block) }
    return { ...p, block: Math.min(blocks - 1, Math.max(block, p.block + by)) }
  })
}
