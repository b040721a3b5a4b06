'use client'

import { Checkbox, FormControlLabel } from '@mui/material'
import { type EditorProps, FieldRow, NumberField } from './fields'

export const MagnifyEditor = ({ value, onChange }: EditorProps<'magnify'>) => (
  <FieldRow>
    <NumberField label="Times" min={1} value={value.factor} onChange={f => onChange({ ...value, factor: Number(f) })} />
    <NumberField
      label="Seconds"
      min={0.01}
      value={value.seconds}
      also={['until-released']}
      onChange={s => onChange({ ...value, seconds: s === 'until-released' ? 'until-released' : Number(s) })}
    />
    <FormControlLabel
      control={
        <Checkbox checked={value.onRingTurn} onChange={e => onChange({ ...value, onRingTurn: e.target.checked })} />
      }
      label="starts with the ring"
    />
  </FieldRow>
)
