'use client'

import { Autocomplete, Button, MenuItem, TextField } from '@mui/material'
import { useState } from 'react'
import { type Body, type DraftCondition, inMenuOrder, type Rule, type RuleDraft, rulesOf } from '@/core/bodies'
import { Choice } from '@/ui/Choice'
import { Wrap } from '@/ui/pieces'
import { SettingSelect } from './SettingSelect'
import { OptionsSelect } from './OptionsSelect'
import { Box, Typography } from '@/ui/elements'

type Effect = RuleDraft['effect']

const EFFECTS: readonly { readonly id: Effect; readonly label: string }[] = [
  { id: 'unavailable', label: 'cannot be used' },
  { id: 'only', label: 'can only be used then' },
  { id: 'forced', label: 'is always at' },
  { id: 'excludes', label: 'cannot be set to' },
]

const EMPTY: DraftCondition = { setting: '', is: [] }

const NEW: RuleDraft = { when: [EMPTY], effect: 'unavailable', targets: [], options: [] }

export const NewRule = ({ body, onAdd }: { body: Body; onAdd: (rules: readonly Omit<Rule, 'id'>[]) => void }) => {
  const settings = inMenuOrder(body)
  const [draft, setDraft] = useState(NEW)
  const [words, setWords] = useState<string>()
  const { when, effect, targets, options } = draft
  const rules = rulesOf(body, draft)
  const sentences = [...new Set(rules.map(r => r.words))]
  const [only] = sentences
  const isOne = sentences.length === 1
  const find = (id: string | undefined) => body.settings.find(s => s.id === id)
  const set = (to: Partial<RuleDraft>) => setDraft({ ...draft, ...to })
  const change = (i: number, c: DraftCondition) => set({ when: when.map((w, k) => (k === i ? c : w)) })
  const bindsOne = effect === 'forced' || effect === 'excludes'
  const choose = (ids: readonly string[]) => set({ targets: bindsOne ? ids.slice(-1) : ids, options: [] })
  return (
    <Box component="section" aria-label="New rule" sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}>
      {when.map((c, i) => (
        <Box key={i} sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
          <Typography sx={{ width: 44 }}>{i === 0 ? 'While' : 'and'}</Typography>
          <SettingSelect
            settings={settings}
            value={c.setting}
            label="Setting"
            onChange={setting => change(i, { setting, is: [] })}
          />
          <TextField
            select
            size="small"
            label="is or is not"
            value={c.isNot ? 'not' : 'is'}
            onChange={e => change(i, { ...c, isNot: e.target.value === 'not' })}
            sx={{ width: 'var(--field-number)' }}
          >
            <MenuItem value="is">is at</MenuItem>
            <MenuItem value="not">is not at</MenuItem>
          </TextField>
          <OptionsSelect
            setting={find(c.setting)}
            value={c.is}
            label={c.isNot ? 'is not at' : 'is at'}
            onChange={is => change(i, { ...c, is: [...is] })}
          />
        </Box>
      ))}
      <Button size="small" onClick={() => set({ when: [...when, EMPTY] })} sx={{ alignSelf: 'flex-start' }}>
        And another condition
      </Button>
      <Wrap sx={{ alignItems: 'center' }}>
        <Typography sx={{ width: 44 }}>then</Typography>
        <Autocomplete
          multiple
          size="small"
          options={settings}
          getOptionLabel={s => s.label}
          isOptionEqualToValue={(a, b) => a.id === b.id}
          getOptionKey={s => s.id}
          value={settings.filter(s => targets.includes(s.id))}
          onChange={(_, chosen) => choose(chosen.map(s => s.id))}
          sx={{ minWidth: 'var(--field)', flex: 1 }}
          renderInput={params => <TextField {...params} label={bindsOne ? 'Bound setting' : 'Bound settings'} />}
        />
        <Choice
          label="What happens"
          value={effect}
          onChange={value => set({ effect: value, options: [] })}
          sx={{ minWidth: 'var(--field-short)' }}
          options={EFFECTS.map(e => ({ id: e.id, name: e.label }))}
        />
        {bindsOne && (
          <OptionsSelect
            setting={find(targets[0])}
            value={options}
            label={effect === 'forced' ? 'Option' : 'Options'}
            onChange={ids => set({ options: effect === 'forced' ? ids.slice(-1) : ids })}
          />
        )}
      </Wrap>
      {sentences.length > 1 ? (
        <Box component="ul" aria-label="Rules that it comes to" sx={{ m: 0, pl: 3 }}>
          {sentences.map(s => (
            <li key={s}>{s}</li>
          ))}
        </Box>
      ) : (
        <TextField
          label="In words, as it is told to whoever meets it"
          value={words ?? only ?? ''}
          onChange={e => setWords(e.target.value)}
          disabled={!isOne}
          slotProps={{ htmlInput: { maxLength: 300 } }}
        />
      )}
      <Button
        variant="contained"
        disabled={rules.length === 0}
        sx={{ alignSelf: 'flex-start' }}
        onClick={() => {
          const told = isOne ? words?.trim() : undefined
          onAdd(rules.map(r => (told ? { ...r, words: told } : r)))
          setDraft(NEW)
          setWords(undefined)
        }}
      >
        {sentences.length > 1 ? `Add ${sentences.length} rules` : 'Add the rule'}
      </Button>
    </Box>
  )
}
