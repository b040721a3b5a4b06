'use client'

import { styled } from '@mui/material/styles'
import type { Reason } from '@/core/rehearsal/rehearse'
import { type Cell, differenceOf, nearestIn, type Summary, type SweepId, SWEEPS } from '@/core/rehearsal/runs'
import type { SetUp } from '@/core/rehearsal/set-up'
import { Box, Typography } from '@/ui/elements'

const REASON_WORDS: Readonly<Record<Reason, string>> = {
  searching: 'was still searching',
  lagging: 'was on it, and not near enough',
  obstacle: 'was on what came in front, or on somebody else',
  background: 'was on the background',
}

const hundredths = (share: number): number => Math.round(100 * share)

const Lane = styled('div')(({ theme }) => ({
  position: 'relative',
  height: 22,
  maxWidth: 560,
  borderRadius: theme.shape.borderRadius,
  background: theme.vars?.palette.action.hover,
  '& .band': { position: 'absolute', top: 7, height: 8, background: theme.vars?.palette.own.marigold.main },
  '& .mark': { position: 'absolute', top: 2, width: 3, height: 18, background: theme.vars?.palette.text.primary },
}))

/** What many runs of one set-up come to. */
const Kept = ({ name, summary: s }: { name: string; summary: Summary }) => (
  <Box component="li" sx={{ mb: 2 }}>
    <Typography variant="strong">
      {name}: {hundredths(s.share)} of 100 sharp
    </Typography>
    <Lane aria-hidden>
      <span
        className="band"
        style={{ left: `${100 * s.interval.low}%`, width: `${100 * (s.interval.high - s.interval.low)}%` }}
      />
      <span className="mark" style={{ left: `calc(${100 * s.share}% - 1px)` }} />
    </Lane>
    <Typography variant="body2">
      {hundredths(s.interval.low)} to {hundredths(s.interval.high)} of 100 with {s.runs} passages;{' '}
      {s.acquireSeconds === undefined ? 'never on the subject' : `on it after ${s.acquireSeconds.toFixed(2)} s`}
      {s.never > 0 && s.never < s.runs && `, in ${s.never} of them never`}; longest loss{' '}
      {s.longestLossSeconds.toFixed(1)} s{s.notTaken > 0 && `; ${s.notTaken} frames not taken`}
    </Typography>
    {s.reasons.length > 0 && (
      <Typography variant="body2" color="textSecondary">
        Where it was not sharp it{' '}
        {s.reasons.map((r, i) => `${i > 0 ? '; ' : ''}${REASON_WORDS[r.reason]} (${r.frames})`).join('')}.
      </Typography>
    )}
  </Box>
)

/** Shares with their intervals, and what can be said of two set-ups on the same chances. */
export const Results = ({ names, summaries }: { names: readonly string[]; summaries: readonly Summary[] }) => {
  const [a, b] = summaries
  const difference = a && b ? differenceOf(a, b) : undefined
  return (
    <>
      {difference && (
        <Typography role="status" variant="h3" sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
          {differenceWords(names, difference)}
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {summaries.map((s, i) => (
          <Kept key={i} name={names[i] ?? ''} summary={s} />
        ))}
      </Box>
    </>
  )
}

const differenceWords = (names: readonly string[], d: ReturnType<typeof differenceOf>): string => {
  if (d.low <= 0 && d.high >= 0)
    return `No difference that these passages could tell: at most ${hundredths(Math.max(Math.abs(d.low), Math.abs(d.high)))} of 100.`
  const isFirst = d.is > 0
  const [low, high] = isFirst ? [d.low, d.high] : [-d.high, -d.low]
  return `${names[isFirst ? 0 : 1] ?? ''} keeps more: between ${hundredths(low)} and ${hundredths(high)} of 100, on the same chances.`
}

const HeatTable = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  ...theme.typography.body2,
  '& th': { fontWeight: theme.typography.fontWeightRegular, color: theme.vars?.palette.text.secondary, padding: 4 },
  '& td': { width: 46, height: 32, textAlign: 'center', padding: 0, color: '#111' },
  '& td[data-now=true]': { outline: `3px solid ${theme.vars?.palette.text.primary}`, outlineOffset: -3 },
}))

/** From pale to full, so that the figure on it can be read at either end. */
const shade = (share: number): string => `color-mix(in srgb, #f0b74a ${Math.round(100 * share)}%, #f7f4ec)`

/** What two settings do together; the present choice is marked. */
export const SweepTable = ({
  cells,
  across,
  down,
  setUp,
}: {
  cells: readonly Cell[]
  across: SweepId
  down: SweepId
  setUp: SetUp
}) => {
  const [columns, rows] = [SWEEPS[across], SWEEPS[down]]
  const at = new Map(cells.map(c => [`${c.column} ${c.row}`, c.share]))
  const [nowColumn, nowRow] = [nearestIn(across, setUp), nearestIn(down, setUp)]
  const best = cells.reduce<Cell | undefined>((a, c) => (a === undefined || c.share > a.share ? c : a), undefined)
  const now = at.get(`${nowColumn} ${nowRow}`)
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <HeatTable aria-label={`${columns.label} against ${rows.label}: sharp of 100`}>
        <thead>
          <tr>
            <th scope="col">
              {rows.label} ↓ {columns.label} →
            </th>
            {columns.values.map(v => (
              <th key={v} scope="col">
                {v}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.values.map((v, row) => (
            <tr key={v}>
              <th scope="row">{v}</th>
              {columns.values.map((_, column) => {
                const share = at.get(`${column} ${row}`)
                return (
                  <td
                    key={column}
                    data-now={column === nowColumn && row === nowRow}
                    style={{ background: share === undefined ? '#f7f4ec' : shade(share) }}
                  >
                    {share === undefined ? '' : hundredths(share)}
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </HeatTable>
      {best && now !== undefined && cells.length === columns.values.length * rows.values.length && (
        <Typography sx={{ mt: 1, maxWidth: 'var(--line)' }}>
          As set now about {hundredths(now)} of 100 (framed).{' '}
          {best.share - now < 0.03
            ? 'Nothing in this table would keep noticeably more.'
            : `Most, ${hundredths(best.share)}, with ${columns.label.toLowerCase()} ${columns.values[best.column] ?? ''} and ${rows.label.toLowerCase()} ${rows.values[best.row] ?? ''}.`}
        </Typography>
      )}
    </Box>
  )
}
