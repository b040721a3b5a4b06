'use client'

import { Button, TextField } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { isDay, isZone } from '@/core/jobs/clock'
import type { JobHeading } from '@/server/jobs'
import { FileButton } from '@/ui/FileButton'
import { linkTo } from '@/ui/address'
import { Empty, Page, PlainList, RowLink, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useJsonFile } from '@/ui/use-json-file'
import { useSend } from '@/ui/use-send'
import { Typography } from '@/ui/elements'

/** Every job, and a new one. */
export const JobList = ({ jobs }: { jobs: readonly JobHeading[] }) => {
  const { take, problem } = useJsonFile(() => ({ address: '/api/v1/jobs', view: '/work/jobs' }))
  return (
    <Page>
      <Typography variant="h1">Jobs</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        A day, its scenes, and who covers what. Coherion works out who takes which camera, what goes into its slots, and
        what is changed between two scenes.
      </Typography>
      {jobs.length === 0 && <Empty>No job yet. It takes a name and a day; scenes come from a list.</Empty>}
      <PlainList component="ul" sx={{ maxWidth: 'var(--line)' }}>
        {jobs.map(j => (
          <li key={j.id}>
            <RowLink to={`/work/jobs/${j.id}`}>
              <span>
                <Typography component="span" variant="strong" sx={{ display: 'block' }}>
                  {j.name}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary">
                  from {j.day}, {j.scenes} {j.scenes === 1 ? 'scene' : 'scenes'}
                </Typography>
              </span>
            </RowLink>
          </li>
        ))}
      </PlainList>
      <NewJob />
      <Section title="From a file">
        <FileButton
          label="Read a job from a file"
          accept=".json,application/json"
          onFiles={([file]) => file && void take(file)}
        />
        <Trouble words={problem} sx={{ mt: 1.5 }} />
      </Section>
    </Page>
  )
}

const NewJob = () => {
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
