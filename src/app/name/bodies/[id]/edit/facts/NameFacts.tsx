'use client'

import { MenuItem, TextField } from '@mui/material'
import type { Body } from '@/core/bodies'
import type { Editor } from '../use-editor'
import { FactRow, TextValue } from './parts'
import { Box } from '@/ui/elements'

/** What it is called, and what one looks through. */
export const NameFacts = ({ editor }: { editor: Editor }) => {
  const { profile, form, edit, editProfile } = editor
  return (
    <Box component="section" aria-label="Name" sx={{ mb: 4 }}>
      <FactRow>
        <TextValue
          label="Maker"
          value={profile.maker}
          isRight={t => t.length > 0}
          onChange={maker => editProfile('another maker', b => ({ ...b, maker }))}
        />
        <TextValue
          label="Model"
          value={profile.model}
          isRight={t => t.length > 0}
          onChange={model => editProfile('another name', b => ({ ...b, model }))}
        />
        <TextField
          select
          size="small"
          label="Finder"
          value={form.viewfinder}
          sx={{ minWidth: 'var(--field-short)' }}
          onChange={e => edit('finder', b => ({ ...b, viewfinder: e.target.value as Body['viewfinder'] }))}
        >
          <MenuItem value="electronic">electronic</MenuItem>
          <MenuItem value="optical">optical</MenuItem>
          <MenuItem value="screen-only">none, screen only</MenuItem>
        </TextField>
      </FactRow>
      <Box sx={{ mt: 1.5, maxWidth: 'var(--line)', display: 'flex' }}>
        <TextValue
          label="In a sentence or two"
          multiline
          value={profile.about ?? ''}
          onChange={about => editProfile('described', b => ({ ...b, about: about || undefined }))}
        />
      </Box>
    </Box>
  )
}
