'use client'

import { MenuItem, TextField } from '@mui/material'
import { choosePerson, usePeople } from '@/ui/people'

/** Whose hands it is now: two who share a device change here. */
export const Whose = () => {
  const { people, person } = usePeople()
  return (
    <TextField
      select
      size="small"
      label="Who practises"
      value={person?.id ?? ''}
      onChange={e => {
        const chosen = people.find(p => p.id === e.target.value)
        if (chosen) choosePerson(chosen)
      }}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ minWidth: 'var(--field)' }}
    >
      <MenuItem value="" disabled>
        nobody said
      </MenuItem>
      {people.map(p => (
        <MenuItem key={p.id} value={p.id}>
          {p.name}
        </MenuItem>
      ))}
    </TextField>
  )
}
