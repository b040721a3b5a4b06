'use client'

import { Handle, Sheet, useWidth } from '@/ui/optics/drawing'
import type { Film } from './film-takes'

const HEIGHT = 170
const TOP = 22
const FOOT = 24
/** So much of the film around a take is drawn. */
const MARGIN = 0.8
const LABEL_HALF = 34

type Which = 'blocked' | 'leaves' | 'arrives'
const WORDS: Readonly<Record<Which, string>> = { blocked: 'blocked', leaves: 'leaves', arrives: 'arrives' }
const LINES: Readonly<Record<Which, string>> = { blocked: 'line dashed', leaves: 'plane soft', arrives: 'plane' }

/** Sharpness of both places around one take, with its moments to be moved by hand or by key, a frame at a time. */
export const MomentCurve = ({
  film,
  index,
  onMove,
}: {
  film: Film
  index: number
  onMove: (which: Which, seconds: number) => void
}) => {
  const { box, width } = useWidth(720)
  const take = film.takes[index]
  if (!take) return null
  const { times, far, near } = film.curve
  const begins = take.blocked ?? take.leaves ?? 0
  const from = Math.max(0, begins - MARGIN)
  const to = Math.min(times.at(-1) ?? begins, Math.max(take.arrives ?? take.until, begins + 0.5) + MARGIN)
  const [first, last] = [times.findIndex(t => t >= from), times.findLastIndex(t => t <= to)]
  const x = (t: number) => ((t - from) / (to - from)) * (width - 16) + 8
  const path = (values: readonly number[]) => {
    const here = values.slice(first, last + 1)
    const most = Math.max(...here, 1e-9)
    return here
      .map(
        (v, i) =>
          `${i === 0 ? 'M' : 'L'}${x(times[first + i] ?? 0).toFixed(1)} ${(TOP + (1 - v / most) * (HEIGHT - TOP - FOOT)).toFixed(1)}`,
      )
      .join('')
  }
  const moments = (['blocked', 'leaves', 'arrives'] as const).flatMap(which =>
    take[which] === undefined ? [] : [{ which, at: take[which] }],
  )
  const step = (to - from) / 6
  const ticks = Array.from({ length: 6 }, (_, i) => from + step * (i + 0.5))
  return (
    <div ref={box}>
      <Sheet
        viewBox={`0 0 ${width} ${HEIGHT}`}
        height={HEIGHT}
        role="group"
        aria-label={`Sharpness around take ${index + 1}`}
      >
        {ticks.map(t => (
          <text key={t} x={x(t)} y={HEIGHT - 6} textAnchor="middle">
            {t.toFixed(2)} s
          </text>
        ))}
        <path d={path(far)} fill="none" className="line" strokeWidth={1.5} />
        <path d={path(near)} fill="none" className="plane" />
        {moments.map(({ which, at }, i) => {
          const own = x(at)
          // Where words are near each other, those of every second moment stand on a line below.
          const isClose = [moments[i - 1], moments[i + 1]].some(m => m && Math.abs(own - x(m.at)) < 2 * LABEL_HALF)
          const isBelow = isClose && i === 1
          return (
            <Handle
              key={which}
              label={`Take ${index + 1} ${WORDS[which]}`}
              value={at}
              words={`${at.toFixed(3)} s`}
              at={{ x: own, y: HEIGHT - FOOT - 6 }}
              onMove={p => onMove(which, from + ((p.x - 8) / (width - 16)) * (to - from))}
              onStep={right => onMove(which, at + right * film.frame)}
            >
              <path className={LINES[which]} d={`M0 0V${TOP - HEIGHT + FOOT + 4}`} />
              <circle className="grip" r={6} />
              <text
                className="strong"
                textAnchor={own > width - LABEL_HALF ? 'end' : 'middle'}
                y={isBelow ? TOP - HEIGHT + FOOT + 16 : TOP - HEIGHT + FOOT + 1}
              >
                {WORDS[which]}
              </text>
            </Handle>
          )
        })}
      </Sheet>
    </div>
  )
}
