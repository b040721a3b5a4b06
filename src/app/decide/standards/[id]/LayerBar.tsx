'use client'

import { Button, ButtonBase } from '@mui/material'
import { Fragment, useState } from 'react'
import { uniqueSlug } from '@/core/language/language'
import type { Standard } from '@/core/standards'
import { withLayerFacts, withNewLayer, withoutLayer } from '@/core/standards/edit'
import type { Draft } from '@/ui/draft/draft'
import { type LayerChoices, appliesWords } from './layer-words'
import { LayerDialog } from './LayerDialog'
import { Box, Typography } from '@/ui/elements'

/** The layers from the ground up; those taken from a standard below are greyed, the selected one is written in. */
export const LayerBar = ({
  standard,
  selected,
  onSelect,
  choices,
  edit,
}: {
  standard: Standard
  selected: string | undefined
  onSelect: (id: string) => void
  choices: LayerChoices
  edit: Draft<Standard>['edit'] | undefined
}) => {
  const [opened, setOpened] = useState<'new' | 'facts'>()
  const layer = standard.layers.find(l => l.id === selected)
  return (
    <Box
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75, alignItems: 'center', my: 1.5 }}
      aria-label="Layers"
      role="group"
    >
      {standard.layers.map((l, i) => (
        <Fragment key={l.id}>
          {i > 0 && (
            <Typography component="span" color="textSecondary" aria-hidden>
              ›
            </Typography>
          )}
          {l.from ? (
            <Typography component="span" variant="body2" color="textSecondary" sx={{ px: 0.5 }}>
              {l.name}
              {l.from.version > 1 || l.kind === 'house' ? `, version ${l.from.version}` : ''}
            </Typography>
          ) : (
            <ButtonBase
              onClick={() => onSelect(l.id)}
              aria-pressed={l.id === selected}
              sx={{
                minHeight: 'var(--button)',
                px: 1.25,
                borderRadius: 1,
                border: 1,
                borderColor: l.id === selected ? 'own.marigold.main' : 'divider',
                bgcolor: l.id === selected ? 'own.marigold.wash' : 'background.paper',
                textAlign: 'left',
              }}
            >
              <span>
                <Typography variant="strong" component="span">
                  {l.name}
                </Typography>
                {l.applies && (
                  <Typography component="span" variant="body2" color="textSecondary">
                    {' '}
                    only {appliesWords(l, choices)}
                  </Typography>
                )}
              </span>
            </ButtonBase>
          )}
        </Fragment>
      ))}
      {edit && (
        <>
          <Button size="small" onClick={() => setOpened('new')}>
            Add a layer
          </Button>
          {layer && (
            <Button size="small" onClick={() => setOpened('facts')}>
              For whom
            </Button>
          )}
          {opened === 'new' && (
            <LayerDialog
              title="A layer on top"
              layer={{ name: '', kind: 'scene' }}
              choices={choices}
              onClose={() => setOpened(undefined)}
              onDone={facts => {
                const id = uniqueSlug(facts.name, new Set(standard.layers.map(l => l.id)), 'layer')
                edit(`layer “${facts.name}” added`, s => withNewLayer(s, facts, id))
                onSelect(id)
              }}
            />
          )}
          {opened === 'facts' && layer && (
            <LayerDialog
              title={`The layer “${layer.name}”`}
              layer={layer}
              choices={choices}
              onClose={() => setOpened(undefined)}
              onDone={facts => edit(`layer “${layer.name}” is for others`, s => withLayerFacts(s, layer.id, facts))}
              {...(standard.layers.filter(l => !l.from).length > 1
                ? { onRemove: () => edit(`layer “${layer.name}” taken out`, s => withoutLayer(s, layer.id)) }
                : {})}
            />
          )}
        </>
      )}
    </Box>
  )
}
