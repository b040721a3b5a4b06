'use client'

import { choices, type EditorProps, Select } from './fields'

export const ScaleEditor = ({ d, value, onChange }: EditorProps<'scale'>) => (
  <Select label="Value" value={value} options={choices(d.values)} onChange={onChange} />
)
