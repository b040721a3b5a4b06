'use client'

import type { Ref } from 'react'
import { Box } from '@/ui/elements'

/** In units of the drawing. */
export const FRAME = { width: 720, height: 480 }
const [W, H] = [FRAME.width, FRAME.height]

/** A face, the third lines, and the point in the middle; dragged, the camera turns. */
export const TurningFrame = ({
  scene,
  isHeld,
  onTurn,
}: {
  /** What moves when the camera turns. */
  scene: Ref<SVGGElement>
  isHeld: boolean
  /** @param right as shares of the width */
  onTurn: (right: number, down: number) => void
}) => (
  <Box
    component="svg"
    viewBox={`0 0 ${W} ${H}`}
    role="img"
    aria-label="A face, and the third lines of the frame"
    sx={{ width: '100%', display: 'block', bgcolor: 'background.paper', touchAction: 'none', cursor: 'grab' }}
    onPointerDown={(e: React.PointerEvent) => e.currentTarget.setPointerCapture(e.pointerId)}
    onPointerMove={(e: React.PointerEvent) => {
      // The picture goes with the finger, so the camera turns the other way.
      if (e.buttons) onTurn(-e.movementX / e.currentTarget.clientWidth, -e.movementY / e.currentTarget.clientWidth)
    }}
  >
    <g ref={scene} transform={`translate(${W / 2} ${H / 2})`}>
      <ellipse rx={56} ry={74} fill="var(--mui-palette-text-primary)" opacity={0.8} />
      <rect x={-110} y={84} width={220} height={400} rx={60} fill="var(--mui-palette-text-primary)" opacity={0.8} />
    </g>
    {[1, 2].map(i => (
      <g key={i} stroke="var(--mui-palette-own-line)" strokeDasharray="3 6">
        <line x1={(W * i) / 3} x2={(W * i) / 3} y1={0} y2={H} />
        <line x1={0} x2={W} y1={(H * i) / 3} y2={(H * i) / 3} />
      </g>
    ))}
    <rect
      x={W / 2 - 14}
      y={H / 2 - 14}
      width={28}
      height={28}
      fill="none"
      stroke="var(--mui-palette-own-marigold-main)"
      strokeWidth={isHeld ? 6 : 3}
    />
  </Box>
)
