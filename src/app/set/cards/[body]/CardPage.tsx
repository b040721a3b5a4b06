'use client'

import { Alert, Button, LinearProgress } from '@mui/material'
import { styled } from '@mui/material/styles'
import { type KeyboardEvent, useRef } from 'react'
import type { CardView } from '@/server/cards'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { STATE_WORDS } from '@/ui/versions'
import { usePeople } from '@/ui/people'
import { CautionNote, Eyebrow, Page, PlainList } from '@/ui/pieces'
import { KeptLink, LinkButton } from '@/ui/links'
import { Notices } from './Notices'
import { PrintCard } from './PrintCard'
import { Signed, Signing } from './Signing'
import { Slots } from './Slots'
import { Guidance } from './Guidance'
import { StepItem, StoreItem } from './StepItem'
import { useCard } from './use-card'
import { WithLenses } from './WithLenses'
import { WorkedFigures, WorkedNotes } from './Worked'
import { Box, Typography } from '@/ui/elements'

const UnitLink = styled(KeptLink)(({ theme }) => ({
  ...theme.typography.value,
  display: 'inline-flex',
  alignItems: 'center',
  minHeight: 'var(--touch)',
  padding: theme.spacing(0, 1.5),
  borderRadius: theme.shape.borderRadius,
  border: `1px solid ${theme.vars?.palette.divider}`,
  color: theme.vars?.palette.text.primary,
  textDecoration: 'none',
  '&[aria-current]': { background: theme.vars?.palette.own.marigold.main, color: theme.vars?.palette.own.marigold.ink },
}))

/**
 * The card of one unit: its steps in its own words, in the order of fewest presses, to tick off with one thumb.
 *
 * @param code leads back here from paper, as a picture in a data address
 */
