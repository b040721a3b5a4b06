'use client'

import { choices, type EditorProps, Select } from './fields'

export const FlagEditor = ({ value, onChange }: EditorProps<'flag'>) => (
  <Select
    label="Value"
    value={value ? 'yes' : 'no'}
    options={choices(['yes', 'no'])}
    onChange={v => onChange(v === 'yes')}
  />
)
