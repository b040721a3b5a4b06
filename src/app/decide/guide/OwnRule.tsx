'use client'

import { Button, MenuItem, TextField } from '@mui/material'
import { useState } from 'react'
import type { Argument } from '@/core/guide/argument'
import { ARGUMENTS } from '@/core/guide/arguments'
import { conditionsOf, type Range } from '@/core/guide/facts'
import { type HouseRule, whenWords } from '@/core/guide/house'
import { QUESTIONS } from '@/core/guide/questions'
import { schoolsIn, type TopicId, TOPICS } from '@/core/guide/schools'
import { Choice } from '@/ui/Choice'
import { Box, Typography } from '@/ui/elements'

const NOTHING = { school: '', question: '', option: '', points: '2', because: '', source: '' }
const STRENGTHS = [
  ['1', 'a hint for it'],
  ['2', 'a reason for it'],
  ['4', 'a strong reason for it'],
  ['-2', 'a reason against it'],
  ['never', 'rules it out'],
] as const

const isList = (c: readonly string[] | Range): c is readonly string[] => Array.isArray(c)

/** The conditions of the rule that is replaced. */
const AS_IT_WAS = 'as it was'

const conditionsAgain = (before: Argument | undefined): HouseRule['when'] =>
  Object.fromEntries(conditionsOf(before?.when ?? {}).map(([id, c]) => [id, isList(c) ? [...c] : { ...c }]))

/** A rule of the house’s own for one topic; with a replaced one it stands in its place. */
export const OwnRule = ({
  topic,
  replaces,
  taken,
  onAdd,
  onCancel,
}: {
  topic: TopicId
  replaces: string | undefined
  /** Ids that are there already. */
  taken: readonly string[]
  onAdd: (rule: HouseRule) => void
  onCancel: () => void
}) => {
  const before = ARGUMENTS.find(a => a.id === replaces)
  const [said, setSaid] = useState(
    before ? { ...NOTHING, school: before.schools[0] ?? '', question: AS_IT_WAS, because: before.because } : NOTHING,
  )
  const set = (part: Partial<typeof NOTHING>) => setSaid(s => ({ ...s, ...part }))
  const asked = QUESTIONS.filter(q => q.kind !== 'amount')
  const options = asked.find(q => q.id === said.question)?.options ?? []
  const needsAnswer = said.question !== '' && said.question !== AS_IT_WAS
  const isWhole = said.school !== '' && said.because.trim() !== '' && (!needsAnswer || said.option !== '')
  const add = () => {
    let n = 1
    while (taken.includes(`${topic}/own ${n}`)) n++
    onAdd({
      id: `${topic}/own ${n}`,
      topic,
      schools: [said.school],
      when: needsAnswer
        ? { [said.question]: [said.option] }
        : said.question === AS_IT_WAS
          ? conditionsAgain(before)
          : {},
      points: said.points === 'never' ? 'never' : Number(said.points),
      because: said.because.trim(),
      source: said.source.trim() || 'this house',
      ...(replaces ? { replaces } : {}),
    })
  }
  return (
    <Box
      component="form"
      aria-label={`A rule of your own: ${TOPICS[topic].question}`}
      onSubmit={e => {
        e.preventDefault()
        if (isWhole) add()
      }}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' },
        gap: 1.5,
        my: 1.5,
        maxWidth: 'var(--line)',
      }}
    >
      {replaces && (
        <Typography variant="body2" sx={{ gridColumn: '1 / -1' }}>
          In place of “{before?.because ?? replaces}”
        </Typography>
      )}
      <Choice
        label="For"
        value={said.school}
        onChange={value => set({ school: value })}
        options={Object.entries(schoolsIn(topic)).map(([id, s]) => ({
          id: id,
          name: `${s.name} (${s.title.toLowerCase()})`,
        }))}
      />
      <Choice
        label="How strongly"
        value={said.points}
        onChange={value => set({ points: value })}
        options={STRENGTHS.map(([id, label]) => ({ id, name: label }))}
      />
      <TextField
        select
        size="small"
        label="When"
        value={said.question}
        onChange={e => set({ question: e.target.value, option: '' })}
      >
        {before && <MenuItem value={AS_IT_WAS}>as it was: {whenWords(before.when)}</MenuItem>}
        <MenuItem value="">always</MenuItem>
        {asked.map(q => (
          <MenuItem key={q.id} value={q.id}>
            {q.text}
          </MenuItem>
        ))}
      </TextField>
      <Choice
        label="Answer"
        value={said.option}
        disabled={!needsAnswer}
        onChange={value => set({ option: value })}
        options={options.map(o => ({ id: o.id, name: o.label }))}
      />
      <TextField
        size="small"
        label="Why"
        value={said.because}
        onChange={e => set({ because: e.target.value })}
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
      <TextField
        size="small"
        label="Where it is from"
        helperText="Begin with “own trial” where you have measured it: then it comes first."
        value={said.source}
        onChange={e => set({ source: e.target.value })}
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      <Box sx={{ gridColumn: '1 / -1', display: 'flex', gap: 1 }}>
        <Button type="submit" variant="contained" disabled={!isWhole}>
          {replaces ? 'Replace it' : 'Add the rule'}
        </Button>
        <Button onClick={onCancel}>Leave it</Button>
      </Box>
    </Box>
  )
}
