'use client'

import { Alert, Box, Button, Chip, TextField, Typography } from '@mui/material'
import { type ReactNode, useMemo, useState } from 'react'
import { accept, clear, type Proposal, propose, type Topic } from '@/core/guide/guide'
import { type Answers, QUESTIONS, type Question } from '@/core/guide/questions'
import { effectiveTargets, type Layer, type Standard } from '@/core/standards'
import { dimension } from '@/core/vocabulary/dimensions'
import { sameValue } from '@/core/vocabulary/same'
import { inSentence, valueWords } from '@/core/vocabulary/words'
import type { Draft } from '@/ui/draft'
import { GivesWay } from '@/ui/GivesWay'
import { Eyebrow } from '@/ui/pieces'

/** Where the refused topics are kept among the answers. */
const REFUSED = 'refused'

const listOf = (answer: Answers[string] | undefined): readonly string[] =>
  answer === undefined ? [] : Array.isArray(answer) ? (answer as readonly string[]) : [String(answer)]

/** Questions on the left, what follows from the answers on the right; what is accepted goes into the layer at once. */
export const GuidePart = ({
  standard,
  layer,
  edit,
  onDraft,
}: {
  standard: Standard
  layer: Layer
  edit: Draft<Standard>['edit'] | undefined
  onDraft: () => void
}) => {
  const answers: Answers = useMemo(() => standard.answers ?? {}, [standard.answers])
  const topics = useMemo(() => {
    const bare = { ...standard, layers: standard.layers.map(l => (l.id === layer.id ? { ...l, targets: [] } : l)) }
    return propose(answers, new Map(effectiveTargets(bare).map(t => [t.dimension, t.value])))
  }, [answers, standard, layer.id])
  const refused = listOf(answers[REFUSED])
  const answered = QUESTIONS.filter(q => listOf(answers[q.id]).length > 0).length
  const set = (id: string, answer: Answers[string] | undefined, what: string) =>
    edit?.(`guide: ${what}`, s => ({ ...s, answers: withAnswer(s.answers, id, answer) }))
  const take = (topic: Topic, proposal: Proposal) =>
    edit?.(`guide: ${inSentence(topic.question)} – ${inSentence(proposal.title)}`, s =>
      withoutRefusal(accept(s, layer.id, topic.id, proposal), topic.id),
    )
  const refuse = (topic: Topic) =>
    edit?.(`guide: ${inSentence(topic.question)} refused`, s => ({
      ...clear(s, layer.id, topic.id),
      answers: withAnswer(s.answers, REFUSED, [...new Set([...listOf(s.answers?.[REFUSED]), topic.id])]),
    }))
  const open = topics.filter(t => !refused.includes(t.id) && !takenOf(t, layer))
  const takeAll = () =>
    edit?.(`guide: ${open.length} proposals accepted`, s =>
      open.reduce((now, t) => accept(now, layer.id, t.id, t.proposals[0]), s),
    )

  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '380px 1fr' }, gap: 4 }}>
      <Box component="section" aria-label="Questions">
        {!edit && (
          <Alert
            severity="info"
            sx={{ mb: 2 }}
            action={
              <Button color="inherit" onClick={onDraft}>
                Begin a draft
              </Button>
            }
          >
            This version stays as it is.
          </Alert>
        )}
        <Typography color="textSecondary">
          Answer what you know; {answered} of {QUESTIONS.length} answered. What is left out decides nothing.
        </Typography>
        {QUESTIONS.map(q => (
          <Ask
            key={q.id}
            question={q}
            answer={answers[q.id]}
            disabled={!edit}
            onAnswer={a => set(q.id, a, inSentence(q.text))}
          />
        ))}
      </Box>
      <Box component="section" aria-label="Proposals">
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
          <Typography variant="h2" sx={{ flex: 1 }}>
            Proposals for {layer.name}
          </Typography>
          {edit && open.length > 0 && (
            <Button variant="outlined" onClick={takeAll}>
              Accept all {open.length} that are open
            </Button>
          )}
        </Box>
        {topics.map(t => (
          <TopicItem
            key={t.id}
            topic={t}
            taken={takenOf(t, layer)}
            isRefused={refused.includes(t.id)}
            onTake={edit && (p => take(t, p))}
            onRefuse={edit && (() => refuse(t))}
          >
            {edit && (
              <GivesWay
                document={standard}
                layer={layer}
                edit={edit}
                concerns={id => [...t.proposals, ...t.others].some(p => p.targets.some(x => x.dimension === id))}
                what="what you accepted"
              />
            )}
          </TopicItem>
        ))}
      </Box>
    </Box>
  )
}

