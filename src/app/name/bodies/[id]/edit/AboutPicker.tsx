'use client'

import { Autocomplete, TextField, Typography } from '@mui/material'
import { findDimensions } from '@/core/propose/find-dimension'
import { inSentence } from '@/core/vocabulary/words'

/** Says what a whole setting is about, found by any word people use for it. */
export const AboutPicker = ({ label, onPick }: { label: string; onPick: (dimension: string) => void }) => (
  <Autocomplete
    options={findDimensions('')}
    getOptionLabel={d => d.label}
    filterOptions={(_, state) => [...findDimensions(state.inputValue)]}
    getOptionKey={d => d.id}
    value={null}
    blurOnSelect
    clearOnBlur
    autoHighlight
    onChange={(_, d) => d && onPick(d.id)}
    renderInput={params => <TextField {...params} size="small" label={label} placeholder="limiter, beep, tracking …" />}
    renderOption={({ key, ...props }, d) => (
      <li key={key} {...props}>
        <span>
          <Typography component="span" sx={{ fontWeight: 650, display: 'block' }}>
            {d.label}
          </Typography>
          <Typography component="span" variant="body2" color="textSecondary">
            {inSentence(d.about)}
          </Typography>
        </span>
      </li>
    )}
  />
)
