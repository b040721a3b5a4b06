'use client'

import { Button, TextField } from '@mui/material'
import { useState } from 'react'
import type { Body } from '@/core/bodies'
import { Choice } from '@/ui/Choice'
import { TextValue } from './parts'
import { Box } from '@/ui/elements'

const NOTES = ['af-mf', 'lamp', 'sun', 'firmware', 'battery', 'other'] as const
const NOTE_WORDS: Readonly<Record<(typeof NOTES)[number], string>> = {
  'af-mf': 'AF and manual',
  lamp: 'lamp and sounds',
  sun: 'sun',
  firmware: 'firmware',
  battery: 'battery',
  other: 'something else',
}

/** Things to be minded, each with what it is about. */
export const Notes = ({
  notes,
  onChange,
  add,
}: {
  notes: Body['cautions']
  onChange: (notes: Body['cautions']) => void
  add: string
}) => (
  <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5, maxWidth: 'var(--line)' }}>
    {notes.map((n, i) => (
      <Box key={i} sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start' }}>
        <Choice
          label="About"
          value={n.about}
          sx={{ width: 'var(--field-short)' }}
          onChange={value => onChange(notes.map((x, k) => (k === i ? { ...x, about: value } : x)))}
          options={NOTES.map(id => ({ id, name: NOTE_WORDS[id] }))}
        />
        <TextValue
          label="In words"
          multiline
          value={n.words}
          isRight={t => t.length > 0 && t.length <= 400}
          onChange={words => onChange(notes.map((x, k) => (k === i ? { ...x, words } : x)))}
        />
        <Button size="small" onClick={() => onChange(notes.filter((_, k) => k !== i))}>
          Remove
        </Button>
      </Box>
    ))}
    <NewNote add={add} onAdd={note => onChange([...notes, note])} />
  </Box>
)

/** A note counts only once somebody has written it. */
const NewNote = ({ add, onAdd }: { add: string; onAdd: (note: Body['cautions'][number]) => void }) => {
  const [about, setAbout] = useState<(typeof NOTES)[number]>('af-mf')
  const [words, setWords] = useState('')
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' }}>
      <Choice
        label="About"
        value={about}
        sx={{ width: 'var(--field-short)' }}
        onChange={setAbout}
        options={NOTES.map(id => ({ id, name: NOTE_WORDS[id] }))}
      />
      <TextField
        size="small"
        multiline
        label="What has to be minded"
        value={words}
        onChange={e => setWords(e.target.value)}
        sx={{ flex: 1, minWidth: 'var(--field)' }}
        slotProps={{ htmlInput: { maxLength: 400 } }}
      />
      <Button
        disabled={!words.trim()}
        onClick={() => {
          onAdd({ about, words: words.trim() })
          setWords('')
        }}
      >
        {add}
      </Button>
    </Box>
  )
}
