'use client'

import { Button } from '@mui/material'
import { memo, type ReactNode, useState } from 'react'
import { accept, clear } from '@/core/guide/accept'
import { type Answered, type OtherSchool, type Proposal } from '@/core/guide/guide'
import { type MindChange } from '@/core/guide/mind'
import type { TopicId } from '@/core/guide/schools'
import type { Standard } from '@/core/standards'
import { dimension } from '@/core/vocabulary/dimensions'
import { SeeIt } from '@/ui/SeeIt'
import { inSentence, valueWords } from '@/core/vocabulary/words'
import type { Draft } from '@/ui/draft/draft'
import { Eyebrow } from '@/ui/pieces'
import { withoutRefusal, withRefusal } from './answers'
import { Box, Typography } from '@/ui/elements'

type Edit = Draft<Standard>['edit']

const targetWords = (p: Proposal): string =>
  p.targets.length === 0
    ? 'nothing to set: left as it is'
    : p.targets
        .map(
          t =>
            `${inSentence(dimension(t.dimension).label)}: ${valueWords(dimension(t.dimension), t.value)}, a ${t.weight}`,
        )
        .join('; ')

interface Taking {
  readonly taken: string | undefined
  readonly onTake: ((p: Proposal) => void) | undefined
}

const TakeButton = ({ proposal: p, isFirst, taken, onTake }: Taking & { proposal: Proposal; isFirst: boolean }) =>
  onTake &&
  p.targets.length > 0 && (
    <Button
      variant={taken === p.id ? 'contained' : isFirst ? 'outlined' : 'text'}
      aria-pressed={taken === p.id}
      onClick={() => onTake(p)}
      sx={{ flex: 'none' }}
    >
      {taken === p.id ? 'Accepted' : 'Accept'}
    </Button>
  )

const ProposalItem = ({ proposal: p, isFirst, ...taking }: Taking & { proposal: Proposal; isFirst: boolean }) => (
  <Box sx={{ mt: 1, display: 'flex', gap: 2, alignItems: 'flex-start' }}>
    <Box sx={{ flex: 1 }}>
      <Typography variant="strong">
        {p.title}
        {p.school !== inSentence(p.title) && (
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
      {isFirst && <Why proposal={p} />}
      {isFirst && p.targets[0] && <SeeIt dimensionId={p.targets[0].dimension} more={{}} />}
    </Box>
    <TakeButton proposal={p} isFirst={isFirst} {...taking} />
  </Box>
)

/** What led to it, and every reason with its points, out of sight until somebody wants to know. */
const Why = ({ proposal: p }: { proposal: Proposal }) => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Typography variant="body2" color="textSecondary">
        {p.because.length ? `Because: ${p.because.join(' · ')}. ` : 'Nothing you said speaks of it; this is usual. '}
        Source: {p.source}.
      </Typography>
      {open ? (
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {p.reasons.map(r => (
            <Typography key={r.argument} component="li" variant="body2" color="textSecondary">
              {r.points > 0 ? `+${r.points}` : r.points} · {r.because}
            </Typography>
          ))}
        </Box>
      ) : (
        p.reasons.length > 1 && (
          <Button size="small" sx={{ px: 0 }} onClick={() => setOpen(true)}>
            All {p.reasons.length} reasons
          </Button>
        )
      )}
    </>
  )
}

interface TopicProps {
  readonly topic: Answered
  readonly taken: string | undefined
  readonly isRefused: boolean
  readonly layerId: string
  readonly edit: Edit | undefined
  /** What would change its mind, reckoned when it is asked. */
  readonly changes: (topic: TopicId) => readonly MindChange[]
  readonly children?: ReactNode
}

