import { kappa } from './agreement'
import { fisher, holm, mcnemar } from './exact'
import { difference, type Interval, pairedDifference, type Pairs, type Share, wilson } from './shares'
import { demandFor, framesToTell } from './size'
import { medianWait, type Wait } from './survival'
import { type Stratum, together } from './together'
import { blocksOf, byTime, type Count, type Judgement, JUDGEMENTS, type Reason, type Trial } from './trial'

/** What was counted of one way: all passes, and of those the sharp ones. */
export interface Tally {
  readonly sharp: number
  readonly soft: number
  readonly missed: number
  readonly share: Share
  readonly interval: Interval
  readonly waits: readonly Wait[]
  readonly median: number | undefined
}

/** One way beside another. */
export interface Comparison {
  readonly a: string
  readonly b: string
  /** Kept share of a less that of b. */
  readonly difference: Interval & { readonly is: number }
  /** That chance alone would do it, corrected for all comparisons. */
  readonly p: number
  readonly isTold: boolean
}

export type Remark =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'unfinished'; readonly counted: number; readonly of: number }
  | { readonly kind: 'unbalanced'; readonly least: string; readonly most: string }
  | { readonly kind: 'broken'; readonly blocks: readonly number[] }
  | { readonly kind: 'light'; readonly blocks: readonly number[] }
  | { readonly kind: 'order'; readonly way: string; readonly first: Share; readonly later: Share }
  | { readonly kind: 'all-kept' }
  | {
      readonly kind: 'counters'
      readonly first: string
      readonly second: string
      readonly kappa: number | undefined
      readonly passes: number
    }

export interface Verdict {
  readonly ways: readonly { readonly way: string; readonly tally: Tally; readonly bySituation: readonly Tally[] }[]
  readonly comparisons: readonly Comparison[]
  readonly reasons: readonly { readonly reason: Reason; readonly count: number }[]
  readonly remarks: readonly Remark[]
  /** Passes of each block, by its place in the order; by one person where two counted. */
  readonly perBlock: ReadonlyMap<number, number>
  /** Passes of each way that would tell the difference that matters, from what was kept. */
  readonly needed: number
}

const ALPHA = 0.05
/** Below this the counts of two people say little about the same thing. @source Landis and Koch (1977), Biometrics 33:159-174 */
export const GOOD_AGREEMENT = 0.6

const tallyOf = (counts: readonly Count[]): Tally => {
  const of = (judgement: Judgement) => counts.filter(c => c.judgement === judgement).length
  const share = { kept: of('sharp'), of: counts.length }
  const waits = counts.flatMap(c =>
    c.seconds === undefined ? [] : [{ seconds: c.seconds, gaveUp: c.gaveUp === true }],
  )
  return {
    sharp: share.kept,
    soft: of('soft'),
    missed: of('missed'),
    share,
    interval: wilson(share),
    waits,
    median: medianWait(waits),
  }
}

/** Counts in the order in which they were made, by block. */
const inBlocks = (counts: readonly Count[]): ReadonlyMap<number, readonly Count[]> => {
  const blocks = new Map<number, Count[]>()
  for (const count of counts.toSorted(byTime)) {
    const there = blocks.get(count.block)
    if (there) there.push(count)
    else blocks.set(count.block, [count])
  }
  return blocks
}

/** Passes that were shot in two ways at once. */
const pairsOf = (trial: Trial, counts: readonly Count[], a: string, b: string): Pairs => {
  const pairs = { both: 0, first: 0, second: 0, none: 0 }
  const here = inBlocks(counts)
  const blocks = blocksOf(trial).map((block, i) => ({ ...block, counts: here.get(i) ?? [] }))
  for (const one of blocks.filter(x => x.way.id === a)) {
    const other = blocks.find(x => x.way.id === b && x.round === one.round && x.situation.id === one.situation.id)
    one.counts.forEach((c, i) => {
      const d = other?.counts[i]
      if (!d) return
      const [isFirst, isSecond] = [c.judgement === 'sharp', d.judgement === 'sharp']
      pairs[isFirst ? (isSecond ? 'both' : 'first') : isSecond ? 'second' : 'none']++
    })
  }
  return pairs
}

