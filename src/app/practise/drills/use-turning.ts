'use client'

import { useCallback, useEffect, useRef, useState } from 'react'

/** Which way a device or a stand-in points, degrees to the right and down from where it began. */
export interface Pointing {
  readonly yaw: number
  readonly pitch: number
}

/** What turns the view: the phone itself, a pointer that drags, or the arrow keys. */
export type TurnedBy = 'motion' | 'pointer' | 'keys'

interface AsksFirst {
  readonly requestPermission?: () => Promise<'granted' | 'denied'>
}

/** Sensors that say nothing for this long are none. Milliseconds. */
const SILENCE_MS = 1500
/** Of the arrow keys, degrees a second. */
const KEY_SPEED = 12

/** The shorter way round from one bearing to another, degrees. */
const turnBetween = (from: number, to: number): number => ((to - from + 540) % 360) - 180

/**
 * Turning by the phone's own sensors where it has them and may be asked; by drag and arrow keys everywhere.
 *
 * @param isLive keys and sensors are listened to
 */
export const useTurning = (isLive: boolean) => {
  const at = useRef<Pointing>({ yaw: 0, pitch: 0 })
  const by = useRef<TurnedBy>('pointer')
  const [motion, setMotion] = useState<'off' | 'asked' | 'on' | 'none' | 'refused'>('off')
  const first = useRef<{ alpha: number; beta: number }>(undefined)

  const begin = useCallback(() => {
    at.current = { yaw: 0, pitch: 0 }
    first.current = undefined
    by.current = motion === 'on' ? 'motion' : 'pointer'
  }, [motion])
  const drag = useCallback((yaw: number, pitch: number) => {
    if (by.current === 'motion') return
    by.current = 'pointer'
    at.current = { yaw: at.current.yaw + yaw, pitch: at.current.pitch + pitch }
  }, [])
  /** Points straight at a place, as a pointer does. */
  const point = useCallback((yaw: number, pitch: number) => {
    if (by.current === 'motion') return
    by.current = 'pointer'
    at.current = { yaw, pitch }
  }, [])

  const ask = useCallback(async () => {
    const sensor = (globalThis as { DeviceOrientationEvent?: AsksFirst }).DeviceOrientationEvent
    if (!sensor) return setMotion('none')
    const answer = await sensor.requestPermission?.().catch(() => 'denied' as const)
    setMotion(answer === 'denied' ? 'refused' : 'asked')
  }, [])
  useEffect(() => {
    if (motion !== 'asked' && motion !== 'on') return
    const hear = (event: DeviceOrientationEvent) => {
      if (event.alpha === null || event.beta === null) return
      setMotion('on')
      by.current = 'motion'
      first.current ??= { alpha: event.alpha, beta: event.beta }
      // Bearings grow to the left.
      at.current = {
        yaw: -turnBetween(first.current.alpha, event.alpha),
        pitch: -turnBetween(first.current.beta, event.beta),
      }
    }
    window.addEventListener('deviceorientation', hear)
    const timer = setTimeout(() => setMotion(m => (m === 'asked' ? 'none' : m)), SILENCE_MS)
    return () => {
      window.removeEventListener('deviceorientation', hear)
      clearTimeout(timer)
    }
  }, [motion])

  useEffect(() => {
    if (!isLive) return
    const held = new Set<string>()
    const onDown = (event: KeyboardEvent) => {
      if (!event.key.startsWith('Arrow')) return
      event.preventDefault()
      held.add(event.key)
    }
    const onUp = (event: KeyboardEvent) => held.delete(event.key)
    window.addEventListener('keydown', onDown)
    window.addEventListener('keyup', onUp)
    let frame = 0
    let before = performance.now()
    const tick = (now: number) => {
      const step = (KEY_SPEED * (now - before)) / 1000
      before = now
      if (held.size > 0 && by.current !== 'motion') {
        by.current = 'keys'
        const on = (key: string) => (held.has(key) ? step : 0)
        at.current = {
          yaw: at.current.yaw + on('ArrowRight') - on('ArrowLeft'),
          pitch: at.current.pitch + on('ArrowDown') - on('ArrowUp'),
        }
      }
      frame = requestAnimationFrame(tick)
    }
    frame = requestAnimationFrame(tick)
    return () => {
      window.removeEventListener('keydown', onDown)
      window.removeEventListener('keyup', onUp)
      cancelAnimationFrame(frame)
    }
  }, [isLive])
  return { at, by, begin, drag, point, motion, ask }
}

export type Turning = ReturnType<typeof useTurning>

/** What to say of the sensors, and what to do without them. */
export const MOTION_WORDS: Readonly<Record<Turning['motion'], string>> = {
  off: '',
  asked: 'Asking the phone how it turns …',
  on: 'The phone’s own turning counts.',
  none: 'This device does not tell how it turns. Turn by drag, or with the arrow keys; the figure is coarser so.',
  refused:
    'The browser was not allowed to tell how the phone turns; allow it for this page, or turn by drag or arrow keys.',
}
