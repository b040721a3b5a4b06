'use client'

import { Button, Chip, TextField } from '@mui/material'
import { memo } from 'react'
import { type Answers, answersTo, type Question, UNKNOWN } from '@/core/guide/questions'
import type { Standard } from '@/core/standards'
import { inSentence } from '@/core/vocabulary/words'
import type { Draft } from '@/ui/draft/draft'
import { withAnswer } from './answers'
import { Box, Typography } from '@/ui/elements'

/** One question with its answers; what cannot be answered is said to be unknown, which is never a no. */
const Put = ({
  question: q,
  answer,
  edit,
}: {
  question: Question
  answer: Answers[string] | undefined
  edit: Draft<Standard>['edit'] | undefined
}) => {
  const disabled = !edit
  const onAnswer = (a: Answers[string] | undefined) =>
    edit?.(`guide: ${inSentence(q.text)}`, s => withAnswer(s, q.id, a))
  const chosen = answersTo(answer)
  const isUnknown = chosen.includes(UNKNOWN)
  const known = chosen.filter(c => c !== UNKNOWN)
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, mt: 2.5 }} disabled={disabled}>
      <Typography variant="strong" component="legend" sx={{ p: 0 }}>
        {q.text}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 0.75 }}>
        {q.why}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75, alignItems: 'center' }}>
        {q.kind === 'amount' ? (
          <Amount question={q} answer={isUnknown ? '' : (known[0] ?? '')} disabled={disabled} onAnswer={onAnswer} />
        ) : (
          q.options.map(o => {
            const isOn = known.includes(o.id)
            const others = isOn ? known.filter(c => c !== o.id) : [...known, o.id]
            return (
              <Choice
                key={o.id}
                label={o.label}
                isOn={isOn}
                disabled={disabled}
                onClick={() => onAnswer(q.kind === 'many' ? others : isOn ? undefined : o.id)}
              />
            )
          })
        )}
        <Button
          size="small"
          disabled={disabled}
          aria-pressed={isUnknown}
          aria-label={`I do not know: ${q.text}`}
          onClick={() => onAnswer(isUnknown ? undefined : UNKNOWN)}
          sx={{
            color: 'text.secondary',
            fontWeight: isUnknown ? 'fontWeightMedium' : 'fontWeightRegular',
            minHeight: 'var(--dense)',
          }}
        >
          {isUnknown ? 'Not known' : 'I do not know'}
        </Button>
      </Box>
    </Box>
  )
}

/** Drawn again only where its own answer changed. */
export const Ask = memo(
  Put,
  (a, b) =>
    a.question === b.question && a.edit === b.edit && answersTo(a.answer).join('|') === answersTo(b.answer).join('|'),
)

const Choice = ({
  label,
  isOn,
  disabled,
  onClick,
}: {
  label: string
  isOn: boolean
  disabled: boolean
  onClick: () => void
}) => (
  <Chip
    label={label}
    clickable
    disabled={disabled}
    aria-pressed={isOn}
    variant={isOn ? 'filled' : 'outlined'}
    onClick={onClick}
    sx={{
      minHeight: { xs: 44, md: 36 },
      height: 'auto',
      '& .MuiChip-label': { whiteSpace: 'normal', py: 0.5 },
      bgcolor: isOn ? 'own.marigold.main' : undefined,
      color: isOn ? 'own.marigold.ink' : undefined,
      '&:hover': { bgcolor: isOn ? 'own.marigold.main' : undefined },
    }}
  />
)

const Amount = ({
  question: q,
  answer,
  disabled,
  onAnswer,
}: {
  question: Extract<Question, { kind: 'amount' }>
  answer: string
  disabled: boolean
  onAnswer: (answer: Answers[string] | undefined) => void
}) => (
  <TextField
    size="small"
    type="number"
    value={answer}
    disabled={disabled}
    onChange={e => {
      const n = Number(e.target.value)
      onAnswer(e.target.value === '' || !Number.isFinite(n) ? undefined : Math.min(q.most, Math.max(0, n)))
    }}
    slotProps={{
      htmlInput: { min: 0, max: q.most, step: 'any', 'aria-label': q.text },
      input: { endAdornment: <Typography variant="body2">{q.unit}</Typography> },
    }}
    sx={{ width: 'var(--field-short)' }}
  />
)
