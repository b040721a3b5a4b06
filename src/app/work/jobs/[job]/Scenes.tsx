'use client'

import { styled } from '@mui/material/styles'
import type { Job } from '@/core/jobs/job'
import { type SheetLine, whereIn } from '@/core/jobs/sheet'
import type { StandingScene } from '@/core/jobs/standing'
import { clockAt } from '@/core/jobs/clock'
import { PlainList } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

const Row = styled('button')(({ theme }) => ({
  all: 'unset',
  boxSizing: 'border-box',
  width: '100%',
  display: 'grid',
  gridTemplateColumns: '92px minmax(0, 1.1fr) minmax(0, 2fr)',
  gap: theme.spacing(0.5, 2),
  padding: theme.spacing(1, 1),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  cursor: 'pointer',
  '&:hover, &[aria-pressed=true]': { background: theme.vars?.palette.own.marigold.wash },
  '&:focus-visible': { outline: `3px solid ${theme.vars?.palette.own.marigold.main}`, outlineOffset: -3 },
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '64px minmax(0, 1fr)' },
}))

/** The running order: who covers each scene with what, and what is changed before it. */
export const Scenes = ({
  lines,
  scenes,
  job,
  chosen,
  onScene,
}: {
  lines: readonly SheetLine[]
  scenes: readonly StandingScene[]
  job: Job
  chosen: string | undefined
  onScene: (id: string) => void
}) => {
  return (
    <PlainList component="ol" aria-label="Running order">
      {scenes.map((s, i) => {
        const { day: today, time } = clockAt(s.from, job.timeZone)
        const before = scenes[i - 1]
        const isNewDay = !before || clockAt(before.from, job.timeZone).day !== today
        const own = lines.filter(l => l.scene === s.id)
        const place = job.places.find(p => p.id === s.place)
        const standard = own[0]?.standard
        return (
          <li key={s.id}>
            {isNewDay && (
              <Typography variant="h3" sx={{ mt: 2, mb: 0.5 }}>
                {today}
              </Typography>
            )}
            <Row type="button" aria-pressed={s.id === chosen} onClick={() => onScene(s.id)}>
              <Box component="span">
                <Typography
                  component="span"
                  variant="figure"
                  sx={s.isDropped ? { textDecoration: 'line-through' } : {}}
                >
                  {time}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
                  {s.isDropped ? 'dropped' : `${s.minutes} min`}
                </Typography>
                {s.movedFrom !== undefined && !s.isDropped && (
                  <Typography component="span" variant="body2" sx={{ display: 'block' }}>
                    was {clockAt(s.movedFrom, job.timeZone).time}
                  </Typography>
                )}
              </Box>
              <Box component="span">
                <Typography component="span" variant="strong" sx={{ display: 'block' }}>
                  {s.name}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary">
                  {[place?.name, standard && (standard.isGuided ? 'as the guide answers' : standard.name)]
                    .filter(Boolean)
                    .join(' · ')}
                </Typography>
              </Box>
              <Box component="span" sx={{ gridColumn: { xs: '2', sm: 'auto' } }}>
                {own.map(l => (
                  <Typography key={l.key} component="span" variant="body2" sx={{ display: 'block' }}>
                    {l.who}: <strong>{l.unit?.tag ?? 'no camera'}</strong>
                    {l.change.length > 0 ? (
                      <Typography component="span" variant="body2" color={l.isLate ? 'error' : 'textSecondary'}>
                        : {changeShort(l.change)}
                        {l.isLate && ', and there is no time for it'}
                      </Typography>
                    ) : (
                      ` ${whereIn(l) ?? ''}`
                    )}
                  </Typography>
                ))}
                {own.length === 0 && !s.isDropped && (
                  <Typography component="span" variant="body2" color="textSecondary">
                    nobody yet
                  </Typography>
                )}
              </Box>
            </Row>
          </li>
        )
      })}
    </PlainList>
  )
}

/** One line of it is enough here; the rows stand on the sheet. */
const changeShort = (change: readonly string[]): string => {
  const rows = change.filter(c => c.includes('›')).length
  const said = change
    .filter(c => !c.includes('›'))
    .map(c => c.slice(0, 1).toLowerCase() + c.slice(1).replace(/\.$/, ''))
  return [...said, ...(rows ? [`${rows} ${rows === 1 ? 'row' : 'rows'} in the menu`] : [])].join(', ')
}
