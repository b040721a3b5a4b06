'use client'

import { Button } from '@mui/material'
import { useState } from 'react'
import { type Body, COUNTS_WORDS, type Option, setCounts, setMeaning, type Setting } from '@/core/bodies'
import { CountsField } from './CountsField'
import type { Meaning } from '@/core/vocabulary/schema'
import { MeaningEditor } from './MeaningEditor'
import { meaningWords } from './meaning-words'
import type { Editor } from './use-editor'
import { Box, Typography } from '@/ui/elements'

export const OptionRow = ({
  form,
  setting,
  option,
  edit,
}: {
  form: Body
  setting: Setting
  option: Option
  edit: Editor['edit']
}) => {
  const [editing, setEditing] = useState(false)
  const change = (means: Meaning) =>
    edit(`meaning of “${option.label}”`, b => setMeaning(b, setting.id, option.id, means))
  return (
    <Box sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Typography variant="value" component="div" sx={{ fontWeight: 'fontWeightMedium' }}>
            {option.label}
            {option.id === setting.default ? ' (default)' : ''}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {meaningWords(form, option.means) || (setting.undecided ? 'undecided' : 'says nothing about focus')}
            {option.guessed?.length ? ' (a guess until it is measured or confirmed)' : ''}
            {option.counts ? ` (${COUNTS_WORDS[option.counts]})` : ''}
          </Typography>
        </Box>
        <Button size="small" onClick={() => setEditing(!editing)} aria-expanded={editing}>
          {editing ? 'Close' : 'Change'}
        </Button>
      </Box>
      {editing && (
        <>
          <MeaningEditor body={form} means={option.means} onChange={change} />
          <CountsField
            label={`“${option.label}” counts`}
            everywhere="as its setting does"
            counts={option.counts}
            onChange={(counts, words) =>
              edit(`“${option.label}” counts ${words}`, b => setCounts(b, setting.id, option.id, counts))
            }
          />
        </>
      )}
    </Box>
  )
}
