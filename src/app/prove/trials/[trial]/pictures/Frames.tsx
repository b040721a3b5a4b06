'use client'

import type { Pass } from '@/core/audit/passes'
import { Box } from '@/ui/elements'
import { Wrap } from '@/ui/pieces'
import { Overview, Piece } from './Piece'
import type { Place, Shot } from './use-judging'

/** More frames of one pass are not shown beside each other. */
const MOST_NEIGHBOURS = 8

/** The whole picture, to point at where it should be sharp; and the other frames of its pass. */
export const Frames = ({
  pass,
  shots,
  shot,
  pointed,
  onPoint,
  onFrame,
}: {
  pass: Pass
  shots: readonly Shot[]
  /** The one that is looked at. */
  shot: Shot
  pointed: Place | undefined
  onPoint: (place: Place | undefined) => void
  onFrame: (n: number) => void
}) => (
  <Wrap sx={{ mt: 2, alignItems: 'flex-start' }}>
    <Overview shot={shot} pointed={pointed} onPoint={onPoint} />
    {pass.pictures.length > 1 &&
      pass.pictures.slice(0, MOST_NEIGHBOURS).map((i, n) => {
        const other = shots[i]
        return (
          other && (
            <Box
              key={i}
              component="button"
              type="button"
              aria-label={`Frame ${n + 1} of ${pass.pictures.length}`}
              aria-pressed={other === shot}
              onClick={() => onFrame(n)}
              sx={{
                p: 0.5,
                border: 2,
                borderRadius: 1,
                bgcolor: 'transparent',
                borderColor: other === shot ? 'own.marigold.main' : 'transparent',
              }}
            >
              <Piece shot={other} pointed={pointed} isSmall />
            </Box>
          )
        )
      })}
  </Wrap>
)
