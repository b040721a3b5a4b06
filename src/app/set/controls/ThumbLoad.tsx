'use client'

import { Button, MenuItem, TextField } from '@mui/material'
import { useMemo, useState } from 'react'
import { THUMB_CAUTION } from '@/core/cautions/cautions'
import { isHigh, type Session, thumbLoad, type ThumbLoad as Load } from '@/core/controls/load'
import { type Plan, sessionOf } from '@/core/functions/plan'
import { SCHOOL_IDS, type SchoolId, SCHOOLS } from '@/core/functions/schools'
import type { Shooter } from '@/server/controls'
import { Chart } from '@/ui/Chart'
import { CautionNote } from '@/ui/pieces'
import { NumberField } from '@/ui/kinds/fields'
import type { EditPlan } from './edit-plan'
import { Box, Typography } from '@/ui/elements'

const whole = (n: number): string => n.toFixed(n < 10 ? 1 : 0)
const TEAM = ''

/** How long a thumb button is held under each school and by each person, in sessions as they are typed in. */
export const ThumbLoad = ({
  plan,
  shooters,
  change,
}: {
  plan: Plan
  shooters: readonly Shooter[]
  /** Undefined where nothing can be changed. */
  change: EditPlan | undefined
}) => {
  const [who, setWho] = useState(TEAM)
  const session = who === TEAM ? plan.session : sessionOf(plan, who)
  const isOwn = plan.sessions.some(s => s.person === who)
  const others = plan.sessions.filter(s => s.person !== who)
  const onSession =
    change &&
    ((next: Session) =>
      change('the session', p =>
        who === TEAM ? { ...p, session: next } : { ...p, sessions: [...others, { person: who, session: next }] },
      ))
  const loads = useMemo(() => SCHOOL_IDS.map(id => ({ id, load: thumbLoad(id, session) })), [session])
  const mine = thumbLoad(plan.school, session)
  return (
    <Box component="section" aria-label="Thumb load" sx={{ mt: 4, borderTop: 1, borderColor: 'divider', pt: 2 }}>
      <Typography variant="h2">Thumb load</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, gap: 3, mt: 1.5 }}>
        <Box>
          <Box sx={{ display: 'flex', gap: 1.5, mb: 1.5 }}>
            <TextField
              select
              size="small"
              label="Whose session"
              value={who}
              onChange={e => setWho(e.target.value)}
              sx={{ flex: 1 }}
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            >
              <MenuItem value={TEAM}>the team</MenuItem>
              {shooters.map(s => (
                <MenuItem key={s.id} value={s.id}>
                  {s.name}
                </MenuItem>
              ))}
            </TextField>
            {change && isOwn && (
              <Button onClick={() => change('the team’s session', p => ({ ...p, sessions: others }))}>
                As the team
              </Button>
            )}
          </Box>
          <SessionFields key={who} session={session} onSession={onSession} />
          <Typography variant="strong" sx={{ mt: 2 }}>
            With {SCHOOLS[plan.school].label} the thumb holds for {whole(mine.heldMinutesPerHour)} minutes of every hour
            {mine.longestSeconds > 0 ? `, at most ${whole(mine.longestSeconds)} s at a stretch` : ''}.
          </Typography>
          {isHigh(mine) && <High mine={mine} loads={loads} />}
          <Drilled shooters={who === TEAM ? shooters : shooters.filter(s => s.id === who)} />
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            Session × share shooting × share following for thumb start, × the rest for thumb stop, nothing for shutter
            start; two thumbs share it by their use.
          </Typography>
        </Box>
        <HeldChart
          what="Minutes held in an hour"
          rows={loads.map(l => ({ label: SCHOOLS[l.id].label, load: l.load, isMarked: l.id === plan.school }))}
          session={session}
        />
      </Box>
      <People plan={plan} shooters={shooters} />
    </Box>
  )
}

/** What drills of today add for the hand. */
const Drilled = ({ shooters }: { shooters: readonly Shooter[] }) => {
  const drilled = shooters.filter(s => s.drilledMinutes >= 0.05)
  if (drilled.length === 0) return null
  return (
    <Typography variant="body2" sx={{ mt: 1 }}>
      Held besides in drills today: {drilled.map(s => `${s.name} ${whole(s.drilledMinutes)} minutes`).join(', ')}.
    </Typography>
  )
}

