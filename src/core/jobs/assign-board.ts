import { FORBIDDEN } from '../numeric/assignment'

/** Who needs a unit when, what each would cost, and the units as they are handed out so far. */

/** Somebody at a scene who needs a unit. */
export interface Need {
  readonly scene: string
  readonly person: string | undefined
  /** Milliseconds since 1970. */
  readonly from: number
  readonly until: number
  /** What each unit costs here; Infinity where it cannot be taken. */
  readonly cost: readonly number[]
  /** The unit that is settled; nothing else is tried. */
  readonly fixed: number | undefined
}

/** Somebody without a unit: worse than any unit that can be taken. */
export const NO_UNIT = 20_000
/** Another unit than one had in the scene before. */
export const CHANGES_HANDS = 25

export interface Assignment {
  /** By need, in the order they came: the unit. */
  readonly unitOf: readonly (number | undefined)[]
  readonly cost: number
  /** Nothing is cheaper. */
  readonly isBest: boolean
}

/** Needs with who is beside whom, and the units as they are handed out so far. */
export interface Board {
  readonly needs: readonly Need[]
  readonly units: number
  readonly unitOf: (number | undefined)[]
  /** Needs of others at the same time, who cannot have the same unit. */
  readonly beside: readonly (readonly number[])[]
  /** The need of the same person before each, and after it. */
  readonly before: readonly (number | undefined)[]
  readonly after: readonly (number | undefined)[]
  readonly ownCost: (need: number, unit: number | undefined) => number
  /** Changing hands on the way to a need, so that each change is counted once. */
  readonly handsCost: (need: number) => number
  readonly isBusy: (need: number, unit: number) => boolean
}

const clashes = (a: Need, b: Need): boolean =>
  a.from < b.until && b.from < a.until && (a.person === undefined || a.person !== b.person)

/** Needs come in the order in which they begin: those that begin after one has ended are not looked at. */
const besideOf = (needs: readonly Need[]): readonly (readonly number[])[] => {
  const beside: number[][] = needs.map(() => [])
  needs.forEach((a, i) => {
    for (let j = i + 1; j < needs.length; j++) {
      const b = needs[j]
      if (!b || b.from >= a.until) break
      if (!clashes(a, b)) continue
      beside[i]?.push(j)
      beside[j]?.push(i)
    }
  })
  return beside
}

const neighbours = (needs: readonly Need[]): Pick<Board, 'before' | 'after'> => {
  const before: (number | undefined)[] = []
  const after: (number | undefined)[] = []
  const last = new Map<string, number>()
  needs.forEach((n, i) => {
    const previous = n.person === undefined ? undefined : last.get(n.person)
    before.push(previous)
    after.push(undefined)
    if (previous !== undefined) after[previous] = i
    if (n.person !== undefined) last.set(n.person, i)
  })
  return { before, after }
}

/** Whether going from one unit to the other changes hands. */
export const changesHands = (had: number | undefined, has: number | undefined): number =>
  had !== undefined && has !== undefined && had !== has ? CHANGES_HANDS : 0

export const boardOf = (needs: readonly Need[], units: number): Board => {
  const unitOf = needs.map(n => n.fixed)
  const beside = besideOf(needs)
  const { before, after } = neighbours(needs)
  return {
    needs,
    units,
    unitOf,
    beside,
    before,
    after,
    ownCost: (i, unit) => {
      const need = needs[i]
      if (unit === undefined) return NO_UNIT
      return need?.fixed === unit ? 0 : Math.min(need?.cost[unit] ?? Infinity, FORBIDDEN)
    },
    handsCost: i => changesHands(unitOf[before[i] ?? -1], unitOf[i]),
    isBusy: (i, unit) => beside[i]?.some(j => unitOf[j] === unit) ?? false,
  }
}

/** What an assignment comes to; Infinity where a unit is in two hands at once. */
export const costOf = (needs: readonly Need[], unitOf: readonly (number | undefined)[]): number => {
  const { beside, before, ownCost } = boardOf(needs, 0)
  return needs.reduce((sum, n, i) => {
    const unit = unitOf[i]
    const isTwice = n.fixed === undefined && unit !== undefined && beside[i]?.some(j => j < i && unitOf[j] === unit)
    if (isTwice) return Infinity
    return sum + ownCost(i, unit) + changesHands(unitOf[before[i] ?? -1], unit)
  }, 0)
}
