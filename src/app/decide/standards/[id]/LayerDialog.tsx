'use client'

import { Button, Chip, Dialog, DialogActions, DialogContent, DialogTitle, MenuItem, TextField } from '@mui/material'
import { useState } from 'react'
import { type Layer, LAYER_KINDS, layerKind, type LayerKind, type Scope } from '@/core/standards'
import { KIND_WORDS } from '../NewStandard'
import { type LayerChoices, SCOPE_WORDS } from './layer-words'
import { Box, Typography } from '@/ui/elements'

interface Facts {
  readonly name: string
  readonly kind: LayerKind
  readonly applies?: Layer['applies']
}

export const LayerDialog = ({
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
