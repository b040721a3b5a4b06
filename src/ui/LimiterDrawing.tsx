'use client'

import { Box, Typography } from '@mui/material'
import { styled } from '@mui/material/styles'
import { dioptres, distanceWords, type Metres } from '@/core/lenses/distance'
import { focusRangesOf, type Lens, travelLeft } from '@/core/lenses/schema'
import { percent } from '@/core/vocabulary/words'
import type { Units } from './units'

const Scale = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '150px 1fr 190px',
  gap: theme.spacing(0.5, 2),
  alignItems: 'center',
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '1fr' },
}))

const Track = styled('div')(({ theme }) => ({
  position: 'relative',
  height: 22,
  borderRadius: 3,
  background: theme.vars?.palette.divider,
  '& > span': {
    position: 'absolute',
    top: 0,
    bottom: 0,
    borderRadius: 3,
    background: theme.vars?.palette.own.marigold.main,
    border: `1px solid ${theme.vars?.palette.own.line}`,
  },
}))

const MARKS: readonly Metres[] = ['infinity', 20, 10, 5, 3, 2, 1.5, 1, 0.7, 0.5, 0.4, 0.3, 0.25, 0.2, 0.15]
const LEAST_GAP = 0.09

/** Marks that have room beside each other, from infinity inward. */
const marksFor = (closest: number): readonly Metres[] => {
  const shown: Metres[] = []
  let last = -1
  for (const m of MARKS) {
    const at = dioptres(m) / closest
    if (at > 1.001 || (last >= 0 && at - last < LEAST_GAP)) continue
    shown.push(m)
    last = at
  }
  return shown
}

/**
 * The whole range and the limiter positions of a lens on a scale in dioptres: as far as the lens really travels. Left
 * is infinity, right the closest focus.
 */
export const LimiterDrawing = ({ lens, units }: { lens: Lens; units: Units }) => {
  const all = dioptres(lens.closest.metres)
  return (
    <Scale role="group" aria-label="Focus range on a scale in dioptres">
      {focusRangesOf(lens).map(p => {
        const [left, right] = [dioptres(p.far.metres) / all, Math.min(1, dioptres(p.near.metres) / all)]
        const words = `${distanceWords(p.near.metres, units)} to ${distanceWords(p.far.metres, units)}`
        return (
          <Box key={p.label} sx={{ display: 'contents' }}>
            <Typography>{p.label}</Typography>
            <Track role="img" aria-label={`${p.label}: ${words}`}>
              <span style={{ left: `${left * 100}%`, width: `${(right - left) * 100}%` }} />
            </Track>
            <Typography variant="value">
              {words}
              <Typography variant="body2" component="div" color="textSecondary">
                {percent(travelLeft(lens, p))} of the travel
              </Typography>
            </Typography>
          </Box>
        )
      })}
      <span />
      <Box sx={{ position: 'relative', height: 22 }} aria-hidden>
        {marksFor(all).map(m => (
          <Typography
            key={m}
            variant="body2"
            color="textSecondary"
            sx={{
              position: 'absolute',
              transform: m === 'infinity' ? 'none' : 'translateX(-50%)',
              whiteSpace: 'nowrap',
            }}
            style={{ left: `${(dioptres(m) / all) * 100}%` }}
          >
            {m === 'infinity' ? '∞' : distanceWords(m, units)}
          </Typography>
        ))}
      </Box>
      <span />
    </Scale>
  )
}
