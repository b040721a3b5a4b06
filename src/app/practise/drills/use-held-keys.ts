'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { KeyId } from '@/core/drills/hold'
import type { DrillKey } from './keys'

/** Buttons of a gamepad by their number in the standard layout: the thumb’s first, then the right shoulder for the shutter. */
const THUMB_BUTTONS = [0, 1, 2, 3]
const SHOULDERS = [5, 7]

/**
 * Which keys are held, by keyboard, touch or gamepad; each change is told with the time of its own event, so that what
 * the page does meanwhile is not counted into anybody's reaction.
 */
export const useHeldKeys = (
  keys: readonly DrillKey[],
  isLive: boolean,
  onKey: (key: KeyId, isDown: boolean, at: number) => void,
) => {
  const [down, setDown] = useState<ReadonlySet<KeyId>>(new Set())
  const now = useRef(new Set<KeyId>())
  const press = useCallback(
    (key: KeyId, isDown: boolean, at: number) => {
      if (now.current.has(key) === isDown) return
      if (isDown) now.current.add(key)
      else now.current.delete(key)
      setDown(new Set(now.current))
      onKey(key, isDown, at)
    },
    [onKey],
  )
  useEffect(() => {
    if (!isLive) return
    const held = now.current
    const byLetter = (event: KeyboardEvent) =>
      keys.find(k => k.letter === event.key.toLowerCase() || (event.key === ' ' && k.letter === 'f'))
    const change = (isDown: boolean) => (event: KeyboardEvent) => {
      const key = byLetter(event)
      if (!key || event.ctrlKey || event.metaKey || event.altKey) return
      event.preventDefault()
      event.stopPropagation()
      if (!event.repeat) press(key.id, isDown, event.timeStamp)
    }
    const [onDown, onUp] = [change(true), change(false)]
    // A window that is left lets go of everything.
    const leave = () => now.current.forEach(k => press(k, false, performance.now()))
    window.addEventListener('keydown', onDown, true)
    window.addEventListener('keyup', onUp, true)
    window.addEventListener('blur', leave)
    let frame = 0
    const before = new Map<KeyId, boolean>()
    const poll = (at: number) => {
      const pad = navigator.getGamepads?.().find(p => p)
      if (pad) {
        const isOn = (buttons: readonly number[]) => buttons.some(b => pad.buttons[b]?.pressed)
        const thumbs = keys.filter(k => k.letter !== 'f')
        for (const k of keys) {
          const button = THUMB_BUTTONS[thumbs.indexOf(k)]
          const on = k.letter === 'f' ? isOn(SHOULDERS) : button !== undefined && isOn([button])
          if ((before.get(k.id) ?? false) !== on) press(k.id, on, at)
          before.set(k.id, on)
        }
      }
      frame = requestAnimationFrame(poll)
    }
    frame = requestAnimationFrame(poll)
    return () => {
      window.removeEventListener('keydown', onDown, true)
      window.removeEventListener('keyup', onUp, true)
      window.removeEventListener('blur', leave)
      cancelAnimationFrame(frame)
      held.clear()
      setDown(new Set())
    }
  }, [isLive, keys, press])
  return { down, press }
}
