'use client'

import { styled } from '@mui/material/styles'
import { type KeyboardEvent, type PointerEvent, useRef } from 'react'
import { percent } from '@/core/vocabulary/words'
import type { Size } from '@/core/vocabulary/values'

const WIDTH = 150
const HEIGHT = 100
const LEAST = 0.01
/** How far an arrow key moves or grows, as a share of the frame. */
const STEP = 0.01

const Drawing = styled('svg')(({ theme }) => ({
  width: '100%',
  maxWidth: 330,
  display: 'block',
  flex: 'none',
  touchAction: 'none',
  '& .frame': { fill: theme.vars?.palette.background.paper, stroke: theme.vars?.palette.own.line, strokeWidth: 0.8 },
  '& .third': { stroke: theme.vars?.palette.divider, strokeWidth: 0.6 },
  '& .area': { fill: theme.vars?.palette.own.marigold.wash, stroke: theme.vars?.palette.own.line, strokeWidth: 1 },
  '& .grip': { fill: theme.vars?.palette.own.marigold.main, stroke: theme.vars?.palette.own.line, strokeWidth: 0.8 },
  '& .person': { fill: 'none', stroke: theme.vars?.palette.own.line, strokeWidth: 1, opacity: 0.45 },
  '& [tabindex]:focus-visible': { outline: `2px solid ${theme.vars?.palette.own.marigold.main}`, outlineOffset: 1 },
}))

const within = (n: number, least: number, most: number) => Math.min(most, Math.max(least, n))
const tidy = (n: number) => Number(n.toFixed(3))

/**
 * An area in a frame of three by two at its true share. The corner makes it larger or smaller; the area itself moves
 * where somebody wants to know. With the keyboard: arrows on the corner, arrows on the area.
 */
export const AreaFrame = ({
  size,
  at = { x: 0.5, y: 0.5 },
  onSize,
  onMove,
}: {
  size: Size
  /** Its centre, as shares of the frame. */
  at?: { readonly x: number; readonly y: number }
  onSize?: (size: Size) => void
  onMove?: (at: { x: number; y: number }) => void
}) => {
  const drawing = useRef<SVGSVGElement>(null)
  const held = useRef<'corner' | 'area' | undefined>(undefined)
  const box = { w: size.width * WIDTH, h: size.height * HEIGHT }
  const left = at.x * WIDTH - box.w / 2
  const top = at.y * HEIGHT - box.h / 2

  const drag = (event: PointerEvent<SVGSVGElement>) => {
    const frame = drawing.current?.getBoundingClientRect()
    if (!held.current || !frame) return
    const x = ((event.clientX - frame.left) / frame.width) * (WIDTH + 4) - 2
    const y = ((event.clientY - frame.top) / frame.height) * (HEIGHT + 4) - 2
    if (held.current === 'area') onMove?.({ x: tidy(within(x / WIDTH, 0, 1)), y: tidy(within(y / HEIGHT, 0, 1)) })
    else
      onSize?.({
        width: tidy(within((2 * Math.abs(x - at.x * WIDTH)) / WIDTH, LEAST, 1)),
        height: tidy(within((2 * Math.abs(y - at.y * HEIGHT)) / HEIGHT, LEAST, 1)),
      })
  }
  const keys = (event: KeyboardEvent, act: (dx: number, dy: number) => void) => {
    const [dx, dy] = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key] ?? []
    if (dx === undefined || dy === undefined) return
    event.preventDefault()
    act(dx * STEP, dy * STEP)
  }
  const grip = (event: PointerEvent<SVGElement>) => {
    held.current = event.currentTarget.dataset['grip'] === 'corner' ? 'corner' : 'area'
    drawing.current?.setPointerCapture(event.pointerId)
  }

  return (
    <Drawing
      ref={drawing}
      viewBox={`-2 -2 ${WIDTH + 4} ${HEIGHT + 4}`}
      role="group"
      aria-label={`The area in the frame: ${percent(size.width)} of its width, ${percent(size.height)} of its height`}
      onPointerMove={drag}
      onPointerUp={() => (held.current = undefined)}
    >
      <rect className="frame" width={WIDTH} height={HEIGHT} />
      {[1, 2].map(n => (
        <path key={n} className="third" d={`M${(n * WIDTH) / 3} 0v${HEIGHT}M0 ${(n * HEIGHT) / 3}h${WIDTH}`} />
      ))}
      <g className="person" transform={`translate(${at.x * WIDTH} ${at.y * HEIGHT})`}>
        <circle r="5" />
        <path d="M-9 24c0-11 4-16 9-16s9 5 9 16" />
      </g>
      <rect
        className="area"
        x={left}
        y={top}
        width={box.w}
        height={box.h}
        rx="1"
        fillOpacity={0.7}
        {...(onMove
          ? {
              'data-grip': 'area',
              onPointerDown: grip,
              tabIndex: 0,
              role: 'slider',
              'aria-label': 'Place of the area; arrows move it',
              'aria-valuenow': Math.round(at.x * 100),
              'aria-valuetext': `${percent(at.x)} from the left, ${percent(at.y)} from the top`,
              onKeyDown: (e: KeyboardEvent) =>
                keys(e, (dx, dy) => onMove({ x: tidy(within(at.x + dx, 0, 1)), y: tidy(within(at.y + dy, 0, 1)) })),
              style: { cursor: 'move' },
            }
          : {})}
      />
      {onSize && (
        <circle
          className="grip"
          cx={left + box.w}
          cy={top + box.h}
          r="4"
          data-grip="corner"
          onPointerDown={grip}
          tabIndex={0}
          role="slider"
          aria-label="Size of the area; arrows make it larger or smaller"
          aria-valuenow={Math.round(size.width * 100)}
          aria-valuetext={`${percent(size.width * size.height)} of the frame`}
          onKeyDown={e =>
            keys(e, (dx, dy) =>
              onSize({
                width: tidy(within(size.width + dx, LEAST, 1)),
                height: tidy(within(size.height + dy, LEAST, 1)),
              }),
            )
          }
          style={{ cursor: 'nwse-resize' }}
        />
      )}
    </Drawing>
  )
}
