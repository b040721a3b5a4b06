'use client'

import { MenuItem, TextField } from '@mui/material'
import { schoolsOf } from '@/core/guide/guide'
import { refText } from '@/core/standards'
import type { StandardHeading } from '@/server/catalogue'
import { STATE_WORDS } from '@/ui/versions'

export interface Choice {
  readonly id: string
  readonly label: string
}

export const schoolChoices = (topic: string): readonly Choice[] =>
  schoolsOf(topic).flatMap(p => (p.school ? [{ id: p.school, label: p.school }] : []))

export const Pick = ({
  label,
  value,
  choices,
  onChange,
}: {
  label: string
  value: string
  choices: readonly Choice[]
  onChange: (id: string) => void
}) => (
  <TextField
    select
    size="small"
    label={label}
    value={value}
    onChange={e => onChange(e.target.value)}
    sx={{ minWidth: 'var(--field)' }}
  >
    {choices.map(c => (
      <MenuItem key={c.id} value={c.id}>
        {c.label}
      </MenuItem>
    ))}
  </TextField>
)

export const StandardSelect = ({
  label,
  value,
  standards,
  onChange,
}: {
  label: string
  value: string
  standards: readonly StandardHeading[]
  onChange: (ref: string) => void
}) => {
  const choices = standards.flatMap(s => [
    { id: s.id, label: `${s.name}, version ${s.version}` },
    ...(s.open
      ? [
          {
            id: refText({ id: s.id, version: s.open.version }),
            label: `${s.name}, version ${s.open.version}, ${STATE_WORDS[s.open.state] ?? ''}`,
          },
        ]
      : []),
  ])
  const all = choices.some(c => c.id === value)
    ? choices
    : [...choices, { id: value, label: value.replace('@', ', version ') }]
  return <Pick label={label} value={value} choices={all} onChange={onChange} />
}

export const BodiesSelect = ({
  label,
  value,
  bodies,
  onChange,
}: {
  label: string
  value: readonly string[]
  bodies: readonly Choice[]
  onChange: (ids: string) => void
}) => (
  <TextField
    select
    size="small"
    label={label}
    value={[...value]}
    onChange={e => onChange((e.target.value as unknown as string[]).join(','))}
    slotProps={{ select: { multiple: true } }}
    sx={{ minWidth: 'var(--field-long)', maxWidth: 'var(--narrow)' }}
  >
    {bodies.map(b => (
      <MenuItem key={b.id} value={b.id}>
        {b.label}
      </MenuItem>
    ))}
  </TextField>
)
