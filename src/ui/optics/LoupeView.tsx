'use client'

import { useState } from 'react'
import { depthAt, type Reckoned } from '@/core/optics/reckon'
import { recomposition } from '@/core/optics/answers/recompose'
import { lengthWords } from '@/core/optics/words'
import { Handle, niceUp, Sheet, useWidth } from './drawing'

const HEIGHT = 118
const FOOT = 26

/** The last bit before and behind the subject, enlarged: what is sharp, where the plane is, and where it goes. */
export const LoupeView = ({ r, onMiss }: { r: Reckoned; onMiss: (metres: number) => void }) => {
  const { box, width } = useWidth(640)
  const { scene, units } = r
  const focus = Math.max(scene.distance + scene.miss, r.lens.closestMetres)
  const depth = scene.miss === 0 ? r.depth : depthAt(r, { distance: focus })
  const { shift } = recomposition(r, { x: scene.areaX, y: scene.areaY })
  const behind = Math.min(depth.behind, depth.front * 4)
  const [held, setHeld] = useState<number | undefined>(undefined)
  const half =
    held ?? niceUp(1.15 * Math.max(depth.front, behind * 0.7, r.needs / 2, Math.abs(scene.miss), Math.abs(shift) * 1.1))
  const scale = (width - 24) / (2 * half)
  const x = (metres: number) => width / 2 + Math.min(half * 1.2, Math.max(-half * 1.2, metres)) * scale
  const say = (m: number) => lengthWords(m, units)
  const after = scene.miss + shift
  const isSoft = scene.miss !== 0 && (scene.miss > depth.front || -scene.miss > depth.behind)
  const bottom = HEIGHT - FOOT
  const [from, to] = [x(scene.miss - depth.front), x(scene.miss + depth.behind)]
  const bar = half / 2
  return (
    <div ref={box}>
      <Sheet
        viewBox={`0 0 ${width} ${HEIGHT}`}
        height={HEIGHT}
        role="group"
        aria-label={`Around the subject, enlarged: sharp ${say(depth.front)} in front and ${say(depth.behind)} behind the plane; the subject is ${say(r.needs)} deep`}
      >
        <rect className="sharp" x={from} y={4} width={Math.max(1, to - from)} height={bottom - 4} />
        <rect
          className="subject"
          x={x(-r.needs / 2)}
          y={bottom * 0.3}
          width={Math.max(3, x(r.needs / 2) - x(-r.needs / 2))}
          height={bottom * 0.45}
          rx={Math.min(14, (r.needs * scale) / 2)}
        />
        {Math.abs(shift) * scale > 1.5 && (
          <>
            <path
              className={`plane dashed${Math.abs(shift) > (shift > 0 ? r.depth.front : r.depth.behind) ? ' soft' : ''}`}
              d={`M${x(after)} 4V${bottom}`}
            />
            <text x={Math.min(width - 4, x(after) + 5)} y={16} textAnchor={x(after) > width - 130 ? 'end' : 'start'}>
              after recomposing
            </text>
          </>
        )}
        <path className="line" d={`M0 ${bottom}H${width}`} />
        <text x={6} y={HEIGHT - 8}>
          nearer
        </text>
        <text x={width - 6} y={HEIGHT - 8} textAnchor="end">
          further
        </text>
        <path
          className="line"
          d={`M${width / 2 - (bar * scale) / 2} ${HEIGHT - 18}h${bar * scale}m0 -4v8m${-bar * scale} -8v8`}
        />
        <text x={width / 2} y={HEIGHT - 4} textAnchor="middle">
          {say(bar)}
        </text>
        <Handle
          label="Plane of focus"
          value={scene.miss}
          words={
            scene.miss === 0
              ? 'on the subject'
              : `${say(Math.abs(scene.miss))} ${scene.miss > 0 ? 'behind' : 'in front of'} the subject`
          }
          at={{ x: x(scene.miss), y: bottom / 2 }}
          onGrab={() => setHeld(half)}
          onDrop={() => setHeld(undefined)}
          onMove={p => {
            const miss = (p.x - width / 2) / scale
            onMiss(Math.abs(miss) < half * 0.015 ? 0 : miss)
          }}
          onStep={(right, down) => onMiss(Math.round((scene.miss / half + 0.01 * (right - down)) * 100) * 0.01 * half)}
        >
          <path className={`plane${isSoft ? ' soft' : ''}`} d={`M0 ${4 - bottom / 2}V${bottom / 2}`} />
          <circle className="grip" r={7} />
        </Handle>
      </Sheet>
    </div>
  )
}
