import { Alert, Box } from '@mui/material'
import { layered, type Layer, type Standard } from '@/core/standards'
import { withTarget } from '@/core/standards/edit'
import { isForTheFingers } from '@/core/vocabulary/fingers'
import { dimension } from '@/core/vocabulary/dimensions'
import { inSentence } from '@/core/vocabulary/words'
import type { Draft } from '@/ui/draft'
import { WrittenField } from '@/ui/WrittenField'

/** Where a school lets a must of a lower layer give way, somebody has to write why; until then the must stands. */
export const GivesWay = ({
  document,
  layer,
  edit,
}: {
  document: Standard
  layer: Layer
  edit: Draft<Standard>['edit']
}) => {
  const waiting = layered(document).withheld.filter(w => w.layer === layer.name && isForTheFingers(w.target.dimension))
  const concerned = layer.targets.filter(
    t => isForTheFingers(t.dimension) && (t.relaxes || waiting.some(w => w.target.dimension === t.dimension)),
  )
  if (concerned.length === 0) return null
  const write = (relaxes: string) =>
    edit('why the must gives way', s =>
      concerned.reduce((next, { relaxes: _, ...t }) => withTarget(next, layer.id, relaxes ? { ...t, relaxes } : t), s),
    )
  return (
    <Box className="no-print" sx={{ mt: 2, maxWidth: 620, display: 'flex', flexDirection: 'column', gap: 1.5 }}>
      {waiting.length > 0 && (
        <Alert severity="warning">
          {waiting
            .map(w => `“${inSentence(dimension(w.target.dimension).label)}” is a must of ${w.must.layer}`)
            .join('; ')}
          , and this school has it otherwise. The must stands until you write why it may give way.
        </Alert>
      )}
      <WrittenField label="Why may it give way?" value={concerned[0]?.relaxes ?? ''} onWrite={write} />
    </Box>
  )
}
