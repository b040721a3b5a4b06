'use client'

import { styled } from '@mui/material/styles'
import { dioptres, distanceWords, type Metres } from '@/core/lenses/distance'
import { focusRangesOf, type Lens } from '@/core/lenses/schema'
import { travelSaved } from '@/core/optics/limiter-range'
import { percent } from '@/core/vocabulary/words'
import type { Units } from './units'
import { Box, Typography } from './elements'

const Scale = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(90px, 150px) minmax(120px, 1fr) minmax(130px, 190px)',
  gap: theme.spacing(0.5, 2),
  alignItems: 'center',
  '@container (max-width: 560px)': { gridTemplateColumns: '1fr' },
}))

/** Whether label, scale and words stand beside each other goes by the room there is, not by the screen. */
const Room = styled('div')({ containerType: 'inline-size' })

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
  '& > i': { position: 'absolute', top: 4, bottom: 4, borderRadius: 2 },
  '& > .room': { border: `1px solid ${theme.vars?.palette.text.primary}` },
  '& > .plan': {
    background: `repeating-linear-gradient(135deg, ${theme.vars?.palette.text.primary} 0 2px, transparent 2px 5px)`,
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

interface Range {
  readonly label: string
  readonly near: number
  readonly far: number
}

const asMetres = (n: number): Metres => (n === Infinity ? 'infinity' : n)

/**
 * Ranges of focus on a scale in dioptres: as far as the lens really travels. Left is infinity, right the closest focus.
 *
 * @param plan what has to be reached, marked on every range; with its margin paler
 */
export const RangeScale = ({
  closest,
  ranges,
  plan,
  room,
  units,
}: {
  closest: number
  ranges: readonly Range[]
  plan?: Range
  room?: Omit<Range, 'label'>
  units: Units
}) => {
  const all = dioptres(closest)
  const share = (metres: number) => Math.min(1, Math.max(0, dioptres(asMetres(metres)) / all)) * 100
  const at = ({ near, far }: Omit<Range, 'label'>) => ({
    left: `${share(far)}%`,
    width: `max(3px, ${share(near) - share(far)}%)`,
  })
  return (
    <Room>
      <Scale role="group" aria-label="Focus range on a scale in dioptres">
        {ranges.map(p => {
          const words = `${distanceWords(asMetres(p.near), units)} to ${distanceWords(asMetres(p.far), units)}`
          const left = 1 - travelSaved(p, { near: closest, far: Infinity })
          return (
            <Box key={p.label} sx={{ display: 'contents' }}>
              <Typography>{p.label}</Typography>
              <Track role="img" aria-label={`${p.label}: ${words}`}>
                <span style={at(p)} />
                {room && <i className="room" style={at(room)} />}
                {plan && <i className="plan" style={at(plan)} />}
              </Track>
              <Typography variant="value">
                {words}
                <Typography variant="body2" component="div" color="textSecondary">
                  {percent(left)} of the travel
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
        <Typography variant="body2" color="textSecondary">
          {plan && 'hatched: what is planned'}
        </Typography>
      </Scale>
    </Room>
  )
}

const metresOf = (m: Metres): number => (m === 'infinity' ? Infinity : m)

/** The whole range and the limiter positions of a lens. */
export const LimiterDrawing = ({ lens, units }: { lens: Lens; units: Units }) => (
  <RangeScale
    closest={metresOf(lens.closest.metres)}
    ranges={focusRangesOf(lens).map(p => ({
      label: p.label,
      near: metresOf(p.near.metres),
      far: metresOf(p.far.metres),
    }))}
    units={units}
  />
)
