'use client'

import { Autocomplete, Button, Checkbox, FormControlLabel, TextField } from '@mui/material'
import { useState } from 'react'
import {
  type Control,
  CONTROL_FUNCTIONS,
  controlAt,
  editControl,
  freeSpot,
  presentFunctions,
  removeControl,
  withUsualControls,
} from '@/core/bodies'
import { uniqueSlug } from '@/core/language/language'
import { findDimension } from '@/core/vocabulary/dimensions'
import { PLACE_IDS, PLACES } from '@/core/vocabulary/places'
import { Choice } from '@/ui/Choice'
import { Schematic } from '@/ui/Schematic'
import type { Editor } from './use-editor'
import { Box, Typography } from '@/ui/elements'

const functionWords = (id: string): string => (id === 'menu' ? 'menu settings' : (findDimension(id)?.label ?? id))

/** The controls on the schematic, arranged by drag or arrow keys, and what each accepts. */
export const ControlsPart = ({ editor }: { editor: Editor }) => {
  const { form, edit } = editor
  const [chosenId, setChosen] = useState(form.controls[0]?.id ?? '')
  const chosen = form.controls.find(c => c.id === chosenId) ?? form.controls[0]
  const change = (c: Control, what: string, next: Partial<Control>) =>
    edit(`control “${c.label}”: ${what}`, b => editControl(b, c.id, x => ({ ...x, ...next })))
  const add = () => {
    const label = 'New key'
    const id = uniqueSlug(label, new Set(form.controls.map(c => c.id)), 'control')
    edit('added a control', b => {
      const control = controlAt(id, label, 'thumb-upper-right')
      return { ...b, controls: [...b.controls, { ...control, at: freeSpot(control.place, b.controls) }] }
    })
    setChosen(id)
  }
  return (
    <Box>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        Drag a control to where it sits, or choose it and use the arrow keys. Filled ones can be held.
      </Typography>
      <Schematic
        controls={form.controls}
        chosen={chosen?.id}
        onChoose={setChosen}
        onMove={(id, at) => {
          const control = form.controls.find(c => c.id === id)
          if (control) change(control, 'moved', { at })
        }}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'var(--side-narrow) 1fr' }, gap: 4, mt: 3 }}>
        <div>
          <Box component="ol" sx={{ m: 0, pl: 3 }} aria-label="Controls">
            {form.controls.map(c => (
              <li key={c.id}>
                <Button
                  onClick={() => setChosen(c.id)}
                  aria-current={c.id === chosen?.id}
                  sx={{ px: 0.5, fontWeight: c.id === chosen?.id ? 700 : 400 }}
                >
                  {c.label}
                </Button>
              </li>
            ))}
          </Box>
          <Button variant="outlined" onClick={add} sx={{ mt: 1 }}>
            Add a control
          </Button>
          {withUsualControls(form).controls.length > form.controls.length && (
            <Button
              onClick={() => edit('added the controls such bodies usually have', withUsualControls)}
              sx={{ mt: 1, display: 'block' }}
            >
              Add those such bodies usually have
            </Button>
          )}
        </div>
        {chosen && (
          <Box key={chosen.id} sx={{ display: 'flex', flexDirection: 'column', gap: 2, maxWidth: 'var(--narrow)' }}>
            <TextField
              label="What the maker calls it"
              defaultValue={chosen.label}
              onBlur={e => {
                const label = e.target.value.trim()
                if (label && label !== chosen.label) change(chosen, `now “${label}”`, { label })
              }}
            />
            <Choice
              label="Where it sits"
              value={chosen.place}
              onChange={value => {
                const place = value
                const others = form.controls.filter(c => c.id !== chosen.id)
                change(chosen, 'another place', { place, at: freeSpot(place, others) })
              }}
              size="medium"
              options={PLACE_IDS.map(id => ({ id, name: PLACES[id].label }))}
            />
            <Choice
              label="Drawn on"
              value={chosen.at.view}
              onChange={value =>
                change(chosen, 'drawn elsewhere', {
                  at: { ...chosen.at, view: value },
                })
              }
              size="medium"
              options={(['back', 'top', 'front'] as const).map(v => ({ id: v, name: `the ${v}` }))}
            />
            <Autocomplete
              multiple
              disableCloseOnSelect
              options={CONTROL_FUNCTIONS}
              value={presentFunctions(chosen.functions)}
              getOptionLabel={functionWords}
              onChange={(_, functions) => {
                if (functions.length) change(chosen, 'accepts other functions', { functions })
              }}
              renderInput={params => <TextField {...params} label="Functions it accepts" />}
            />
            <FormControlLabel
              control={
                <Checkbox
                  checked={chosen.holdable}
                  onChange={e =>
                    change(chosen, e.target.checked ? 'can be held' : 'cannot be held', { holdable: e.target.checked })
                  }
                />
              }
              label="It can be held down"
            />
            <Button
              color="error"
              disabled={form.controls.length < 2}
              onClick={() => edit(`removed control “${chosen.label}”`, b => removeControl(b, chosen.id))}
              sx={{ alignSelf: 'flex-start' }}
            >
              Remove this control and the work it was given
            </Button>
          </Box>
        )}
      </Box>
    </Box>
  )
}
