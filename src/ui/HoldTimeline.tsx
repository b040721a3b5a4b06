'use client'

import { Slider } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useId, useState } from 'react'
import type { Physical } from '@/core/vocabulary/values'
import { Box, Typography } from './elements'

const WIDTH = 320
const LEFT = 8
/** Seconds that the drawing shows, and how long the subject is seen before somebody comes in front. */
const SHOWN = 6
const BEFORE = 1

const Drawing = styled('svg')(({ theme }) => ({
  width: '100%',
  maxWidth: 360,
  display: 'block',
  fontFamily: theme.typography.fontFamily ?? 'inherit',
  fontSize: 10,
  '& .axis': { stroke: theme.vars?.palette.own.line, strokeWidth: 1 },
  '& .kept': { fill: theme.vars?.palette.own.grade.same },
  '& .lost': { fill: theme.vars?.palette.own.grade.different },
  '& .obstacle': { fill: theme.vars?.palette.own.line, opacity: 0.3 },
  '& .wait': { stroke: theme.vars?.palette.own.marigold.main, strokeWidth: 4, strokeLinecap: 'round' },
  '& text': { fill: theme.vars?.palette.text.secondary },
}))

const xAt = (seconds: number) => LEFT + (Math.min(SHOWN, seconds) / SHOWN) * (WIDTH - 2 * LEFT)

/**
 * How long the camera waits, as time passing: the subject, somebody crossing in front of it, and what focus does
 * meanwhile.
 */
export const HoldTimeline = ({ hold, onHold }: { hold: Physical; onHold?: (seconds: number) => void }) => {
  const [hidden, setHidden] = useState(1)
  const [crossing, waiting] = [useId(), useId()]
  const wait = hold === 'never' ? 0 : hold === 'always' ? SHOWN : hold
  const stays = hold === 'always' || wait >= hidden
  const [from, back] = [BEFORE, BEFORE + hidden]
  const leaves = BEFORE + wait
  return (
    <Box sx={{ maxWidth: 'var(--field-long)' }}>
      <Drawing
        viewBox={`0 0 ${WIDTH} 84`}
        role="img"
        aria-label={
          stays
            ? `Somebody hides the subject for ${hidden.toFixed(1)} s; focus waits and is still on it afterwards`
            : `Somebody hides the subject for ${hidden.toFixed(1)} s; after ${wait.toFixed(1)} s focus leaves for whoever is in front`
        }
      >
        <text x={LEFT} y="10">
          somebody in front
        </text>
        <rect className="obstacle" x={xAt(from)} y="14" width={xAt(back) - xAt(from)} height="14" rx="2" />
        <text x={LEFT} y="42">
          focus
        </text>
        <rect className="kept" x={xAt(0)} y="46" width={xAt(stays ? SHOWN : leaves) - xAt(0)} height="8" rx="2" />
        {!stays && <rect className="lost" x={xAt(leaves)} y="46" width={xAt(SHOWN) - xAt(leaves)} height="8" rx="2" />}
        <line className="wait" x1={xAt(from)} x2={xAt(Math.min(SHOWN, leaves))} y1="62" y2="62" />
        <line className="axis" x1={xAt(0)} x2={xAt(SHOWN)} y1="70" y2="70" />
        {Array.from({ length: SHOWN + 1 }, (_, s) => (
          <text key={s} x={xAt(s)} y="82" textAnchor="middle">
            {s}
          </text>
        ))}
      </Drawing>
      <Typography variant="body2" sx={{ fontWeight: 'fontWeightMedium' }}>
        {stays ? 'Focus is still on the subject afterwards.' : 'Focus leaves for whoever is in front.'}
      </Typography>
      <Typography variant="body2" color="textSecondary" id={crossing} sx={{ mt: 1 }}>
        Hidden for {hidden.toFixed(1)} s
      </Typography>
      <Slider
        size="small"
        value={hidden}
        min={0.2}
        max={4.8}
        step={0.1}
        aria-labelledby={crossing}
        onChange={(_, v) => setHidden(v)}
      />
      {onHold && typeof hold === 'number' && (
        <>
          <Typography variant="body2" color="textSecondary" id={waiting}>
            Waits {hold.toFixed(1)} s
          </Typography>
          <Slider
            size="small"
            value={Math.min(5, hold)}
            min={0.1}
            max={5}
            step={0.1}
            aria-labelledby={waiting}
            onChange={(_, v) => onHold(v)}
          />
        </>
      )}
    </Box>
  )
}
