'use client'

import { MenuItem, TextField, type TextFieldProps } from '@mui/material'

export interface ChoiceOption<T> {
  readonly id: T
  readonly name: string
  /** Shown, and not to be had. */
  readonly isOff?: boolean
}

/** One of several, in a field of its own. */
export const Choice = <T extends string | number>({
  value,
  onChange,
  options,
  none,
  ...rest
}: Omit<TextFieldProps, 'select' | 'value' | 'onChange'> & {
  readonly value: T | ''
  readonly onChange: (value: T) => void
  readonly options: readonly ChoiceOption<T>[]
  /** What stands first and chooses nothing, if that may be. */
  readonly none?: string | undefined
}) => (
  <TextField select size="small" value={value} onChange={e => onChange(e.target.value as T)} {...rest}>
    {none !== undefined && <MenuItem value="">{none}</MenuItem>}
    {options.map(o => (
      <MenuItem key={o.id} value={o.id} disabled={o.isOff === true}>
        {o.name}
      </MenuItem>
    ))}
  </TextField>
)
