'use client'

import { Box, Typography } from '@mui/material'
import { styled } from '@mui/material/styles'
import type { Control } from '@/core/bodies'

/** The three sides a camera is drawn from: plain outlines, the same for every body; only the controls are its own. */
const VIEWS = [
  { id: 'back', label: 'Back', height: 66 },
  { id: 'top', label: 'Top', height: 40 },
  { id: 'front', label: 'Front', height: 66 },
] as const
const WIDTH = 100

const Drawing = styled('svg')(({ theme }) => ({
  width: '100%',
  display: 'block',
  color: theme.vars?.palette.own.line,
  '& .outline': { fill: theme.vars?.palette.background.paper, stroke: 'currentColor', strokeWidth: 0.5 },
  '& .part': { fill: 'none', stroke: 'currentColor', strokeWidth: 0.4, opacity: 0.6 },
  '& .control': {
    fill: theme.vars?.palette.background.paper,
    stroke: theme.vars?.palette.text.primary,
    strokeWidth: 0.6,
  },
  '& .held': { fill: theme.vars?.palette.own.marigold.main },
  '& text': {
    fill: theme.vars?.palette.text.primary,
    fontFamily: theme.typography.value.fontFamily,
    fontSize: 3.6,
    fontWeight: 600,
    textAnchor: 'middle',
    dominantBaseline: 'central',
  },
}))

const Back = () => (
  <>
    <rect className="outline" x={2} y={8} width={96} height={54} rx={5} />
    <rect className="part" x={12} y={20} width={56} height={37} rx={1.5} />
    <rect className="part" x={32} y={9.5} width={16} height={8} rx={2} />
  </>
)
const Top = () => (
  <>
    <rect className="outline" x={2} y={8} width={96} height={18} rx={5} />
    <rect className="outline" x={33} y={18} width={32} height={18} rx={3} />
    <rect className="part" x={38} y={6} width={20} height={12} rx={3} />
  </>
)
const Front = () => (
  <>
    <rect className="outline" x={2} y={8} width={96} height={54} rx={5} />
    <circle className="outline" cx={54} cy={36} r={22} />
    <circle className="part" cx={54} cy={36} r={15} />
    <rect className="part" x={6} y={14} width={17} height={46} rx={6} />
  </>
)
const OUTLINES = { back: Back, top: Top, front: Front } as const

/**
 * The controls of a body on plain outlines of its back, top and front, numbered as in the list beside it. Filled
 * controls can be held.
 */
export const Schematic = ({ controls }: { controls: readonly Control[] }) => (
  <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: 'repeat(3, 1fr)' }, gap: 2 }}>
    {VIEWS.map(view => {
      const Outline = OUTLINES[view.id]
      const here = controls.map((c, i) => ({ c, number: i + 1 })).filter(({ c }) => c.at.view === view.id)
      return (
        <figure key={view.id} style={{ margin: 0 }}>
          <Drawing
            viewBox={`0 0 ${WIDTH} ${view.height}`}
            role="img"
            aria-label={`${view.label}: ${here.map(({ c }) => c.label).join(', ') || 'no control'}`}
          >
            <Outline />
            {here.map(({ c, number }) => (
              <g key={c.id}>
                <circle
                  className={c.holdable ? 'control held' : 'control'}
                  cx={c.at.x * WIDTH}
                  cy={c.at.y * view.height}
                  r={4}
                />
                <text
                  x={c.at.x * WIDTH}
                  y={c.at.y * view.height}
                  {...(c.holdable ? { style: { fill: 'var(--mui-palette-own-marigold-ink)' } } : {})}
                >
                  {number}
                </text>
              </g>
            ))}
          </Drawing>
          <Typography component="figcaption" variant="body2" color="textSecondary" align="center">
            {view.label}
          </Typography>
        </figure>
      )
    })}
  </Box>
)
