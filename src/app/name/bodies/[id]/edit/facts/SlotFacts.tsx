'use client'

import { Checkbox, FormControlLabel } from '@mui/material'
import { type Body, MOST_KEY_SETS, type Stores } from '@/core/bodies'
import type { Editor } from '../use-editor'
import { factChange, FactRow, FactSection, TextValue } from './parts'
import { Box } from '@/ui/elements'

/** Its memory slots, the keys that recall a set, and what is stored in either. */
export const SlotFacts = ({ editor }: { editor: Editor }) => {
  const { form } = editor
  const { names, stores, keys } = form.slots
  const change = factChange(editor, 'slots')
  const put = (what: string, slots: Partial<Body['slots']>) =>
    change(what, b => ({ ...b, slots: { ...b.slots, ...slots } }))
  const isSets = (text: string) => /^\d$/.test(text) && Number(text) <= MOST_KEY_SETS
  return (
    <FactSection id="slots" title="Memory slots" editor={editor}>
      <FactRow>
        <TextValue
          label="Names, comma between"
          value={names.join(', ')}
          onChange={text =>
            put('memory slots', {
              names: text
                .split(',')
                .map(n => n.trim().slice(0, 40))
                .filter(Boolean),
            })
          }
        />
        <StoresAll
          label="a slot stores everything"
          stores={stores}
          form={form}
          onChange={to => put('what slots store', { stores: to })}
        />
      </FactRow>
      <StoredSettings
        label="Settings that a slot stores"
        stores={stores}
        form={form}
        onChange={(to, row) => put(`slots and “${row}”`, { stores: to })}
      />
      <Box sx={{ mt: 2 }}>
        <FactRow>
          <TextValue
            label="Sets that keys recall while held"
            value={String(keys?.sets ?? 0)}
            expected={`How many can be stored: 0 to ${MOST_KEY_SETS}`}
            isRight={isSets}
            onChange={text =>
              put('sets for keys', {
                keys: Number(text) === 0 ? undefined : { stores: keys?.stores ?? 'everything', sets: Number(text) },
              })
            }
          />
          {keys && (
            <StoresAll
              label="a set on a key stores everything"
              stores={keys.stores}
              form={form}
              onChange={to => put('what a key recalls', { keys: { ...keys, stores: to } })}
            />
          )}
        </FactRow>
      </Box>
      {keys && (
        <StoredSettings
          label="Settings that a key recalls"
          stores={keys.stores}
          form={form}
          onChange={(to, row) => put(`keys and “${row}”`, { keys: { ...keys, stores: to } })}
        />
      )}
    </FactSection>
  )
}

interface Storing {
  readonly label: string
  readonly stores: Stores
  readonly form: Body
}

const StoresAll = ({ label, stores, form, onChange }: Storing & { onChange: (stores: Stores) => void }) => (
  <FormControlLabel
    control={
      <Checkbox
        checked={stores === 'everything'}
        onChange={e => onChange(e.target.checked ? 'everything' : form.settings.map(s => s.id))}
      />
    }
    label={label}
  />
)

const StoredSettings = ({
  label,
  stores,
  form,
  onChange,
}: Storing & { onChange: (stores: Stores, row: string) => void }) =>
  stores === 'everything' ? null : (
    <Box sx={{ mt: 1, columns: { sm: 2, md: 3 } }} role="group" aria-label={label}>
      {form.settings.map(s => (
        <FormControlLabel
          key={s.id}
          sx={{ display: 'flex', breakInside: 'avoid' }}
          control={
            <Checkbox
              size="small"
              checked={stores.includes(s.id)}
              onChange={e => onChange(e.target.checked ? [...stores, s.id] : stores.filter(id => id !== s.id), s.label)}
            />
          }
          label={s.label}
        />
      ))}
    </Box>
  )
