'use client'

import { Button, Dialog, DialogActions, DialogContent, DialogTitle, MenuItem, TextField } from '@mui/material'
import { useRouter } from 'next/navigation'
import { type FormEvent, useState } from 'react'
import type { LayerKind } from '@/core/standards'
import type { StandardHeading } from '@/server/catalogue'
import { useSend } from '@/ui/use-send'
import { Typography } from '@/ui/elements'

export const KIND_WORDS: Readonly<Record<LayerKind, string>> = {
  house: 'house baseline',
  work: 'kind of work',
  scene: 'scene',
  exception: 'a person’s own exception',
}

/** Begins a standard on top of another one; the guide or the table of targets comes next. */
export const NewStandard = ({ standards, onClose }: { standards: readonly StandardHeading[]; onClose: () => void }) => {
  const router = useRouter()
  const [name, setName] = useState('')
  const [about, setAbout] = useState('')
  const [kind, setKind] = useState<LayerKind>(standards.length ? 'work' : 'house')
  const [below, setBelow] = useState(standards.find(s => s.id === 'house-baseline')?.id ?? '')
  const { send, problem } = useSend()
  const begin = async (event: FormEvent) => {
    event.preventDefault()
    const sent = await send<{ id: string; version: number }>('POST', '/api/v1/standards/new', {
      name,
      kind,
      ...(about.trim() ? { about } : {}),
      ...(below ? { below } : {}),
    })
    if (sent.ok) router.push(`/decide/standards/${sent.value.id}?part=guide`)
  }
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="new-standard-title">
      <form onSubmit={e => void begin(e)}>
        <DialogTitle id="new-standard-title">New standard</DialogTitle>
        <DialogContent sx={{ display: 'flex', flexDirection: 'column', gap: 2, pt: '8px !important' }}>
          <TextField
            label="What is it called?"
            value={name}
            onChange={e => setName(e.target.value)}
            autoFocus
            required
            slotProps={{ htmlInput: { maxLength: 60 } }}
          />
          <TextField
            label="What is it for?"
            value={about}
            onChange={e => setAbout(e.target.value)}
            multiline
            slotProps={{ htmlInput: { maxLength: 400 } }}
          />
          <TextField select label="It is a" value={kind} onChange={e => setKind(e.target.value as LayerKind)}>
            {(['house', 'work', 'scene'] as const).map(k => (
              <MenuItem key={k} value={k}>
                {KIND_WORDS[k]}
              </MenuItem>
            ))}
          </TextField>
          <TextField select label="It stands on" value={below} onChange={e => setBelow(e.target.value)}>
            <MenuItem value="">nothing</MenuItem>
            {standards.map(s => (
              <MenuItem key={s.id} value={s.id}>
                {s.name}, version {s.version}
              </MenuItem>
            ))}
          </TextField>
          {problem && <Typography color="error">{problem}</Typography>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Not now</Button>
          <Button type="submit" variant="contained" disabled={!name.trim()}>
            Begin
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
