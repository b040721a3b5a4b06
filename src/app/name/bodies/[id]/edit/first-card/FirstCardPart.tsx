'use client'

import { Button } from '@mui/material'
import { useMemo, useRef, useState } from 'react'
import { type Body, hasNone, startLooking } from '@/core/bodies'
import {
  alwaysSo,
  askedAgain,
  nextOpen,
  type Question,
  questionsOf,
  undecidedKey,
  withAnsweredRow,
  withKeys,
  withoutFurtherWork,
} from '@/core/propose/questions'
import { effectiveTargets, type EffectiveTarget, type Standard } from '@/core/standards'
import { dimension } from '@/core/vocabulary/dimensions'
import { inSentence, valueWords } from '@/core/vocabulary/words'
import { Eyebrow } from '@/ui/pieces'
import type { Completeness } from '@/workers/completeness'
import type { Editor } from '../use-editor'
import { useProposals } from '../use-proposals'
import { Answered } from './Answered'
import { GrowingCard } from './GrowingCard'
import { KeysQuestion } from './KeysQuestion'
import { RowMeaning } from './RowMeaning'
import { RowQuestion } from './RowQuestion'
import { Box, Typography } from '@/ui/elements'

const WEIGHT_WORDS = { must: 'Must', should: 'Should', nice: 'Nice to have' } as const

const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** What a question asks, with what the standard wants of it. */
const QuestionHead = ({
  question,
  target,
  counted,
}: {
  question: Question
  target: EffectiveTarget
  counted: string
}) => {
  const d = dimension(target.dimension)
  const isKeys = d.kind === 'assign'
  return (
    <Box sx={{ mb: 2 }}>
      <Eyebrow>
        {WEIGHT_WORDS[question.weight]} · {counted}
      </Eyebrow>
      <Typography variant="h2">{isKeys ? 'Keys for thumb and front fingers' : d.label}</Typography>
      <Typography color="textSecondary">
        {isKeys
          ? `The standard gives them work: ${question.dimensions.map(id => inSentence(dimension(id).label)).join(', ')}.`
          : `${sentence(d.about)}. Wanted: ${valueWords(d, target.value)}.`}
      </Typography>
    </Box>
  )
}

/** A body asked only what the standard in hand asks for, while its first card grows beside the questions. */
export const FirstCardPart = ({
  editor,
  standard,
  found,
}: {
  editor: Editor
  standard: Standard
  found: Completeness | undefined
}) => {
  const { form, edit } = editor
  const asked = useMemo(() => effectiveTargets(standard), [standard])
  const questions = useMemo(() => questionsOf(form, asked), [form, asked])
  const [at, setAt] = useState(() => nextOpen(questions, undefined, new Set())?.id)
  const [putOff, setPutOff] = useState<ReadonlySet<string>>(new Set())
  /** The setting that was named as the answer to a question, while what it means is still asked. */
  const [named, setNamed] = useState<Readonly<Record<string, string>>>({})
  const proposals = useProposals(form)
  const top = useRef<HTMLElement>(null)
  const question = questions.find(q => q.id === at)
  const target = asked.find(t => t.dimension === at)
  const isKeys = question !== undefined && dimension(question.id).kind === 'assign'
  const row = isKeys ? undecidedKey(form) : form.settings.find(s => s.id === named[at ?? ''] && s.undecided)
  const musts = questions.filter(q => q.weight === 'must')
  const counted = `${musts.filter(q => q.standing !== 'open').length} of ${musts.length} musts answered`

  /** Changes the profile and goes on, unless the question is still open. */
  const answer = (what: string, change: (body: Body) => Body) => {
    const inMaking = (b: Body) => {
      const changed = change(startLooking(b))
      return isKeys ? withoutFurtherWork(changed, question.dimensions) : changed
    }
    const after = questionsOf(inMaking(form), asked)
    edit(what, inMaking)
    if (after.find(q => q.id === at)?.standing !== 'open') setAt(nextOpen(after, at, putOff)?.id)
  }
  const later = () => {
    const off = new Set([...putOff, at ?? ''])
    setPutOff(off)
    setAt(nextOpen(questions, at, off)?.id)
  }
  const name = (label: string, options: readonly string[], place: { tab?: string; page?: string }) => {
    const withRow = (b: Body) => withAnsweredRow(startLooking(b), { label, options, ...place })
    const added = withRow(form).settings.find(s => s.undecided && s.label.toLowerCase() === label.toLowerCase())
    edit(`named “${label}”`, withRow)
    if (added && at) setNamed(n => ({ ...n, [at]: added.id }))
  }

  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '1fr 1fr' }, gap: { xs: 4, md: 6 } }}>
      <Box component="section" ref={top} aria-label="Question" sx={{ minWidth: 0, scrollMarginTop: 120 }}>
        {question && target ? (
          <>
            <QuestionHead question={question} target={target} counted={counted} />
            {row ? (
              <RowMeaning editor={editor} row={row} dimensionId={question.id} proposals={proposals} answer={answer} />
            ) : question.standing !== 'open' ? (
              <Answered
                form={form}
                question={question}
                onAgain={() => edit(`asked again about “${target.dimension}”`, b => askedAgain(b, question))}
                onNext={() => setAt(nextOpen(questions, at, putOff)?.id)}
              />
            ) : isKeys ? (
              <KeysQuestion
                key={question.id}
                form={form}
                onKeys={keys => answer('told its keys', b => withKeys(b, keys, question.dimensions))}
                onLater={later}
              />
            ) : (
              <RowQuestion
                key={question.id}
                model={form.model}
                dimensionId={question.id}
                onRow={name}
                onNone={() => answer(`has no row for “${target.dimension}”`, b => hasNone(b, question.dimensions))}
                onAlways={() => answer('always so', b => alwaysSo(b, question.id, target.value))}
                onLater={later}
              />
            )}
          </>
        ) : (
          <AllAnswered
            putOff={putOff.size}
            onBack={() => setPutOff(new Set())}
            onFirst={() => setAt(questions[0]?.id)}
          />
        )}
      </Box>
      <GrowingCard
        form={form}
        editor={editor}
        standard={standard}
        found={found}
        questions={questions}
        at={at}
        onQuestion={id => {
          setAt(id)
          // On a phone the question stands far above the line that was touched.
          top.current?.scrollIntoView({ block: 'start' })
        }}
      />
    </Box>
  )
}

const AllAnswered = ({ putOff, onBack, onFirst }: { putOff: number; onBack: () => void; onFirst: () => void }) => (
  <>
    <Typography variant="h2">Nothing left to ask</Typography>
    <Typography sx={{ my: 1 }}>
      {putOff
        ? `${putOff} put off; the card says what it does not know.`
        : 'The rest of the menu can be pasted later; what was answered here stays.'}
    </Typography>
    {putOff > 0 && (
      <Button
        variant="outlined"
        onClick={() => {
          onBack()
          onFirst()
        }}
      >
        Ask what was put off
      </Button>
    )}
  </>
)
