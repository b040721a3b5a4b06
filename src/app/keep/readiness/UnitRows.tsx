'use client'

import { Button } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useEffect, useRef, useState } from 'react'
import type { Readiness, ReadinessState } from '@/core/kit/readiness'
import type { UnitReadiness } from '@/server/readiness'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { RowLink } from '@/ui/pieces'
import { When } from '@/ui/When'
import { Box, Typography } from '@/ui/elements'

const Row = styled(RowLink)(({ theme }) => ({
  gridTemplateColumns: '44px 96px minmax(120px, 0.8fr) minmax(220px, 2fr) minmax(120px, 1fr) 130px',
  gap: theme.spacing(0.25, 2),
  minHeight: 'var(--row)',
  padding: theme.spacing(0.75, 1),
  [theme.breakpoints.down('md')]: {
    gridTemplateColumns: '44px 1fr auto',
    '& .wide': { display: 'none' },
    '& .words': { gridColumn: '2 / -1' },
    '& .model': { textAlign: 'right' },
  },
}))

/** The alignment mark for readiness: how far off, dotted where nothing is known. */
const MARKS: Readonly<
  Record<ReadinessState, readonly [grade: 'same' | 'near' | 'stand-in' | 'different' | 'missing', off: number]>
> = {
  ready: ['same', 0],
  unproven: ['near', 0.2],
  'out-of-date': ['stand-in', 0.5],
  differs: ['different', 0.9],
  unknown: ['missing', 1],
}

/** So many rows are drawn at once; more follow as somebody comes to them. */
const ROWS_AT_ONCE = 40

/** Units in a list, as many as are in sight. */
export const UnitRows = ({ units, label }: { units: readonly UnitReadiness[]; label: string }) => {
  const [most, setMost] = useState(ROWS_AT_ONCE)
  const end = useRef<HTMLDivElement>(null)
  const isMore = units.length > most
  useEffect(() => {
    if (!isMore || !end.current) return
    const watch = new IntersectionObserver(
      entries => {
        if (entries.some(e => e.isIntersecting)) setMost(n => n + ROWS_AT_ONCE)
      },
      { rootMargin: '400px' },
    )
    watch.observe(end.current)
    return () => watch.disconnect()
  }, [isMore, most])
  return (
    <>
      <Box
        component="ul"
        aria-label={label}
        sx={{ listStyle: 'none', p: 0, m: 0, mt: 2, borderTop: 1, borderColor: 'divider' }}
      >
        {units.slice(0, most).map(u => (
          <li key={u.unit}>
            <UnitRow unit={u} />
          </li>
        ))}
      </Box>
      {isMore && (
        <div ref={end}>
          <Button onClick={() => setMost(units.length)}>Show all {units.length}</Button>
        </div>
      )}
    </>
  )
}

export const Mark = ({ is }: { is: ReadinessState }) => {
  const [grade, off] = MARKS[is]
  return <AlignmentMark grade={grade} distance={off} bare />
}

const UnitRow = ({ unit: u }: { unit: UnitReadiness }) => (
  <Row to={`/set/cards/${u.body}`} more={{ unit: u.unit }}>
    <Mark is={u.readiness.is} />
    <Typography component="span" variant="value" sx={{ fontWeight: 'fontWeightMedium' }}>
      {u.tag}
    </Typography>
    <Typography component="span" className="model" noWrap>
      {u.model}
    </Typography>
    <span className="words">
      <Typography component="span">{u.words}</Typography>
      <Until readiness={u.readiness} />
    </span>
    <Typography component="span" variant="body2" color="textSecondary" className="wide">
      {u.people.map(p => p.name).join(', ')}
    </Typography>
    <Typography component="span" variant="body2" color="textSecondary" className="wide" sx={{ textAlign: 'right' }}>
      {u.last && <When at={u.last} />}
    </Typography>
  </Row>
)

const Until = ({ readiness: r }: { readiness: Readiness }) =>
  r.is === 'ready' ? (
    <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
      until <When at={r.until} />
    </Typography>
  ) : null
