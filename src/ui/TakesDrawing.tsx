'use client'

import { Sheet, useWidth } from './optics/drawing'

interface Step {
  readonly id: string
  readonly label: string
  readonly seconds: number | 'always'
  readonly band: readonly [number, number]
  readonly declared: number | undefined
  readonly takes: readonly { readonly seconds: number; readonly isOdd: boolean; readonly never: boolean }[]
}

const ROW = 34
const FOOT = 26
/** A letter takes about so much room. */
const LETTER = 6.6
const TICKS = [0.1, 0.15, 0.2, 0.3, 0.5, 0.7, 1, 1.5, 2, 3, 5, 7, 10, 15, 20, 30, 50]
/** Ticks keep this far from each other. */
const APART = 56

/** Every take on an axis of time, step under step: the band is what the step amounts to, the ring what was declared. */
export const TakesDrawing = ({ steps }: { steps: readonly Step[] }) => {
  const { box, width } = useWidth(720)
  const all = steps
    .flatMap(s => [...s.takes.map(t => t.seconds), ...s.band, s.declared ?? s.band[0]])
    .filter(s => s > 0)
  const [least, most] = [Math.max(0.05, Math.min(...all) * 0.8), Math.max(...all, 0.2) * 1.2]
  const label = Math.min(210, width * 0.36)
  const x = (seconds: number) =>
    label + 8 + (Math.log(Math.max(least, seconds) / least) / Math.log(most / least)) * (width - label - 24)
  const ticks = TICKS.filter(t => t >= least && t <= most).reduce<number[]>((shown, t) => {
    const last = shown.at(-1)
    return last === undefined || x(t) - x(last) >= APART ? [...shown, t] : shown
  }, [])
  const height = steps.length * ROW + FOOT
  return (
    <div ref={box}>
      <Sheet
        viewBox={`0 0 ${width} ${height}`}
        height={height}
        role="img"
        aria-label={`${steps.some(s => s.takes.length > 0) ? 'Takes' : 'Times'} of ${steps.length} ${steps.some(s => s.takes.length > 0) ? 'steps' : 'bodies'}: ${steps.map(s => `${s.label} ${s.seconds === 'always' ? 'always' : `${s.seconds.toFixed(2)} s`}`).join(', ')}`}
      >
        {ticks.map(t => (
          <g key={t}>
            <path className="thin" d={`M${x(t)} 4V${height - FOOT}`} />
            <text x={x(t)} y={height - 8} textAnchor="middle">
              {t} s
            </text>
          </g>
        ))}
        {steps.map((s, i) => {
          const y = i * ROW + ROW / 2
          return (
            <g key={s.id}>
              <text className="strong" x={4} y={y + 4}>
                {s.label.length * LETTER > label ? `${s.label.slice(0, Math.floor(label / LETTER) - 1)}…` : s.label}
              </text>
              <rect
                className="sharp"
                x={x(s.band[0])}
                y={y - 9}
                width={Math.max(3, x(s.band[1]) - x(s.band[0]))}
                height={18}
                rx={3}
              />
              {s.takes.map((t, n) => (
                <circle
                  key={n}
                  className={t.isOdd ? 'ghost' : 'subject'}
                  cx={x(t.seconds)}
                  cy={y + ((n % 3) - 1) * 4}
                  r={3.5}
                />
              ))}
              {s.seconds !== 'always' && <path className="plane" d={`M${x(s.seconds)} ${y - 12}v24`} />}
              {s.declared !== undefined && <circle className="line" cx={x(s.declared)} cy={y} r={6} />}
            </g>
          )
        })}
      </Sheet>
    </div>
  )
}
