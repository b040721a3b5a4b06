'use client'

import { Alert } from '@mui/material'
import { layered, type Layer, type Standard } from '@/core/standards'
import { withTarget } from '@/core/standards/edit'
import { dimension } from '@/core/vocabulary/dimensions'
import { inSentence } from '@/core/vocabulary/words'
import type { Draft } from './draft/draft'
import { WrittenField } from './WrittenField'
import { Box } from './elements'

/** Where a must of a lower layer would give way, somebody has to write why; until then the must stands. */
export const GivesWay = ({
  document,
  layer,
  edit,
  concerns,
  what,
}: {
  document: Standard
  layer: Layer
  edit: Draft<Standard>['edit']
  /** The dimensions it is said for here. */
  concerns: (dimensionId: string) => boolean
  /** What has it otherwise, as the subject of a sentence. */
  what: string
}) => {
  const waiting = layered(document).withheld.filter(w => w.layer === layer.name && concerns(w.target.dimension))
  const concerned = layer.targets.filter(
    t => concerns(t.dimension) && (t.relaxes || waiting.some(w => w.target.dimension === t.dimension)),
  )
  if (concerned.length === 0) return null
  const write = (relaxes: string) =>
    edit('why the must gives way', s =>
      concerned.reduce((next, { relaxes: _, ...t }) => withTarget(next, layer.id, relaxes ? { ...t, relaxes } : t), s),
    )
  return (
    <Box
      className="no-print"
      sx={{ mt: 2, maxWidth: 'var(--narrow)', display: 'flex', flexDirection: 'column', gap: 1.5 }}
    >
      {waiting.length > 0 && (
        <Alert severity="warning">
          {waiting
            .map(w => `“${inSentence(dimension(w.target.dimension).label)}” is a must of ${w.must.layer}`)
            .join('; ')}
          , and {what} has it otherwise. The must stands until you write why it may give way.
        </Alert>
      )}
      <WrittenField label="Why may it give way?" value={concerned[0]?.relaxes ?? ''} onWrite={write} />
    </Box>
  )
}
