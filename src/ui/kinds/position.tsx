'use client'

import { PLACE_IDS, PLACES } from '@/core/vocabulary/places'
import type { Position } from '@/core/vocabulary/values'
import { type EditorProps, FieldRow, NONE, NumberField, Select } from './fields'

export const PositionEditor = ({ value, onChange }: EditorProps<'position'>) => (
  <FieldRow>
    <NumberField
      label="From the left"
      unit="%"
      scale={100}
      min={0}
      value={value.x}
      onChange={x => onChange({ ...value, x: Number(x) })}
    />
    <NumberField
      label="From the top"
      unit="%"
      scale={100}
      min={0}
      value={value.y}
      onChange={y => onChange({ ...value, y: Number(y) })}
    />
    <Select
      label="Back with"
      value={value.recall ?? NONE}
      optional="no control"
      options={PLACE_IDS.map(id => ({ id, label: PLACES[id].label }))}
      onChange={r => onChange({ ...value, recall: (r || undefined) as Position['recall'] })}
    />
  </FieldRow>
)
