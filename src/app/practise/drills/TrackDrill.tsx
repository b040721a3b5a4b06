'use client'

import { Button } from '@mui/material'
import { useCallback, useEffect, useRef, useState } from 'react'
import { DRILLS } from '@/core/drills/drills'
import { type AimSample, type Steadiness, steadiness, subjectAt } from '@/core/drills/track'
import { HAND_FIGURES, HANDS } from '@/core/rehearsal/set-up'
import type { DrillHand } from '@/server/drills'
import { TallLink } from '@/ui/links'
import { Section } from '@/ui/pieces'
import { DrillFrame } from './DrillFrame'
import { usePractice } from './use-practice'
import { MOTION_WORDS, type TurnedBy, useTurning } from './use-turning'
import { Box, Typography } from '@/ui/elements'

const [W, H] = [720, 480]
/** What the frame shows, degrees across: a 135 mm lens before 36 mm. */
const ACROSS = 15.2
/** Half the area, degrees. */
const AREA = { halfWidth: 0.9, halfHeight: 0.9 }
const PIXELS = W / ACROSS

interface Running {
  readonly from: number
  readonly seed: number
  readonly began: { readonly at: number; readonly person: string | undefined }
}

/** Keep a small area on a passing subject; what is left over says how steady these hands are. */
export const TrackDrill = ({ hand }: { hand: DrillHand }) => {
  const practice = usePractice()
  const { add, person } = practice
  const [running, setRunning] = useState<Running>()
  const [found, setFound] = useState<{ readonly steady: Steadiness | undefined; readonly by: TurnedBy }>()
  const samples = useRef<AimSample[]>([])
  const subject = useRef<SVGCircleElement>(null)
  const area = useRef<SVGRectElement>(null)
  const turning = useTurning(running !== undefined)
  const { at: aim, by } = turning
  const start = () => {
    samples.current = []
    setFound(undefined)
    turning.begin()
    const seed = Math.floor(Math.random() * 1e9)
    setRunning({ from: performance.now(), seed, began: { at: Date.now(), person: person?.id } })
  }
  const finish = useCallback(
    (now: number) => {
      if (!running) return
      const steady = steadiness(samples.current, AREA)
      setRunning(undefined)
      setFound({ steady, by: by.current })
      if (!steady) return
      const seconds = (now - running.from) / 1000
      add(
        {
          drill: 'track',
          body: hand.body.id,
          seconds,
          heldSeconds: seconds,
          right: Math.round(steady.inside * 10),
          of: 10,
          figure: Number(steady.degrees.toFixed(3)),
          backSeconds: Number(steady.seconds.toFixed(2)),
          by: by.current,
        },
        running.began,
      )
    },
    [running, add, hand.body.id, by],
  )
  useEffect(() => {
    if (!running) return
    let frame = 0
    const tick = (now: number) => {
      const ms = now - running.from
      const [x, y] = subjectAt(running.seed, ms)
      const [sx, sy] = [(x * ACROSS) / 2, (y * ACROSS) / 2]
      const { yaw, pitch } = aim.current
      samples.current.push({ at: ms, dx: yaw - sx, dy: pitch - sy })
      subject.current?.setAttribute('transform', `translate(${W / 2 + sx * PIXELS} ${H / 2 + sy * PIXELS})`)
      area.current?.setAttribute('transform', `translate(${W / 2 + yaw * PIXELS} ${H / 2 + pitch * PIXELS})`)
      if (ms > DRILLS.track.mostSeconds * 1000) finish(now)
      else frame = requestAnimationFrame(tick)
    }
    frame = requestAnimationFrame(tick)
    return () => cancelAnimationFrame(frame)
  }, [running, finish, aim])
  return (
    <DrillFrame
      drill="track"
      practice={practice}
      isRunning={running !== undefined}
      onStart={start}
      onStop={() => finish(performance.now())}
      more={
        <Button variant="outlined" onClick={() => void turning.ask()}>
          Turn the phone itself
        </Button>
      }
    >
      {!running && (
        <Typography sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
          Keep the square on the ball for {DRILLS.track.mostSeconds} seconds: with the pointer, a finger, the arrow
          keys, or by turning the phone. {MOTION_WORDS[turning.motion]}
        </Typography>
      )}
      {running && (
        <Box sx={{ maxWidth: 'var(--line)' }}>
          <Box
            component="svg"
            viewBox={`0 0 ${W} ${H}`}
            role="img"
            aria-label="A subject that passes, and the area to keep on it"
            sx={{ width: '100%', display: 'block', bgcolor: 'background.paper', touchAction: 'none', cursor: 'none' }}
            onPointerMove={(e: React.PointerEvent) => {
              const box = e.currentTarget.getBoundingClientRect()
              turning.point(
                ((e.clientX - box.left) / box.width - 0.5) * ACROSS,
                (((e.clientY - box.top) / box.height - 0.5) * ACROSS * H) / W,
              )
            }}
          >
            <circle ref={subject} r={26} fill="var(--mui-palette-text-primary)" />
            <rect
              ref={area}
              x={-AREA.halfWidth * PIXELS}
              y={-AREA.halfHeight * PIXELS}
              width={2 * AREA.halfWidth * PIXELS}
              height={2 * AREA.halfHeight * PIXELS}
              fill="none"
              stroke="var(--mui-palette-own-marigold-main)"
              strokeWidth={4}
            />
          </Box>
        </Box>
      )}
      {found && !running && (
        <Section title="This try">
          {found.steady ? (
            <TrackResult steady={found.steady} by={found.by} />
          ) : (
            <Typography role="status">Too short to say anything: keep at it for a few seconds.</Typography>
          )}
        </Section>
      )}
    </DrillFrame>
  )
}

const HAND_WORDS = { 'first-month': 'first month', practised: 'practised', 'very-steady': 'very steady' } as const

const TrackResult = ({ steady, by }: { steady: Steadiness; by: TurnedBy }) => {
  const like = HANDS.toSorted(
    (a, b) =>
      Math.abs(Math.log(HAND_FIGURES[a].degrees / steady.degrees)) -
      Math.abs(Math.log(HAND_FIGURES[b].degrees / steady.degrees)),
  )[0]
  return (
    <>
      <Typography role="status" variant="strong">
        The aim wandered by {steady.degrees.toFixed(2)}° and came back within {steady.seconds.toFixed(1)} s; it was on
        the subject for {Math.round(steady.inside * 100)} of 100 moments.
      </Typography>
      <Typography sx={{ maxWidth: 'var(--line)' }}>
        On the whole it lay {steady.aside.toFixed(2)}° aside.{' '}
        {by === 'keys'
          ? 'By keys this trains the eye; it says nothing about hands, and is not taken for them.'
          : `Nearest to what Rehearsal calls ${like ? HAND_WORDS[like] : 'practised'}.${by === 'pointer' ? ' By pointer it is coarser than with the camera in hand.' : ''}`}
      </Typography>
      {by !== 'keys' && (
        <Typography sx={{ mt: 1 }}>
          <TallLink to="/decide/optics" more={{ scene: `handsDegrees~${steady.degrees.toFixed(2)}` }}>
            Which area do these hands hold?
          </TallLink>
        </Typography>
      )}
    </>
  )
}
