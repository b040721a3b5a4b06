'use client'

import { MenuItem, TextField } from '@mui/material'
import { COUNTS_WORDS, type CountsIn, PLACES_IT_COUNTS } from '@/core/bodies'

const EVERYWHERE = 'everywhere'

/** Where a row or one of its options counts: in live view, while filming, with one focus drive. */
export const CountsField = ({
  label,
  everywhere,
  counts,
  onChange,
}: {
  label: string
  /** What it says where nothing is said. */
  everywhere: string
  counts: CountsIn | undefined
  onChange: (counts: CountsIn | undefined, words: string) => void
}) => (
  <TextField
    select
    size="small"
    label={label}
    value={counts ?? EVERYWHERE}
    sx={{ mt: 2, mr: 2, minWidth: 'var(--field)' }}
    onChange={e => {
      const chosen = PLACES_IT_COUNTS.find(c => c === e.target.value)
      onChange(chosen, chosen ? COUNTS_WORDS[chosen] : everywhere)
    }}
  >
    <MenuItem value={EVERYWHERE}>{everywhere}</MenuItem>
    {PLACES_IT_COUNTS.map(c => (
      <MenuItem key={c} value={c}>
        {COUNTS_WORDS[c]}
      </MenuItem>
    ))}
  </TextField>
)
