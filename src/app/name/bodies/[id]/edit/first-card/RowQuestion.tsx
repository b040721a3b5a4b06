'use client'

import { Autocomplete, Button, TextField } from '@mui/material'
import { type FormEvent, useState } from 'react'
import { MOST_LABEL, MOST_OPTIONS } from '@/core/bodies'
import { USUAL_ROWS, type UsualRow } from '@/core/vocabulary/usual-rows'
import { Wrap } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

const BETWEEN = ' | '

const split = (text: string): readonly string[] => {
  const parts = text.split(/[|,;\n]/).map(o => o.trim().slice(0, MOST_LABEL))
  return [...new Set(parts.filter(Boolean))]
}

const placeIn = (text: string): { tab?: string; page?: string } => {
  const [tab, page] = text.split(/[›>/]/).map(t => t.trim().slice(0, MOST_LABEL))
  return tab ? { tab, page: page || tab } : {}
}

/** What a body calls something, where it stands, and which options it has: chosen from the usual, or typed. */
export const RowQuestion = ({
  model,
  dimensionId,
  onRow,
  onNone,
  onAlways,
  onLater,
}: {
  model: string
  dimensionId: string
  onRow: (label: string, options: readonly string[], place: { tab?: string; page?: string }) => void
  onNone: () => void
  onAlways: () => void
  onLater: () => void
}) => {
  const [label, setLabel] = useState('')
  const [options, setOptions] = useState('')
  const [place, setPlace] = useState('')
  const usual = USUAL_ROWS.get(dimensionId) ?? []
  const told = split(options)
  const isTooLong = told.length > MOST_OPTIONS
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (label.trim() && told.length && !isTooLong) onRow(label.trim(), told, placeIn(place))
  }
  return (
    <Box component="form" onSubmit={submit} sx={{ display: 'flex', flexDirection: 'column', gap: 2 }}>
      <Autocomplete<UsualRow, false, false, true>
        freeSolo
        options={[...usual]}
        getOptionLabel={o => (typeof o === 'string' ? o : o.label)}
        inputValue={label}
        onInputChange={(_, text) => setLabel(text.slice(0, MOST_LABEL))}
        onChange={(_, row) => {
          if (row && typeof row !== 'string') setOptions(row.options.join(BETWEEN))
        }}
        renderInput={p => <TextField {...p} autoFocus label={`What is its row called on ${model}?`} />}
        renderOption={({ key, ...props }, row) => (
          <li key={key} {...props}>
            <span>
              <Typography variant="strong" component="span" sx={{ display: 'block' }}>
                {row.label}
              </Typography>
              <Typography component="span" variant="body2" color="textSecondary">
                {row.options.join(BETWEEN)}
              </Typography>
            </span>
          </li>
        )}
      />
      <TextField
        label="Which options has it?"
        value={options}
        onChange={e => setOptions(e.target.value)}
        error={isTooLong}
        helperText={
          isTooLong
            ? `These are ${told.length} options; a setting may have ${MOST_OPTIONS} at most. Leave the rest out.`
            : 'As on the body, in its order, a bar or a comma between them; the first is what it leaves the factory with.'
        }
        slotProps={{ htmlInput: { spellCheck: false } }}
      />
      <TextField
        label="Where is it? (tab › page)"
        value={place}
        onChange={e => setPlace(e.target.value)}
        helperText="May stay empty until the menu is pasted."
      />
      <Wrap>
        <Button type="submit" variant="contained" disabled={!label.trim() || told.length === 0 || isTooLong}>
          That is its row
        </Button>
        <Button onClick={onNone}>{model} has none</Button>
        <Button onClick={onAlways}>No row: it is always so</Button>
        <Button onClick={onLater}>Not now</Button>
      </Wrap>
    </Box>
  )
}
