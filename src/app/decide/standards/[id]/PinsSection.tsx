'use client'

import { Autocomplete, Button, TextField } from '@mui/material'
import { useState } from 'react'
import { type Body, choiceWordsById, isPinnable, menuPath, type Setting } from '@/core/bodies'
import type { Layer, Standard, StandardPin } from '@/core/standards'
import { withoutPin, withPinIn } from '@/core/standards/edit'
import { useBodies } from '@/ui/bodies'
import { BodySelect } from '@/ui/BodySelect'
import type { Draft } from '@/ui/draft/draft'
import { Eyebrow, Wrap } from '@/ui/pieces'
import { PinForm } from '@/ui/PinForm'
import { useFetched } from '@/ui/use-fetched'
import { Box, Typography } from '@/ui/elements'

/** The profile of a body, once it has come. */
const useProfile = (id: string): Body | undefined =>
  useFetched<Body>(id ? { address: `/api/v1/bodies/${id}` } : undefined).value

/** What a layer sets on single bodies although no target can ask for it. */
export const PinsSection = ({
  standard,
  layer,
  edit,
}: {
  standard: Standard
  layer: Layer
  edit: Draft<Standard>['edit'] | undefined
}) => {
  const all = standard.layers.flatMap(l => (l.pins ?? []).map(pin => ({ pin, from: l })))
  if (!all.length && !edit) return null
  return (
    <Box component="section" aria-label="Set on single bodies anyway" sx={{ mb: 2 }}>
      <Eyebrow component="h2">Set on single bodies anyway</Eyebrow>
      {all.map(({ pin, from }) => (
        <PinLine
          key={`${from.id} ${pin.body} ${pin.setting}`}
          pin={pin}
          from={from.name}
          onRemove={
            edit && from.id === layer.id
              ? () => edit('took away what is set anyway', s => withoutPin(s, layer.id, pin))
              : undefined
          }
        />
      ))}
      {edit && <AddPin onAdd={pin => edit('set anyway on a single body', s => withPinIn(s, layer.id, pin))} />}
    </Box>
  )
}

const PinLine = ({ pin, from, onRemove }: { pin: StandardPin; from: string; onRemove: (() => void) | undefined }) => {
  const model = useBodies().get(pin.body)?.model ?? pin.body
  const body = useProfile(pin.body)
  const setting = body?.settings.find(s => s.id === pin.setting)
  const counts = setting !== undefined && isPinnable(setting) && setting.options.some(o => o.id === pin.option)
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 2,
        alignItems: 'baseline',
        minHeight: 'var(--touch)',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography variant="value" component="span">
          {model}: {body && counts ? choiceWordsById(body, pin.setting, pin.option) : `${pin.setting}, ${pin.option}`}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {pin.reason} · {from}
          {body && !counts ? ' · does not count: it is not there, or targets speak of it' : ''}
        </Typography>
      </Box>
      {onRemove && (
        <Button size="small" onClick={onRemove}>
          Take away
        </Button>
      )}
    </Box>
  )
}

const AddPin = ({ onAdd }: { onAdd: (pin: StandardPin) => void }) => {
  const [bodyId, setBodyId] = useState('')
  const [setting, setSetting] = useState<Setting | null>(null)
  const body = useProfile(bodyId)
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5, mt: 1.5, maxWidth: 'var(--line)' }}>
      <Typography variant="body2" color="textSecondary">
        What the vocabulary has no word for, on one body: it goes onto its cards and counts for readiness.
      </Typography>
      <Wrap>
        <BodySelect
          label="On"
          value={bodyId}
          onChange={id => {
            setBodyId(id)
            setSetting(null)
          }}
        />
        {body && (
          <Autocomplete
            options={body.settings.filter(isPinnable)}
            getOptionLabel={s => s.label}
            getOptionKey={s => s.id}
            groupBy={s => menuPath(body, s).slice(0, 2).join(' › ')}
            value={setting}
            onChange={(_, s) => setSetting(s)}
            noOptionsText="Targets speak of every setting of this body"
            sx={{ flex: 1, minWidth: 'var(--field)' }}
            renderInput={p => <TextField {...p} label="Setting" />}
          />
        )}
      </Wrap>
      {body && setting && (
        <PinForm
          key={setting.id}
          setting={setting}
          onPin={pin => {
            onAdd({ body: bodyId, setting: setting.id, ...pin })
            setSetting(null)
          }}
        />
      )}
    </Box>
  )
}