/** Two who counted the same passes: how far they agree. */
const agreementOf = (trial: Trial, counters: readonly string[]): Remark | undefined => {
  const [first, second] = counters
  if (first === undefined || second === undefined) return undefined
  const of = (who: string) => inBlocks(trial.counts.filter(c => c.counter === who))
  const others = of(second)
  const table = JUDGEMENTS.map(() => JUDGEMENTS.map(() => 0))
  let passes = 0
  for (const [block, ones] of of(first))
    ones.forEach((c, i) => {
      const d = others.get(block)?.[i]
      const row = table[JUDGEMENTS.indexOf(c.judgement)]
      if (!d || !row) return
      const column = JUDGEMENTS.indexOf(d.judgement)
      row[column] = (row[column] ?? 0) + 1
      passes++
    })
  return passes === 0 ? undefined : { kind: 'counters', first, second, kappa: kappa(table), passes }
}

/** Whoever counted most comes first: their counts are used, and those of others say how far to trust them. */
const countersOf = (trial: Trial): readonly string[] => {
  const counted = new Map<string, number>()
  for (const { counter } of trial.counts) counted.set(counter, (counted.get(counter) ?? 0) + 1)
  return [...counted].toSorted(([a, m], [b, n]) => n - m || a.localeCompare(b)).map(([who]) => who)
}

/** A block is counted by one person; where two did, by whoever counted most over all. */
const usedCounts = (trial: Trial, counters: readonly string[], broken: ReadonlySet<number>): readonly Count[] => {
  const ranks = new Map(counters.map((who, i) => [who, i]))
  const rankOf = (c: Count) => ranks.get(c.counter) ?? Infinity
  return [...inBlocks(trial.counts)].flatMap(([block, here]) => {
    if (broken.has(block)) return []
    const least = here.reduce((low, c) => Math.min(low, rankOf(c)), Infinity)
    return here.filter(c => rankOf(c) === least)
  })
}

/**
 * What one way leaves behind for the next, and whoever gets better by practice, shows between first and later rounds of
 * one situation. Situations follow one another, and one may be harder: they are not held against each other.
 */
const orderRemarks = (trial: Trial, counts: readonly Count[]): readonly Remark[] => {
  const blocks = blocksOf(trial)
  const half = Math.floor(trial.rounds / 2)
  return trial.ways.flatMap((way): readonly Remark[] => {
    const share = (situation: string, isFirst: boolean): Share => {
      const here = counts.filter(c => {
        const block = blocks[c.block]
        return block?.way.id === way.id && block.situation.id === situation && block.round < half === isFirst
      })
      return { kept: here.filter(c => c.judgement === 'sharp').length, of: here.length }
    }
    const strata = trial.situations
      .map(s => ({ a: share(s.id, true), b: share(s.id, false) }))
      .filter(({ a, b }) => a.of > 0 && b.of > 0)
    const sum = (pick: (s: Stratum) => Share): Share =>
      strata.reduce((t, s) => ({ kept: t.kept + pick(s).kept, of: t.of + pick(s).of }), { kept: 0, of: 0 })
    const [first, later] = [sum(s => s.a), sum(s => s.b)]
    const p = strata.length > 1 ? together(strata).p : fisher(first, later).either
    return p * trial.ways.length < ALPHA ? [{ kind: 'order', way: way.name, first, later }] : []
  })
}

