'use client'

import { PLACE_IDS, PLACES } from '@/core/vocabulary/places'
import type { Position } from '@/core/vocabulary/values'
import { type EditorProps, FieldRow, NONE, ShareField, Select } from './fields'

export const PositionEditor = ({ value, onChange }: EditorProps<'position'>) => (
  <FieldRow>
    <ShareField label="From the left" value={value.x} onChange={x => onChange({ ...value, x })} />
    <ShareField label="From the top" value={value.y} onChange={y => onChange({ ...value, y })} />
    <Select
      label="Back with"
      value={value.recall ?? NONE}
      optional="no control"
      options={PLACE_IDS.map(id => ({ id, label: PLACES[id].label }))}
      onChange={r => onChange({ ...value, recall: (r || undefined) as Position['recall'] })}
    />
  </FieldRow>
)
