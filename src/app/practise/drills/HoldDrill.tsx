'use client'

import { useMediaQuery } from '@mui/material'
import { type RefObject, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { DRILLS } from '@/core/drills/drills'
import {
  HAPPENINGS,
  HOLD_WORDS,
  isRight,
  holdFigures,
  type Judged,
  judgeHold,
  type KeyId,
  type KeyPress,
  type Phase,
  placeAt,
  scriptOf,
  thumbSeconds,
} from '@/core/drills/hold'
import { SCHOOL_IDS, type SchoolId, SCHOOLS } from '@/core/functions/schools'
import type { DrillHand } from '@/server/drills'
import { Choice } from '@/ui/Choice'
import { Section } from '@/ui/pieces'
import { DrillFrame, Lines } from './DrillFrame'
import { drillKeys } from './keys'
import { KeyGlass } from './KeyGlass'
import { usePractice } from './use-practice'
import { useHeldKeys } from './use-held-keys'
import { figureWords, tryWords } from './words'
import { Box, Typography } from '@/ui/elements'

interface Running {
  readonly phases: readonly Phase[]
  readonly school: SchoolId
  /** By the clock that events go by, milliseconds. */
  readonly from: number
  readonly began: { readonly at: number; readonly person: string | undefined }
}

/** Hold while it moves, let go when it stops: with the keys of the body in hand, by keyboard, touch or gamepad. */
export const HoldDrill = ({ hand }: { hand: DrillHand }) => {
  const practice = usePractice()
  const { add, person } = practice
  const [school, setSchool] = useState(hand.school)
  const [running, setRunning] = useState<Running>()
  const [judged, setJudged] = useState<readonly Judged[]>()
  const presses = useRef<KeyPress[]>([])
  const keys = useMemo(() => drillKeys(hand, school), [hand, school])
  const onKey = useCallback(
    (key: KeyId, isDown: boolean, at: number) => {
      if (running) presses.current.push({ at: at - running.from, key, isDown })
    },
    [running],
  )
  const held = useHeldKeys(keys, running !== undefined, onKey)
  const start = () => {
    presses.current = []
    setJudged(undefined)
    const seed = Math.floor(Math.random() * 1e9)
    setRunning({
      phases: scriptOf(seed, DRILLS.hold.mostSeconds),
      school,
      from: performance.now(),
      began: { at: Date.now(), person: person?.id },
    })
  }
  const finish = useCallback(() => {
    if (!running) return
    const seconds = (performance.now() - running.from) / 1000
    const done = running.phases.filter(p => p.to <= seconds * 1000 + 50)
    const result = judgeHold(done, presses.current, running.school)
    setRunning(undefined)
    setJudged(result)
    if (result.length === 0) return
    add(
      {
        drill: 'hold',
        body: hand.body.id,
        seconds,
        heldSeconds: thumbSeconds(presses.current, seconds * 1000),
        ...holdFigures(result),
      },
      running.began,
    )
  }, [running, add, hand.body.id])
  const missing = keys.filter(k => k.isMissing)
  return (
    <DrillFrame
      drill="hold"
      practice={practice}
      isRunning={running !== undefined}
      onStart={start}
      onStop={finish}
      more={
        <Choice
          label="School"
          value={school}
          onChange={setSchool}
          sx={{ minWidth: 'var(--field-short)' }}
          options={SCHOOL_IDS.map(id => ({ id, name: SCHOOLS[id].label }))}
        />
      }
    >
      {!running && (
        <Typography sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
          {SCHOOLS[school].about} On the keyboard: {keys.map(k => `${k.letter.toUpperCase()} ${k.label}`).join(', ')}.
        </Typography>
      )}
      {missing.length > 0 && !running && (
        <Typography sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
          {hand.body.model} has no key for {missing.map(k => k.label).join(' and ')} as it is set. The drill shows it
          where most bodies have it; another school may fit this body better.
        </Typography>
      )}
      <Box
        sx={theme => ({
          position: 'relative',
          maxWidth: 'var(--line)',
          '@media (orientation: landscape) and (max-height: 500px)': running
            ? {
                position: 'fixed',
                inset: 0,
                maxWidth: 'none',
                zIndex: theme.zIndex.modal,
                bgcolor: 'background.default',
              }
            : {},
        })}
      >
        <HoldStage running={running} presses={presses} onEnd={finish} />
        <KeyGlass keys={keys} held={held.down} onKey={held.press} isLive={running !== undefined} />
      </Box>
      {judged && <HoldResult judged={judged} />}
    </DrillFrame>
  )
}

const HoldResult = ({ judged }: { judged: readonly Judged[] }) => (
  <Section title="This try">
    {judged.length === 0 ? (
      <Typography>It was broken off before anything happened.</Typography>
    ) : (
      <Typography role="status" variant="strong">
        {tryWords({ drill: 'hold', ...holdFigures(judged) })}.
      </Typography>
    )}
    <Lines
      lines={judged.map(j => ({
        key: String(j.at),
        isRight: isRight(j),
        words: (
          <>
            {HAPPENINGS[j.happening]}: {HOLD_WORDS[j.verdict]}
            {j.reaction === undefined ? '' : `, after ${figureWords('hold', j.reaction)}`}.{' '}
            <Typography component="span" color="textSecondary">
              {j.wanted.why}
            </Typography>
          </>
        ),
      }))}
    />
  </Section>
)

/** @example "✓ It stops: right, 412 ms" */
const lastWords = (j: Judged): string =>
  `${isRight(j) ? '✓' : '✕'} ${HAPPENINGS[j.happening]}: ${HOLD_WORDS[j.verdict]}${j.reaction === undefined ? '' : `, ${figureWords('hold', j.reaction)}`}`

const [W, H] = [720, 200]

/** The subject, another one, and what comes in front; its own drawing, moved without asking React. */
const HoldStage = ({
  running,
  presses,
  onEnd,
}: {
  running: Running | undefined
  presses: RefObject<KeyPress[]>
  onEnd: () => void
}) => {
  const still = useMediaQuery('(prefers-reduced-motion: reduce)')
  const figure = useRef<SVGGElement>(null)
  const [phase, setPhase] = useState<Phase>()
  const [left, setLeft] = useState(0)
  /** How the moment before went, as soon as it is over. */
  const [last, setLast] = useState<Judged>()
  useEffect(() => {
    if (!running) return
    let frame = 0
    let isOver = false
    let seen: Phase | undefined
    const tick = (now: number) => {
      const ms = now - running.from
      const current = running.phases.find(p => ms < p.to)
      setPhase(current)
      if (current !== seen) {
        seen = current
        const over = running.phases.filter(p => p.to <= ms)
        setLast(judgeHold(over, presses.current, running.school).at(-1))
      }
      setLeft(Math.ceil(((running.phases.at(-1)?.to ?? 0) - ms) / 1000))
      const x = 60 + placeAt(running.phases, ms) * (W - 120)
      figure.current?.setAttribute('transform', `translate(${still ? W / 2 : x} 110)`)
      if (current) frame = requestAnimationFrame(tick)
      else if (!isOver) {
        isOver = true
        onEnd()
      }
    }
    frame = requestAnimationFrame(tick)
    return () => cancelAnimationFrame(frame)
  }, [running, presses, onEnd, still])
  if (!running) return null
  return (
    <Box
      sx={{
        position: 'relative',
        // Beside the keys, where a phone lies on its side.
        '@media (orientation: landscape) and (max-height: 500px)': { width: '50%', mt: '12vh', ml: '2%' },
      }}
    >
      <Box
        component="svg"
        viewBox={`0 0 ${W} ${H}`}
        role="img"
        aria-label={phase?.happening ? HAPPENINGS[phase.happening] : 'Nothing yet'}
        sx={{ width: '100%', display: 'block', bgcolor: 'background.paper', borderRadius: 1, maxHeight: '45vh' }}
      >
        <line x1={0} x2={W} y1={178} y2={178} stroke="var(--mui-palette-divider)" strokeWidth={2} />
        <g ref={figure} visibility={phase?.isThere ? 'visible' : 'hidden'}>
          <circle cy={-46} r={18} fill="var(--mui-palette-text-primary)" />
          <rect x={-17} y={-24} width={34} height={90} rx={15} fill="var(--mui-palette-text-primary)" />
          {phase?.isJoined && (
            <g transform="translate(62 8)" opacity={0.75}>
              <circle cy={-46} r={16} fill="var(--mui-palette-own-grade-near)" />
              <rect x={-15} y={-26} width={30} height={84} rx={14} fill="var(--mui-palette-own-grade-near)" />
            </g>
          )}
          {phase?.isHidden && (
            <rect x={-44} y={-90} width={150} height={170} fill="var(--mui-palette-text-secondary)" />
          )}
        </g>
      </Box>
      <Typography variant="body2" sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <span>
          {still && phase?.happening ? `${HAPPENINGS[phase.happening]}. ` : ''}
          {last ? lastWords(last) : ' '}
        </span>
        <span>{left} s left</span>
      </Typography>
    </Box>
  )
}
