'use client'

import { Button, Slider, useMediaQuery } from '@mui/material'
import { memo, useEffect, useMemo, useState } from 'react'
import { depthOfField } from '@/core/optics/depth-of-field'
import { LOOK_SECONDS } from '@/core/rehearsal/filter'
import { emptyTrace, type Prepared, rehearse, STATES, type StateName, type Trace } from '@/core/rehearsal/rehearse'
import { Wrap } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

export const STATE_WORDS: Readonly<Record<StateName, string>> = {
  searching: 'searching',
  'on-subject': 'on the subject',
  holding: 'holding through',
  'on-obstacle': 'jumped to something else',
  'on-background': 'on the background',
  frozen: 'held where it was',
}
const STATE_TONES: Readonly<Record<StateName, string>> = {
  searching: 'missing',
  'on-subject': 'same',
  holding: 'near',
  'on-obstacle': 'different',
  'on-background': 'stand-in',
  frozen: 'near',
}
const toneOf = (state: StateName): string => `var(--mui-palette-own-grade-${STATE_TONES[state]})`

const W = 720
const H = 150
const LANE = 14

/** Metres as a height: near below, far above, evenly by ratio. */
const heightOf = (metres: number, near: number, far: number): number => {
  const share = (Math.log(metres) - Math.log(near)) / (Math.log(far) - Math.log(near))
  return H - 12 - Math.min(1, Math.max(0, share)) * (H - 24)
}

/** From the nearest to the farthest that is sharp, as a closed path along the passage. @source depth of field, print basis */
const depthBand = (
  { setUp, circleMm, steps }: Prepared,
  trace: Trace,
  at: (step: number, metres: number) => string,
  far: number,
): string => {
  const limits = Array.from({ length: Math.ceil(steps / 4) }, (_, n) => {
    const metres = Math.max(1 / Math.max(1e-3, trace.focus[n * 4] ?? 1), (setUp.focalMm / 1000) * 1.2)
    const { front, behind } = depthOfField({
      focalMm: setUp.focalMm,
      fNumber: setUp.fNumber,
      circleMm,
      magnification: setUp.focalMm / (metres * 1000 - setUp.focalMm),
    })
    return { step: n * 4, from: Math.max(0.01, metres - front), to: Math.min(far, metres + behind) }
  })
  const [there, back] = [limits.map(l => at(l.step, l.from)), limits.toReversed().map(l => at(l.step, l.to))]
  return `M${[...there, ...back].join('L')}Z`
}

interface Drawn {
  readonly prepared: Prepared
  readonly trace: Trace
  readonly near: number
  readonly far: number
}

