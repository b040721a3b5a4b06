'use client'

import { Button } from '@mui/material'
import { type ReactNode, useEffect } from 'react'
import { THUMB_CAUTION } from '@/core/cautions/cautions'
import { curveOf, type DrillId, DRILLS, standingOf } from '@/core/drills/drills'
import { Chart } from '@/ui/Chart'
import { BackLink } from '@/ui/links'
import { putAway } from '@/offline/outbox'
import { CautionNote, Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { ofDrill, PRACTICE, type Practice, useRest } from './use-practice'
import { Trouble } from '@/ui/Trouble'
import { useWaiting } from '@/ui/use-waiting'
import { standingWords } from './words'
import { Whose } from './Whose'
import { Box, Typography } from '@/ui/elements'

/**
 * What all drills have around them: whose try it is, starting, the rest of the hand, and the curve.
 *
 * @param isRunning the drill has the screen for itself
 */
export const DrillFrame = ({
  drill,
  practice,
  isRunning,
  isReady = true,
  onStart,
  onStop,
  children,
  more,
}: {
  drill: DrillId
  practice: Practice
  isRunning: boolean
  isReady?: boolean
  onStart: () => void
  /** Ends it before its time; what was done until then counts. */
  onStop: () => void
  children: ReactNode
  /** Beside the start. */
  more?: ReactNode
}) => {
  const { tries, unnamed } = practice
  const own = ofDrill(tries, drill)
  const rest = useRest(unnamed ? [...tries, unnamed] : tries)
  const mustRest = DRILLS[drill].isStrain && rest > 0
  useEffect(() => {
    if (!isRunning) return
    const end = (event: KeyboardEvent) => event.key === 'Escape' && onStop()
    window.addEventListener('keydown', end)
    return () => window.removeEventListener('keydown', end)
  }, [isRunning, onStop])
  return (
    <Page>
      {!isRunning && (
        <>
          <BackLink to="/practise/drills">All drills</BackLink>
          <Typography variant="h1">{DRILLS[drill].label}</Typography>
          <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>{DRILLS[drill].about}</Typography>
          <Wrap sx={{ mb: 2, gap: 1.5, alignItems: 'center' }}>
            <Whose />
            {more}
            <Button variant="contained" size="large" disabled={!isReady} onClick={onStart}>
              {mustRest ? 'Start without resting' : 'Start'}
            </Button>
            {mustRest && <Typography role="status">Rest your hand: {rest} s.</Typography>}
          </Wrap>
        </>
      )}
      {children}
      {isRunning && (
        <Button onClick={onStop} sx={{ mt: 1, zIndex: theme => theme.zIndex.modal + 1, position: 'relative' }}>
          End
        </Button>
      )}
      {!isRunning && (
        <>
          <Unnamed practice={practice} />
          <Refused />
          <Section title="How it goes">
            <Typography>{standingWords(drill, standingOf(own))}</Typography>
            <Curve drill={drill} practice={practice} />
          </Section>
          {DRILLS[drill].isStrain && (
            <Box sx={{ mt: 3, maxWidth: 'var(--line)' }}>
              <CautionNote caution={THUMB_CAUTION} />
            </Box>
          )}
        </>
      )}
    </Page>
  )
}

/** A try without a name is kept as soon as somebody says whose it was. */
const Unnamed = ({ practice: { unnamed, people, keepFor } }: { practice: Practice }) =>
  unnamed ? (
    <Section title="Whose try was that?">
      <Typography sx={{ mb: 1 }}>It is kept under a name; without one it goes when you leave.</Typography>
      <Wrap>
        {people.map(p => (
          <Button key={p.id} variant="outlined" onClick={() => keepFor(p.id, unnamed)}>
            {p.name}
          </Button>
        ))}
      </Wrap>
    </Section>
  ) : null

/** What waits for the network, and what the server would not keep and why; read, it goes. */
export const Refused = () => {
  const waiting = useWaiting(PRACTICE)
  const refused = waiting.filter(e => e.remark)
  const unsent = waiting.length - refused.length
  return (
    <>
      {unsent > 0 && (
        <Typography role="status" variant="body2" sx={{ mt: 1 }}>
          {unsent === 1 ? 'One thing waits' : `${unsent} things wait`} on this device for the network.
        </Typography>
      )}
      {refused.map(e => (
        <Trouble
          key={e.id}
          words={
            <>
              Not kept: {e.words}. {e.remark?.words ?? 'The server did not say why.'}{' '}
              <Button size="small" color="inherit" onClick={() => void putAway(e.place)}>
                I have read it
              </Button>
            </>
          }
          sx={{ mt: 2 }}
        />
      ))}
    </>
  )
}

const Curve = ({ drill, practice }: { drill: DrillId; practice: Practice }) => {
  const days = curveOf(ofDrill(practice.tries, drill))
  if (days.length < 2) return null
  const { figure, unit } = DRILLS[drill]
  return (
    <Box sx={{ maxWidth: 'var(--line)', mt: 1 }}>
      <Chart
        label={`By day, ${figure} in ${unit}: ${days.map(d => `${d.day} ${d.median.toPrecision(3)}`).join(', ')}`}
        height={220}
        option={{
          grid: { left: 56, right: 16, top: 24, bottom: 48 },
          xAxis: { type: 'category', data: days.map(d => d.day.slice(5)) },
          yAxis: { type: 'value', name: `${figure}, ${unit}`, min: 0 },
          series: [
            { name: 'middle', type: 'line', data: days.map(d => d.median), symbolSize: 7 },
            {
              name: 'half below',
              type: 'line',
              data: days.map(d => d.low),
              lineStyle: { type: 'dotted' },
              symbol: 'none',
            },
            {
              name: 'half above',
              type: 'line',
              data: days.map(d => d.high),
              lineStyle: { type: 'dotted' },
              symbol: 'none',
            },
          ],
        }}
      />
    </Box>
  )
}

/** What was right and why, line by line. */
export const Lines = ({
  lines,
}: {
  lines: readonly { readonly key: string; readonly isRight: boolean; readonly words: ReactNode }[]
}) => (
  <PlainList component="ol" sx={{ maxWidth: 'var(--line)' }}>
    {lines.map(l => (
      <Box
        component="li"
        key={l.key}
        sx={{
          py: 0.75,
          borderBottom: 1,
          borderColor: 'divider',
          display: 'grid',
          gridTemplateColumns: '28px 1fr',
          gap: 1,
        }}
      >
        <span aria-hidden>{l.isRight ? '✓' : '✕'}</span>
        <span>{l.words}</span>
      </Box>
    ))}
  </PlainList>
)
