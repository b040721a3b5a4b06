'use client'

import { Autocomplete, TextField } from '@mui/material'
import type { Setting } from '@/core/bodies'

export const OptionsSelect = ({
  setting,
  value,
  label,
  onChange,
}: {
  setting: Setting | undefined
  value: readonly string[]
  label: string
  onChange: (ids: readonly string[]) => void
}) => (
  <Autocomplete
    multiple
    size="small"
    disabled={!setting}
    options={setting?.options ?? []}
    getOptionLabel={o => o.label}
    isOptionEqualToValue={(a, b) => a.id === b.id}
    getOptionKey={o => o.id}
    value={setting?.options.filter(o => value.includes(o.id)) ?? []}
    onChange={(_, options) => onChange(options.map(o => o.id))}
    sx={{ minWidth: 'var(--field)', flex: 1 }}
    renderInput={params => <TextField {...params} label={label} />}
  />
)
