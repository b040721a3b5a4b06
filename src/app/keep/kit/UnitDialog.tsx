'use client'

import { Autocomplete, Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from '@mui/material'
import { valibotResolver } from '@hookform/resolvers/valibot'
import { useForm, useWatch } from 'react-hook-form'
import { type Model, type Unit, unitFormSchema } from '@/core/kit/units'
import type { UnitView } from '@/server/kit'
import { useSend } from '@/ui/use-send'
import { Trouble } from '@/ui/Trouble'
import { Box } from '@/ui/elements'

export interface Done {
  readonly words: string
  readonly undo: () => Promise<unknown>
}

/** One unit, to be added or corrected. */
export const UnitDialog = ({
  unit,
  models,
  onClose,
  onDone,
}: {
  unit: UnitView | undefined
  models: readonly Model[]
  onClose: () => void
  /** What was done, and how to take it back. */
  onDone: (done: Done) => void
}) => {
  const { send, problem } = useSend()
  const { register, control, setValue, handleSubmit, formState } = useForm<Unit>({
    defaultValues: {
      tag: unit?.tag ?? '',
      kind: unit?.kind ?? 'body',
      model: unit?.model ?? models[0]?.id ?? '',
      serial: unit?.serial ?? '',
      firmware: unit?.firmware ?? models[0]?.firmware?.to ?? '',
      owner: unit?.owner ?? '',
      hiredUntil: unit?.hiredUntil ?? '',
      notes: unit?.notes ?? '',
    },
    resolver: valibotResolver(unitFormSchema),
  })
  const { errors } = formState
  const [kind, modelId] = useWatch({ control, name: ['kind', 'model'] })
  const set = (next: Partial<Unit>) => {
    for (const [field, value] of Object.entries(next))
      setValue(field as keyof Unit, value, { shouldValidate: formState.isSubmitted })
  }
  const model = models.find(m => m.kind === kind && m.id === modelId)

  const finish = (sent: { ok: true } | { ok: false; detail: string }, done: Done) => {
    if (!sent.ok) return
    onClose()
    onDone(done)
  }
  const archive = (id: string, archived: boolean, revision: number) =>
    send('PATCH', `/api/v1/units/${id}`, { archived, revision })
  const save = async (draft: Unit) => {
    if (unit) {
      const { id, revision, tag, kind, model: of, serial, firmware, owner, hiredUntil, notes } = unit
      const before: Unit = { tag, kind, model: of, serial, firmware, owner, hiredUntil, notes }
      const address = `/api/v1/units/${id}`
      const sent = await send<{ revision: number }>('PUT', address, { unit: draft, revision })
      const stored = sent.ok ? sent.value.revision : revision
      finish(sent, {
        words: `${draft.tag} was saved.`,
        undo: () => send('PUT', address, { unit: before, revision: stored }),
      })
      return
    }
    const sent = await send<{ id: string; revision: number }>('POST', '/api/v1/units', { unit: draft })
    const added = sent.ok ? sent.value : { id: '', revision: 0 }
    finish(sent, { words: `${draft.tag} was added.`, undo: () => archive(added.id, true, added.revision) })
  }
  const putAway = async () => {
    if (unit)
      finish(await archive(unit.id, true, unit.revision), {
        words: `${unit.tag} was put away.`,
        undo: () => archive(unit.id, false, unit.revision),
      })
  }
  const text = (field: 'tag' | 'serial' | 'owner' | 'notes', label: string) => (
    <TextField
      label={label}
      {...register(field)}
      error={errors[field] !== undefined}
      helperText={errors[field]?.message}
    />
  )

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="unit-title">
      <Box component="form" noValidate onSubmit={e => void handleSubmit(save)(e)}>
        <DialogTitle id="unit-title">{unit ? `Unit ${unit.tag}` : 'A new unit'}</DialogTitle>
        <DialogContent sx={{ display: 'flex', flexDirection: 'column', gap: 2, pt: '8px !important' }}>
          <Autocomplete
            options={[...models]}
            value={model ?? null}
            disableClearable={model !== undefined}
            groupBy={m => (m.kind === 'body' ? 'Bodies' : 'Lenses')}
            getOptionLabel={m => `${m.maker} ${m.model}`}
            getOptionKey={m => `${m.kind}-${m.id}`}
            onChange={(_, m) => {
              if (m) set({ kind: m.kind, model: m.id, firmware: m.kind === 'lens' ? '' : (m.firmware?.to ?? '') })
            }}
            renderInput={p => (
              <TextField {...p} label="Model" error={errors.model !== undefined} helperText={errors.model?.message} />
            )}
          />
          {text('tag', 'Asset tag')}
          {text('serial', 'Serial number')}
          {kind === 'body' && (
            <TextField
              label="Firmware it runs"
              {...register('firmware', { setValueAs: (text: string) => text.trim() })}
              error={errors.firmware !== undefined}
              helperText={
                errors.firmware?.message ??
                (model?.firmware ? `the profile covers ${model.firmware.from} to ${model.firmware.to}` : '')
              }
            />
          )}
          {text('owner', 'Owner')}
          <TextField
            label="Hired until"
            type="date"
            {...register('hiredUntil')}
            error={errors.hiredUntil !== undefined}
            helperText={errors.hiredUntil?.message}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          {text('notes', 'Condition')}
          <Trouble words={problem} />
        </DialogContent>
        <DialogActions>
          {unit && (
            <Button color="error" onClick={() => void putAway()} sx={{ mr: 'auto' }}>
              Put away
            </Button>
          )}
          <Button onClick={onClose}>Close</Button>
          <Button type="submit" variant="contained">
            {unit ? 'Save' : 'Add'}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  )
}
