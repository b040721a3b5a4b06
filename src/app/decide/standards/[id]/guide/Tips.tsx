'use client'

import { Button } from '@mui/material'
import type { ReactNode } from 'react'
import { type Advice, type AdviceTopic, type Rescue } from '@/core/guide/tips'
import { symptomOfRescue } from '@/core/rescues/symptoms'
import type { QuestionId } from '@/core/optics/answers/answer'
import type { KeptAdvice } from '@/core/standards/schema'
import type { CalledOn } from '@/server/guide'
import { DeskAnswer } from '@/ui/optics/DeskAnswer'
import { TallLink } from '@/ui/links'
import { Eyebrow } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

/** How to shoot, and when it goes wrong; what is kept goes onto the wall and the cards. */

const TOPIC_WORDS: Readonly<Record<AdviceTopic, string>> = {
  exposure: 'Time, aperture, ISO',
  distance: 'Distance',
  stance: 'Stance and hands',
  timing: 'Timing',
  light: 'Light and air',
  care: 'Take care',
}

interface Keeping {
  readonly isKept: (id: string) => boolean
  /** Keeps it, or takes it out again; undefined where nothing can be changed. */
  readonly onKeep: ((id: string, isKept: boolean) => void) | undefined
}

const Item = ({
  id,
  title,
  children,
  isKept,
  onKeep,
}: Keeping & { id: string; title: string; children: ReactNode }) => (
  <Box
    component="article"
    aria-label={title}
    sx={{ py: 1.5, borderTop: 1, borderColor: 'divider', display: 'flex', gap: 2, alignItems: 'flex-start' }}
  >
    <Box sx={{ flex: 1 }}>
      <Typography variant="strong">{title}</Typography>
      {children}
    </Box>
    {onKeep && (
      <Button
        variant={isKept(id) ? 'contained' : 'outlined'}
        aria-pressed={isKept(id)}
        onClick={() => onKeep(id, isKept(id))}
        sx={{ flex: 'none' }}
      >
        {isKept(id) ? 'Kept' : 'Keep'}
      </Button>
    )}
  </Box>
)

/** Advice that a number decides, and the question of the Optics desk that has it. */
const WORKED_OUT: Readonly<Record<string, QuestionId>> = {
  'hand-speed': 'shutter',
  'moving-speed': 'shutter',
  'fast-birds': 'shutter',
  'close-speed': 'shutter',
  'stop-down': 'depth',
  'one-depth': 'depth',
  'step-back': 'crop',
  'move-point': 'recompose',
  'recompose-limit': 'recompose',
  'face-light': 'light',
  shimmer: 'air',
}

const WorkedOut = ({ id }: { id: string }) => {
  const question = WORKED_OUT[id]
  return question ? <DeskAnswer question={question} isOwnOnly /> : null
}

export const AdviceList = ({ advice, ...keeping }: Keeping & { advice: readonly Advice[] }) => {
  if (advice.length === 0) return <Nothing what="There is nothing to say about how to shoot yet." />
  const topics = [...new Set(advice.map(a => a.topic))]
  return topics.map(topic => (
    <Box key={topic} sx={{ mt: 2 }}>
      <Eyebrow component="h3">{TOPIC_WORDS[topic]}</Eyebrow>
      {advice
        .filter(a => a.topic === topic)
        .map(a => (
          <Item key={a.id} id={a.id} title={a.title} {...keeping}>
            <Typography>{a.text}</Typography>
            <WorkedOut id={a.id} />
            <Typography variant="body2" color="textSecondary">
              Source: {a.source}.
            </Typography>
          </Item>
        ))}
    </Box>
  ))
}

/** What a house found out itself, beside what is common practice. */
export const FindingList = ({ findings, ...keeping }: Keeping & { findings: readonly KeptAdvice[] }) =>
  findings.length > 0 && (
    <Box sx={{ mt: 2 }}>
      <Eyebrow component="h3">Found by yourselves</Eyebrow>
      {findings.map(f => (
        <Item key={f.id} id={f.id} title={f.title} {...keeping}>
          <Typography>{f.text}</Typography>
          <Typography variant="body2" color="textSecondary">
            Source: {f.source}.
          </Typography>
        </Item>
      ))}
    </Box>
  )

export const RescueList = ({
  rescues,
  called,
  ...keeping
}: Keeping & { rescues: readonly Rescue[]; called: CalledOn }) => {
  if (rescues.length === 0) return <Nothing what="Nothing is known to go wrong here yet." />
  return rescues.map(r => (
    <Item key={r.id} id={r.id} title={r.symptom} {...keeping}>
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        {r.remedies.map(({ text, dimension }) => (
          <li key={text}>
            <Typography>{text}</Typography>
            {dimension && <Called words={called[dimension] ?? []} />}
          </li>
        ))}
      </Box>
      <Typography variant="body2" color="textSecondary">
        Source: {r.source}.
      </Typography>
      <AskedInHand rescue={r.id} />
    </Item>
  ))
}

/** The same trouble with a camera in hand: what it is set to decides what comes first. */
const AskedInHand = ({ rescue }: { rescue: string }) => {
  const symptom = symptomOfRescue(rescue)
  return symptom ? (
    <TallLink to="/work/rescues" more={{ symptom }}>
      With a camera in hand
    </TallLink>
  ) : null
}

/** Bodies that say it in the same words stand together. */
const Called = ({ words }: { words: CalledOn[string] }) => {
  const bodies = new Map<string, string[]>()
  for (const w of words) bodies.set(w.words, [...(bodies.get(w.words) ?? []), w.model])
  return (
    words.length > 0 && (
      <Typography variant="body2" color="textSecondary">
        {[...bodies].map(([said, models]) => `${said}: ${models.join(', ')}`).join(' · ')}
      </Typography>
    )
  )
}

const Nothing = ({ what }: { what: string }) => (
  <Typography color="textSecondary" sx={{ mt: 2 }}>
    {what} Answer more of the questions.
  </Typography>
)
