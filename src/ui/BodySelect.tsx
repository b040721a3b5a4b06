'use client'

import { MenuItem, TextField } from '@mui/material'
import { useBodies } from './bodies'

/** Chooses one of the team’s bodies. */
export const BodySelect = ({
  label,
  value,
  onChange,
}: {
  label: string
  value: string
  onChange: (id: string) => void
}) => (
  <TextField select label={label} value={value} onChange={e => onChange(e.target.value)} sx={{ minWidth: 220 }}>
    {[...useBodies().values()].map(b => (
      <MenuItem key={b.id} value={b.id}>
        {b.maker} {b.model}
      </MenuItem>
    ))}
  </TextField>
)
