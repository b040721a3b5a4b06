'use client'

import { styled } from '@mui/material/styles'
import { type DragEvent, type KeyboardEvent, type PointerEvent, useState } from 'react'
import type { Control } from '@/core/bodies'
import { Box, Typography } from './elements'

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
    fontWeight: theme.typography.fontWeightMedium,
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

type At = Control['at']

/** One press of an arrow key, as a share of the drawing. */
const NUDGE = 0.02
const ARROWS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-NUDGE, 0],
  ArrowRight: [NUDGE, 0],
  ArrowUp: [0, -NUDGE],
  ArrowDown: [0, NUDGE],
}
const within = (n: number): number => Number(Math.min(1, Math.max(0, n)).toFixed(3))

/**
 * The controls of a body on plain outlines of its back, top and front, numbered as in the list beside it. Filled
 * controls can be held, or have something written on them.
 *
 * @param onMove makes them movable, by drag or by arrow keys
 */
export const Schematic = ({
  controls,
  chosen,
  onChoose,
  onMove,
  marks,
  onDropOn,
}: {
  controls: readonly Control[]
  /** What is written on each control instead of its number; those that are not named stay empty. */
  marks?: Readonly<Record<string, string>> | undefined
  /** Takes what is dropped on a control. */
  onDropOn?: ((data: string, control: string) => void) | undefined
  chosen?: string | undefined
  onChoose?: (id: string) => void
  onMove?: (id: string, at: At) => void
}) => {
  const [dragged, setDragged] = useState<{ readonly id: string; readonly at: At }>()
  const placeOf = (c: Control): At => (dragged?.id === c.id ? dragged.at : c.at)
  const under = (event: PointerEvent<SVGGElement>, view: At['view']): At => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect()
    return {
      view,
      x: within((event.clientX - (box?.left ?? 0)) / (box?.width || 1)),
      y: within((event.clientY - (box?.top ?? 0)) / (box?.height || 1)),
    }
  }
  const moving = (c: Control) =>
    onMove
      ? {
          tabIndex: 0,
          role: 'button',
          'aria-label': `${c.label}: move with the arrow keys`,
          'aria-pressed': c.id === chosen,
          style: { cursor: 'grab', touchAction: 'none' },
          onFocus: () => onChoose?.(c.id),
          onKeyDown: (event: KeyboardEvent) => {
            const by = ARROWS[event.key]
            if (!by) return
            event.preventDefault()
            onMove(c.id, { ...c.at, x: within(c.at.x + by[0]), y: within(c.at.y + by[1]) })
          },
          onPointerDown: (event: PointerEvent<SVGGElement>) => {
            event.currentTarget.setPointerCapture(event.pointerId)
            onChoose?.(c.id)
            setDragged({ id: c.id, at: c.at })
          },
          onPointerMove: (event: PointerEvent<SVGGElement>) => {
            if (dragged?.id === c.id) setDragged({ id: c.id, at: under(event, c.at.view) })
          },
          onPointerUp: () => {
            if (dragged && (dragged.at.x !== c.at.x || dragged.at.y !== c.at.y)) onMove(c.id, dragged.at)
            setDragged(undefined)
          },
        }
      : {}
  const isFilled = (c: Control) => (marks ? marks[c.id] !== undefined : c.holdable)
  const dropping = (c: Control) =>
    onDropOn
      ? {
          onDragOver: (event: DragEvent<SVGGElement>) => event.preventDefault(),
          onDrop: (event: DragEvent<SVGGElement>) => {
            event.preventDefault()
            onDropOn(event.dataTransfer.getData('text/plain'), c.id)
          },
        }
      : {}
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: marks ? '1fr 1fr' : '1fr', sm: 'repeat(3, 1fr)' }, gap: 2 }}>
      {VIEWS.map(view => {
        const Outline = OUTLINES[view.id]
        const here = controls.map((c, i) => ({ c, number: i + 1 })).filter(({ c }) => c.at.view === view.id)
        return (
          <figure key={view.id} style={{ margin: 0 }}>
            <Drawing
              viewBox={`0 0 ${WIDTH} ${view.height}`}
              role={onMove ? 'group' : 'img'}
              aria-label={`${view.label}: ${here.map(({ c }) => c.label).join(', ') || 'no control'}`}
            >
              <Outline />
              {here.map(({ c, number }) => {
                const at = placeOf(c)
                return (
                  <g key={c.id} data-control={c.id} {...moving(c)} {...dropping(c)}>
                    <title>{c.label}</title>
                    <circle
                      className={isFilled(c) ? 'control held' : 'control'}
                      cx={at.x * WIDTH}
                      cy={at.y * view.height}
                      r={marks ? (isFilled(c) ? 6 : 3) : 4}
                      {...(c.id === chosen ? { strokeWidth: 1.4 } : {})}
                    />
                    <text
                      x={at.x * WIDTH}
                      y={at.y * view.height}
                      style={{
                        ...(isFilled(c) ? { fill: 'var(--mui-palette-own-marigold-ink)' } : {}),
                        ...(marks ? { fontSize: 8 } : {}),
                      }}
                    >
                      {marks ? marks[c.id] : number}
                    </text>
                  </g>
                )
              })}
            </Drawing>
            <Typography component="figcaption" variant="body2" color="textSecondary" align="center">
              {view.label}
            </Typography>
          </figure>
        )
      })}
    </Box>
  )
}
