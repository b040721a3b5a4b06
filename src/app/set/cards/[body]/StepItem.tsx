'use client'

import { Button } from '@mui/material'
import { styled } from '@mui/material/styles'
import { type ReactNode, useId, useState } from 'react'
import type { StepView } from '@/server/cards'
import { CautionNote } from '@/ui/pieces'
import { When } from '@/ui/When'
import { SaysElse, type Tell } from './SaysElse'
import type { Tick } from './use-card'
import { Box, Typography } from '@/ui/elements'

const StepRow = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '44px 1fr',
  gap: theme.spacing(0, 1.5),
  padding: theme.spacing(1.5, 1, 1, 0),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  '& label': { cursor: 'pointer' },
  '&:has(input:focus-visible)': { outline: `3px solid ${theme.vars?.palette.own.marigold.main}` },
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

/** What a step asks for, after its number. */
const Numbered = ({ number, children }: { number: number; children: ReactNode }) => (
  <Typography component="span" sx={{ lineHeight: 1.3, display: 'block' }}>
    <Box component="span" sx={{ color: 'text.secondary' }}>
      {number}.
    </Box>{' '}
    {children}
  </Typography>
)

/** One step: where, what, what it was, why; and what to do where the camera does not do as the card says. */
export const StepItem = ({
  step: s,
  number,
  tick,
  told,
  numberOf,
  isTicked,
  onToggle,
  onTold,
}: {
  step: StepView
  number: number
  tick: Tick | undefined
  /** What was said that it says, until the steps are worked out again. */
  told: string | undefined
  numberOf: (step: string) => number
  isTicked: (step: string) => boolean
  onToggle: () => void
  /** Undefined where there is no unit of which anything could be known. */
  onTold: Tell | undefined
}) => {
  const id = useId()
  const [helps, setHelps] = useState(false)
  return (
    <StepRow data-done={tick !== undefined}>
      <Box44
        id={id}
        type="checkbox"
        checked={tick !== undefined}
        onChange={onToggle}
        aria-label={`Step ${number}: ${s.setting} to ${s.to}`}
      />
      <Box>
        <label htmlFor={id}>
          <Numbered number={number}>
            {s.setting}:{' '}
            <Box component="span" sx={{ fontWeight: 'fontWeightMedium' }}>
              {s.to}
            </Box>
          </Numbered>
          <Typography variant="value" color="textSecondary" component="span" sx={{ display: 'block' }}>
            row {s.path[2]} · {s.from === undefined ? 'not known: look what it says' : `was ${s.from}`}
          </Typography>
          <Typography variant="body2" className="quiet" component="span" sx={{ display: 'block' }}>
            {s.why}
          </Typography>
        </label>
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
        {told !== undefined && (
          <Typography variant="body2" role="status">
            You said it says {s.options.find(o => o.id === told)?.label ?? told}. The steps are worked out again as soon
            as the server answers.
          </Typography>
        )}
        {tick ? (
          <Typography variant="body2" color="textSecondary">
            {tick.by ?? 'Somebody'}, <When at={tick.at} />
          </Typography>
        ) : (
          <Button
            size="small"
            className="no-print"
            aria-expanded={helps}
            aria-label={`Step ${number} is not as it says`}
            onClick={() => setHelps(!helps)}
            sx={{ ml: -0.75, minHeight: 'var(--touch)' }}
          >
            Not as it says?
          </Button>
        )}
        {helps && !tick && <Help step={s} numberOf={numberOf} isTicked={isTicked} onTold={onTold} />}
      </Box>
    </StepRow>
  )
}

/** The last step: keeps what was set in a memory slot. */
export const StoreItem = ({
  slot,
  number,
  tick,
  isTooEarly,
  onToggle,
}: {
  slot: string
  number: number
  tick: Tick | undefined
  isTooEarly: boolean
  onToggle: () => void
}) => {
  const id = useId()
  return (
    <StepRow data-done={tick !== undefined} sx={{ mt: 2.5 }}>
      <Box44
        id={id}
        type="checkbox"
        checked={tick !== undefined}
        disabled={isTooEarly && !tick}
        onChange={onToggle}
        aria-label={`Step ${number}: store in ${slot}`}
      />
      <Box>
        <label htmlFor={id}>
          <Numbered number={number}>
            Store what is set in <b>{slot}</b>
          </Numbered>
        </label>
        <Typography variant="body2" color="textSecondary">
          {tick ? (
            <>
              {tick.by ?? 'Somebody'}, <When at={tick.at} />
            </>
          ) : isTooEarly ? (
            'Last of all: a slot keeps what is set at that moment.'
          ) : (
            'The maker’s manual says where.'
          )}
        </Typography>
      </Box>
    </StepRow>
  )
}

/** Cannot find it, will not change, says something else. */
const Help = ({
  step: s,
  numberOf,
  isTicked,
  onTold,
}: {
  step: StepView
  numberOf: (step: string) => number
  isTicked: (step: string) => boolean
  onTold: Tell | undefined
}) => (
  <Box role="group" aria-label={`Help with ${s.setting}`} sx={{ display: 'grid', gap: 2, pb: 1.5 }}>
    <Box>
      <Typography variant="h3">Cannot find it?</Typography>
      <Typography variant="body2">
        Open the menu, go to <b>{s.path[0]}</b>, then <b>{s.path[1]}</b>, row {s.path[2]}:
      </Typography>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, mt: 0.5, p: 0 }}>
        {s.neighbours.map(n => (
          <Typography
            key={n.label}
            component="li"
            variant="value"
            aria-current={n.isIt ? 'true' : undefined}
            sx={{
              display: 'block',
              pl: 1,
              borderLeft: 3,
              borderColor: n.isIt ? 'own.marigold.main' : 'divider',
              fontWeight: n.isIt ? 700 : 400,
            }}
          >
            {n.row} {n.label}
          </Typography>
        ))}
      </Box>
    </Box>
    <Box>
      <Typography variant="h3">Will not change?</Typography>
      {s.blocked.length === 0 && (
        <Typography variant="body2">
          No rule of this body that is known keeps it. Look whether the steps above are made, and read the maker’s
          manual.
        </Typography>
      )}
      {s.blocked.map(b => (
        <Typography
          key={b.rule}
          variant="body2"
          sx={{ mt: 0.5, pl: 1, borderLeft: 3, borderColor: 'own.marigold.main' }}
        >
          {b.rule} {b.first.length > 0 && <b>First set {b.first.join(', or ')}.</b>}{' '}
          {b.steps.map(key =>
            isTicked(key)
              ? `Step ${numberOf(key)} does that and is ticked: look whether it took.`
              : `Step ${numberOf(key)} does that.`,
          )}
        </Typography>
      ))}
    </Box>
    {onTold && (
      <SaysElse
        options={s.options}
        onTold={(option, label) => onTold(s.settingId, option, `${s.setting} says ${label}`)}
      />
    )}
  </Box>
)
