'use client'

import { styled } from '@mui/material/styles'
import type { Body } from '@/core/bodies'
import { percent } from '@/core/vocabulary/words'

const Drawing = styled('svg')(({ theme }) => ({
  width: '100%',
  maxWidth: 320,
  display: 'block',
  '& .frame': { fill: theme.vars?.palette.background.paper, stroke: theme.vars?.palette.own.line, strokeWidth: 0.6 },
  '& .reach': { fill: theme.vars?.palette.own.marigold.wash, stroke: 'none' },
  '& .point': { fill: theme.vars?.palette.own.line },
  '& .sensitive': { fill: theme.vars?.palette.own.grade.same },
}))

/** The frame at its true proportions, the share that focus points reach, and every point; the finer ones are larger. */
export const CoverageDrawing = ({
  sensor,
  coverage,
  onToggle,
}: {
  sensor: Body['sensor']
  coverage: Body['coverage']
  /** Makes the points clickable. */
  onToggle?: (column: number, row: number) => void
}) => {
  const width = 100
  const height = (width * sensor.heightMm) / sensor.widthMm
  const reach = { width: coverage.width * width, height: coverage.height * height }
  const left = (width - reach.width) / 2
  const top = (height - reach.height) / 2
  const isSensitive = (column: number, row: number) =>
    coverage.sensitive.some(p => p.column === column && p.row === row)
  const points = Array.from({ length: coverage.columns * coverage.rows }, (_, i) => ({
    column: (i % coverage.columns) + 1,
    row: Math.floor(i / coverage.columns) + 1,
  }))
  return (
    <Drawing
      viewBox={`-1 -1 ${width + 2} ${height + 2}`}
      role="img"
      aria-label={`${coverage.columns} by ${coverage.rows} points reach ${percent(coverage.width)} of the frame’s width and ${percent(coverage.height)} of its height`}
    >
      <rect className="frame" width={width} height={height} />
      <rect className="reach" x={left} y={top} width={reach.width} height={reach.height} />
      {points.map(({ column, row }) => {
        const sensitive = isSensitive(column, row)
        return (
          <circle
            key={`${column}-${row}`}
            className={sensitive ? 'sensitive' : 'point'}
            cx={left + ((column - 0.5) * reach.width) / coverage.columns}
            cy={top + ((row - 0.5) * reach.height) / coverage.rows}
            r={sensitive ? 1.1 : 0.5}
            {...(onToggle ? { onClick: () => onToggle(column, row), style: { cursor: 'pointer' } } : {})}
          />
        )
      })}
    </Drawing>
  )
}
