'use client'

import { Slider } from '@mui/material'
import { useState } from 'react'
import { LAMBDAS } from '@/core/level/level'
import { Box, Typography } from '@/ui/elements'

/** The position of a lambda on the slider; the nearest one where it is none of them. */
export const positionOf = (lambdaHundredths: number): number =>
  LAMBDAS.reduce(
    (best, l, i) => (Math.abs(l - lambdaHundredths) < Math.abs((LAMBDAS[best] ?? 0) - lambdaHundredths) ? i : best),
    0,
  )

export const lambdaWords = (lambdaHundredths: number): string =>
  lambdaHundredths === 0
    ? 'each body does its best'
    : `being alike counts ${lambdaHundredths / 100} against 1 for being right`

/**
 * The position under the hand. The address follows a moment later; what it says on the way there does not pull the
 * slider back, so that quick presses all count.
 */
const usePosition = (lambdaHundredths: number, onMove: (lambdaHundredths: number) => void) => {
  const [position, setPosition] = useState(positionOf(lambdaHundredths))
  const [underway, setUnderway] = useState(false)
  const [seen, setSeen] = useState(lambdaHundredths)
  if (seen !== lambdaHundredths) {
    setSeen(lambdaHundredths)
    const there = positionOf(lambdaHundredths)
    if (!underway || there === position) {
      setPosition(there)
      setUnderway(false)
    }
  }
  const move = (next: number) => {
    setPosition(next)
    setUnderway(LAMBDAS[next] !== lambdaHundredths)
    onMove(LAMBDAS[next] ?? 0)
  }
  return { position, move }
}

/** From the best on each body to alike on all of them. */
export const LevelSlider = ({
  lambdaHundredths,
  onMove,
}: {
  lambdaHundredths: number
  onMove: (lambdaHundredths: number) => void
}) => {
  const { position, move } = usePosition(lambdaHundredths, onMove)
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 2.5,
        minWidth: { sm: 400 },
        width: { xs: '100%', sm: 'auto' },
        ml: { sm: 2 },
      }}
    >
      <Typography variant="body2">Best on each</Typography>
      <Slider
        value={position}
        min={0}
        max={LAMBDAS.length - 1}
        step={1}
        aria-label="From best on each body to alike on all"
        getAriaValueText={v => lambdaWords(LAMBDAS[v] ?? 0)}
        onChange={(_, v) => move(v)}
        sx={{ flex: 1, minWidth: 'var(--field-number)' }}
      />
      <Typography variant="body2">Alike on all</Typography>
    </Box>
  )
}
