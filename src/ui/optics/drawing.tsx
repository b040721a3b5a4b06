'use client'

import { styled } from '@mui/material/styles'
import { type KeyboardEvent, type PointerEvent, type ReactNode, useEffect, useRef, useState } from 'react'

/** What drawings to scale are made of: a sheet whose unit is a pixel, and handles that move by hand and by key. */

export const Sheet = styled('svg')(({ theme }) => ({
  display: 'block',
  width: '100%',
  touchAction: 'pan-y',
  overflow: 'hidden',
  fontFamily: theme.typography.fontFamily ?? 'inherit',
  fontSize: 12,
  borderRadius: theme.shape.borderRadius,
  background: theme.vars?.palette.background.paper,
  '& text': { fill: theme.vars?.palette.text.secondary },
  '& text.strong': { fill: theme.vars?.palette.text.primary, fontWeight: theme.typography.fontWeightMedium },
  '& .line': { stroke: theme.vars?.palette.own.line, strokeWidth: 1.2, fill: 'none' },
  '& .thin': { stroke: theme.vars?.palette.divider, strokeWidth: 1, fill: 'none' },
  '& .dashed': { strokeDasharray: '5 4' },
  '& .sharp': { fill: theme.vars?.palette.own.marigold.wash, stroke: theme.vars?.palette.own.marigold.main },
  '& .plane': { stroke: theme.vars?.palette.own.grade.same, strokeWidth: 2.5, fill: 'none' },
  '& .plane.soft': { stroke: theme.vars?.palette.own.grade.different },
  '& .subject': { fill: theme.vars?.palette.own.line, fillOpacity: 0.28, stroke: theme.vars?.palette.own.line },
  '& .ghost': { fill: 'none', stroke: theme.vars?.palette.own.line, strokeDasharray: '3 4', strokeOpacity: 0.8 },
  '& .subject *, & .ghost *': { vectorEffect: 'non-scaling-stroke', strokeWidth: 1.2 },
  '& .frame': { fill: theme.vars?.palette.background.default, stroke: theme.vars?.palette.own.line },
  '& .area': { fill: theme.vars?.palette.own.marigold.main, fillOpacity: 0.35, stroke: theme.vars?.palette.own.line },
  '& .outline': { fill: 'none', stroke: theme.vars?.palette.own.line, strokeWidth: 1, strokeOpacity: 0.7 },
  '& .camera': { fill: theme.vars?.palette.own.line },
  '& .grip': {
    fill: theme.vars?.palette.own.marigold.main,
    stroke: theme.vars?.palette.own.marigold.ink,
    strokeWidth: 1,
  },
  '& .touch': { fill: 'transparent' },
  '& [role=slider]': { cursor: 'grab', touchAction: 'none' },
  '& [role=slider]:focus-visible': { outline: `3px solid ${theme.vars?.palette.own.marigold.main}`, outlineOffset: 2 },
}))

/** The width that a drawing has on the page, so that its unit is a pixel and its words stay legible on a phone. */
export const useWidth = (first: number) => {
  const box = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(first)
  useEffect(() => {
    const element = box.current
    if (!element) return
    const seen = new ResizeObserver(([entry]) => {
      if (entry && entry.contentRect.width > 0) setWidth(Math.round(entry.contentRect.width))
    })
    seen.observe(element)
    return () => seen.disconnect()
  }, [])
  return { box, width }
}

interface Point {
  readonly x: number
  readonly y: number
}

const pointOf = (event: PointerEvent<SVGElement>): Point => {
  const sheet = event.currentTarget.ownerSVGElement
  const matrix = sheet?.getScreenCTM()?.inverse()
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
  return { x: at.x, y: at.y }
}

/** How far a key goes, in steps; with Shift ten times as far. */
const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** What a thumb needs around what it sees. */
const REACH = 22

/** Something that is taken hold of and moved; its value is told to who cannot see it. */
export const Handle = ({
  label,
  value,
  words,
  at,
  onGrab,
  onMove,
  onDrop,
  onStep,
  children,
}: {
  label: string
  /** As a number and in words. */
  value: number
  words: string
  at: Point
  onGrab?: () => void
  /** Where it was moved to, on the sheet. */
  onMove: (to: Point) => void
  onDrop?: () => void
  onStep: (right: number, down: number) => void
  children?: ReactNode
}) => {
  const offset = useRef<Point | undefined>(undefined)
  const keys = (event: KeyboardEvent) => {
    const step = KEYS[event.key]
    if (!step) return
    event.preventDefault()
    const times = event.shiftKey ? 10 : 1
    onStep(step[0] * times, step[1] * times)
  }
  const drop = () => {
    if (!offset.current) return
    offset.current = undefined
    onDrop?.()
  }
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={Number(value.toPrecision(4))}
      aria-valuetext={words}
      transform={`translate(${at.x} ${at.y})`}
      onKeyDown={keys}
      onPointerDown={event => {
        const from = pointOf(event)
        offset.current = { x: from.x - at.x, y: from.y - at.y }
        event.currentTarget.setPointerCapture(event.pointerId)
        onGrab?.()
      }}
      onPointerMove={event => {
        if (!offset.current) return
        const to = pointOf(event)
        onMove({ x: to.x - offset.current.x, y: to.y - offset.current.y })
      }}
      onPointerUp={drop}
      onPointerCancel={drop}
    >
      <circle className="touch" r={REACH} />
      {children ?? <circle className="grip" r={7} />}
    </g>
  )
}

const NICE = [1, 2, 5, 10]

/** The next of 1, 2, 5 times a power of ten. @example niceUp(0.034) // 0.05 */
export const niceUp = (n: number): number => {
  const ten = 10 ** Math.floor(Math.log10(n))
  return ten * (NICE.find(x => x * ten >= n * 0.999999) ?? 10)
}
