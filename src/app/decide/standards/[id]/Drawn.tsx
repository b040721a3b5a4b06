import type { Target } from '@/core/standards'
import type { Dimension } from '@/core/vocabulary/dimensions'
import type { Area, Physical, Position, Size } from '@/core/vocabulary/values'
import { AreaFrame } from '@/ui/AreaFrame'
import { ConceptDrawing } from '@/ui/ConceptDrawing'
import { HoldTimeline } from '@/ui/HoldTimeline'

/** A value that is being moved counts at once for the drawing and the bodies, and is written when it is let go. */
export const Drawn = ({
  d,
  value,
  home,
  onValue,
  onHome,
}: {
  d: Dimension
  value: Target['value']
  home: Position
  onValue: ((value: Target['value']) => void) | undefined
  onHome: ((home: Position) => void) | undefined
}) => {
  if (d.id === 'track.hold' || d.id === 'video.shift')
    return <HoldTimeline hold={value as Physical} {...(onValue ? { onHold: onValue } : {})} />
  if (d.kind === 'area' || d.kind === 'size') {
    const size = value as Area | Size
    return (
      <AreaFrame
        size={size}
        at={home}
        {...(onValue ? { onSize: (s: Size) => onValue({ ...size, ...s }) } : {})}
        {...(onHome ? { onMove: (at: { x: number; y: number }) => onHome({ ...home, ...at }) } : {})}
      />
    )
  }
  if (d.kind === 'position') {
    const at = value as Position
    return (
      <AreaFrame
        size={{ width: 0.1, height: 0.13 }}
        at={at}
        {...(onValue ? { onMove: (to: { x: number; y: number }) => onValue({ ...at, ...to }) } : {})}
      />
    )
  }
  return <ConceptDrawing group={d.group} />
}

export const MIDDLE: Position = { x: 0.5, y: 0.5 }
