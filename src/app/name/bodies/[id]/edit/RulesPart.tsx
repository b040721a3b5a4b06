'use client'

import { Alert, Autocomplete, Box, Button, MenuItem, TextField, Typography } from '@mui/material'
import { useState } from 'react'
import {
  addRule,
  availability,
  type Body,
  type DraftCondition,
  factoryState,
  inMenuOrder,
  removeRule,
  type Rule,
  type RuleDraft,
  rulesOf,
  ruleWords,
  type Setting,
  type State,
} from '@/core/bodies'
import { usualRules } from '@/core/propose/usual-rules'
import type { Editor } from './use-editor'
import { PlainList, Wrap } from '@/ui/pieces'

type Effect = RuleDraft['effect']

const EFFECTS: readonly { readonly id: Effect; readonly label: string }[] = [
  { id: 'unavailable', label: 'cannot be used' },
  { id: 'only', label: 'can only be used then' },
  { id: 'forced', label: 'is always at' },
  { id: 'excludes', label: 'cannot be set to' },
]

const SettingSelect = ({
  settings,
  value,
  label,
  onChange,
}: {
  settings: readonly Setting[]
  value: string
  label: string
  onChange: (id: string) => void
}) => (
  <Autocomplete
    size="small"
    options={settings}
    getOptionLabel={s => s.label}
    isOptionEqualToValue={(a, b) => a.id === b.id}
    getOptionKey={s => s.id}
    value={settings.find(s => s.id === value) ?? null}
    onChange={(_, s) => onChange(s?.id ?? '')}
    sx={{ minWidth: 220, flex: 1 }}
    renderInput={params => <TextField {...params} label={label} />}
  />
)

const OptionsSelect = ({
  setting,
  value,
  label,
  onChange,
}: {
  setting: Setting | undefined
  value: readonly string[]
  label: string
  onChange: (ids: readonly string[]) => void
}) => (
  <Autocomplete
    multiple
    size="small"
    disabled={!setting}
    options={setting?.options ?? []}
    getOptionLabel={o => o.label}
    isOptionEqualToValue={(a, b) => a.id === b.id}
    getOptionKey={o => o.id}
    value={setting?.options.filter(o => value.includes(o.id)) ?? []}
    onChange={(_, options) => onChange(options.map(o => o.id))}
    sx={{ minWidth: 220, flex: 1 }}
    renderInput={params => <TextField {...params} label={label} />}
  />
)

const EMPTY: DraftCondition = { setting: '', is: [] }
const NEW: RuleDraft = { when: [EMPTY], effect: 'unavailable', targets: [], options: [] }

