'use client'

import { Button } from '@mui/material'
import { type Layer, refText, type Standard } from '@/core/standards'
import { withoutCalculation } from '@/core/standards/guidance'
import type { CalculationView } from '@/server/optics'
import type { Draft } from '@/ui/draft/draft'
import { KeptLink } from '@/ui/links'
import { Eyebrow, PlainList } from '@/ui/pieces'
import { useFetched } from '@/ui/use-fetched'
import { useUnits } from '@/ui/units'
import { dimension, findDimension } from '@/core/vocabulary/dimensions'
import { Box, Typography } from '@/ui/elements'

/** What the Optics desk worked out for this layer, and whether it still holds for body and lens as they are now. */
export const CalculationsSection = ({
  standard,
  layer,
  edit,
}: {
  standard: Standard
  layer: Layer
  edit: Draft<Standard>['edit'] | undefined
}) => {
  const [units] = useUnits()
  const kept = layer.calculations ?? []
  const ref = encodeURIComponent(refText({ id: standard.id, version: standard.version }))
  const { value } = useFetched<{ layers: readonly { layer: string; calculations: readonly CalculationView[] }[] }>(
    kept.length > 0 ? { address: `/api/v1/standards/${ref}/calculations`, at: kept.map(c => c.id).join() } : undefined,
  )
  if (kept.length === 0) return null
  const viewed = value?.layers.find(l => l.layer === layer.id)?.calculations
  return (
    <Box component="section" sx={{ mb: 2 }} aria-label="Worked out">
      <Eyebrow component="h2">Worked out</Eyebrow>
      <PlainList component="ul">
        {kept.map(c => {
          const view = viewed?.find(v => v.id === c.id)
          return (
            <Box component="li" key={c.id} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
              <Typography variant="strong">{view?.short[units] ?? c.short}</Typography>
              <Typography>{view?.words[units] ?? c.words}</Typography>
              <Typography variant="body2" color="textSecondary">
                {c.as === 'target' && c.dimension && findDimension(c.dimension)
                  ? `The reason of ${dimension(c.dimension).label}. `
                  : c.as === 'figure'
                    ? 'On the cards of this body. '
                    : 'A note. '}
                {view && `${view.about[units]}.`}
              </Typography>
              {view && view.changed.length > 0 && (
                <Typography variant="body2" color="warning" role="note">
                  Changed under it: {view.changed.join('; ')}.{view.now && ` It would be: ${view.now[units]}.`}
                </Typography>
              )}
              {view && (
                <KeptLink to="/decide/optics" more={{ scene: view.scene, ask: c.question }}>
                  On the desk
                </KeptLink>
              )}
              {edit && (
                <Button
                  size="small"
                  sx={{ ml: 1 }}
                  onClick={() => edit(`optics: taken out ${c.short}`, s => withoutCalculation(s, layer.id, c.id))}
                >
                  Take it out
                </Button>
              )}
            </Box>
          )
        })}
      </PlainList>
    </Box>
  )
}
