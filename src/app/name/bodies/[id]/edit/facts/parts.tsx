'use client'

import { Button, TextField } from '@mui/material'
import type { ReactNode } from 'react'
import { type Body, FACT_WORDS, type FactId } from '@/core/bodies'
import type { Editor } from '../use-editor'
import { Box, Typography } from '@/ui/elements'

/** What the groups of facts are made of. */

/** A profile in which somebody has looked at a group of facts. */
export const confirmed = (b: Body, id: FactId): Body => ({ ...b, unconfirmed: b.unconfirmed.filter(f => f !== id) })

/** Changes facts of one group; whoever does has looked at them. */
export const factChange =
  ({ edit }: Editor, id: FactId) =>
  (what: string, change: (body: Body) => Body): void =>
    edit(what, b => confirmed(change(b), id))

export const FactSection = ({
  id,
  title,
  editor,
  children,
}: {
  id: FactId
  title: string
  editor: Editor
  children: ReactNode
}) => {
  const isOpen = editor.profile.unconfirmed.includes(id)
  return (
    <Box component="section" aria-label={title} sx={{ mb: 4 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mb: 1.5 }}>
        <Typography variant="h2">{title}</Typography>
        {isOpen && (
          <Button
            size="small"
            variant="outlined"
            onClick={() => editor.editProfile(`confirmed ${FACT_WORDS[id]}`, b => confirmed(b, id))}
          >
            I have looked: this is right
          </Button>
        )}
      </Box>
      {isOpen && (
        <Typography variant="body2" color="secondary" sx={{ mb: 1.5 }}>
          Taken over from where the profile began; nobody has looked at the body yet.
        </Typography>
      )}
      {children}
    </Box>
  )
}

/** What is counted: at least one, and whole. */
export const whole = (n: number | string): number => Math.max(1, Math.round(Number(n)))

export const FactRow = ({ children }: { children: ReactNode }) => (
  <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, maxWidth: 'var(--line)' }}>{children}</Box>
)

export const TextValue = ({
  label,
  value,
  onChange,
  isRight = () => true,
  expected = '',
  multiline = false,
}: {
  label: string
  value: string
  onChange: (text: string) => void
  isRight?: (text: string) => boolean
  expected?: string
  multiline?: boolean
}) => (
  <TextField
    key={value}
    size="small"
    label={label}
    defaultValue={value}
    multiline={multiline}
    helperText={expected}
    sx={{ flex: 1, minWidth: 'var(--field-short)' }}
    onBlur={e => {
      const text = e.target.value.trim()
      if (text !== value && isRight(text)) onChange(text)
    }}
  />
)