const Shown = ({ topic, taken, isRefused, layerId, edit, changes, children }: TopicProps) => {
  const onTake =
    edit &&
    ((p: Proposal) =>
      edit(`guide: ${inSentence(topic.question)} – ${inSentence(p.title)}`, taking(layerId, topic.id, p)))
  const refuse = () =>
    edit?.(`guide: ${inSentence(topic.question)} refused`, s => withRefusal(clear(s, layerId, topic.id), topic.id))
  return (
    <Box component="article" aria-label={topic.question} sx={{ py: 2, borderTop: 1, borderColor: 'divider', mt: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 'var(--dense)' }}>
        <Box sx={{ flex: 1 }}>
          <Eyebrow component="h3">{topic.question}</Eyebrow>
        </Box>
        {isRefused ? (
          <Typography variant="body2" color="textSecondary">
            refused
          </Typography>
        ) : (
          edit && (
            <Button size="small" onClick={refuse}>
              {taken ? 'Take it back' : 'Refuse'}
            </Button>
          )
        )}
      </Box>
      {topic.objection && (
        <Typography variant="body2" sx={{ fontWeight: 'fontWeightMedium' }}>
          The house holds {topic.proposals[0].school}. Against it here: {topic.objection}
        </Typography>
      )}
      {topic.proposals.map((p, i) => (
        <Box key={p.id}>
          {i === 1 && (
            <Typography variant="body2" color="textSecondary" sx={{ mt: 1.5 }}>
              Practitioners disagree here.
              {topic.wins && topic.wins !== topic.proposals[0].reason
                ? ` What puts the first before the second: ${inSentence(topic.wins)}`
                : ''}
            </Typography>
          )}
          <ProposalItem proposal={p} isFirst={i === 0} taken={taken} onTake={onTake} />
        </Box>
      ))}
      {children}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 3, alignItems: 'center' }}>
        {topic.others.length > 0 && <Others topic={topic} taken={taken} onTake={onTake} />}
        <Changes changes={() => changes(topic.id)} />
      </Box>
    </Box>
  )
}

const taking =
  (layerId: string, topic: TopicId, proposal: Proposal) =>
  (s: Standard): Standard =>
    withoutRefusal(accept(s, layerId, topic, proposal), topic)

/**
 * One question of the standard. Every click answers all of them, and few change: one that says the same is not drawn
 * again.
 */
export const TopicItem = memo(
  Shown,
  (a, b) =>
    a.taken === b.taken &&
    a.isRefused === b.isRefused &&
    a.layerId === b.layerId &&
    a.edit === b.edit &&
    !a.children &&
    !b.children &&
    a.changes === b.changes &&
    JSON.stringify(a.topic) === JSON.stringify(b.topic),
)

const Changes = ({ changes }: { changes: () => readonly MindChange[] }) => {
  const [told, setTold] = useState<readonly MindChange[]>()
  if (!told)
    return (
      <Button size="small" color="inherit" sx={{ px: 0, color: 'text.secondary' }} onClick={() => setTold(changes())}>
        What would change its mind
      </Button>
    )
  return (
    <Typography variant="body2" color="textSecondary" sx={{ mt: 1, flexBasis: '100%' }}>
      {told.length === 0
        ? 'No single answer would change its mind.'
        : `Would change its mind: ${told.map(c => `${c.question} ${c.answer}: ${inSentence(c.then)}`).join(' · ')}.`}
    </Typography>
  )
}

const fits = (o: OtherSchool): string =>
  o.ruledOut
    ? ` Not here: ${inSentence(o.ruledOut)}`
    : o.fitsWhen.length
      ? ` It would fit if: ${o.fitsWhen.join(' · ')}.`
      : ''

/** What the other schools would say; out of sight until somebody wants to know, or has taken one of them. */
const Others = ({ topic, taken, onTake }: Taking & { topic: Answered }) => {
  const [open, setOpen] = useState(topic.others.some(o => o.id === taken))
  if (!open)
    return (
      <Button
        size="small"
        color="inherit"
        sx={{ px: 0, color: 'text.secondary', textAlign: 'left' }}
        onClick={() => setOpen(true)}
      >
        What other schools would say: {topic.others.map(o => o.school).join(', ')}
      </Button>
    )
  return topic.others.map(o => (
    <Box key={o.id} sx={{ mt: 1, display: 'flex', gap: 2, alignItems: 'flex-start', flexBasis: '100%' }}>
      <Typography variant="body2" color="textSecondary" sx={{ flex: 1 }}>
        <b>{o.school}</b> would say: {inSentence(o.title)}. {o.reason}
        {fits(o)}
      </Typography>
      {onTake && o.targets.length > 0 && (
        <Button
          size="small"
          aria-pressed={taken === o.id}
          variant={taken === o.id ? 'contained' : 'text'}
          onClick={() => onTake(o)}
          sx={{ flex: 'none' }}
        >
          {taken === o.id ? 'Accepted' : 'Accept this'}
        </Button>
      )}
    </Box>
  ))
}