const remarksOf = (trial: Trial, counts: readonly Count[], counters: readonly string[]): readonly Remark[] => {
  const blocks = blocksOf(trial)
  const remarks: Remark[] = []
  const planned = blocks.length * trial.passes
  if (counts.length === 0) return [{ kind: 'nothing' }]
  if (counts.length < planned) remarks.push({ kind: 'unfinished', counted: counts.length, of: planned })
  const per = trial.ways.map(w => ({ name: w.name, of: counts.filter(c => blocks[c.block]?.way.id === w.id).length }))
  const [least, most] = [per.toSorted((a, b) => a.of - b.of)[0], per.toSorted((a, b) => b.of - a.of)[0]]
  if (least && most && least.of < 0.8 * most.of)
    remarks.push({ kind: 'unbalanced', least: least.name, most: most.name })
  const marked = (is: 'isBroken' | 'isOtherLight') => trial.notes.filter(n => n[is]).map(n => n.block)
  if (marked('isBroken').length > 0) remarks.push({ kind: 'broken', blocks: marked('isBroken') })
  if (marked('isOtherLight').length > 0) remarks.push({ kind: 'light', blocks: marked('isOtherLight') })
  if (counts.every(c => c.judgement === 'sharp')) remarks.push({ kind: 'all-kept' })
  remarks.push(...orderRemarks(trial, counts))
  const agreement = agreementOf(trial, counters)
  return agreement ? [...remarks, agreement] : remarks
}

/** What a trial says, as far as it has been counted. */
export const verdictOf = (trial: Trial): Verdict => {
  const blocks = blocksOf(trial)
  const counters = countersOf(trial)
  const broken = new Set(trial.notes.filter(n => n.isBroken).map(n => n.block))
  const counts = usedCounts(trial, counters, broken)
  const ofWay = (way: string, situation?: string) =>
    counts.filter(c => {
      const block = blocks[c.block]
      return block?.way.id === way && (situation === undefined || block.situation.id === situation)
    })
  const ways = trial.ways.map(w => ({
    way: w.id,
    tally: tallyOf(ofWay(w.id)),
    bySituation: trial.situations.map(s => tallyOf(ofWay(w.id, s.id))),
  }))
  const raw = ways.flatMap((a, i) =>
    ways.slice(i + 1).map(b => {
      const strata = a.bySituation.flatMap((t, s) => {
        const other = b.bySituation[s]
        return other ? [{ a: t.share, b: other.share }] : []
      })
      const pooled = strata.length > 1 ? together(strata) : undefined
      const pairs = trial.isPaired && pairsOf(trial, counts, a.way, b.way)
      const both = { a: a.way, b: b.way }
      if (pairs) return { ...both, difference: pairedDifference(pairs), p: mcnemar(pairs.first, pairs.second) }
      if (pooled) return { ...both, difference: pooled, p: pooled.p }
      const [x, y] = [a.tally.share, b.tally.share]
      return { ...both, difference: difference(x, y), p: fisher(x, y).either }
    }),
  )
  const corrected = holm(raw.map(r => r.p))
  const reasons = new Map<Reason, number>()
  for (const { reason } of counts) if (reason) reasons.set(reason, (reasons.get(reason) ?? 0) + 1)
  const best = Math.max(...ways.map(w => (w.tally.share.of === 0 ? 0 : w.tally.share.kept / w.tally.share.of)))
  const base = counts.length === 0 ? trial.expected : best
  return {
    ways,
    comparisons: raw.map((r, i) => {
      const p = corrected[i] ?? 1
      return { ...r, p, isTold: p < ALPHA && (r.difference.low > 0 || r.difference.high < 0) }
    }),
    reasons: [...reasons].map(([reason, count]) => ({ reason, count })).toSorted((a, b) => b.count - a.count),
    remarks: remarksOf(trial, counts, counters),
    perBlock: new Map(
      [...inBlocks(usedCounts(trial, counters, new Set()))].map(([block, here]) => [block, here.length]),
    ),
    needed: framesToTell(base, Math.max(0, base - trial.matters), demandFor(trial.ways.length)).corrected,
  }
}
