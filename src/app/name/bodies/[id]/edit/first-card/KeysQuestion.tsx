'use client'

import { Autocomplete, Button, Checkbox, TextField } from '@mui/material'
import { useState } from 'react'
import type { Body } from '@/core/bodies'
import type { NamedKey } from '@/core/propose/questions'
import { PLACES } from '@/core/vocabulary/places'
import { USUAL_KEY_WORK } from '@/core/vocabulary/usual-rows'
import { Wrap } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

/** What most keys can be given; the person in hand of the body changes it. */
const MOSTLY: readonly string[] = ['AF start', 'AF stop', 'AE lock', 'Not set']

/** Which keys are there under thumb and front fingers, what they are called, and what they can be given. */
export const KeysQuestion = ({
  form,
  onKeys,
  onLater,
}: {
  form: Body
  onKeys: (keys: readonly NamedKey[]) => void
  onLater: () => void
}) => {
  const [keys, setKeys] = useState(() =>
    form.controls
      .filter(c => c.functions.length > 1)
      .map(c => ({ control: c.id, place: c.place, label: c.label, isThere: true, work: MOSTLY })),
  )
  const change = (control: string, to: Partial<(typeof keys)[number]>) =>
    setKeys(all => all.map(k => (k.control === control ? { ...k, ...to } : k)))
  const there = keys.filter(k => k.isThere)
  const isReady = there.every(k => k.label.trim() && k.work.length > 0)
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 2 }}>
      <Typography>Which of these are there, what are they called, and what can each be given?</Typography>
      {keys.map(k => (
        <Box key={k.control} role="group" aria-label={PLACES[k.place].label} sx={{ display: 'flex', gap: 1 }}>
          <Checkbox
            checked={k.isThere}
            onChange={e => change(k.control, { isThere: e.target.checked })}
            slotProps={{ input: { 'aria-label': `There is a key: ${PLACES[k.place].label}` } }}
            sx={{ width: 44, height: 'var(--touch)' }}
          />
          <Box sx={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column', gap: 1 }}>
            <TextField
              size="small"
              label={`Called (${PLACES[k.place].label})`}
              value={k.label}
              disabled={!k.isThere}
              onChange={e => change(k.control, { label: e.target.value.slice(0, 60) })}
            />
            {k.isThere && (
              <Autocomplete
                multiple
                freeSolo
                size="small"
                options={[...USUAL_KEY_WORK]}
                value={[...k.work]}
                disableCloseOnSelect
                onChange={(_, work) =>
                  change(k.control, { work: [...new Set(work.map(w => w.trim()))].filter(Boolean) })
                }
                renderInput={p => <TextField {...p} label="Can be given" />}
              />
            )}
          </Box>
        </Box>
      ))}
      <Wrap>
        <Button
          variant="contained"
          disabled={!isReady}
          onClick={() => onKeys(there.map(({ control, label, work }) => ({ control, label: label.trim(), work })))}
        >
          These are its keys
        </Button>
        <Button onClick={onLater}>Not now</Button>
      </Wrap>
    </Box>
  )
}
