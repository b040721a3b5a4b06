'use client'

import { typicalArea } from '@/core/vocabulary/typical'
import { type Area, CHOOSERS, FOLLOWS, PATTERNS } from '@/core/vocabulary/values'
import { choices, type EditorProps, FieldRow, NONE, Select } from './fields'
import { SizeFields } from './size'

export const AreaEditor = ({ value, onChange }: EditorProps<'area'>) => (
  <FieldRow>
    <Select
      label="Pattern"
      value={value.pattern}
      options={choices(PATTERNS)}
      onChange={p => onChange({ ...typicalArea(p as Area['pattern']), follow: value.follow })}
    />
    <SizeFields value={value} onChange={s => onChange({ ...value, ...s })} />
    <Select
      label="Who picks"
      value={value.chooser ?? NONE}
      optional="as usual"
      options={choices(CHOOSERS)}
      onChange={c => onChange({ ...value, chooser: (c || undefined) as Area['chooser'] })}
    />
    <Select
      label="Follows"
      value={value.follow ?? NONE}
      optional="not said here"
      options={choices(FOLLOWS)}
      onChange={f => onChange({ ...value, follow: (f || undefined) as Area['follow'] })}
    />
  </FieldRow>
)
