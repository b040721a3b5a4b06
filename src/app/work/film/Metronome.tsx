'use client'

import { Button, LinearProgress } from '@mui/material'
import { useEffect, useRef, useState } from 'react'
import type { MarkOnRing } from '@/core/film/marks'
import { Box, Typography } from '@/ui/elements'

/** Counted before the take begins. */
const COUNT_IN = 3
const HIGH_HERTZ = 880
const LOW_HERTZ = 440

const beep = (audio: AudioContext | undefined, hertz: number): void => {
  if (!audio) return
  const tone = audio.createOscillator()
  const gain = audio.createGain()
  tone.frequency.value = hertz
  gain.gain.setValueAtTime(0.2, audio.currentTime)
  gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.15)
  tone.connect(gain).connect(audio.destination)
  tone.start()
  tone.stop(audio.currentTime + 0.16)
}

/** The take in its own time: a beat a second, and a high one where focus has to be on a mark. */
export const Metronome = ({ marks }: { marks: readonly MarkOnRing[] }) => {
  const [began, setBegan] = useState<number>()
  const [now, setNow] = useState(0)
  const audio = useRef<AudioContext>(undefined)
  const last = marks.at(-1)?.at ?? 0
  useEffect(() => {
    if (began === undefined) return undefined
    let beaten = -Infinity
    const sounded = new Set<number>()
    const timer = setInterval(() => {
      const at = (performance.now() - began) / 1000 - COUNT_IN
      setNow(at)
      const beat = Math.floor(at)
      const hit = marks.findIndex((m, i) => !sounded.has(i) && at >= m.at)
      if (hit >= 0) {
        sounded.add(hit)
        beep(audio.current, HIGH_HERTZ)
        navigator.vibrate?.(80)
      } else if (beat > beaten) beep(audio.current, LOW_HERTZ)
      beaten = Math.max(beaten, beat)
      if (at > last + 1) setBegan(undefined)
    }, 30)
    return () => clearInterval(timer)
  }, [began, marks, last])
  const next = marks.find(m => m.at > now)
  const isRunning = began !== undefined
  return (
    <Box sx={{ mt: 2, maxWidth: 'var(--narrow)' }}>
      <Button
        variant="contained"
        sx={{ minHeight: 'var(--touch)' }}
        onClick={e => {
          audio.current ??= 'AudioContext' in window ? new AudioContext() : undefined
          setNow(-COUNT_IN)
          setBegan(isRunning ? undefined : e.timeStamp)
        }}
      >
        {isRunning ? 'Stop' : 'Rehearse it as a metronome'}
      </Button>
      {isRunning && (
        <Box role="timer" sx={{ mt: 1 }}>
          <Typography variant="h2" component="p" sx={{ m: 0 }}>
            {now < 0 ? Math.ceil(-now) : (next?.name ?? 'Hold')}
          </Typography>
          <Typography>
            {now < 0 ? 'Get ready.' : next ? `in ${Math.max(0, next.at - now).toFixed(1)} s` : 'The take is over.'}
          </Typography>
          <LinearProgress
            variant="determinate"
            aria-label="The take"
            value={Math.max(0, Math.min(100, (100 * now) / Math.max(0.1, last)))}
          />
        </Box>
      )}
    </Box>
  )
}
