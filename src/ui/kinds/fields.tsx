'use client'

import { TextField } from '@mui/material'
import { type ReactNode, useState } from 'react'
import type { Body } from '@/core/bodies'
import type { Of, ValuesOnBody } from '@/core/vocabulary/kinds/kind'
import type { Kind } from '@/core/vocabulary/dimensions'
import { spaced } from '@/core/vocabulary/plain-words'
import { Choice } from '../Choice'
import { Wrap } from '../pieces'

/** The fields that editors of values are made of. */

/** What the editor of one kind of value is given. */
export interface EditorProps<K extends Kind> {
  /** Where the value is one of a body's own; absent for what a standard asks of any body. */
  readonly body: Body | undefined
  readonly d: Of<K>
  readonly value: ValuesOnBody[K]
  readonly onChange: (value: ValuesOnBody[K]) => void
}

/** Stands for nothing chosen. */
export const NONE = ''

export const Select = ({
  label,
  value,
  options,
  onChange,
  optional,
}: {
  label: string
  value: string
  options: readonly { readonly id: string; readonly label: string }[]
  onChange: (id: string) => void
  optional?: string
}) => (
  <Choice
    label={label}
    value={value}
    onChange={onChange}
    sx={{ minWidth: 'var(--field-short)', flex: 1 }}
    none={optional}
    options={options.map(o => ({ id: o.id, name: o.label }))}
  />
)

export const choices = (ids: readonly string[]) => ids.map(id => ({ id, label: spaced(id) }))

/** A number that is taken over once it is one; until then it says what is expected. */
export const NumberField = ({
  label,
  value,
  onChange,
  unit = '',
  scale = 1,
  also = [],
  min,
}: {
  label: string
  value: number | string
  onChange: (value: number | string) => void
  unit?: string
  /** What is shown is this many times what is stored. */
  scale?: number
  /** Words that are accepted as well. */
  also?: readonly string[]
  min?: number
}) => {
  const shown = typeof value === 'number' ? String(Number((value * scale).toFixed(4))) : value
  const [text, setText] = useState(shown)
  const [seen, setSeen] = useState(shown)
  if (seen !== shown) {
    setSeen(shown)
    setText(shown)
  }
  const typed = text.trim().replace(',', '.')
  const number = typed === '' ? NaN : Number(typed) / scale
  const isNumber = Number.isFinite(number) && (min === undefined || number >= min)
  const isRight = isNumber || also.includes(typed)
  return (
    <TextField
      size="small"
      label={unit ? `${label}, ${unit}` : label}
      value={text}
      error={!isRight}
      helperText={isRight ? '' : `expected a number${also.length ? `, or ${also.join(' or ')}` : ''}`}
      onChange={e => setText(e.target.value)}
      onBlur={() => {
        if (isRight && typed !== shown) onChange(isNumber ? number : typed)
      }}
      onKeyDown={e => {
        if (e.key === 'Enter') (e.target as HTMLInputElement).blur()
      }}
      sx={{ minWidth: 'var(--field-number)', flex: 1 }}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  )
}

/** A share of a whole, typed as a percentage. */
export const ShareField = ({
  label,
  value,
  onChange,
  unit = '%',
  min = 0,
}: {
  label: string
  value: number
  onChange: (share: number) => void
  unit?: string
  min?: number
}) => <NumberField label={label} unit={unit} scale={100} min={min} value={value} onChange={n => onChange(Number(n))} />

export const FieldRow = ({ children }: { children: ReactNode }) => <Wrap>{children}</Wrap>
