import type { ReactNode } from 'react'

/** What is photographed, in a box of one by one, seen from the front. Plain outlines: what counts is their size. */
const person = (
  <>
    <ellipse cx={0.5} cy={0.075} rx={0.16} ry={0.07} />
    <path d="M0.12 0.5C0.1 0.25 0.2 0.165 0.5 0.165S0.9 0.25 0.88 0.5L0.76 0.52 0.74 1H0.55L0.5 0.62 0.45 1H0.26L0.24 0.52Z" />
  </>
)

const SHAPES: Readonly<Record<string, ReactNode>> = {
  eye: (
    <>
      <path d="M0 0.5C0.25 0.05 0.75 0.05 1 0.5 0.75 0.95 0.25 0.95 0 0.5Z" />
      <circle cx={0.5} cy={0.5} r={0.24} />
    </>
  ),
  face: (
    <>
      <ellipse cx={0.5} cy={0.5} rx={0.5} ry={0.5} />
      <ellipse cx={0.3} cy={0.46} rx={0.075} ry={0.05} />
      <ellipse cx={0.7} cy={0.46} rx={0.075} ry={0.05} />
      <path d="M0.34 0.76Q0.5 0.84 0.66 0.76" />
    </>
  ),
  person,
  'bird-head': (
    <>
      <path d="M0.62 0.3 1 0.5 0.62 0.64C0.62 0.9 0.4 1 0.2 1H0C0.02 0.6 0 0 0.36 0 0.52 0 0.6 0.1 0.62 0.3Z" />
      <ellipse cx={0.42} cy={0.34} rx={0.065} ry={0.1} />
    </>
  ),
  'small-bird': (
    <>
      <path d="M0 0.62 0.3 0.42C0.4 0.2 0.6 0.3 0.66 0.2 0.7 0 0.88 0 0.9 0.22L1 0.28 0.9 0.34C0.92 0.8 0.6 0.86 0.4 0.76L0.28 0.62Z" />
      <path d="M0.52 0.8V1M0.62 0.8V1" />
    </>
  ),
  insect: (
    <>
      <ellipse cx={0.5} cy={0.6} rx={0.42} ry={0.12} />
      <circle cx={0.93} cy={0.58} r={0.07} />
      <path d="M0.45 0.5C0.3 0 0.1 0 0.2 0.3ZM0.58 0.5C0.6 0 0.82 0 0.72 0.3Z" />
    </>
  ),
  car: (
    <>
      <path d="M0 0.8V0.55L0.2 0.42 0.33 0H0.72L0.86 0.4 1 0.52V0.8Z" />
      <ellipse cx={0.2} cy={0.8} rx={0.075} ry={0.2} />
      <ellipse cx={0.8} cy={0.8} rx={0.075} ry={0.2} />
    </>
  ),
  team: (
    <>
      {Array.from({ length: 11 }, (_, i) => (
        <g key={i} transform={`translate(${i / 11} 0) scale(${1 / 11} 1)`}>
          {person}
        </g>
      ))}
    </>
  ),
}

/** Where the part that focus aims for is, as shares of the box. */
export const PART_AT: Readonly<Record<string, { readonly x: number; readonly y: number }>> = {
  eye: { x: 0.5, y: 0.5 },
  face: { x: 0.3, y: 0.46 },
  person: { x: 0.5, y: 0.075 },
  'bird-head': { x: 0.42, y: 0.34 },
  'small-bird': { x: 0.8, y: 0.2 },
  insect: { x: 0.93, y: 0.58 },
  car: { x: 0.45, y: 0.25 },
  team: { x: 0.5, y: 0.075 },
}

export const SubjectShape = ({
  id,
  x,
  y,
  width,
  height,
  className,
}: {
  id: string
  x: number
  y: number
  width: number
  height: number
  className: string
}) => (
  <g className={className} transform={`translate(${x} ${y}) scale(${Math.max(width, 0.01)} ${Math.max(height, 0.01)})`}>
    {SHAPES[id]}
  </g>
)
