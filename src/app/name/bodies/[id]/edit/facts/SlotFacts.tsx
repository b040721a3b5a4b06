'use client'

import { Box, Checkbox, FormControlLabel } from '@mui/material'
import type { Editor } from '../use-editor'
import { factChange, FactRow, FactSection, TextValue } from './parts'

/** Its memory slots, and what they store. */
export const SlotFacts = ({ editor }: { editor: Editor }) => {
  const { form } = editor
  const change = factChange(editor, 'slots')
  return (
    <FactSection id="slots" title="Memory slots" editor={editor}>
      <FactRow>
        <TextValue
          label="Names, comma between"
          value={form.slots.names.join(', ')}
          onChange={text =>
            change('memory slots', b => ({
              ...b,
              slots: {
                ...b.slots,
                names: text
                  .split(',')
                  .map(n => n.trim().slice(0, 40))
                  .filter(Boolean),
              },
            }))
          }
        />
        <FormControlLabel
          control={
            <Checkbox
              checked={form.slots.stores === 'everything'}
              onChange={e =>
                change('what slots store', b => ({
                  ...b,
                  slots: { ...b.slots, stores: e.target.checked ? 'everything' : b.settings.map(s => s.id) },
                }))
              }
            />
          }
          label="a slot stores everything"
        />
      </FactRow>
      {form.slots.stores !== 'everything' && (
        <Box sx={{ mt: 1, columns: { sm: 2, md: 3 } }} role="group" aria-label="Settings that a slot stores">
          {form.settings.map(s => (
            <FormControlLabel
              key={s.id}
              sx={{ display: 'flex', breakInside: 'avoid' }}
              control={
                <Checkbox
                  size="small"
                  checked={form.slots.stores.includes(s.id)}
                  onChange={e =>
                    change(`slots and “${s.label}”`, b => ({
                      ...b,
                      slots: {
                        ...b.slots,
                        stores: e.target.checked
                          ? [...(b.slots.stores as string[]), s.id]
                          : (b.slots.stores as string[]).filter(id => id !== s.id),
                      },
                    }))
                  }
                />
              }
              label={s.label}
            />
          ))}
        </Box>
      )}
    </FactSection>
  )
}
