'use client'

import { recomposition } from '@/core/optics/answers/recompose'
import type { Reckoned } from '@/core/optics/reckon'
import { angleWords, lengthWords } from '@/core/optics/words'
import { Sheet, useWidth } from './drawing'

const HEIGHT = 170
const LEFT = 30

/**
 * From above, to scale, after the camera was turned: the subject has stayed on its arc around the camera, the plane of
 * focus has turned with the camera and stands behind it.
 */
export const ArcView = ({ r }: { r: Reckoned }) => {
  const { box, width } = useWidth(420)
  const { scene, units, depth } = r
  const turn = recomposition(r, { x: scene.areaX, y: scene.areaY })
  const distance = r.subjectMetres / Math.cos(turn.focused)
  const scale = (width - LEFT - 60) / distance
  const R = distance * scale
  const axis = HEIGHT - 34
  const sign = -1
  const b = turn.released
  const subject = {
    x: LEFT + R * Math.cos(b) - scene.sway * scale,
    y: axis + sign * Math.min(R * Math.sin(b), axis - 8),
  }
  const plane = LEFT + R * Math.cos(turn.focused)
  const isSafe = Math.abs(turn.shift) <= (turn.shift >= 0 ? depth.front : depth.behind)
  const arcEnd = Math.min(0.9, Math.max(b * 1.25, 0.12))
  const from = Math.max(LEFT, plane - depth.front * scale)
  const to = Math.min(width, plane + Math.min(depth.behind, distance) * scale)
  return (
    <div ref={box}>
      <Sheet
        viewBox={`0 0 ${width} ${HEIGHT}`}
        height={HEIGHT}
        role="img"
        aria-label={`From above, to scale: turned by ${angleWords(turn.angle)}, the plane stands ${lengthWords(Math.abs(turn.shift), units)} ${turn.shift >= 0 ? 'behind' : 'in front of'} the subject`}
      >
        <rect className="sharp" x={from} y={6} width={Math.max(1, to - from)} height={axis + 20} />
        <path className="thin" d={`M${LEFT} ${axis}H${width}`} />
        <path className={`plane${isSafe ? '' : ' soft'}`} d={`M${plane} 6V${axis + 26}`} />
        <path
          className="line dashed"
          d={`M${LEFT + R} ${axis}A${R} ${R} 0 0 0 ${LEFT + R * Math.cos(arcEnd)} ${axis - R * Math.sin(arcEnd)}`}
        />
        <path className="line" d={`M${LEFT} ${axis}L${subject.x} ${subject.y}`} />
        <path className="line" d={`M${subject.x} ${subject.y}H${plane}`} />
        <circle className="grip" cx={subject.x} cy={subject.y} r={6} />
        <g className="camera" transform={`translate(${LEFT} ${axis})`}>
          <rect x={-24} y={-14} width={15} height={28} rx={3} />
          <rect x={-9} y={-8} width={9} height={16} rx={2} />
        </g>
        <text x={Math.min(width - 4, plane + 6)} y={axis + 22} textAnchor={plane > width - 60 ? 'end' : 'start'}>
          plane
        </text>
        <text x={LEFT + 40} y={axis - 6}>
          {angleWords(turn.released)}
        </text>
      </Sheet>
    </div>
  )
}
