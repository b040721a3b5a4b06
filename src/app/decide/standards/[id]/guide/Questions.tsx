'use client'

import { Button } from '@mui/material'
import { useState } from 'react'
import { type Answers, answersTo, type Question, questionsFor } from '@/core/guide/questions'
import type { Standard } from '@/core/standards'
import type { Draft } from '@/ui/draft/draft'
import { withAnswer } from './answers'
import { Ask } from './Ask'
import { SentenceField } from './SentenceField'
import { Typography } from '@/ui/elements'

export type Edit = Draft<Standard>['edit']

/** Questions put at once beside those that have been answered. */
const AT_ONCE = 4

/** The first ones and what was answered stay; of the rest a few at a time. */
export const Questions = ({ answers, edit }: { answers: Answers; edit: Edit | undefined }) => {
  const [more, setMore] = useState(0)
  const all = questionsFor(answers)
  const isAnswered = (q: Question) => answersTo(answers[q.id]).length > 0
  const waiting = all.filter(q => q.mattersWhen && !isAnswered(q))
  const put = new Set(waiting.slice(0, AT_ONCE + more))
  const asked = all.filter(q => !waiting.includes(q) || put.has(q))
  const left = waiting.length - put.size
  return (
    <>
      {edit && (
        <SentenceField
          onAnswers={heard =>
            edit('guide: a sentence', s => Object.entries(heard).reduce((now, [id, a]) => withAnswer(now, id, a), s))
          }
        />
      )}
      <Typography color="textSecondary">
        Answer what you know; {all.filter(isAnswered).length} answered. What is left out decides nothing; what you say
        may bring up more.
      </Typography>
      {asked.map(q => (
        <Ask key={q.id} question={q} answer={answers[q.id]} edit={edit} />
      ))}
      {left > 0 && (
        <Button sx={{ mt: 2 }} onClick={() => setMore(m => m + AT_ONCE)}>
          {left === 1 ? 'One more question' : `${left} more questions`}
        </Button>
      )}
    </>
  )
}
