'use client'

import { Autocomplete, Button, TextField } from '@mui/material'
import { useState } from 'react'
import { evidenceFrom, fieldsThatDiffer } from '@/core/audit/by-example'
import { type Body, type Evidence, inMenuOrder, menuPath, type Setting, withEvidence } from '@/core/bodies'
import { MenuPath, Page, PlainList, Section } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { ByExample } from './ByExample'
import { Box, Typography } from '@/ui/elements'

const SIGN_WORDS: Readonly<Record<Evidence['sign'], string>> = {
  is: 'is',
  contains: 'contains',
  'at-least': 'is at least',
  'at-most': 'is at most',
}

/** What pictures of a body tell of how it was set: which field says which option, found by example. */
export const EvidenceView = ({ profile, form, revision }: { profile: Body; form: Body; revision: number }) => {
  const { send, isBusy, problem } = useSend()
  const settings = inMenuOrder(form).filter(s => s.options.length > 1)
  const [chosen, setChosen] = useState<Setting | null>(null)
  const evidence = profile.evidence ?? []
  const told = settings.filter(s => evidence.some(e => e.setting === s.id))
  const keep = async (setting: Setting, next: readonly Omit<Evidence, 'setting'>[]) => {
    const document = withEvidence(profile, setting.id, next)
    const what = next.length > 0 ? `pictures tell of ${setting.label}` : `pictures no longer tell of ${setting.label}`
    return (await send('PUT', `/api/v1/bodies/${profile.id}`, { document, revision, what })).ok
  }
  return (
    <Page>
      <Typography color="textSecondary">
        {form.maker} {form.model}
      </Typography>
      <Typography variant="h1">What its pictures tell</Typography>
      <Typography sx={{ mt: 0.5, mb: 1, maxWidth: 'var(--line)' }}>
        Cameras write how they were set into fields of their own, each maker in another way. Take pictures with two
        options of one setting, three of each, changing nothing else, and drop them here: the field that goes with the
        options tells of it from then on, and every audit reads it.
      </Typography>
      <Section title="Find a field by example">
        <Autocomplete
          options={settings}
          value={chosen}
          getOptionKey={s => s.id}
          getOptionLabel={s => s.label}
          isOptionEqualToValue={(a, b) => a.id === b.id}
          onChange={(_, s) => setChosen(s)}
          renderOption={(props, s) => (
            <li {...props} key={s.id}>
              <span>
                {s.label} <MenuPath path={menuPath(form, s)} />
              </span>
            </li>
          )}
          renderInput={p => <TextField {...p} label="Setting" placeholder="Which setting did you change?" />}
          sx={{ maxWidth: 'var(--narrow)' }}
        />
        {chosen && (
          <ByExample
            key={chosen.id}
            setting={chosen}
            find={fieldsThatDiffer}
            isBusy={isBusy}
            onField={field => {
              // What the same field told of other options by earlier pictures stays.
              const others = evidence.filter(
                e =>
                  e.setting === chosen.id && e.field === field.field && !field.values.some(v => v.option === e.option),
              )
              return keep(chosen, [...others.map(({ setting: _, ...e }) => e), ...evidenceFrom(field)])
            }}
          />
        )}
      </Section>
      <Trouble words={problem} sx={{ mt: 2 }} />
      <Section title={told.length === 0 ? 'Nothing is told yet' : 'Told by now'}>
        <PlainList component="ul" sx={{ maxWidth: 'var(--wide)' }}>
          {told.map(s => (
            <Box component="li" key={s.id} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
              <Box sx={{ display: 'flex', gap: 2, justifyContent: 'space-between', alignItems: 'baseline' }}>
                <Typography variant="strong">{s.label}</Typography>
                <Button size="small" disabled={isBusy} onClick={() => void keep(s, [])}>
                  Forget
                </Button>
              </Box>
              <EvidenceLines setting={s} evidence={evidence.filter(e => e.setting === s.id)} />
            </Box>
          ))}
        </PlainList>
      </Section>
    </Page>
  )
}

const EvidenceLines = ({ setting, evidence }: { setting: Setting; evidence: readonly Evidence[] }) => {
  const fields = [...new Set(evidence.map(e => e.field))]
  const silent = setting.options.filter(o => !evidence.some(e => e.option === o.id))
  return (
    <>
      {fields.map(field => (
        <Box key={field} sx={{ mt: 0.25 }}>
          <Typography variant="value" component="div" color="textSecondary">
            {field}
          </Typography>
          <Typography variant="body2" sx={{ overflowWrap: 'anywhere' }}>
            {evidence
              .filter(e => e.field === field)
              .map(
                e =>
                  `${SIGN_WORDS[e.sign]} “${e.value}”: ${setting.options.find(o => o.id === e.option)?.label ?? e.option}`,
              )
              .join('; ')}
          </Typography>
        </Box>
      ))}
      {silent.length > 0 && silent.length < setting.options.length && (
        <Typography variant="body2" color="textSecondary">
          Of {silent.map(o => o.label).join(', ')} nobody has dropped a picture yet.
        </Typography>
      )}
    </>
  )
}
