import { random } from '../numeric/random'

/**
 * In which order the steps of a scale are measured: every round has each step once, shuffled, and every second round
 * is the one before it turned round. So tiring arms and fading light fall on all steps alike.
 *
 * @param repeats how often each step is measured, >= 1
 * @example balancedOrder(['a', 'b'], 2, 1).length // 4
 */
export const balancedOrder = <T>(steps: readonly T[], repeats: number, seed: number): readonly T[] => {
  if (!(Number.isInteger(repeats) && repeats >= 1))
    throw new RangeError(`invalid repeats: ${repeats}, expected 1 or more`)
  const chance = random(seed)
  const rounds: T[][] = []
  while (rounds.length < repeats) {
    const round = chance.shuffle(steps)
    rounds.push(round)
    if (rounds.length < repeats) rounds.push(round.toReversed())
  }
  return rounds.flat()
}
