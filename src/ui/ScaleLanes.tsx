'use client'

import { useMediaQuery } from '@mui/material'
import { styled, useTheme } from '@mui/material/styles'
import { type Axis, type BodyScale, shareOnAxis, type Step } from '@/core/phrasebook/scales'
import { percent } from '@/core/vocabulary/words'
import { Box, Typography } from './elements'

const Lane = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '112px 1fr 168px',
  gap: theme.spacing(2),
  alignItems: 'center',
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '1fr', gap: 0, paddingTop: theme.spacing(1) },
}))

const Track = styled('div')(({ theme }) => ({
  position: 'relative',
  height: 46,
  '&::before': {
    content: '""',
    position: 'absolute',
    left: 0,
    right: 0,
    top: 15,
    borderTop: `1px solid ${theme.vars?.palette.divider}`,
  },
  '& .spread': {
    position: 'absolute',
    top: 11,
    height: 9,
    borderRadius: 4,
    background: theme.vars?.palette.own.marigold.wash,
    border: `1px solid ${theme.vars?.palette.own.marigold.main}`,
  },
  '& .dot': {
    position: 'absolute',
    top: 10,
    width: 11,
    height: 11,
    marginLeft: -5.5,
    borderRadius: '50%',
    border: `2px solid ${theme.vars?.palette.text.primary}`,
    background: theme.vars?.palette.background.default,
  },
  '& .measured': { background: theme.vars?.palette.text.primary },
  '& .word': {
    ...theme.typography.value,
    position: 'absolute',
    top: 24,
    transform: 'translateX(-50%)',
    whiteSpace: 'nowrap',
  },
}))

/** The part of an option's words that tells it from its neighbours. */
const shortWords = (step: Step): string => {
  const number = /([−+-]?\d{1,9}(?:[.,]\d{1,9})?)(?: of \d{1,9})?$/.exec(step.words)
  const last = step.words.split(': ').at(-1) ?? step.words
  return number && !/\d\s*s$/.test(step.words) ? (number[1] ?? last) : last
}

const axisWords = (axis: Axis, at: number): string =>
  axis.unit === 'of the frame'
    ? percent(at)
    : axis.unit === 'of full drive speed'
      ? percent(at)
      : `${Number(at.toPrecision(2))}${axis.unit === 'of 1' ? '' : ` ${axis.unit}`}`

/** Words that would lie on each other are left out; the dot keeps its title. In hundredths of the lane. */
const WIDTH_OF_LETTER = { wide: 1.15, phone: 2.4 } as const
const GAP = 1.5

const visibleWords = (
  places: readonly { readonly x: number; readonly words: string }[],
  letter: number,
): ReadonlySet<number> => {
  const shown = new Set<number>()
  let end = -Infinity
  places
    .map((p, i) => ({ ...p, i, half: (p.words.length * letter) / 2 }))
    .toSorted((a, b) => a.x - b.x)
    .forEach(p => {
      if (p.x * 100 - p.half < end) return
      shown.add(p.i)
      end = p.x * 100 + p.half + GAP
    })
  return shown
}

const stepTitle = (axis: Axis, s: Step): string =>
  s.measured
    ? `${s.words}: ${axisWords(axis, s.at)}, measured ${s.measured.trials} times${s.measured.lens === undefined ? '' : ` with ${s.measured.lens}`}, ${axisWords(axis, s.measured.low)} to ${axisWords(axis, s.measured.high)}`
    : `${s.words}: ${axisWords(axis, s.at)}, declared`

const DIRECTION = { rising: 'rising', falling: 'falling', mixed: '' } as const

/**
 * The scales of all bodies above one another on one axis, by what they do. Filled dots are measured, with their spread;
 * hollow ones are declared by the profile.
 */
export const ScaleLanes = ({ scales, axis }: { scales: readonly BodyScale[]; axis: Axis }) => {
  const theme = useTheme()
  const isPhone = useMediaQuery(theme.breakpoints.down('sm'))
  const ticks = axis.isRatio
    ? [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50].map(t => (axis.unit === 'of the frame' ? t / 50 : t))
    : []
  const shown = ticks.filter(t => t >= axis.low && t <= axis.high)
  return (
    <Box role="group" aria-label="Scales side by side">
      {scales.map(s => {
        const places = s.steps.map(step => ({ x: shareOnAxis(axis, step.at), words: shortWords(step) }))
        const words = visibleWords(places, WIDTH_OF_LETTER[isPhone ? 'phone' : 'wide'])
        return (
          <Lane key={s.body}>
            <Typography variant="strong">{s.model}</Typography>
            <Track>
              {s.steps.map((step, i) => {
                const left = `${(places[i]?.x ?? 0) * 100}%`
                const { measured } = step
                const key = `${step.setting}-${step.option}`
                return (
                  <span key={key}>
                    {measured && (
                      <span
                        className="spread"
                        style={{
                          left: `${shareOnAxis(axis, measured.low) * 100}%`,
                          width: `${(shareOnAxis(axis, measured.high) - shareOnAxis(axis, measured.low)) * 100}%`,
                        }}
                      />
                    )}
                    <span
                      className={measured ? 'dot measured' : 'dot'}
                      style={{ left }}
                      title={stepTitle(axis, step)}
                      role="img"
                      aria-label={stepTitle(axis, step)}
                    />
                    {words.has(i) && (
                      <span className="word" style={{ left }} aria-hidden>
                        {places[i]?.words}
                      </span>
                    )}
                  </span>
                )
              })}
            </Track>
            <Typography
              variant="body2"
              sx={{ fontWeight: s.reversed ? 700 : 400 }}
              color={s.reversed ? 'secondary' : 'textSecondary'}
            >
              {s.reversed ? '← runs the other way' : DIRECTION[s.direction] && `${DIRECTION[s.direction]} →`}
            </Typography>
          </Lane>
        )
      })}
      {shown.length > 0 && (
        <Lane sx={{ border: 0 }} aria-hidden>
          <span />
          <Box sx={{ position: 'relative', height: 24 }}>
            {shown.map(t => (
              <Typography
                key={t}
                variant="body2"
                color="textSecondary"
                sx={{ position: 'absolute', transform: 'translateX(-50%)', whiteSpace: 'nowrap' }}
                style={{ left: `${shareOnAxis(axis, t) * 100}%` }}
              >
                {axisWords(axis, t)}
              </Typography>
            ))}
          </Box>
          <span />
        </Lane>
      )}
    </Box>
  )
}