const withAnswer = (
  answers: Standard['answers'],
  id: string,
  answer: Answers[string] | undefined,
): NonNullable<Standard['answers']> => {
  const { [id]: _, ...rest } = answers ?? {}
  const isNothing = answer === undefined || answer === '' || (Array.isArray(answer) && answer.length === 0)
  return isNothing
    ? rest
    : { ...rest, [id]: Array.isArray(answer) ? [...(answer as readonly string[])] : (answer as string | number) }
}

const withoutRefusal = (standard: Standard, topic: string): Standard => ({
  ...standard,
  answers: withAnswer(
    standard.answers,
    REFUSED,
    listOf(standard.answers?.[REFUSED]).filter(t => t !== topic),
  ),
})

/** The answer to a topic that the layer holds now, whichever it is. */
const takenOf = (topic: Topic, layer: Layer): Proposal | undefined =>
  [...topic.proposals, ...topic.others].find(p =>
    p.targets.every(t => {
      const there = layer.targets.find(x => x.dimension === t.dimension)
      return there && sameValue(dimension(t.dimension), there.value, t.value)
    }),
  )

const Ask = ({
  question: q,
  answer,
  disabled,
  onAnswer,
}: {
  question: Question
  answer: Answers[string] | undefined
  disabled: boolean
  onAnswer: (answer: Answers[string] | undefined) => void
}) => {
  const chosen = listOf(answer)
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, mt: 2 }} disabled={disabled}>
      <Typography component="legend" sx={{ fontWeight: 650, p: 0, mb: 0.5 }}>
        {q.text}
      </Typography>
      {q.kind === 'amount' ? (
        <TextField
          size="small"
          type="number"
          value={answer ?? ''}
          disabled={disabled}
          onChange={e => {
            const n = Number(e.target.value)
            onAnswer(e.target.value === '' || !Number.isFinite(n) ? undefined : Math.min(q.most, Math.max(0, n)))
          }}
          slotProps={{
            htmlInput: { min: 0, max: q.most, step: 'any', 'aria-label': q.text },
            input: { endAdornment: <Typography variant="body2">{q.unit}</Typography> },
          }}
          sx={{ width: 190 }}
        />
      ) : (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
          {q.options.map(o => {
            const isOn = chosen.includes(o.id)
            const next =
              q.kind === 'one' ? (isOn ? undefined : o.id) : isOn ? chosen.filter(c => c !== o.id) : [...chosen, o.id]
            return (
              <Chip
                key={o.id}
                label={o.label}
                clickable
                disabled={disabled}
                aria-pressed={isOn}
                variant={isOn ? 'filled' : 'outlined'}
                onClick={() => onAnswer(next)}
                sx={{
                  minHeight: 36,
                  bgcolor: isOn ? 'own.marigold.main' : undefined,
                  color: isOn ? 'own.marigold.ink' : undefined,
                  '&:hover': { bgcolor: isOn ? 'own.marigold.main' : undefined },
                }}
              />
            )
          })}
        </Box>
      )}
    </Box>
  )
}

const targetWords = (p: Proposal): string =>
  p.targets
    .map(
      t => `${inSentence(dimension(t.dimension).label)}: ${valueWords(dimension(t.dimension), t.value)}, a ${t.weight}`,
    )
    .join('; ')

