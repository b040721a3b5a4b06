'use client'

import { Button } from '@mui/material'
import { useEffect, useRef } from 'react'
import { Handle, Sheet, useWidth } from '@/ui/optics/drawing'
import { Wrap } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

/** A part of a picture, in shares of its width and height. */
export interface Place {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

export type Places = Readonly<Record<'far' | 'near', Place>>

export const FIRST_PLACES: Places = {
  far: { x: 0.06, y: 0.28, width: 0.24, height: 0.44 },
  near: { x: 0.62, y: 0.28, width: 0.24, height: 0.44 },
}

const WORDS = { far: 'Far chart', near: 'Near: where the board comes' } as const
const LEAST = 0.04
/** A key moves a place by so much of the picture. */
const STEP = 0.005

const clamp = (n: number, least: number, most: number): number => Math.min(most, Math.max(least, n))
const inside = (p: Place): Place => {
  const [width, height] = [clamp(p.width, LEAST, 0.9), clamp(p.height, LEAST, 0.9)]
  return { width, height, x: clamp(p.x, 0, 1 - width), y: clamp(p.y, 0, 1 - height) }
}
const sized = (p: Place, by: number): Place =>
  inside({
    x: p.x - (p.width * (by - 1)) / 2,
    y: p.y - (p.height * (by - 1)) / 2,
    width: p.width * by,
    height: p.height * by,
  })

/** The first picture of a film, and the two places on it that are followed. */
export const MarkPlaces = ({
  picture,
  places,
  onChange,
}: {
  picture: ImageBitmap
  places: Places
  onChange: (places: Places) => void
}) => {
  const { box, width } = useWidth(720)
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const element = canvas.current
    if (!element) return
    element.width = picture.width
    element.height = picture.height
    element.getContext('2d')?.drawImage(picture, 0, 0)
  }, [picture])
  const height = Math.round((width * picture.height) / picture.width)
  const set = (which: 'far' | 'near', place: Place) => onChange({ ...places, [which]: inside(place) })
  return (
    <Box sx={{ maxWidth: 'var(--line)' }}>
      <Typography sx={{ mb: 1 }}>
        Move one frame onto the far chart, where the board never covers it, and the other to where the board comes in.
      </Typography>
      <Box ref={box} sx={{ position: 'relative' }}>
        <Box component="canvas" ref={canvas} sx={{ display: 'block', width: '100%', borderRadius: 1 }} />
        <Sheet
          viewBox={`0 0 ${width} ${height}`}
          sx={{ position: 'absolute', inset: 0, height: '100%', background: 'none' }}
          role="group"
          aria-label="The two places that are followed"
        >
          {(['far', 'near'] as const).map(which => {
            const p = places[which]
            const [w, h] = [p.width * width, p.height * height]
            return (
              <Handle
                key={which}
                label={WORDS[which]}
                value={Math.round(p.x * 100)}
                words={`${Math.round(p.x * 100)} % from the left, ${Math.round(p.y * 100)} % from the top`}
                at={{ x: (p.x + p.width / 2) * width, y: (p.y + p.height / 2) * height }}
                onMove={to => set(which, { ...p, x: to.x / width - p.width / 2, y: to.y / height - p.height / 2 })}
                onStep={(right, down) => set(which, { ...p, x: p.x + right * STEP, y: p.y + down * STEP })}
              >
                <rect className="area" x={-w / 2} y={-h / 2} width={w} height={h} strokeWidth={2} fillOpacity={0.18} />
                <rect
                  x={-w / 2}
                  y={-h / 2 - 20}
                  width={which === 'far' ? 40 : 44}
                  height={18}
                  rx={3}
                  className="grip"
                />
                <text x={-w / 2 + 6} y={-h / 2 - 7} style={{ fill: '#1c1b19', fontWeight: 'bold' }}>
                  {which}
                </text>
              </Handle>
            )
          })}
        </Sheet>
      </Box>
      <Wrap sx={{ mt: 1 }}>
        {(['far', 'near'] as const).map(which => (
          <Box key={which} sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
            <Typography variant="body2">{which === 'far' ? 'Far' : 'Near'}</Typography>
            <Button
              size="small"
              onClick={() => set(which, sized(places[which], 0.85))}
              aria-label={`${which}: smaller`}
            >
              Smaller
            </Button>
            <Button size="small" onClick={() => set(which, sized(places[which], 1.18))} aria-label={`${which}: larger`}>
              Larger
            </Button>
          </Box>
        ))}
      </Wrap>
    </Box>
  )
}
