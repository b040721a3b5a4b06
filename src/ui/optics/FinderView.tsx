'use client'

import { reachable } from '@/core/optics/answers/recompose'
import { areaOnSubject } from '@/core/optics/answers/area'
import type { Reckoned } from '@/core/optics/reckon'
import type { Scene } from '@/core/optics/scene'
import { lengthWords, percentWords } from '@/core/optics/words'
import { Handle, Sheet, useWidth } from './drawing'
import { PART_AT, SubjectShape } from './SubjectShape'

const MOST_HEIGHT = 236
const PAD = 12
const LEAST = 0.005

const within = (n: number, least: number, most: number) => Math.min(most, Math.max(least, n))
const tidy = (n: number) => Number(n.toFixed(4))

/**
 * Through the finder: the subject at its true share of the frame where it is focused on, again where it is wanted, and
 * the area over it.
 */
export const FinderView = ({
  r,
  outlines = false,
  onChange,
}: {
  r: Reckoned
  /** Every area of the body is drawn over the subject, not only the one in hand. */
  outlines?: boolean
  onChange: (change: Partial<Scene>) => void
}) => {
  const { box, width } = useWidth(420)
  const { scene, frame, camera, units } = r
  const scale = Math.min((width - 2 * PAD) / frame.widthMm, MOST_HEIGHT / frame.heightMm)
  const [w, h] = [frame.widthMm * scale, frame.heightMm * scale]
  const left = (width - w) / 2
  const sheetHeight = h + 2 * PAD
  // Areas are shares of the sensor as it lies; held upright, they stand up with it.
  const [areaW, areaH] = scene.upright ? [scene.areaHeight, scene.areaWidth] : [scene.areaWidth, scene.areaHeight]
  const [reachW, reachH] = scene.upright
    ? [camera.coverage.height, camera.coverage.width]
    : [camera.coverage.width, camera.coverage.height]
  const shown = { w: r.seen.width * r.magnification * 1000 * scale, h: r.seen.height * r.magnification * 1000 * scale }
  const part = PART_AT[scene.subject] ?? { x: 0.5, y: 0.5 }
  const at = { x: left + scene.areaX * w, y: PAD + scene.areaY * h }
  const to = { x: left + scene.placeX * w, y: PAD + scene.placeY * h }
  const corner = { x: at.x + (areaW * w) / 2, y: at.y + (areaH * h) / 2 }
  const subjectAt = (p: { readonly x: number; readonly y: number }) => ({
    x: p.x - part.x * shown.w,
    y: p.y - part.y * shown.h,
    width: shown.w,
    height: shown.h,
  })
  const size = areaOnSubject(r, { width: scene.areaWidth, height: scene.areaHeight })
  const share = (p: { readonly x: number; readonly y: number }) => ({
    x: tidy(within((p.x - left) / w, 0, 1)),
    y: tidy(within((p.y - PAD) / h, 0, 1)),
  })
  const place = (p: { readonly x: number; readonly y: number }) =>
    `${percentWords(p.x)} from the left, ${percentWords(p.y)} from the top`
  const setSize = (across: number, down: number) => {
    const [a, b] = [tidy(within(across, LEAST, 1)), tidy(within(down, LEAST, 1))]
    onChange(scene.upright ? { areaWidth: b, areaHeight: a } : { areaWidth: a, areaHeight: b })
  }
  const reach = reachable(r)
  const isBeyond = Math.hypot(reach.x - scene.placeX, reach.y - scene.placeY) > 1e-6
  return (
    <div ref={box}>
      <Sheet
        viewBox={`0 0 ${width} ${sheetHeight}`}
        height={sheetHeight}
        role="group"
        aria-label={`Through the finder: the subject fills ${percentWords(r.fills)} of the frame, the area covers ${lengthWords(size.width, units)} of it`}
      >
        <defs>
          <clipPath id="finder-frame">
            <rect x={left} y={PAD} width={w} height={h} />
          </clipPath>
        </defs>
        <rect className="frame" x={left} y={PAD} width={w} height={h} rx={3} />
        <g clipPath="url(#finder-frame)">
          {[1, 2].map(n => (
            <path key={n} className="thin" d={`M${left + (n * w) / 3} ${PAD}v${h}M${left} ${PAD + (n * h) / 3}h${w}`} />
          ))}
          {reachW * reachH < 0.98 && (
            <rect
              className="thin dashed"
              x={left + ((1 - reachW) / 2) * w}
              y={PAD + ((1 - reachH) / 2) * h}
              width={reachW * w}
              height={reachH * h}
            />
          )}
          <SubjectShape id={scene.subject} className="subject" {...subjectAt(at)} />
          <SubjectShape id={scene.subject} className="ghost" {...subjectAt(to)} />
          <path className="line dashed" d={`M${at.x} ${at.y}L${to.x} ${to.y}`} />
          {outlines &&
            camera.areas.flatMap(({ label, size: its }, i) => {
              if (!its) return []
              const [across, down] = scene.upright ? [its.height, its.width] : [its.width, its.height]
              return (
                <rect
                  key={`${label} ${i}`}
                  className="outline"
                  x={at.x - (across * w) / 2}
                  y={at.y - (down * h) / 2}
                  width={across * w}
                  height={down * h}
                  rx={2}
                />
              )
            })}
          <rect
            className="area"
            x={at.x - (areaW * w) / 2}
            y={at.y - (areaH * h) / 2}
            width={areaW * w}
            height={areaH * h}
            rx={2}
          />
        </g>
        <Handle
          label="Area, moved over the frame"
          value={scene.areaX * 100}
          words={place({ x: scene.areaX, y: scene.areaY })}
          at={at}
          onMove={p => {
            const s = share(p)
            onChange({ areaX: s.x, areaY: s.y })
          }}
          onStep={(dx, dy) =>
            onChange({
              areaX: tidy(within(scene.areaX + dx * 0.01, 0, 1)),
              areaY: tidy(within(scene.areaY + dy * 0.01, 0, 1)),
            })
          }
        >
          <rect className="grip" x={-5} y={-5} width={10} height={10} rx={2} />
        </Handle>
        <Handle
          label="Size of the area"
          value={scene.areaWidth * 100}
          words={`${lengthWords(size.width, units)} by ${lengthWords(size.height, units)} on the subject`}
          at={corner}
          onMove={p => setSize((2 * Math.abs(p.x - at.x)) / w, (2 * Math.abs(p.y - at.y)) / h)}
          onStep={(dx, dy) => setSize(areaW + dx * 0.005, areaH + dy * 0.005)}
        >
          <path className="grip" d="M-6 6H6V-6Z" />
        </Handle>
        <Handle
          label="Where the subject is wanted"
          value={scene.placeX * 100}
          words={`${place({ x: scene.placeX, y: scene.placeY })}${isBeyond ? ', beyond the focus points of this body' : ''}`}
          at={to}
          onMove={p => {
            const s = share(p)
            onChange({ placeX: s.x, placeY: s.y })
          }}
          onStep={(dx, dy) =>
            onChange({
              placeX: tidy(within(scene.placeX + dx * 0.01, 0, 1)),
              placeY: tidy(within(scene.placeY + dy * 0.01, 0, 1)),
            })
          }
        >
          <circle className="grip" r={7} fillOpacity={0.5} />
          <path className="line" d="M-12 0H12M0 -12V12" />
        </Handle>
      </Sheet>
    </div>
  )
}
