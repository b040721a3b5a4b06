import { MenuItem, TextField } from '@mui/material'

/** Says what a setting says, and the same in words. */
export type Tell = (setting: string, option: string, words: string) => void

/** What a row says instead, chosen in the body's own words. */
export const SaysElse = ({
  options,
  onTold,
}: {
  options: readonly { readonly id: string; readonly label: string }[]
  onTold: (option: string, label: string) => void
}) => (
  <TextField
    select
    size="small"
    label="It says something else"
    value=""
    onChange={e => onTold(e.target.value, options.find(o => o.id === e.target.value)?.label ?? e.target.value)}
    sx={{ minWidth: 'var(--field)', maxWidth: 'var(--field-long)' }}
  >
    {options.map(o => (
      <MenuItem key={o.id} value={o.id} sx={{ minHeight: 'var(--touch)' }}>
        {o.label}
      </MenuItem>
    ))}
  </TextField>
)
