'use client'

import { Button, TextField } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { isDay, isZone } from '@/core/jobs/clock'
import { linkTo } from '@/ui/address'
import { Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'

/** A job, from a name, its first day and the clock of its place. */
export const NewJob = () => {
  const { send, problem, isBusy } = useSend()
  const router = useRouter()
  const params = useSearchParams()
  const [name, setName] = useState('')
  const [day, setDay] = useState('')
  const [zone, setZone] = useState('')
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone
  const timeZone = zone || here
  const begin = async () => {
    const sent = await send<{ id: string }>('POST', '/api/v1/jobs', { name, day, timeZone })
    if (sent.ok) router.push(linkTo(`/work/jobs/${sent.value.id}`, params))
  }
  return (
    <Section title="Begin a job">
      <Wrap sx={{ alignItems: 'flex-start', gap: 1.5 }}>
        <TextField size="small" label="Name" value={name} onChange={e => setName(e.target.value)} />
        <TextField
          size="small"
          type="date"
          label="First day"
          value={day}
          onChange={e => setDay(e.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          size="small"
          label="Time zone of the place"
          placeholder={here}
          value={zone}
          error={zone !== '' && !isZone(zone)}
          helperText={zone !== '' && !isZone(zone) ? 'Such as Europe/Lisbon' : ' '}
          onChange={e => setZone(e.target.value.trim())}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Button
          variant="contained"
          disabled={!name.trim() || !isDay(day) || !isZone(timeZone) || isBusy}
          onClick={() => void begin()}
        >
          Begin
        </Button>
      </Wrap>
      <Trouble words={problem} />
    </Section>
  )
}