export const CardPage = ({ card: initial, code }: { card: CardView; code: string }) => {
  const { person } = usePeople()
  const live = useCard(initial, person)
  const { card, ticks, waiting } = live
  const list = useRef<HTMLOListElement>(null)
  const store = card.slots?.store
  const count = card.steps.length + (store ? 1 : 0)
  const done = card.steps.filter(s => ticks.has(s.key)).length + (store && ticks.has(store.key) ? 1 : 0)
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
    <Page sx={{ maxWidth: 'var(--line)' }}>
      <Box
        component="img"
        src={code}
        alt={`Code that leads to the card of ${name}`}
        sx={{ display: 'none', '@media print': { display: 'block', float: 'right', width: '24mm', ml: 2 } }}
      />
      <Typography color="textSecondary">
        {card.body.maker} · firmware {card.firmware}
      </Typography>
      <Typography variant="h1">
        {name} for {card.standard.name}
      </Typography>
      <Typography color="textSecondary" sx={{ mt: 0.5 }}>
        {BEGINNINGS[card.begins]} to version {card.standard.version}
        {card.standard.state === 'approved' ? '' : `, ${STATE_WORDS[card.standard.state]}`}
        {card.special.length > 0 && `, with ${card.special.join(' and ')}`}
        {card.standard.lambdaHundredths > 0 && ', levelled with the other bodies'}.{' '}
        {card.begins === 'unknown' && 'Reset it to factory defaults first, and there are fewer steps.'}
        {!card.unit && 'Reset the body first if you do not know what it is set to.'}
      </Typography>
      {card.steps.length > 0 && <Effort card={card} />}
      <WorkedFigures worked={card.worked} />
      {card.unit && (
        <Box className="no-print" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5 }}>
          {card.begins === 'unknown' && (
            <Button variant="outlined" onClick={live.reset}>
              It was reset to factory defaults
            </Button>
          )}
          <PrintCard card={card} />
          <LinkButton to={`/keep/kit/${card.unit.id}`}>What happened to {card.unit.tag}</LinkButton>
        </Box>
      )}
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
              to={`/set/cards/${card.body.id}`}
              more={{ unit: u.id }}
              aria-current={u.id === card.unit?.id ? 'page' : undefined}
            >
              {u.tag}
            </UnitLink>
          ))}
        </Box>
      )}
      <Box sx={{ position: 'sticky', top: 0, bgcolor: 'background.default', py: 1.5, mt: 2, zIndex: 2 }}>
        <Box sx={{ display: 'flex', justifyContent: 'space-between', mb: 0.5 }} role="status">
          <Typography variant="strong">
            {done === count ? 'All steps done' : `${done} of ${count} steps done`}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {waiting > 0 ? `${waiting} not yet saved${live.isAway ? ', no network' : ''}` : done > 0 ? 'saved' : ''}
          </Typography>
        </Box>
        <LinearProgress
          variant="determinate"
          value={count === 0 ? 100 : (100 * done) / count}
          aria-label="Steps done"
        />
        {!person && (
          <Typography variant="body2" color="textSecondary">
            Say who you are at the top of the page, and your ticks are signed.
          </Typography>
        )}
      </Box>
      <Signed card={card} />
      <Notices live={live} />
      {card.stuck.length > 0 && (
        <Alert severity="warning" sx={{ mt: 1.5 }}>
          No order of changes was found that brings about {card.stuck.join(' and ')}; the rules that hold it up stand at
          those steps. Reset the body to factory defaults and begin again, or read the maker’s manual.
        </Alert>
      )}

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
              <StepItem
                step={s}
                number={i + 1}
                tick={ticks.get(s.key)}
                told={live.told.get(s.settingId)}
                numberOf={key => card.steps.findIndex(x => x.key === key) + 1}
                isTicked={key => ticks.has(key)}
                onToggle={() => live.toggle(s.key)}
                onTold={card.unit && live.tell}
              />
            </li>
          )
        })}
        {store && (
          <li>
            <StoreItem
              slot={store.slot}
              number={count}
              tick={ticks.get(store.key)}
              isTooEarly={card.steps.some(s => !ticks.has(s.key))}
              onToggle={() => live.toggle(store.key)}
            />
          </li>
        )}
      </Box>
      {card.steps.length === 0 && (
        <Typography>
          {card.begins === 'known'
            ? `Nothing to set: ${name} is known to be at this standard.`
            : 'Nothing to set: the factory defaults already are this standard.'}
        </Typography>
      )}
      {card.unit && done === count && (
        <Signing key={card.walk} card={card} isSigning={live.isSigning} onTold={live.tell} onSign={live.sign} />
      )}
      {card.slots && <Slots card={card} slots={card.slots} />}
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
      <WorkedNotes worked={card.worked} />
      <WithLenses lenses={card.lenses} />
      <Guidance body={card.body.id} guidance={card.guidance} />
      <Lacking card={card} />
    </Page>
  )
}

const BEGINNINGS: Readonly<Record<CardView['begins'], string>> = {
  known: 'From what this unit is known to be set to,',
  factory: 'From factory defaults',
  unknown: 'Nothing is known of this unit: look at each of these. From anything',
}

/** What the walk takes, against other orders of the same steps. */
const Effort = ({ card: { presses, minutes } }: { card: CardView }) => (
  <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
    About {minutes.about} {minutes.about === 1 ? 'minute' : 'minutes'}
    {minutes.walks > 0
      ? `, as in your last ${minutes.walks === 1 ? 'walk' : `${minutes.walks} walks`}`
      : ', reckoned from presses'}
    ; {presses.here} presses
    {presses.here === presses.fewest
      ? ', the fewest there are'
      : `, at most ${Math.round((100 * (presses.here - presses.fewest)) / presses.fewest)} % above the fewest`}
    {presses.inMenuOrder > presses.here && `, ${presses.inMenuOrder - presses.here} fewer than in menu order`}
    {presses.asListed > presses.here && `, ${presses.asListed - presses.here} fewer than as the standard lists them`}.
  </Typography>
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
      <PlainList component="ul" sx={{ mt: 1 }}>
        {card.lacking.map(l => (
          <Box component="li" key={l.label} sx={{ display: 'flex', gap: 1.5, alignItems: 'center', py: 0.75 }}>
            <AlignmentMark grade={l.grade} distance={l.distance} />
            <Typography variant="body2">
              <b>{l.label}</b>: {l.words}
            </Typography>
          </Box>
        ))}
      </PlainList>
    </Box>
  )
