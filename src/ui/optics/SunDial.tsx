'use client'

import { clockWords, sideWords, sunOf } from '@/core/optics/answers/light'
import type { Reckoned } from '@/core/optics/reckon'
import { Handle, Sheet } from './drawing'

const SIZE = 240
const R = 88
const C = SIZE / 2
const on = (degrees: number, radius: number) => {
  const a = ((degrees - 90) * Math.PI) / 180
  return { x: C + radius * Math.cos(a), y: C + radius * Math.sin(a) }
}
const degreesOf = ({ x, y }: { readonly x: number; readonly y: number }): number =>
  Math.round(((Math.atan2(y - C, x - C) * 180) / Math.PI + 450) % 360)

/** From above: which way the camera looks, to be turned, and where the sun stands; the nearer the middle, the higher. */
export const SunDial = ({ r, onFacing }: { r: Reckoned; onFacing: (degrees: number) => void }) => {
  const station = sunOf(r)
  const { facingDegrees, offsetMinutes, at } = r.scene
  const tip = on(facingDegrees, R)
  const [a, b] = [on(facingDegrees - 30, R), on(facingDegrees + 30, R)]
  const sun =
    station && on(station.sun.azimuthDegrees, R * Math.cos((Math.max(0, station.sun.altitudeDegrees) * Math.PI) / 180))
  return (
    <Sheet
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      style={{ maxWidth: SIZE }}
      role="group"
      aria-label={
        station
          ? `From above: the camera looks ${sideWords(facingDegrees)}, at ${clockWords(at, offsetMinutes)} the sun ${station.isUp ? `stands in the ${sideWords(station.sun.azimuthDegrees)}` : 'is down'}`
          : `From above: the camera looks ${sideWords(facingDegrees)}`
      }
    >
      <circle className="line" cx={C} cy={C} r={R} />
      <circle className="thin" cx={C} cy={C} r={R * Math.cos(Math.PI / 6)} />
      <circle className="thin" cx={C} cy={C} r={R / 2} />
      {(['N', 'E', 'S', 'W'] as const).map((side, i) => {
        const p = on(i * 90, R + 14)
        return (
          <text key={side} x={p.x} y={p.y + 4} textAnchor="middle" className="strong">
            {side}
          </text>
        )
      })}
      <path className="sharp" d={`M${C} ${C}L${a.x} ${a.y}A${R} ${R} 0 0 1 ${b.x} ${b.y}Z`} />
      <path className="line" d={`M${C} ${C}L${tip.x} ${tip.y}`} />
      {sun && station.isUp && (
        <g transform={`translate(${sun.x} ${sun.y})`}>
          <circle className="area" r={8} style={{ fillOpacity: 1 }} />
          {[0, 45, 90, 135, 180, 225, 270, 315].map(d => (
            <path key={d} className="line" d="M0 -11v-5" transform={`rotate(${d})`} />
          ))}
        </g>
      )}
      <g className="camera" transform={`translate(${C} ${C}) rotate(${facingDegrees})`}>
        <rect x={-10} y={-6} width={20} height={12} rx={2} />
        <rect x={-5} y={-12} width={10} height={7} rx={1} />
      </g>
      <Handle
        label="Which way the camera looks"
        value={facingDegrees}
        words={`${facingDegrees}°, ${sideWords(facingDegrees)}`}
        at={tip}
        onMove={p => onFacing(degreesOf(p))}
        onStep={(right, down) => onFacing((facingDegrees + right + down + 360) % 360)}
      />
    </Sheet>
  )
}
