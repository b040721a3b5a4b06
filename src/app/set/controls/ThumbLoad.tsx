'use client'

import { Box, Typography } from '@mui/material'
import { isHigh, type Session, thumbLoad } from '@/core/controls/load'
import { SCHOOL_IDS, type SchoolId, SCHOOLS } from '@/core/controls/schools'
import { THUMB_CAUTION } from '@/core/cautions/cautions'
import { Chart } from '@/ui/Chart'
import { NumberField } from '@/ui/ValueEditor'
import { CautionNote } from '@/ui/pieces'

const whole = (n: number): string => n.toFixed(n < 10 ? 1 : 0)

/** How long a thumb button is held under each school, in a session as it is typed in. */
export const ThumbLoad = ({
  school,
  session,
  onSession,
}: {
  school: SchoolId
  session: Session
  onSession: ((next: Session) => void) | undefined
}) => {
  const loads = SCHOOL_IDS.map(id => ({ id, load: thumbLoad(id, session) }))
  const mine = thumbLoad(school, session)
  const lighter = loads
    .filter(l => l.load.heldMinutes < mine.heldMinutes && !isHigh(l.load))
    .sort((a, b) => b.load.heldMinutes - a.load.heldMinutes)[0]
  const field = (label: string, key: keyof Session, most: number, share = false) =>
    onSession ? (
      <NumberField
        label={label}
        value={session[key]}
        min={0}
        scale={share ? 100 : 1}
        onChange={n => onSession({ ...session, [key]: Math.min(most, Number(n)) })}
      />
    ) : (
      <Typography variant="body2">
        {label}: {share ? Math.round(100 * session[key]) : session[key]}
      </Typography>
    )
  return (
    <Box component="section" aria-label="Thumb load" sx={{ mt: 4, borderTop: 1, borderColor: 'divider', pt: 2 }}>
      <Typography variant="h2">Thumb load</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, gap: 3, mt: 1.5 }}>
        <Box>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
            {field('Session, minutes', 'minutes', 1440)}
            {field('Of it shooting, %', 'shootingShare', 1, true)}
            {field('Of that following, %', 'followingShare', 1, true)}
            {field('On the second button, %', 'secondShare', 1, true)}
            {field('Longest passage, s', 'longestFollowSeconds', 3600)}
            {field('Longest wait locked, s', 'longestLockSeconds', 3600)}
          </Box>
          <Typography sx={{ mt: 2, fontWeight: 650 }}>
            With {SCHOOLS[school].label} the thumb holds for {whole(mine.heldMinutesPerHour)} minutes of every hour
            {mine.longestSeconds > 0 ? `, at most ${whole(mine.longestSeconds)} s at a stretch` : ''}.
          </Typography>
          {isHigh(mine) && (
            <Box sx={{ mt: 1 }}>
              {lighter && (
                <Typography>
                  That is much. {SCHOOLS[lighter.id].label} would hold for {whole(lighter.load.heldMinutesPerHour)}{' '}
                  minutes.
                </Typography>
              )}
              <CautionNote caution={THUMB_CAUTION} />
            </Box>
          )}
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            Session × share shooting × share following for thumb start, × the rest for thumb stop, nothing for shutter
            start; two thumbs share it by their use.
          </Typography>
        </Box>
        <Chart
          label={`Minutes held in an hour: ${loads.map(l => `${SCHOOLS[l.id].label} ${whole(l.load.heldMinutesPerHour)}`).join(', ')}`}
          height={290}
          option={{
            grid: { left: 96, right: 24, top: 8, bottom: 64 },
            xAxis: { type: 'value', name: 'minutes held in an hour', nameLocation: 'middle', nameGap: 26, max: 60 },
            yAxis: { type: 'category', inverse: true, data: loads.map(l => SCHOOLS[l.id].label) },
            series: (['first', 'second'] as const).map(button => ({
              type: 'bar',
              stack: 'held',
              name: `${button} button`,
              data: loads.map(l => ({
                value: session.minutes > 0 ? (l.load[button] * 60) / session.minutes : 0,
                itemStyle: { opacity: l.id === school ? 1 : 0.45 },
              })),
            })),
          }}
        />
      </Box>
    </Box>
  )
}
