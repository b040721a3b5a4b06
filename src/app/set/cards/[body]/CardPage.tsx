'use client'

import { Alert, Box, Button, LinearProgress, Typography } from '@mui/material'
import { styled } from '@mui/material/styles'
import NextLink from 'next/link'
import { useSearchParams } from 'next/navigation'
import { type KeyboardEvent, useRef } from 'react'
import type { CardView, StepView } from '@/server/cards'
import { linkTo } from '@/ui/address'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { STATE_WORDS } from '@/ui/versions'
import { usePeople } from '@/ui/people'
import { CautionNote, Eyebrow, Page } from '@/ui/pieces'
import { type Tick, useTicks } from './ticks'
import { When } from '@/ui/When'

const UnitLink = styled(NextLink)(({ theme }) => ({
  ...theme.typography.value,
  display: 'inline-flex',
  alignItems: 'center',
  minHeight: 44,
  padding: theme.spacing(0, 1.5),
  borderRadius: theme.shape.borderRadius,
  border: `1px solid ${theme.vars?.palette.divider}`,
  color: theme.vars?.palette.text.primary,
  textDecoration: 'none',
  '&[aria-current]': { background: theme.vars?.palette.own.marigold.main, color: theme.vars?.palette.own.marigold.ink },
}))

const StepRow = styled('label')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '44px 1fr',
  gap: theme.spacing(0, 1.5),
  padding: theme.spacing(1.5, 1, 1.5, 0),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  cursor: 'pointer',
  '&:has(:focus-visible)': { outline: `3px solid ${theme.vars?.palette.own.marigold.main}` },
  '&[data-done="true"] .quiet': { display: 'none' },
}))

const Box44 = styled('input')(({ theme }) => ({
  width: 28,
  height: 28,
  margin: theme.spacing(0.5, 1),
  accentColor: theme.vars?.palette.own.grade.same,
  outline: 'none',
  cursor: 'pointer',
}))

/** The card of one unit: its steps in its own words and menu order, to tick off with one thumb. */
export const CardPage = ({ card }: { card: CardView }) => {
  const params = useSearchParams()
  const { person } = usePeople()
  const { ticks, unsaved, problem, toggle, resend } = useTicks(card, person)
  const list = useRef<HTMLOListElement>(null)
  const done = card.steps.filter(s => ticks.has(s.key)).length
  const name = card.unit ? `${card.body.model} ${card.unit.tag}` : card.body.model

  const move = (event: KeyboardEvent) => {
    const down = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (down === undefined) return
    event.preventDefault()
    const boxes = [...(list.current?.querySelectorAll('input') ?? [])]
    const next = boxes[boxes.findIndex(b => b === document.activeElement) + down]
    next?.focus()
  }

  return (
    <Page sx={{ maxWidth: 760 }}>
      <Typography color="textSecondary">
        {card.body.maker} · firmware {card.firmware}
      </Typography>
      <Typography variant="h1">
        {name} for {card.standard.name}
      </Typography>
      <Typography color="textSecondary" sx={{ mt: 0.5 }}>
        From factory defaults to version {card.standard.version}
        {card.standard.state === 'approved' ? '' : `, ${STATE_WORDS[card.standard.state]}`}
        {card.special.length > 0 && `, with ${card.special.join(' and ')}`}
        {card.standard.lambdaHundredths > 0 && ', levelled with the other bodies'}. Reset the body first if you do not
        know what it is set to.
      </Typography>
      {card.units.length > 1 && (
        <Box
          component="nav"
          aria-label="Units"
          className="no-print"
          sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 2 }}
        >
          {card.units.map(u => (
            <UnitLink
              key={u.id}
              href={linkTo(`/set/cards/${card.body.id}`, params, { unit: u.id })}
              aria-current={u.id === card.unit?.id ? 'page' : undefined}
            >
              {u.tag}
            </UnitLink>
          ))}
        </Box>
      )}
      <Box sx={{ position: 'sticky', top: 0, bgcolor: 'background.default', py: 1.5, mt: 2, zIndex: 1 }}>
        <Box sx={{ display: 'flex', justifyContent: 'space-between', mb: 0.5 }} role="status">
          <Typography sx={{ fontWeight: 650 }}>
            {done === card.steps.length ? 'All steps done' : `${done} of ${card.steps.length} steps done`}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {unsaved.size > 0 ? `${unsaved.size} not yet saved` : done > 0 ? 'saved' : ''}
          </Typography>
        </Box>
        <LinearProgress
          variant="determinate"
          value={card.steps.length === 0 ? 100 : (100 * done) / card.steps.length}
          aria-label="Steps done"
        />
        {!person && (
          <Typography variant="body2" color="textSecondary">
            Say who you are at the top of the page, and your ticks are signed.
          </Typography>
        )}
        {problem && (
          <Alert
            severity="warning"
            sx={{ mt: 1 }}
            action={
              <Button color="inherit" onClick={resend}>
                Send again
              </Button>
            }
          >
            {problem}
          </Alert>
        )}
      </Box>

      <Box component="ol" ref={list} onKeyDown={move} sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {card.steps.map((s, i) => {
          const before = card.steps[i - 1]
          const newPage = !before || before.path[0] !== s.path[0] || before.path[1] !== s.path[1]
          return (
            <li key={s.key}>
              {newPage && (
                <Box sx={{ pt: 2.5 }}>
                  <Eyebrow component="h2">
                    {s.path[0]} › {s.path[1]}
                  </Eyebrow>
                </Box>
              )}
              <StepItem step={s} number={i + 1} tick={ticks.get(s.key)} onToggle={() => toggle(s.key)} />
            </li>
          )
        })}
      </Box>
      {card.steps.length === 0 && (
        <Typography>Nothing to set: the factory defaults already are this standard.</Typography>
      )}
      {card.cautions.length > 0 && (
        <Box component="section" sx={{ mt: 5 }}>
          <Typography variant="h2" sx={{ mb: 2 }}>
            Mind
          </Typography>
          <Box sx={{ display: 'grid', gap: 2 }}>
            {card.cautions.map(c => (
              <CautionNote key={c.id} caution={c} />
            ))}
          </Box>
        </Box>
      )}
      <Lacking card={card} />
    </Page>
  )
}

