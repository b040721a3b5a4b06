'use client'

import { Button } from '@mui/material'
import { useDeferredValue, useMemo, useState } from 'react'
import { type Framing, framings } from '@/core/optics/answers/framing'
import { fNumberWords, lengthWords, plain } from '@/core/optics/words'
import { PlainList } from '@/ui/pieces'
import { useUnits } from '@/ui/units'
import { useDesk } from '../desk'
import { Box, Typography } from '@/ui/elements'

/** Bodies shown at first. */
const SHOWN = 6

const depthWords = (ratio: number): string =>
  ratio > 0.95 && ratio < 1.05
    ? 'same depth'
    : ratio >= 1.05
      ? `${plain(ratio)} × the depth at its widest`
      : `${plain(ratio)} × the depth`

/** The other bodies of the team, each with the lens that comes nearest to this frame and this depth. */
export const FramingMore = () => {
  const { r, cameras, lenses } = useDesk()
  const [units] = useUnits()
  const [isAll, setAll] = useState(false)
  const still = useDeferredValue(r)
  const best = useMemo(() => {
    const all = framings(
      still,
      cameras.filter(c => c.id !== still.camera.id),
      lenses,
    )
    const first = new Map<string, Framing>()
    for (const f of all) if (!first.has(f.camera.name)) first.set(f.camera.name, f)
    return [...first.values()]
  }, [still, cameras, lenses])
  if (best.length === 0) return null
  return (
    <>
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        The same picture on the team’s other bodies
      </Typography>
      <PlainList component="ul">
        {(isAll ? best : best.slice(0, SHOWN)).map(f => (
          <Box component="li" key={f.camera.name} sx={{ py: 0.75, borderBottom: 1, borderColor: 'divider' }}>
            <Typography variant="body2">
              <b>{f.camera.name}</b>, {f.lens.name}
            </Typography>
            <Typography variant="value" component="div">
              {plain(f.focalMm, 3)} mm {fNumberWords(f.fNumber)},{' '}
              {f.isSameFrame ? 'from the same place' : `from ${lengthWords(f.distance, units)}`},{' '}
              {depthWords(f.depthRatio)}
            </Typography>
          </Box>
        ))}
      </PlainList>
      {best.length > SHOWN && (
        <Button size="small" onClick={() => setAll(!isAll)}>
          {isAll ? 'Fewer' : `All ${best.length}`}
        </Button>
      )}
    </>
  )
}
