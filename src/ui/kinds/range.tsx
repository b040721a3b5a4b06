'use client'

import { type EditorProps, FieldRow, NumberField } from './fields'

export const RangeEditor = ({ value, onChange }: EditorProps<'range'>) => (
  <FieldRow>
    <NumberField
      label="Near"
      unit="m"
      min={0.001}
      value={value.nearMetres}
      onChange={n => onChange({ ...value, nearMetres: Number(n) })}
    />
    <NumberField
      label="Far"
      unit="m"
      min={0.001}
      value={value.farMetres}
      also={['infinity']}
      onChange={f => onChange({ ...value, farMetres: f === 'infinity' ? 'infinity' : Number(f) })}
    />
  </FieldRow>
)