const FIELDS = [
  { label: 'Session, minutes', key: 'minutes', most: 1440, scale: 1 },
  { label: 'Of it shooting, %', key: 'shootingShare', most: 1, scale: 100 },
  { label: 'Of that following, %', key: 'followingShare', most: 1, scale: 100 },
  { label: 'On the second button, %', key: 'secondShare', most: 1, scale: 100 },
  { label: 'Longest passage, s', key: 'longestFollowSeconds', most: 3600, scale: 1 },
  { label: 'Longest wait locked, s', key: 'longestLockSeconds', most: 3600, scale: 1 },
] as const

const SessionFields = ({
  session,
  onSession,
}: {
  session: Session
  onSession: ((next: Session) => void) | undefined
}) => (
  <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
    {FIELDS.map(({ label, key, most, scale }) =>
      onSession ? (
        <NumberField
          key={key}
          label={label}
          value={session[key]}
          min={0}
          scale={scale}
          onChange={n => onSession({ ...session, [key]: Math.min(most, Number(n)) })}
        />
      ) : (
        <Typography key={key} variant="body2">
          {label}: {Math.round(scale * session[key])}
        </Typography>
      ),
    )}
  </Box>
)

/** Said calmly: which school would hold less, and what to mind. */
const High = ({ mine, loads }: { mine: Load; loads: readonly { readonly id: SchoolId; readonly load: Load }[] }) => {
  const lighter = loads
    .filter(l => l.load.heldMinutes < mine.heldMinutes && !isHigh(l.load))
    .sort((a, b) => b.load.heldMinutes - a.load.heldMinutes)[0]
  return (
    <Box sx={{ mt: 1 }}>
      {lighter && (
        <Typography>
          That is much. With {SCHOOLS[lighter.id].label} it would be {whole(lighter.load.heldMinutesPerHour)} minutes.
        </Typography>
      )}
      <CautionNote caution={THUMB_CAUTION} />
    </Box>
  )
}

/** Everybody under the school as it is, with their own session where they have one. */
const People = ({ plan, shooters }: { plan: Plan; shooters: readonly Shooter[] }) => {
  const rows = plan.sessions.flatMap(({ person, session }) => {
    const shooter = shooters.find(s => s.id === person)
    return shooter ? [{ label: shooter.name, load: thumbLoad(plan.school, session), isMarked: true, session }] : []
  })
  if (rows.length === 0) return null
  const team = { label: 'the team', load: thumbLoad(plan.school, plan.session), isMarked: false }
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h3">By person, with {SCHOOLS[plan.school].label}</Typography>
      <HeldChart what="Minutes held in an hour by person" rows={[team, ...rows]} session={plan.session} />
      {rows
        .filter(r => isHigh(r.load))
        .map(r => (
          <Typography key={r.label} variant="body2">
            {r.label}: {whole(r.load.heldMinutesPerHour)} minutes of every hour, at most {whole(r.load.longestSeconds)}{' '}
            s at a stretch. That is much.
          </Typography>
        ))}
    </Box>
  )
}

interface HeldRow {
  readonly label: string
  readonly load: Load
  readonly isMarked: boolean
  /** Where it is not the one of the others. */
  readonly session?: Session
}

const HeldChart = ({ what, rows, session }: { what: string; rows: readonly HeldRow[]; session: Session }) => {
  const text = JSON.stringify(rows)
  const option = useMemo(() => {
    const drawn = JSON.parse(text) as readonly HeldRow[]
    const perHour = (minutes: number, row: HeldRow) => {
      const length = (row.session ?? session).minutes
      return length > 0 ? Math.round((minutes * 600) / length) / 10 : 0
    }
    return {
      grid: { left: 110, right: 24, top: 8, bottom: 64 },
      xAxis: { type: 'value', name: 'minutes held in an hour', nameLocation: 'middle', nameGap: 26, max: 60 },
      yAxis: { type: 'category', inverse: true, data: drawn.map(r => r.label) },
      series: (['first', 'second'] as const).map(button => ({
        type: 'bar',
        stack: 'held',
        name: `${button} button`,
        data: drawn.map(r => ({ value: perHour(r.load[button], r), itemStyle: { opacity: r.isMarked ? 1 : 0.45 } })),
      })),
    }
  }, [text, session])
  return (
    <Chart
      label={`${what}: ${rows.map(r => `${r.label} ${whole(r.load.heldMinutesPerHour)}`).join(', ')}`}
      height={90 + 40 * rows.length}
      option={option}
    />
  )
}