const StepItem = ({
  step: s,
  number,
  tick,
  onToggle,
}: {
  step: StepView
  number: number
  tick: Tick | undefined
  onToggle: () => void
}) => (
  <StepRow data-done={tick !== undefined}>
    <Box44
      type="checkbox"
      checked={tick !== undefined}
      onChange={onToggle}
      aria-label={`Step ${number}: ${s.setting} to ${s.to}`}
    />
    <Box>
      <Typography sx={{ lineHeight: 1.3 }}>
        {s.setting}:{' '}
        <Box component="span" sx={{ fontWeight: 700 }}>
          {s.to}
        </Box>
      </Typography>
      <Typography variant="value" color="textSecondary" component="div">
        row {s.path[2]} · was {s.from}
      </Typography>
      <Typography variant="body2" className="quiet">
        {s.why}
      </Typography>
      {s.notes.map(n => (
        <Typography key={n} variant="body2" color="textSecondary" className="quiet">
          {n}
        </Typography>
      ))}
      {s.cautions.map(c => (
        <Box key={c.id} sx={{ mt: 1 }}>
          <CautionNote caution={c} />
        </Box>
      ))}
      {tick && (
        <Typography variant="body2" color="textSecondary">
          {tick.by ?? 'Somebody'}, <When at={tick.at} />
        </Typography>
      )}
    </Box>
  </StepRow>
)

const Lacking = ({ card }: { card: CardView }) =>
  card.lacking.length === 0 ? null : (
    <Box component="section" sx={{ mt: 5 }}>
      <Typography variant="h2">What this body cannot do</Typography>
      {card.conflicts.map(c => (
        <Typography key={c} sx={{ mt: 1 }}>
          {c}
        </Typography>
      ))}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
        {card.lacking.map(l => (
          <Box component="li" key={l.label} sx={{ display: 'flex', gap: 1.5, alignItems: 'center', py: 0.75 }}>
            <AlignmentMark grade={l.grade} distance={l.distance} />
            <Typography variant="body2">
              <b>{l.label}</b>: {l.words}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  )
