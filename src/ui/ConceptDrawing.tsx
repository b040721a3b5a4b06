'use client'

import { styled } from '@mui/material/styles'
import type { ReactNode } from 'react'
import type { GroupId } from '@/core/vocabulary/dimensions'

/** One small drawing for each group of concepts: what happens, not what a camera shows. */

const Drawing = styled('svg')(({ theme }) => ({
  width: 180,
  height: 90,
  flex: 'none',
  display: 'block',
  fill: 'none',
  stroke: theme.vars?.palette.own.line,
  strokeWidth: 1.6,
  strokeLinecap: 'round',
  strokeLinejoin: 'round',
  '& .here': { fill: theme.vars?.palette.own.marigold.main, stroke: theme.vars?.palette.own.line },
  '& .quiet': { opacity: 0.45 },
  '& .solid': { fill: theme.vars?.palette.own.line, stroke: 'none' },
}))

const frame = <rect x="10" y="8" width="110" height="74" rx="2" />
const person = (x: number, y: number, s = 1) => (
  <g transform={`translate(${x} ${y}) scale(${s})`}>
    <circle cx="0" cy="0" r="7" />
    <path d="M-11 24c0-9 5-13 11-13s11 4 11 13" />
  </g>
)

const DRAWINGS: Readonly<Record<GroupId, { readonly words: string; readonly lines: ReactNode }>> = {
  how: {
    words: 'a button half pressed, and a finger on it',
    lines: (
      <>
        <path d="M30 62h120v18H30z" />
        <rect className="here" x="70" y="50" width="40" height="12" rx="4" />
        <path d="M84 8c-4 0-6 3-6 7v24c0 6 5 9 12 9s12-3 12-9V15c0-4-2-7-6-7z" />
        <path className="quiet" d="M60 56h-14M134 56h-14" />
      </>
    ),
  },
  when: {
    words: 'marks along a line of time: once, and again and again',
    lines: (
      <>
        <path d="M12 30h156M12 66h156" />
        <circle className="here" cx="40" cy="30" r="5" />
        {[24, 48, 72, 96, 120, 144].map(x => (
          <circle key={x} className="here" cx={x + 6} cy="66" r="4" />
        ))}
      </>
    ),
  },
  where: {
    words: 'a frame with a small and a larger area in it',
    lines: (
      <>
        <rect x="20" y="8" width="140" height="74" rx="2" />
        <rect className="quiet" x="46" y="22" width="84" height="46" strokeDasharray="4 4" />
        <rect className="here" x="82" y="38" width="14" height="12" />
      </>
    ),
  },
  whom: {
    words: 'one of three people picked out',
    lines: (
      <>
        <g className="quiet">
          {person(40, 32)}
          {person(140, 32)}
        </g>
        {person(90, 28, 1.3)}
        <path className="solid" d="M90 76l6 8h-12z" />
        <circle className="here" cx="90" cy="28" r="3.5" />
      </>
    ),
  },
  stays: {
    words: 'somebody passing behind a post: focus waits before it moves on',
    lines: (
      <>
        <path d="M12 70h156" />
        {person(34, 36)}
        <rect className="solid quiet" x="78" y="12" width="14" height="58" />
        <g className="quiet">{person(136, 36)}</g>
        <path className="here" d="M60 80h50v4H60z" />
      </>
    ),
  },
  release: {
    words: 'a row of frames, one of them soft',
    lines: (
      <>
        {[14, 68, 122].map(x => (
          <rect key={x} x={x} y="20" width="44" height="50" rx="2" />
        ))}
        <circle className="here" cx="36" cy="45" r="9" />
        <circle className="quiet" cx="90" cy="45" r="12" strokeDasharray="2 4" />
        <circle className="here" cx="144" cy="45" r="9" />
      </>
    ),
  },
  range: {
    words: 'a scale from near to far with a part marked on it',
    lines: (
      <>
        <path d="M12 52h156" />
        {[12, 36, 64, 98, 138, 168].map(x => (
          <path key={x} d={`M${x} 46v12`} />
        ))}
        <rect className="here" x="64" y="34" width="74" height="8" rx="2" />
      </>
    ),
  },
  sees: {
    words: 'an eye at a finder',
    lines: (
      <>
        {frame}
        <path d="M34 45c10-16 52-16 62 0-10 16-52 16-62 0z" />
        <circle className="here" cx="65" cy="45" r="8" />
        <path className="quiet" d="M136 30l22-8M136 45h24M136 60l22 8" />
      </>
    ),
  },
  video: {
    words: 'focus travelling from one person to another',
    lines: (
      <>
        {person(38, 34)}
        <g className="quiet">{person(142, 34)}</g>
        <path d="M60 76c20 8 40 8 60 0m-8-4l8 4-5 8" />
        <circle className="here" cx="38" cy="34" r="3.5" />
      </>
    ),
  },
  light: {
    words: 'a frame whose light is measured at one place',
    lines: (
      <>
        <rect x="20" y="8" width="140" height="74" rx="2" />
        <circle className="here" cx="90" cy="45" r="10" />
        {[0, 45, 90, 135, 180, 225, 270, 315].map(a => (
          <path key={a} d="M90 29v-8" transform={`rotate(${a} 90 45)`} />
        ))}
      </>
    ),
  },
}

export const ConceptDrawing = ({ group }: { group: GroupId }) => {
  const { words, lines } = DRAWINGS[group]
  return (
    <Drawing viewBox="0 0 180 90" role="img" aria-label={`Drawing: ${words}`}>
      {lines}
    </Drawing>
  )
}
