'use client'

import { Checkbox, FormControlLabel } from '@mui/material'
import type { Body } from '@/core/bodies'
import { spaced } from '@/core/vocabulary/plain-words'
import { typicalArea } from '@/core/vocabulary/typical'
import { type Area, PATTERNS } from '@/core/vocabulary/values'
import { type EditorProps, FieldRow } from './fields'

/** The areas of a body by the pattern they have, else the usual ones. */
const areaOf = (body: Body | undefined, pattern: Area['pattern']): Area =>
  body?.settings
    .flatMap(s => s.options.map(o => o.means['area.pattern'] as Area | undefined))
    .find(a => a?.pattern === pattern) ?? typicalArea(pattern)

export const AreasEditor = ({ body, value: areas, onChange }: EditorProps<'areas'>) => (
  <FieldRow>
    {PATTERNS.map(p => (
      <FormControlLabel
        key={p}
        control={
          <Checkbox
            size="small"
            checked={areas.some(a => a.pattern === p)}
            onChange={e => {
              const next = e.target.checked ? [...areas, areaOf(body, p)] : areas.filter(a => a.pattern !== p)
              if (next.length) onChange(next)
            }}
          />
        }
        label={spaced(p)}
      />
    ))}
  </FieldRow>
)
