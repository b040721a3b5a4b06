'use client'

import { Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from '@mui/material'
import { useRouter } from 'next/navigation'
import { type FormEvent, useState } from 'react'
import type { LayerKind } from '@/core/standards'
import type { StandardHeading } from '@/server/catalogue'
import { Choice } from '@/ui/Choice'
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
          <Choice
            label="It is a"
            value={kind}
            onChange={setKind}
            size="medium"
            options={(['house', 'work', 'scene'] as const).map(k => ({ id: k, name: KIND_WORDS[k] }))}
          />
          <Choice
            label="It stands on"
            value={below}
            onChange={setBelow}
            size="medium"
            none="nothing"
            options={standards.map(s => ({ id: s.id, name: `${s.name}, version ${s.version}` }))}
          />
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
