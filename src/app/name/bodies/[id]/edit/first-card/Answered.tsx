'use client'

import { Button } from '@mui/material'
import { type Body, menuPath } from '@/core/bodies'
import type { Question } from '@/core/propose/questions'
import { MenuPath, Wrap } from '@/ui/pieces'
import { meaningWords } from '../meaning-words'
import { Box, Typography } from '@/ui/elements'

/** What a question was answered with. */
export const Answered = ({
  form,
  question,
  onAgain,
  onNext,
}: {
  form: Body
  question: Question
  onAgain: () => void
  onNext: () => void
}) => {
  const isAbout = (means: object) =>
    question.dimensions.some(id => id in means || (id.startsWith('area.') && 'area.pattern' in means))
  const settings = form.settings.filter(s => s.options.some(o => isAbout(o.means)))
  const always = form.fixed.filter(f => isAbout(f.means))
  return (
    <Box>
      {settings.map(s => (
        <Box key={s.id} sx={{ mb: 1.5 }}>
          <Typography variant="strong">{s.label}</Typography>
          <MenuPath path={menuPath(form, s)} />
          {s.options.map(o => (
            <Typography key={o.id} variant="body2">
              {o.label}: {meaningWords(form, o.means) || 'says nothing about focus'}
              {o.guessed?.length ? ' (a guess)' : ''}
            </Typography>
          ))}
        </Box>
      ))}
      {always.map(f => (
        <Typography key={f.words}>{f.words}</Typography>
      ))}
      {question.standing === 'none' && <Typography>{form.model} has none.</Typography>}
      <Wrap sx={{ mt: 2 }}>
        <Button variant="contained" onClick={onNext}>
          Next question
        </Button>
        <Button onClick={onAgain}>Ask again</Button>
      </Wrap>
    </Box>
  )
}