/** One run, played and scrubbed by hand: distance against time, what the camera took hold of, and every frame. */
export const Stage = ({
  prepared,
  seed,
  onSeed,
}: {
  prepared: Prepared
  seed: number
  onSeed: (seed: number) => void
}) => {
  const still = useMediaQuery('(prefers-reduced-motion: reduce)')
  const [at, setAt] = useState(0)
  const [isPlaying, setPlaying] = useState(false)
  const drawn = useMemo((): Drawn => {
    const trace = emptyTrace(prepared)
    rehearse(prepared, seed, trace)
    const metres = Array.from(prepared.subject, d => 1 / d)
    const others = prepared.passage.crossings.map(c => c.metres)
    return {
      prepared,
      trace,
      near: Math.min(...metres, ...others) / 1.4,
      far: Math.min(200, Math.max(...metres, prepared.passage.background.metres)) * 1.2,
    }
  }, [prepared, seed])
  const { steps } = prepared
  const step = Math.min(at, steps - 1)
  useEffect(() => {
    if (!isPlaying) return
    let frame = 0
    let began: number | undefined
    const from = step >= steps - 1 ? 0 : step
    const tick = (now: number) => {
      began ??= now
      const next = from + Math.floor((now - began) / 1000 / LOOK_SECONDS)
      setAt(Math.min(next, steps - 1))
      if (next < steps - 1) frame = requestAnimationFrame(tick)
      else setPlaying(false)
    }
    frame = requestAnimationFrame(tick)
    return () => cancelAnimationFrame(frame)
    // Where it begins is where it stands when somebody presses play.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [isPlaying, steps])
  const state = STATES[drawn.trace.state[step] ?? 0] ?? 'searching'
  return (
    <>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', md: still ? '1fr' : 'minmax(0, var(--line)) var(--side-narrow)' },
          gap: 2,
        }}
      >
        <Box sx={{ position: 'relative', maxWidth: W, alignSelf: 'start' }}>
          <Timeline drawn={drawn} />
          <Box
            aria-hidden
            sx={{ position: 'absolute', top: 0, height: '100%', width: 2, bgcolor: 'text.primary' }}
            style={{ left: `${(100 * step) / steps}%` }}
          />
        </Box>
        {!still && <Finder drawn={drawn} step={step} />}
      </Box>
      <Typography variant="body2" color="textSecondary">
        Thick line: the subject, near below. Dashed: where the lens is focused, and around it what is sharp. Bars: what
        comes between. Below, what the camera does, and each frame: high sharp, low soft.
      </Typography>
      <Slider
        value={step}
        max={steps - 1}
        onChange={(_, v) => {
          setPlaying(false)
          setAt(v)
        }}
        aria-label="Moment of the passage"
        getAriaValueText={v =>
          `${(v * LOOK_SECONDS).toFixed(1)} s: ${STATE_WORDS[STATES[drawn.trace.state[v] ?? 0] ?? 'searching']}`
        }
        sx={{ maxWidth: W }}
      />
      <Wrap sx={{ alignItems: 'center' }}>
        <Button variant="outlined" onClick={() => setPlaying(!isPlaying)}>
          {isPlaying ? 'Stop' : 'Play'}
        </Button>
        <Button onClick={() => onSeed(seed + 1)}>Another chance</Button>
        <Typography {...(isPlaying ? {} : { role: 'status' })}>
          {(step * LOOK_SECONDS).toFixed(1)} s: {STATE_WORDS[state]}, subject at{' '}
          {(1 / (prepared.subject[step] ?? 1)).toFixed(1)} m, focus at{' '}
          {(1 / Math.max(1e-3, drawn.trace.focus[step] ?? 1)).toFixed(1)} m
        </Typography>
      </Wrap>
    </>
  )
}