const TopicItem = ({
  topic,
  taken,
  isRefused,
  onTake,
  onRefuse,
  children,
}: {
  topic: Topic
  taken: Proposal | undefined
  isRefused: boolean
  onTake: ((p: Proposal) => void) | undefined
  onRefuse: (() => void) | undefined
  children?: ReactNode
}) => (
  <Box component="article" aria-label={topic.question} sx={{ py: 2, borderTop: 1, borderColor: 'divider', mt: 1.5 }}>
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 32 }}>
      <Box sx={{ flex: 1 }}>
        <Eyebrow component="h3">{topic.question}</Eyebrow>
      </Box>
      {isRefused ? (
        <Typography variant="body2" color="textSecondary">
          refused
        </Typography>
      ) : (
        onRefuse && (
          <Button size="small" onClick={onRefuse}>
            {taken ? 'Take it back' : 'Refuse'}
          </Button>
        )
      )}
    </Box>
    {topic.proposals.length > 1 && (
      <Typography variant="body2" color="textSecondary">
        Practitioners disagree here; both fit what you said.
      </Typography>
    )}
    {topic.proposals.map((p, i) => (
      <Box key={p.rule} sx={{ mt: 1, display: 'flex', gap: 2, alignItems: 'flex-start' }}>
        <Box sx={{ flex: 1 }}>
          <Typography sx={{ fontWeight: 650 }}>
            {p.title}
            {p.school && p.school !== inSentence(p.title) && (
              <Typography component="span" color="textSecondary">
                {' '}
                · {p.school}
              </Typography>
            )}
          </Typography>
          <Typography variant="value" component="div">
            {targetWords(p)}
          </Typography>
          <Typography variant="body2">{p.reason}</Typography>
          <Typography variant="body2" color="textSecondary">
            {p.because.length ? `Because: ${p.because.join(' · ')}. ` : ''}Source: {p.source}.
          </Typography>
        </Box>
        {onTake && (
          <Button
            variant={taken?.rule === p.rule ? 'contained' : i === 0 ? 'outlined' : 'text'}
            aria-pressed={taken?.rule === p.rule}
            onClick={() => onTake(p)}
            sx={{ flex: 'none' }}
          >
            {taken?.rule === p.rule ? 'Accepted' : 'Accept'}
          </Button>
        )}
      </Box>
    ))}
    {children}
    {topic.others.length > 0 && <Others topic={topic} taken={taken} onTake={onTake} />}
    {topic.wouldChange.length > 0 && (
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        Would change its mind:{' '}
        {topic.wouldChange.map(c => `${c.question} ${c.answer}: ${inSentence(c.then)}`).join(' · ')}.
      </Typography>
    )}
  </Box>
)

/** What the other schools would say; out of sight until somebody wants to know, or has taken one of them. */
const Others = ({
  topic,
  taken,
  onTake,
}: {
  topic: Topic
  taken: Proposal | undefined
  onTake: ((p: Proposal) => void) | undefined
}) => {
  const isTaken = topic.others.some(o => o.rule === taken?.rule)
  const [open, setOpen] = useState(isTaken)
  if (!open)
    return (
      <Button size="small" sx={{ px: 0, mt: 0.5 }} onClick={() => setOpen(true)}>
        What other schools would say: {topic.others.map(o => o.school).join(', ')}
      </Button>
    )
  return topic.others.map(o => (
    <Box key={o.rule} sx={{ mt: 1, display: 'flex', gap: 2, alignItems: 'flex-start' }}>
      <Typography variant="body2" color="textSecondary" sx={{ flex: 1 }}>
        <b>{o.school}</b> would say: {inSentence(o.title)}. {o.reason}
        {o.fitsWhen.length > 0 && ` It would fit if: ${o.fitsWhen.join(' · ')}.`}
      </Typography>
      {onTake && (
        <Button
          size="small"
          aria-pressed={taken?.rule === o.rule}
          variant={taken?.rule === o.rule ? 'contained' : 'text'}
          onClick={() => onTake(o)}
          sx={{ flex: 'none' }}
        >
          {taken?.rule === o.rule ? 'Accepted' : 'Accept this'}
        </Button>
      )}
    </Box>
  ))
}
