'use client'

import { Button, TextField } from '@mui/material'
import { useState } from 'react'
import { optionLabel } from '@/core/guide/facts'
import { type Answers, QUESTIONS } from '@/core/guide/questions'
import { readSentence, type Sentence } from '@/core/guide/sentence'
import { Box, Typography } from '@/ui/elements'

/** What was heard and for what it was taken; a person checks it in the questions below. */
const HeardWords = ({ sentence }: { sentence: Sentence }) => {
  const questionOf = (id: string) => QUESTIONS.find(q => q.id === id)
  return (
    <Box role="status" sx={{ mt: 1 }}>
      {sentence.heard.length === 0 && (
        <Typography variant="body2">No word in it answers a question. Answer below what you know.</Typography>
      )}
      {sentence.heard.map(({ question, answer, words }) => {
        const asked = questionOf(question)
        return (
          <Typography key={`${question} ${words}`} variant="body2">
            <Typography component="span" variant="value">
              {words}
            </Typography>
            {' → '}
            {asked ? `${asked.text} ${optionLabel(asked, String(answer))}` : answer}
          </Typography>
        )
      })}
      {sentence.unsure.map(id => (
        <Typography key={id} variant="body2" sx={{ fontWeight: 'fontWeightMedium' }}>
          {questionOf(id)?.text} Your words say different things; it is left open.
        </Typography>
      ))}
    </Box>
  )
}

/** Fills in from a sentence what can be recognised; everything else stays as it was answered. */
export const SentenceField = ({ onAnswers }: { onAnswers: (answers: Answers) => void }) => {
  const [text, setText] = useState('')
  const [read, setRead] = useState<Sentence>()
  const take = () => {
    const sentence = readSentence(text)
    setRead(sentence)
    if (sentence.heard.length > 0) onAnswers(sentence.answers)
  }
  return (
    <Box
      component="form"
      onSubmit={e => {
        e.preventDefault()
        take()
      }}
      sx={{ mb: 1 }}
    >
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <TextField
          size="small"
          fullWidth
          label="What will you photograph?"
          placeholder="ducks over the pond, my first month"
          value={text}
          onChange={e => setText(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 400 } }}
        />
        <Button
          type="submit"
          variant="outlined"
          disabled={text.trim() === ''}
          sx={{ flex: 'none', minHeight: 'var(--button)' }}
        >
          Fill in
        </Button>
      </Box>
      {read && <HeardWords sentence={read} />}
    </Box>
  )
}
