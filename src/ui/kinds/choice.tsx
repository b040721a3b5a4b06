'use client'

import { TextField } from '@mui/material'
import { spaced } from '@/core/vocabulary/plain-words'
import { choices, type EditorProps, Select } from './fields'

export const ChoiceEditor = ({ d, value, onChange }: EditorProps<'choice'>) =>
  d.open ? (
    <TextField
      size="small"
      fullWidth
      label="Value"
      key={value}
      defaultValue={value}
      helperText={d.values.length ? `usually one of ${d.values.map(spaced).join(', ')}` : ''}
      onBlur={e => {
        const text = e.target.value.trim()
        if (text && text !== value) onChange(text)
      }}
    />
  ) : (
    <Select label="Value" value={value} options={choices(d.values)} onChange={onChange} />
  )
