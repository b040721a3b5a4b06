'use client'

import {
  Box,
  Button,
  ButtonBase,
  Chip,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  MenuItem,
  TextField,
  Typography,
} from '@mui/material'
import { Fragment, useState } from 'react'
import { uniqueSlug } from '@/core/language/language'
import { type Layer, LAYER_KINDS, layerKind, type LayerKind, type Scope, SCOPES, type Standard } from '@/core/standards'
import { withLayerFacts, withNewLayer, withoutLayer } from '@/core/standards/edit'
import type { Draft } from '@/ui/draft/draft'
import { KIND_WORDS } from '../NewStandard'

export type LayerChoices = Readonly<Record<Scope, readonly { readonly id: string; readonly label: string }[]>>

const SCOPE_WORDS: Readonly<Record<Scope, string>> = {
  people: 'People',
  units: 'Units',
  lenses: 'Lenses',
  scenes: 'Scenes',
}

/** For whom a layer is, in words. */
export const appliesWords = (layer: Pick<Layer, 'applies'>, choices: LayerChoices): string =>
  SCOPES.flatMap(s => (layer.applies?.[s] ?? []).map(id => choices[s].find(c => c.id === id)?.label ?? id)).join(', ')

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
                minHeight: 40,
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

interface Facts {
  readonly name: string
  readonly kind: LayerKind
  readonly applies?: Layer['applies']
}

const LayerDialog = ({
  title,
  layer,
  choices,
  onClose,
  onDone,
  onRemove,
}: {
  title: string
  layer: Pick<Layer, 'name' | 'kind' | 'applies'>
  choices: LayerChoices
  onClose: () => void
  onDone: (facts: Facts) => void
  onRemove?: () => void
}) => {
  const [name, setName] = useState(layer.name)
  const [kind, setKind] = useState(layerKind(layer))
  const [applies, setApplies] = useState<NonNullable<Layer['applies']>>(layer.applies ?? {})
  const [scene, setScene] = useState('')
  const put = (scope: Scope, names: readonly string[]) => {
    const { [scope]: _, ...rest } = applies
    setApplies(names.length ? { ...rest, [scope]: [...names] } : rest)
  }
  const addScene = () => {
    if (scene.trim()) put('scenes', [...new Set([...(applies.scenes ?? []), scene.trim()])])
    setScene('')
  }
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="layer-title">
      <DialogTitle id="layer-title">{title}</DialogTitle>
      <DialogContent sx={{ display: 'flex', flexDirection: 'column', gap: 2, pt: '8px !important' }}>
        <TextField
          label="Name"
          value={name}
          onChange={e => setName(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <TextField select label="It is a" value={kind} onChange={e => setKind(e.target.value as LayerKind)}>
          {LAYER_KINDS.map(k => (
            <MenuItem key={k} value={k}>
              {KIND_WORDS[k]}
            </MenuItem>
          ))}
        </TextField>
        <Typography variant="body2" color="textSecondary">
          It counts for everybody and everything, unless something is chosen here. Of each kind that is chosen, one has
          to be there.
        </Typography>
        {(['people', 'units', 'lenses'] as const).map(scope => (
          <TextField
            key={scope}
            select
            label={SCOPE_WORDS[scope]}
            value={applies[scope] ?? []}
            onChange={e => put(scope, e.target.value as unknown as string[])}
            slotProps={{ select: { multiple: true } }}
          >
            {choices[scope].map(c => (
              <MenuItem key={c.id} value={c.id}>
                {c.label}
              </MenuItem>
            ))}
          </TextField>
        ))}
        <Box>
          <TextField
            label="Scenes"
            fullWidth
            value={scene}
            onChange={e => setScene(e.target.value)}
            onBlur={addScene}
            onKeyDown={e => {
              if (e.key !== 'Enter') return
              e.preventDefault()
              addScene()
            }}
            helperText="type a scene and press Enter"
          />
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
            {(applies.scenes ?? []).map(s => (
              <Chip
                key={s}
                label={s}
                onDelete={() =>
                  put(
                    'scenes',
                    (applies.scenes ?? []).filter(x => x !== s),
                  )
                }
              />
            ))}
          </Box>
        </Box>
      </DialogContent>
      <DialogActions>
        {onRemove && (
          <Button
            onClick={() => {
              onRemove()
              onClose()
            }}
            sx={{ mr: 'auto' }}
          >
            Take the layer out
          </Button>
        )}
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          disabled={!name.trim()}
          onClick={() => {
            onDone({ name: name.trim(), kind, applies: Object.keys(applies).length ? applies : undefined })
            onClose()
          }}
        >
          Done
        </Button>
      </DialogActions>
    </Dialog>
  )
}
