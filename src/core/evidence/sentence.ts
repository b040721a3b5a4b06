import type { Comparison, Verdict } from './verdict'
import type { Trial } from './trial'

const hundredths = (share: number): number => Math.round(share * 100)

/** What can be said of two ways. */
const told = (trial: Trial, { ways }: Verdict, { a, b, difference, isTold }: Comparison): string => {
  const of = (id: string) => ({
    name: trial.ways.find(w => w.id === id)?.name ?? id,
    share: ways.find(w => w.way === id)?.tally.share ?? { kept: 0, of: 0 },
  })
  const isFirst = difference.is >= 0
  const [more, less] = isFirst ? [of(a), of(b)] : [of(b), of(a)]
  const [low, high] = isFirst ? [difference.low, difference.high] : [-difference.high, -difference.low]
  const count = ({ share }: typeof more) => (share.of === 0 ? 'none' : `${hundredths(share.kept / share.of)} of 100`)
  // One way may have had more of the harder situation: what counts is the difference within each.
  const isTurned = more.share.kept * less.share.of < less.share.kept * more.share.of
  const shares = `${count(more)} against ${count(less)}${isTurned ? ' in all, but more within each situation' : ''}`
  if (isTold) {
    const matters =
      low >= trial.matters
        ? 'more than what matters'
        : high >= trial.matters
          ? 'enough to change the standard for this'
          : 'but less than what matters'
    return `${more.name} kept more than ${less.name}: ${shares}, between ${Math.max(1, hundredths(low))} and ${hundredths(high)} more; ${matters}.`
  }
  const reach = Math.max(Math.abs(low), Math.abs(high))
  return reach < trial.matters
    ? `${more.name} and ${less.name} keep alike, as far as it matters: ${shares}, at most ${hundredths(reach)} apart.`
    : `Between ${more.name} and ${less.name} nothing can be said yet: ${shares}; the truth may lie anywhere from ${hundredths(-low)} fewer to ${hundredths(high)} more.`
}

/** What a trial says, a sentence for each two ways: first what can be told. */
export const sentencesOf = (trial: Trial, verdict: Verdict): readonly string[] =>
  verdict.ways.every(w => w.tally.share.of === 0)
    ? ['Nothing has been counted yet.']
    : verdict.comparisons
        .toSorted(
          (a, b) => Number(b.isTold) - Number(a.isTold) || Math.abs(b.difference.is) - Math.abs(a.difference.is),
        )
        .map(c => told(trial, verdict, c))
