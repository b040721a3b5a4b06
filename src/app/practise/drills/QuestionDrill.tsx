'use client'

import { Button } from '@mui/material'
import { median } from 'simple-statistics'
import { useCallback, useLayoutEffect, useRef, useState } from 'react'
import { DRILLS } from '@/core/drills/drills'
import type { Question } from '@/core/drills/questions'
import type { DrillHand } from '@/server/drills'
import { Section, Wrap } from '@/ui/pieces'
import { sendJson } from '@/ui/send'
import { Trouble } from '@/ui/Trouble'
import { DrillFrame, Lines } from './DrillFrame'
import { keepPractised, usePractice } from './use-practice'
import { tryWords } from './words'
import { Box, Typography } from '@/ui/elements'

interface Answered {
  readonly question: Question
  readonly chosen: string
  readonly seconds: number
}

interface Asking {
  readonly questions: readonly Question[]
  readonly began: { readonly at: number; readonly person: string | undefined }
}

/** Which key, and what is it called here: one question at a time, what is right and why at once, the rest remembered. */
export const QuestionDrill = ({ about, hand }: { about: 'which-key' | 'called'; hand: DrillHand }) => {
  const practice = usePractice()
  const { person, add } = practice
  const [asking, setAsking] = useState<Asking>()
  const [answers, setAnswers] = useState<readonly Answered[]>([])
  const [chosen, setChosen] = useState<string>()
  const [problem, setProblem] = useState('')
  const shown = useRef(0)
  const question = asking?.questions[answers.length - (chosen === undefined ? 0 : 1)]

  const begin = async (before: '' | 'job') => {
    const asked = new URLSearchParams({
      about,
      body: hand.body.id,
      before,
      ...(hand.standard ? { standard: hand.standard.id } : {}),
      ...(person ? { person: person.id } : {}),
    })
    const sent = await sendJson<{ questions: readonly Question[] }>('GET', `/api/v1/drills/questions?${asked}`)
    if (!sent.ok) return setProblem(sent.detail)
    if (sent.value.questions.length === 0)
      return setProblem(
        about === 'which-key'
          ? `${hand.body.model} has no function on a key as it is set, so there is nothing to ask.`
          : `${hand.body.model} says nothing yet that could be asked for; its menu has to be named first.`,
      )
    setProblem('')
    setAnswers([])
    setChosen(undefined)
    shown.current = performance.now()
    setAsking({ questions: sent.value.questions, began: { at: Date.now(), person: person?.id } })
  }
  const choose = useCallback(
    (choice: string) => {
      if (!asking || !question || chosen !== undefined) return
      const seconds = (performance.now() - shown.current) / 1000
      setChosen(choice)
      setAnswers(a => [...a, { question, chosen: choice, seconds }])
      const whose = asking.began.person
      if (whose === undefined) return
      const answered = new Date().toISOString()
      const isRight = choice === question.right
      void keepPractised(
        '/api/v1/drills/answers',
        { question: question.key, isRight, seconds, answered },
        `answered “${question.ask}”`,
        whose,
      ).catch(() => undefined)
    },
    [asking, question, chosen],
  )
  const finish = useCallback(() => {
    if (!asking) return
    setAsking(undefined)
    if (answers.length === 0) return
    const seconds = answers.reduce((n, a) => n + a.seconds, 0)
    add(
      {
        drill: about,
        body: hand.body.id,
        seconds: Math.min(900, seconds),
        heldSeconds: 0,
        right: answers.filter(a => a.chosen === a.question.right).length,
        of: answers.length,
        figure: Number(median(answers.map(a => a.seconds)).toFixed(2)),
      },
      asking.began,
    )
  }, [asking, answers, about, hand.body.id, add])
  const next = useCallback(() => {
    if (!asking) return
    const isOver =
      answers.length >= asking.questions.length || Date.now() - asking.began.at > DRILLS[about].mostSeconds * 1000
    setChosen(undefined)
    shown.current = performance.now()
    if (isOver) finish()
  }, [asking, answers.length, about, finish])
  // With the question itself: an effect that waits until it is drawn loses the key of a quick hand on a slow machine.
  useLayoutEffect(() => {
    if (!asking) return
    const onKey = (event: KeyboardEvent) => {
      const choice = question?.choices[Number(event.key) - 1]
      if (chosen === undefined && choice !== undefined) choose(choice)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [asking, question, chosen, choose])

  return (
    <DrillFrame
      drill={about}
      practice={practice}
      isRunning={asking !== undefined}
      onStart={() => void begin('')}
      onStop={finish}
      more={
        <Button variant="outlined" onClick={() => void begin('job')}>
          Ten minutes before a job
        </Button>
      }
    >
      <Trouble words={problem} sx={{ mb: 2 }} />
      {asking && question && (
        <Box component="section" aria-label="Question" sx={{ maxWidth: 'var(--narrow)' }}>
          <Typography variant="body2" color="textSecondary">
            {Math.min(answers.length + (chosen === undefined ? 1 : 0), asking.questions.length)} of{' '}
            {asking.questions.length}
          </Typography>
          <Typography variant="h2" sx={{ my: 1.5 }}>
            {question.ask}
          </Typography>
          <Box sx={{ display: 'grid', gap: 1 }}>
            {question.choices.map((choice, i) => {
              const isRight = chosen !== undefined && choice === question.right
              const isWrong = chosen === choice && !isRight
              return (
                <Button
                  key={choice}
                  variant={isRight ? 'contained' : 'outlined'}
                  disabled={chosen !== undefined && !isRight && !isWrong}
                  onClick={() => choose(choice)}
                  sx={{ justifyContent: 'flex-start', minHeight: 'var(--touch)', textAlign: 'left' }}
                >
                  {i + 1}&ensp;{choice}
                  {isRight && ' ✓'}
                  {isWrong && ' ✕'}
                </Button>
              )
            })}
          </Box>
          {chosen !== undefined && (
            <Box sx={{ mt: 2 }}>
              <Typography role="status">
                {chosen === question.right ? 'Right.' : `It is “${question.right}”.`} {question.why}
              </Typography>
              <Button autoFocus variant="contained" onClick={next} sx={{ mt: 1.5 }}>
                {answers.length >= asking.questions.length ? 'Done' : 'Next'}
              </Button>
            </Box>
          )}
        </Box>
      )}
      {!asking && answers.length > 0 && (
        <Section title="This try">
          <Typography role="status" variant="strong">
            {tryWords({
              drill: about,
              right: answers.filter(a => a.chosen === a.question.right).length,
              of: answers.length,
              figure: median(answers.map(a => a.seconds)),
            })}
            .
          </Typography>
          <Lines
            lines={answers.map(a => ({
              key: a.question.key,
              isRight: a.chosen === a.question.right,
              words: (
                <>
                  {a.question.ask} <strong>{a.question.right}</strong>. {a.question.why}
                </>
              ),
            }))}
          />
        </Section>
      )}
      {!asking && !person && (
        <Wrap>
          <Typography variant="body2" color="textSecondary">
            Say who practises, and what you forget comes back sooner than what you know.
          </Typography>
        </Wrap>
      )}
    </DrillFrame>
  )
}
