'use client'

import { Autocomplete, TextField } from '@mui/material'
import { indexOf } from '@/core/phrasebook/search'
import { type Dimension, DIMENSIONS, findDimension } from '@/core/vocabulary/dimensions'
import { inSentence } from '@/core/vocabulary/words'
import { Typography } from '@/ui/elements'

/** What a setting can be about by itself; the work of keys is read option by option. */
const OFFERED: readonly Dimension[] = DIMENSIONS.filter(d => d.kind !== 'size' && d.kind !== 'assign')
const phrases = indexOf([])

const answering = (query: string) => {
  if (!query.trim()) return OFFERED
  return phrases.search(query, DIMENSIONS.length).flatMap(found => {
    const d = findDimension(found.concept)
    return d && OFFERED.includes(d) ? [d] : []
  })
}

/** Says what a whole setting is about, found as in the phrasebook by any word people use for it. */
export const AboutPicker = ({ label, onPick }: { label: string; onPick: (dimension: string) => void }) => (
  <Autocomplete
    options={OFFERED}
    getOptionLabel={d => d.label}
    filterOptions={(_, state) => [...answering(state.inputValue)]}
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
          <Typography variant="strong" component="span" sx={{ display: 'block' }}>
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
