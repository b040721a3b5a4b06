'use client'

import { Autocomplete, TextField } from '@mui/material'
import type { Setting } from '@/core/bodies'

export const SettingSelect = ({
  settings,
  value,
  label,
  onChange,
}: {
  settings: readonly Setting[]
  value: string
  label: string
  onChange: (id: string) => void
}) => (
  <Autocomplete
    size="small"
    options={settings}
    getOptionLabel={s => s.label}
    isOptionEqualToValue={(a, b) => a.id === b.id}
    getOptionKey={s => s.id}
    value={settings.find(s => s.id === value) ?? null}
    onChange={(_, s) => onChange(s?.id ?? '')}
    sx={{ minWidth: 'var(--field)', flex: 1 }}
    renderInput={params => <TextField {...params} label={label} />}
  />
)
