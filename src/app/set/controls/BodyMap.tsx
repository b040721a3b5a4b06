'use client'

import { Button } from '@mui/material'
import { useState } from 'react'
import type { MappedBody, Placed } from '@/core/controls/fleet'
import type { FunctionId } from '@/core/functions/functions'
import { waysOf } from '@/core/controls/moves'
import { type Plan, schoolFor } from '@/core/functions/plan'
import { type SchoolId, SCHOOLS } from '@/core/functions/schools'
import { dimension } from '@/core/vocabulary/dimensions'
import { Choice } from '@/ui/Choice'
import { Schematic } from '@/ui/Schematic'
import { KeptLink } from '@/ui/links'
import { Box, Typography } from '@/ui/elements'

export const presses = (n: number): string => `${Math.round(n)}`

/** One body: its functions on its own controls, drawn and in words, each to be moved and pinned. */
export const BodyMap = ({
  mapped,
  plan,
  onMove,
  onPin,
  onSchool,
  onExplain,
}: {
  mapped: MappedBody
  plan: Plan
  /** Undefined where nothing can be changed. */
  onMove: ((f: FunctionId, control: string | undefined) => void) | undefined
  onPin: ((f: FunctionId, control: string | undefined) => void) | undefined
  /** Has this body take another school than the plan. */
  onSchool: ((school: SchoolId) => void) | undefined
  onExplain: () => void
}) => {
  const { body, placed, cost } = mapped
  const [over, setOver] = useState<string>()
  const used = placed.flatMap(p => {
    const control = body.controls.find(c => c.id === p.carry?.control)
    return control ? [{ control, mark: String(p.number) }] : []
  })
  return (
    <Box
      component="article"
      aria-label={body.model}
      sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5, breakInside: 'avoid' }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {body.model}
        </Typography>
        <Button
          component={KeptLink}
          size="small"
          className="no-print"
          aria-label={`Hand ${body.model} to a stranger`}
          to={`/set/controls/${body.id}`}
        >
          For a stranger
        </Button>
        <Button size="small" onClick={onExplain} aria-label={`${presses(cost)}, what ${body.model} costs the hand`}>
          {presses(cost)}
        </Button>
      </Box>
      <SchoolNote mapped={mapped} plan={plan} onSchool={onSchool} />
      <Schematic
        controls={body.controls}
        marks={Object.fromEntries(used.map(u => [u.control.id, u.mark]))}
        chosen={over}
        onDropOn={
          onMove &&
          ((data, control) => {
            if (plan.uses.some(u => u.function === data)) onMove(data, control)
          })
        }
      />
      <Box component="ol" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0 }}>
        {placed.map(p => (
          <FunctionRow
            key={p.function}
            placed={p}
            mapped={mapped}
            plan={plan}
            onMove={onMove}
            onPin={onPin}
            onOver={setOver}
          />
        ))}
      </Box>
    </Box>
  )
}

/** That a body goes by another school, or would have to, and what is lost by it. */
const SchoolNote = ({
  mapped: { body, school },
  plan,
  onSchool,
}: {
  mapped: MappedBody
  plan: Plan
  onSchool: ((school: SchoolId) => void) | undefined
}) => {
  const taken = schoolFor(plan, body.id)
  const isOwn = taken !== plan.school
  if (!isOwn && school.school === plan.school) return null
  const { label } = SCHOOLS[plan.school]
  return (
    <Box sx={{ mb: 1 }}>
      <Typography variant="body2" color="secondary">
        {isOwn ? `Takes ${SCHOOLS[taken].label}, not ${label}` : `Not ${label}`}
        {school.why.length > 0 && `: ${school.why.join('; ')}`}.{' '}
        {isOwn ? SCHOOLS[taken].lost : `Nearest is ${SCHOOLS[school.school].label}. ${school.lost}`}
      </Typography>
      {onSchool && (
        <Button
          size="small"
          variant="outlined"
          className="no-print"
          sx={{ mt: 0.5 }}
          onClick={() => onSchool(isOwn ? plan.school : school.school)}
        >
          {isOwn ? `Back to ${label} on ${body.model}` : `Take ${SCHOOLS[school.school].label} on ${body.model}`}
        </Button>
      )}
    </Box>
  )
}

const FunctionRow = ({
  placed: p,
  mapped: { body },
  plan,
  onMove,
  onPin,
  onOver,
}: {
  placed: Placed
  mapped: MappedBody
  plan: Plan
  onMove: ((f: FunctionId, control: string | undefined) => void) | undefined
  onPin: ((f: FunctionId, control: string | undefined) => void) | undefined
  onOver: (control: string | undefined) => void
}) => {
  const { label } = dimension(p.function)
  const labelOf = (id: string | undefined) => body.controls.find(c => c.id === id)?.label ?? id
  const ways = waysOf(plan, body, p.function)
  const choices = body.controls.filter(c => ways.some(w => w.control === c.id))
  const option = body.settings.find(s => s.id === p.carry?.setting)?.options.find(o => o.id === p.carry?.option)
  const where = p.carry ? (p.isHome ? '' : 'away from home') : choices.length ? 'left out' : 'this body cannot'
  return (
    <Box
      component="li"
      draggable={onMove !== undefined && choices.length > 0}
      onDragStart={e => e.dataTransfer.setData('text/plain', p.function)}
      onMouseEnter={() => onOver(p.carry?.control)}
      onMouseLeave={() => onOver(undefined)}
      sx={{
        display: 'grid',
        gridTemplateColumns: '24px 1fr auto',
        columnGap: 1,
        alignItems: 'center',
        py: 0.5,
        minHeight: 'var(--touch)',
        ...(onMove && choices.length > 0 ? { cursor: 'grab' } : {}),
      }}
    >
      <Typography variant="value" sx={{ fontWeight: 'fontWeightMedium' }}>
        {p.number}
      </Typography>
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="strong" sx={{ lineHeight: 1.2 }}>
          {label}
        </Typography>
        <Typography variant="body2" color={where ? 'secondary' : 'textSecondary'}>
          {[option?.label, where, p.movedFrom && `was on ${labelOf(p.movedFrom)}`].filter(Boolean).join(' · ')}
        </Typography>
      </Box>
      {onMove && choices.length > 0 ? (
        <Box sx={{ display: 'flex', gap: 0.5 }}>
          <Choice
            value={p.carry?.control ?? ''}
            onChange={value => onMove(p.function, value || undefined)}
            sx={{ width: 'var(--field-short)' }}
            slotProps={{
              select: { displayEmpty: true },
              htmlInput: { 'aria-label': `${label} on ${body.model}` },
            }}
            none="nowhere"
            options={choices.map(c => ({ id: c.id, name: c.label }))}
          />
          <Button
            size="small"
            variant={p.isPinned ? 'contained' : 'outlined'}
            aria-pressed={p.isPinned}
            aria-label={`Pin ${label} on ${body.model}`}
            disabled={!p.carry && !p.isPinned}
            onClick={() => onPin?.(p.function, p.isPinned ? undefined : p.carry?.control)}
            className="no-print"
          >
            {p.isPinned ? 'Pinned' : 'Pin'}
          </Button>
        </Box>
      ) : (
        <Typography variant="value">{labelOf(p.carry?.control) ?? '—'}</Typography>
      )}
    </Box>
  )
}