const NewRule = ({ body, onAdd }: { body: Body; onAdd: (rules: readonly Omit<Rule, 'id'>[]) => void }) => {
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
            sx={{ width: 110 }}
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
          sx={{ minWidth: 220, flex: 1 }}
          renderInput={params => <TextField {...params} label={bindsOne ? 'Bound setting' : 'Bound settings'} />}
        />
        <TextField
          select
          size="small"
          label="What happens"
          value={effect}
          onChange={e => set({ effect: e.target.value as Effect, options: [] })}
          sx={{ minWidth: 170 }}
        >
          {EFFECTS.map(e => (
            <MenuItem key={e.id} value={e.id}>
              {e.label}
            </MenuItem>
          ))}
        </TextField>
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

/** Set values and see what greys out or is forced, and by which rule. */
const TryIt = ({ body }: { body: Body }) => {
  const [tried, setTried] = useState<State>({})
  const state = { ...factoryState(body), ...tried }
  const bound = inMenuOrder(body).filter(s =>
    body.rules.some(r => r.then.setting === s.id || r.when.some(c => c.setting === s.id)),
  )
  const { unavailable, broken } = judge(body, state)
  return (
    <Box component="section" aria-label="Try it">
      <Typography variant="h2">Try it</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        Set something and see what it does to the rest. Only settings that a rule speaks of are here.
      </Typography>
      {bound.length === 0 && <Typography>No rule binds anything yet.</Typography>}
      {bound.map(s => {
        const greyed = unavailable.get(s.id) ?? []
        const forced = broken.filter(r => r.then.setting === s.id)
        return (
          <Box key={s.id} sx={{ py: 0.75 }}>
            <TextField
              select
              fullWidth
              size="small"
              label={s.label}
              value={state[s.id] ?? s.default}
              disabled={greyed.length > 0}
              onChange={e => setTried({ ...tried, [s.id]: e.target.value })}
            >
              {s.options.map(o => (
                <MenuItem key={o.id} value={o.id}>
                  {o.label}
                </MenuItem>
              ))}
            </TextField>
            {greyed.map(r => (
              <Typography key={r.id} variant="body2" color="textSecondary">
                Greyed out: {r.words}
              </Typography>
            ))}
            {forced.map(r => (
              <Typography key={r.id} variant="body2" color="error">
                {r.then.effect === 'forced'
                  ? `The body changes this to ${s.options.find(o => r.then.effect === 'forced' && o.id === r.then.option)?.label ?? ''}: `
                  : 'Cannot be chosen: '}
                {r.words}
              </Typography>
            ))}
          </Box>
        )
      })}
      {Object.keys(tried).length > 0 && <Button onClick={() => setTried({})}>Back to the defaults</Button>}
    </Box>
  )
}

/** Rules that run in a circle cannot be judged; how far the profile is says which. */
const judge = (body: Body, state: State): Pick<ReturnType<typeof availability>, 'unavailable' | 'broken'> => {
  try {
    return availability(body, state)
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return { unavailable: new Map(), broken: [] }
  }
}

/** What many bodies have between such settings; one look at the body tells whether this one has it. */
const UsualRules = ({ editor: { form, edit } }: { editor: Editor }) => {
  const usual = usualRules(form)
  if (usual.length === 0) return null
  return (
    <Box component="section" aria-label="Usual rules" sx={{ mt: 4 }}>
      <Typography variant="h2">Usual on other bodies</Typography>
      <Typography variant="body2" color="textSecondary">
        Try each on the body before you add it.
      </Typography>
      <PlainList component="ul">
        {usual.map(({ rule, because }) => (
          <Box
            component="li"
            key={`${rule.words}-${rule.then.setting}`}
            sx={{ display: 'flex', gap: 1, alignItems: 'center', borderBottom: 1, borderColor: 'divider', py: 0.5 }}
          >
            <Box sx={{ flex: 1 }}>
              <Typography>{rule.words}</Typography>
              <Typography variant="body2" color="textSecondary">
                {because}
              </Typography>
            </Box>
            <Button
              size="small"
              aria-label={`It is so: ${rule.words}`}
              onClick={() => edit(`rule “${rule.words}”`, b => addRule(b, rule))}
            >
              It is so
            </Button>
          </Box>
        ))}
      </PlainList>
    </Box>
  )
}

/** Which setting binds which, in words, with a panel to try it. */
export const RulesPart = ({ editor }: { editor: Editor }) => {
  const { form, edit } = editor
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 380px' }, gap: 5 }}>
      <div>
        <Typography variant="h2" sx={{ mb: 1.5 }}>
          A new rule
        </Typography>
        {form.settings.length < 2 ? (
          <Alert severity="info">A rule binds two settings; there are not two yet.</Alert>
        ) : (
          <NewRule
            body={form}
            onAdd={rules => edit(`rule “${rules[0]?.words ?? ''}”`, b => rules.reduce<Body>(addRule, b))}
          />
        )}
        <UsualRules editor={editor} />
        <Typography variant="h2" sx={{ mt: 4 }}>
          Rules of this body
        </Typography>
        {form.rules.length === 0 && <Typography>No setting binds another.</Typography>}
        <PlainList component="ul" aria-label="Rules">
          {form.rules.map(r => (
            <Box
              component="li"
              key={r.id}
              sx={{ display: 'flex', gap: 1, alignItems: 'center', borderBottom: 1, borderColor: 'divider', py: 0.5 }}
            >
              <Box sx={{ flex: 1 }}>
                <Typography>{r.words}</Typography>
                {r.words !== ruleWords(form, r) && (
                  <Typography variant="body2" color="textSecondary">
                    {ruleWords(form, r)}
                  </Typography>
                )}
              </Box>
              <Button size="small" onClick={() => edit(`removed rule “${r.words}”`, b => removeRule(b, r.id))}>
                Remove
              </Button>
            </Box>
          ))}
        </PlainList>
      </div>
      <TryIt body={form} />
    </Box>
  )
}
