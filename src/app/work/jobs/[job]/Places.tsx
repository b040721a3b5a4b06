'use client'

import { Button, Checkbox, FormControlLabel, TextField } from '@mui/material'
import { useState } from 'react'
import { addPlace, withPlace } from '@/core/jobs/edit'
import type { Job } from '@/core/jobs/job'
import { PlainList, Section, Wrap } from '@/ui/pieces'
import { NumberText } from '../../NumberText'
import { Box, Typography } from '@/ui/elements'

type Edit = (what: string, change: (job: Job) => Job) => void

/** Where it is, and what to be careful about there. */
export const Places = ({ job, onJob }: { job: Job; onJob: Edit }) => {
  const [name, setName] = useState('')
  return (
    <Section title="Places">
      <PlainList component="ul">
        {job.places.map(p => (
          <Box component="li" key={p.id} sx={{ py: 1.5, borderBottom: 1, borderColor: 'divider' }}>
            <Typography variant="h3">{p.name}</Typography>
            <Wrap sx={{ alignItems: 'center', gap: 1.5, mt: 1 }}>
              <FormControlLabel
                control={
                  <Checkbox
                    checked={p.indoors}
                    onChange={e => onJob(`${p.name}: roof`, j => withPlace(j, p.id, { indoors: e.target.checked }))}
                  />
                }
                label="Under a roof"
              />
              <NumberText
                label="Latitude"
                value={p.latitude}
                least={-90}
                most={90}
                onNumber={latitude => onJob(`${p.name}: latitude`, j => withPlace(j, p.id, { latitude }))}
              />
              <NumberText
                label="Longitude"
                value={p.longitude}
                least={-180}
                most={180}
                onNumber={longitude => onJob(`${p.name}: longitude`, j => withPlace(j, p.id, { longitude }))}
              />
              <TextField
                size="small"
                multiline
                label="Cautions, a line each"
                defaultValue={p.cautions.join('\n')}
                key={p.cautions.join('\n')}
                onBlur={e => {
                  const cautions = e.target.value
                    .split('\n')
                    .map(c => c.trim().slice(0, 300))
                    .filter(Boolean)
                    .slice(0, 12)
                  if (cautions.join('\n') !== p.cautions.join('\n'))
                    onJob(`${p.name}: cautions`, j => withPlace(j, p.id, { cautions }))
                }}
                sx={{ minWidth: { xs: '100%', sm: 380 } }}
              />
            </Wrap>
          </Box>
        ))}
      </PlainList>
      <Wrap sx={{ mt: 1.5, alignItems: 'center' }}>
        <TextField size="small" label="A place" value={name} onChange={e => setName(e.target.value)} />
        <Button
          variant="outlined"
          disabled={!name.trim()}
          onClick={() => {
            onJob(`place ${name.trim()}`, j => addPlace(j, name.trim()))
            setName('')
          }}
        >
          Add the place
        </Button>
      </Wrap>
    </Section>
  )
}
