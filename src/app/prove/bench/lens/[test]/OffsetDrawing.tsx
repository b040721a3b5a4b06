'use client'

import type { FocusResult } from '@/core/lens-tests/focus'
import { niceUp, Sheet, useWidth } from '@/ui/optics/drawing'

const ROW = 54
const FOOT = 40
const LEFT = 56

/** Focus of every picture on an axis of depth, one row for each setting; the band is what is sharp. */
export const OffsetDrawing = ({
  focus,
  pictures,
}: {
  focus: FocusResult
  pictures: readonly { readonly setting: number; readonly offset: number }[]
}) => {
  const { box, width } = useWidth(720)
  const { front, behind } = focus.depth
  const most = Math.max(1, ...pictures.map(p => Math.abs(p.offset)), Math.min(front, 60), Math.min(behind, 60)) * 1.15
  const x = (mm: number) => LEFT + ((Math.max(-most, Math.min(most, mm)) + most) / (2 * most)) * (width - LEFT - 12)
  const height = focus.at.length * ROW + FOOT
  const step = niceUp(most / 4)
  const ticks = Array.from({ length: 2 * Math.floor(most / step) + 1 }, (_, i) => (i - Math.floor(most / step)) * step)
  return (
    <div ref={box}>
      <Sheet
        viewBox={`0 0 ${width} ${height}`}
        height={height}
        role="img"
        aria-label={`Focus of ${pictures.length} pictures: ${focus.at.map(a => `set to ${a.setting}, ${a.mean.toFixed(1)} mm`).join('; ')}`}
      >
        <rect
          className="sharp"
          x={x(-front)}
          y={4}
          width={x(behind) - x(-front)}
          height={height - FOOT - 4}
          stroke="none"
          fillOpacity={0.6}
        />
        {ticks.map(t => (
          <g key={t}>
            <path className="thin" d={`M${x(t)} 4V${height - FOOT}`} />
            <text x={x(t)} y={height - FOOT + 15} textAnchor="middle">
              {Number(t.toFixed(2))}
            </text>
          </g>
        ))}
        <path className="line" d={`M${x(0)} 4V${height - FOOT}`} />
        <text x={LEFT} y={height - 6}>
          mm in front
        </text>
        <text x={width - 12} y={height - 6} textAnchor="end">
          behind
        </text>
        {focus.at.map((a, i) => {
          const y = i * ROW + ROW / 2 + 2
          const [low, high] = a.interval.map(v => (Number.isFinite(v) ? v : a.mean)) as [number, number]
          return (
            <g key={a.setting}>
              <text className="strong" x={6} y={y + 4}>
                {a.setting > 0 ? '+' : ''}
                {a.setting}
              </text>
              <path className="plane" d={`M${x(low)} ${y}H${x(high)}`} strokeWidth={6} strokeOpacity={0.5} />
              {pictures
                .filter(p => p.setting === a.setting)
                .map((p, n) => (
                  <circle key={n} className="subject" cx={x(p.offset)} cy={y + ((n % 5) - 2) * 6} r={4} />
                ))}
              <path className="plane" d={`M${x(a.mean)} ${y - 17}v34`} />
            </g>
          )
        })}
      </Sheet>
    </div>
  )
}
