'use client'

import { MenuItem, TextField } from '@mui/material'
import { useBodies } from './bodies'

/** Chooses one of the team’s bodies, or none. */
export const BodySelect = ({
  label,
  value,
  onChange,
  none,
}: {
  label: string
  value: string
  onChange: (id: string) => void
  /** What it is called where no body is chosen, if that may be. */
  none?: string
}) => (
  <TextField
    select
    {...(none === undefined ? {} : { size: 'small' as const })}
    label={label}
    value={value}
    onChange={e => onChange(e.target.value)}
    sx={{ minWidth: 'var(--field)' }}
  >
    {none !== undefined && <MenuItem value="">{none}</MenuItem>}
    {[...useBodies().values()].map(b => (
      <MenuItem key={b.id} value={b.id}>
        {b.maker} {b.model}
      </MenuItem>
    ))}
  </TextField>
)
