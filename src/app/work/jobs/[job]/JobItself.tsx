'use client'

import { Autocomplete, Button, TextField } from '@mui/material'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { isDay, isZone } from '@/core/jobs/clock'
import { findPerson, findUnit, type JobFacts } from '@/core/jobs/facts'
import type { Job } from '@/core/jobs/job'
import { Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { WrittenField } from '@/ui/WrittenField'
import { Box, Typography } from '@/ui/elements'

type Edit = (what: string, change: (job: Job) => Job) => void

/** What the job is called, when and where its clock is, who is there, and which cameras are at hand. */
export const JobItself = ({
  job,
  facts,
  hasHistory,
  onJob,
}: {
  job: Job
  facts: JobFacts
  hasHistory: boolean
  onJob: Edit
}) => {
  const set = (what: string, next: Partial<Job>) => onJob(what, j => ({ ...j, ...next }))
  const [zone, setZone] = useState(job.timeZone)
  const { send, problem, isBusy } = useSend()
  const router = useRouter()
  const throwAway = async () => {
    const sent = await send('PATCH', `/api/v1/jobs/${job.id}`, { thrownAway: true })
    if (sent.ok) router.push('/work/jobs')
  }
  return (
    <Section title="The job itself">
      <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 'var(--line)' }}>
        <WrittenField
          label="Name of the job"
          value={job.name}
          needed="A job needs a name"
          onWrite={name => set('name', { name: name.slice(0, 80) })}
        />
        <WrittenField
          label="About"
          value={job.about ?? ''}
          onWrite={about => onJob('about', ({ about: _, ...j }) => (about ? { ...j, about } : j))}
        />
        <Wrap>
          <TextField
            size="small"
            type="date"
            label="First day"
            value={job.day}
            onChange={e => isDay(e.target.value) && set('first day', { day: e.target.value })}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <TextField
            size="small"
            label="Time zone of the place"
            value={zone}
            error={!isZone(zone)}
            helperText={isZone(zone) ? '' : 'Such as Europe/Lisbon'}
            onChange={e => {
              const written = e.target.value.trim()
              setZone(written)
              if (isZone(written)) set('time zone', { timeZone: written })
            }}
          />
        </Wrap>
        <Autocomplete
          multiple
          size="small"
          options={facts.people.map(p => p.id)}
          getOptionLabel={id => findPerson(facts.people, id)?.name ?? id}
          value={[...job.people]}
          onChange={(_, people) => set('people', { people })}
          renderInput={params => <TextField {...params} label="Who is there" />}
        />
        <Autocomplete
          multiple
          size="small"
          options={facts.units.map(u => u.id)}
          getOptionLabel={id => findUnit(facts.units, id)?.tag ?? id}
          value={[...job.units]}
          onChange={(_, units) => set('cameras', { units })}
          renderInput={params => (
            <TextField
              {...params}
              label="Cameras at hand"
              placeholder={job.units.length ? '' : 'all of the house'}
              slotProps={{ inputLabel: { shrink: true } }}
            />
          )}
        />
      </Box>
      <Wrap sx={{ mt: 2, alignItems: 'center', gap: 2 }}>
        <a href={`/api/v1/jobs/${job.id}`} download={`${job.id}.json`}>
          As a file
        </a>
        {hasHistory ? (
          <Typography variant="body2" color="textSecondary">
            Something happened on it already: it stays, with what it taught.
          </Typography>
        ) : (
          <Button color="error" disabled={isBusy} onClick={() => void throwAway()}>
            Throw the job away
          </Button>
        )}
      </Wrap>
      <Trouble words={problem} />
    </Section>
  )
}
