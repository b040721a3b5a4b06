'use client'

import { useState } from 'react'
import { depthAt, type Reckoned } from '@/core/optics/reckon'
import { lengthWords } from '@/core/optics/words'
import { Handle, niceUp, Sheet, useWidth } from './drawing'
import { SubjectShape } from './SubjectShape'

const HEIGHT = 178
const LEFT = 44
const RIGHT = 16
const GROUND = 30
/** Distances that a drawing reaches to, so that it stands still while something is moved. */
const reachFor = (metres: number): number => {
  const times = [1, 1.5, 2, 3, 5, 7.5, 10]
  const ten = 10 ** Math.floor(Math.log10(metres))
  return ten * (times.find(t => t * ten >= metres * 1.12) ?? 10)
}

/** Camera, subject and what is sharp, from the side, everything to one scale. The subject moves along the axis. */
export const SideView = ({ r, onDistance }: { r: Reckoned; onDistance: (metres: number) => void }) => {
  const { box, width } = useWidth(640)
  const { scene, units, seen, frame } = r
  const focus = scene.distance + scene.miss
  const depth = scene.miss === 0 ? r.depth : depthAt(r, { distance: Math.max(focus, r.lens.closestMetres) })
  const [near, far] = [focus - depth.front, focus + depth.behind]
  const wanted = reachFor(Math.max(scene.distance, Math.min(isFinite(far) ? far : 0, scene.distance * 1.6)))
  // While the subject is held, the scale stays.
  const [held, setHeld] = useState<number | undefined>(undefined)
  const reach = held ?? wanted
  const room = HEIGHT - GROUND - 16
  const scale = Math.min((width - LEFT - RIGHT) / reach, room / Math.max(seen.height, 1e-6))
  const x = (metres: number) => LEFT + Math.min(metres, (width - LEFT) / scale + 1) * scale
  const axis = 8 + room / 2
  const cone = (frame.heightMm / 2 / frame.imageMm) * (width - LEFT)
  const tick = niceUp((width - LEFT - RIGHT) / scale / 6)
  const ticks = Array.from({ length: Math.floor((width - LEFT - RIGHT) / scale / tick) }, (_, i) => (i + 1) * tick)
  const say = (m: number) => lengthWords(m, units)
  const thick = Math.max(r.needs * scale, 3)
  const sharpFrom = x(Math.max(0, near))
  const sharpTo = x(Math.max(0, far))
  return (
    <div ref={box}>
      <Sheet
        viewBox={`0 0 ${width} ${HEIGHT}`}
        height={HEIGHT}
        role="group"
        aria-label={`From the side, to scale: the subject ${say(scene.distance)} away, sharp from ${say(near)} to ${say(far)}`}
      >
        <path className="thin" d={`M${LEFT} ${axis}L${width} ${axis - cone}M${LEFT} ${axis}L${width} ${axis + cone}`} />
        <rect
          className="sharp"
          x={sharpFrom}
          y={4}
          width={Math.max(1.5, sharpTo - sharpFrom)}
          height={HEIGHT - GROUND - 4}
        />
        <path className="plane" d={`M${x(focus)} 4V${HEIGHT - GROUND}`} />
        <path className="line" d={`M0 ${HEIGHT - GROUND}H${width}`} />
        {ticks.map(t => (
          <g key={t} transform={`translate(${x(t)} ${HEIGHT - GROUND})`}>
            <path className="line" d="M0 0v5" />
            <text y={19} textAnchor="middle">
              {say(t)}
            </text>
          </g>
        ))}
        <g className="camera" transform={`translate(${LEFT} ${axis})`}>
          <rect x={-38} y={-15} width={26} height={30} rx={3} />
          <rect x={-12} y={-9} width={12} height={18} rx={2} />
        </g>
        <Handle
          label="Subject, moved along the axis"
          value={scene.distance}
          words={`${say(scene.distance)} away`}
          at={{ x: x(scene.distance), y: HEIGHT - GROUND }}
          onGrab={() => setHeld(reach)}
          onDrop={() => setHeld(undefined)}
          onMove={to => onDistance(Math.max(r.lens.closestMetres, (to.x - LEFT) / scale))}
          onStep={(right, down) =>
            onDistance(Math.max(r.lens.closestMetres, scene.distance * (1 + 0.01 * (right - down))))
          }
        >
          <SubjectShape
            id={scene.subject}
            className="subject"
            x={-thick / 2}
            y={axis - (HEIGHT - GROUND) - (seen.height * scale) / 2}
            width={thick}
            height={seen.height * scale}
          />
          <circle className="grip" r={7} />
        </Handle>
      </Sheet>
    </div>
  )
}
