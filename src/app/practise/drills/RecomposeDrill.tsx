'use client'

import { Button, TextField } from '@mui/material'
import { useCallback, useEffect, useRef, useState } from 'react'
import { DRILLS } from '@/core/drills/drills'
import {
  angleToThird,
  type JudgedTurn,
  judgeTurn,
  type Portrait,
  type TurnEvent,
  type TurnSample,
} from '@/core/drills/recompose'
import type { DrillHand } from '@/server/drills'
import { Wrap } from '@/ui/pieces'
import { ThumbPad } from '@/ui/ThumbPad'
import { DrillFrame } from './DrillFrame'
import { TurningFrame, FRAME } from './TurningFrame'
import { TurnResult } from './TurnResult'
import { usePractice } from './use-practice'
import { MOTION_WORDS, useTurning } from './use-turning'
import { Box, Typography } from '@/ui/elements'

const within = (text: string, least: number, most: number, otherwise: number): number => {
  const n = Number(text.replace(',', '.'))
  return n >= least && n <= most ? n : otherwise
}

interface Running {
  readonly from: number
  readonly began: { readonly at: number; readonly person: string | undefined }
}

/** Hold on the face in the middle, turn to the third line from the wrists, take the picture: one tone, not two. */
export const RecomposeDrill = ({ hand }: { hand: DrillHand }) => {
  const practice = usePractice()
  const { add, person } = practice
  const [typed, setTyped] = useState({ mm: '85', f: '2.8', metres: '2' })
  const portrait: Portrait = {
    widthMm: hand.sensor.widthMm,
    heightMm: hand.sensor.heightMm,
    focalMm: within(typed.mm, 8, 800, 85),
    fNumber: within(typed.f, 0.7, 64, 2.8),
    metres: within(typed.metres, 0.3, 100, 2),
  }
  const isUsable = portrait.metres * 1000 > 2 * portrait.focalMm
  const [running, setRunning] = useState<Running>()
  const [judged, setJudged] = useState<JudgedTurn>()
  const [isHeld, setHeld] = useState(false)
  const [tones, setTones] = useState(0)
  const samples = useRef<TurnSample[]>([])
  const events = useRef<TurnEvent[]>([])
  const scene = useRef<SVGGElement>(null)
  const turning = useTurning(running !== undefined)
  const across = (2 * Math.atan(portrait.widthMm / 2 / portrait.focalMm) * 180) / Math.PI
  const start = () => {
    samples.current = []
    events.current = []
    setJudged(undefined)
    setTones(0)
    setHeld(false)
    turning.begin()
    setRunning({ from: performance.now(), began: { at: Date.now(), person: person?.id } })
  }
  const finish = useCallback(
    (isReleased: boolean, at: number) => {
      if (!running) return
      if (isReleased) events.current.push({ kind: 'release', at: at - running.from })
      const result = judgeTurn(samples.current, events.current, portrait)
      setRunning(undefined)
      setHeld(false)
      setJudged(result)
      if (!result) return
      const isRight = result.faults.length === 0
      add(
        {
          drill: 'recompose',
          body: hand.body.id,
          seconds: Math.min(900, (at - running.from) / 1000),
          heldSeconds: result.heldSeconds,
          right: isRight ? 1 : 0,
          of: 1,
          figure: Number(Math.abs(result.angle - result.wanted).toFixed(2)),
          by: turning.by.current,
        },
        running.began,
      )
    },
    // The lens is fixed while a try runs.
    // oxlint-disable-next-line react/exhaustive-deps
    [running, add, hand.body.id],
  )
  const hold = useCallback(
    (isDown: boolean, at: number) => {
      if (!running) return
      setHeld(isDown)
      if (isDown) setTones(n => n + 1)
      events.current.push({ kind: isDown ? 'hold' : 'let-go', at: at - running.from })
    },
    [running],
  )
  const { at: pointing } = turning
  useEffect(() => {
    if (!running) return
    let frame = 0
    const tick = (now: number) => {
      const { yaw, pitch } = pointing.current
      const { width, height } = FRAME
      samples.current.push({ at: now - running.from, yaw, pitch })
      scene.current?.setAttribute(
        'transform',
        `translate(${width / 2 - (yaw / across) * width} ${height / 2 - (pitch / across) * width})`,
      )
      if (now - running.from > DRILLS.recompose.mostSeconds * 1000) finish(false, now)
      else frame = requestAnimationFrame(tick)
    }
    frame = requestAnimationFrame(tick)
    const onKey = (isDown: boolean) => (event: KeyboardEvent) => {
      if (event.repeat) return
      if (event.key === ' ' || event.key.toLowerCase() === 'j') {
        event.preventDefault()
        hold(isDown, event.timeStamp)
      } else if (isDown && event.key === 'Enter') {
        event.preventDefault()
        finish(true, event.timeStamp)
      }
    }
    const [down, up] = [onKey(true), onKey(false)]
    window.addEventListener('keydown', down)
    window.addEventListener('keyup', up)
    return () => {
      cancelAnimationFrame(frame)
      window.removeEventListener('keydown', down)
      window.removeEventListener('keyup', up)
    }
  }, [running, hold, finish, pointing, across])
  const field = (label: string, name: keyof typeof typed) => (
    <TextField
      size="small"
      label={label}
      value={typed[name]}
      onChange={e => setTyped({ ...typed, [name]: e.target.value })}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ width: 'var(--field-number)' }}
    />
  )
  return (
    <DrillFrame
      drill="recompose"
      practice={practice}
      isRunning={running !== undefined}
      isReady={isUsable}
      onStart={start}
      onStop={() => finish(false, performance.now())}
      more={
        <>
          {field('Lens, mm', 'mm')}
          {field('f-number', 'f')}
          {field('Subject at, m', 'metres')}
          <Button variant="outlined" onClick={() => void turning.ask()}>
            Turn the phone itself
          </Button>
        </>
      }
    >
      {!running && (
        <Typography sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
          {isUsable
            ? `Hold (Space, or the field), turn ${angleToThird(portrait).toFixed(1)}° until the face stands on the left third line (drag the picture, arrow keys, or the phone), and take the picture (Enter). `
            : 'That lens does not focus so near: take a larger distance. '}
          {MOTION_WORDS[turning.motion]}
        </Typography>
      )}
      {running && (
        <Box sx={{ maxWidth: 'var(--narrow)' }}>
          <TurningFrame
            scene={scene}
            isHeld={isHeld}
            onTurn={(right, down) => turning.drag(right * across, down * across)}
          />
          <Typography role="status" variant="body2" sx={{ my: 1 }}>
            {tones === 0 ? 'No tone yet.' : tones === 1 ? 'One tone.' : 'Two tones: it focused again.'}
          </Typography>
          <Wrap sx={{ flexWrap: 'nowrap' }}>
            <ThumbPad
              type="button"
              onPointerDown={e => {
                e.currentTarget.setPointerCapture(e.pointerId)
                hold(true, e.timeStamp)
              }}
              onPointerUp={e => hold(false, e.timeStamp)}
              onPointerCancel={e => hold(false, e.timeStamp)}
              style={{ touchAction: 'none' }}
            >
              <Typography variant="strong">Hold to focus</Typography>
            </ThumbPad>
            <ThumbPad type="button" onPointerDown={e => finish(true, e.timeStamp)}>
              <Typography variant="strong">Take the picture</Typography>
            </ThumbPad>
          </Wrap>
        </Box>
      )}
      {judged && !running && <TurnResult judged={judged} />}
    </DrillFrame>
  )
}
