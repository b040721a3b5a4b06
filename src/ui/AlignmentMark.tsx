'use client'

import { useTheme } from '@mui/material/styles'
import { type Grade } from '@/core/vocabulary/grade'
import { GRADE_WORDS } from '@/core/resolve/words'

/** How far the lower stroke slides at distance 1, in units of the drawing. */
const SLIDE = 14
const STROKE = 18

/**
 * The mark of agreement: the upper stroke is the standard, the lower one the body. Aligned is the same; the more the
 * body differs the further the lower stroke slides; dotted is missing. Colour only repeats it.
 *
 * @param bare leaves out the text alternative, where the words stand beside the mark anyway
 */
export const AlignmentMark = ({
  grade,
  distance,
  size = 34,
  bare = false,
}: {
  grade: Grade
  distance: number
  size?: number
  bare?: boolean
}) => {
  const theme = useTheme()
  const colour = theme.vars?.palette.own.grade[grade]
  const x = 2 + (grade === 'missing' ? 0 : SLIDE * Math.min(1, distance))
  const label = grade === 'missing' ? 'Missing' : `${GRADE_WORDS[grade]}, ${distance.toFixed(2)} off`
  return (
    <svg
      width={size}
      height={(size * 14) / 36}
      viewBox="0 0 36 14"
      {...(bare ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
      style={{ flex: 'none', display: 'block' }}
    >
      <line x1={2} x2={2 + STROKE} y1={4} y2={4} stroke="currentColor" strokeWidth={3} strokeLinecap="round" />
      <line
        x1={x}
        x2={x + STROKE}
        y1={10.5}
        y2={10.5}
        stroke={colour}
        strokeWidth={3}
        strokeLinecap={grade === 'missing' ? 'butt' : 'round'}
        strokeDasharray={grade === 'missing' ? '2.5 3' : undefined}
      />
    </svg>
  )
}