/** Everything that does not move while it is played. */
const Timeline = memo(function Timeline({ drawn: { prepared, trace, near, far } }: { drawn: Drawn }) {
  const { steps, passage } = prepared
  const x = (i: number) => (i / steps) * W
  const line = (metresAt: (i: number) => number) =>
    Array.from({ length: Math.ceil(steps / 2) }, (_, n) => {
      const i = n * 2
      return `${n ? 'L' : 'M'}${x(i).toFixed(1)} ${heightOf(metresAt(i), near, far).toFixed(1)}`
    }).join('')
  const depth = useMemo(
    () =>
      depthBand(prepared, trace, (i, m) => `${((i / steps) * W).toFixed(1)} ${heightOf(m, near, far).toFixed(1)}`, far),
    [prepared, trace, steps, near, far],
  )
  const runs = useMemo(() => {
    const all: { state: StateName; from: number; to: number }[] = []
    trace.state.forEach((s, i) => {
      const state = STATES[s] ?? 'searching'
      const last = all.at(-1)
      if (last?.state === state) last.to = i + 1
      else all.push({ state, from: i, to: i + 1 })
    })
    return all
  }, [trace])
  const words = runs
    .slice(0, 12)
    .map(r => `${(r.from * LOOK_SECONDS).toFixed(1)} s ${STATE_WORDS[r.state]}`)
    .join(', ')
  const count = (frame: string) => trace.frames.filter(f => f.frame === frame).length
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${W} ${H + 2 * LANE + 12}`}
      role="img"
      aria-label={`Distance against time. ${words}. ${count('sharp')} frames sharp, ${count('soft')} soft, ${count('not-taken')} not taken.`}
      sx={{ width: '100%', maxWidth: W, display: 'block', bgcolor: 'background.paper', borderRadius: 1 }}
    >
      {passage.crossings.map((c, i) => (
        <rect
          key={i}
          x={(c.at / passage.seconds) * W}
          width={Math.max(2, (c.seconds / passage.seconds) * W)}
          y={heightOf(c.metres, near, far) - 4}
          height={8}
          fill="var(--mui-palette-text-secondary)"
          opacity={0.35 + 0.5 * c.covers}
        />
      ))}
      <path d={depth} fill="var(--mui-palette-own-marigold-main)" opacity={0.28} />
      <path
        d={line(i => 1 / (prepared.subject[i] ?? 1))}
        fill="none"
        stroke="var(--mui-palette-text-primary)"
        strokeWidth={2.5}
      />
      <path
        d={line(i => Math.min(far, 1 / Math.max(1e-3, trace.focus[i] ?? 1)))}
        fill="none"
        stroke="var(--mui-palette-own-marigold-main)"
        strokeWidth={2}
        strokeDasharray="5 3"
      />
      {runs.map(r => (
        <rect
          key={r.from}
          x={x(r.from)}
          width={Math.max(1, x(r.to) - x(r.from))}
          y={H}
          height={LANE}
          fill={toneOf(r.state)}
        />
      ))}
      {trace.frames.map((f, i) => (
        <rect
          key={i}
          x={x(f.step) - 1}
          width={2}
          y={H + LANE + (f.frame === 'sharp' ? 2 : 8)}
          height={f.frame === 'not-taken' ? 2 : LANE - 4}
          fill={f.frame === 'sharp' ? toneOf('on-subject') : toneOf('on-obstacle')}
        />
      ))}
    </Box>
  )
})

/** Through the finder: the area in the middle, where the subject is, and what is in front. */
const Finder = ({ drawn: { prepared, trace }, step }: { drawn: Drawn; step: number }) => {
  const [w, h] = [240, 160]
  const { setUp, passage } = prepared
  const [ax, ay] = [trace.aimX[step] ?? 0, trace.aimY[step] ?? 0]
  const [sw, sh] = [(prepared.width[step] ?? 0) * w, (prepared.height[step] ?? 0) * h]
  const [x, y] = [w / 2 - ax * w, h / 2 - ay * h]
  const state = STATES[trace.state[step] ?? 0] ?? 'searching'
  const front = passage.crossings[(prepared.crossing[step] ?? 0) - 1]
  const goes = setUp.isFollowing && state === 'on-subject'
  const [aw, ah] = [setUp.areaWidth * w, setUp.areaHeight * h]
  const [areaX, areaY] = goes ? [x, y] : [w / 2, h / 2]
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${w} ${h}`}
      aria-hidden
      sx={{ width: '100%', maxWidth: 'var(--field)', borderRadius: 1, bgcolor: 'action.hover' }}
    >
      <ellipse
        cx={x}
        cy={y}
        rx={Math.min(w, sw) / 2}
        ry={Math.min(h * 1.5, sh) / 2}
        fill="var(--mui-palette-text-primary)"
        opacity={0.75}
      />
      {front && (
        <rect
          x={w * (1 - front.covers) * 0.5}
          width={w * front.covers}
          y={0}
          height={h}
          fill="var(--mui-palette-text-secondary)"
          opacity={0.8}
        />
      )}
      <rect
        x={areaX - aw / 2}
        y={areaY - ah / 2}
        width={aw}
        height={ah}
        fill="none"
        stroke={toneOf(state)}
        strokeWidth={3}
        strokeDasharray={state === 'on-subject' ? undefined : '6 4'}
      />
    </Box>
  )
}
