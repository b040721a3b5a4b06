'use client'

import { useSyncExternalStore } from 'react'

export type Units = 'metric' | 'imperial'

const KEY = 'coherion-units'
const CHANGED = 'coherion-units-changed'

const subscribe = (onChange: () => void) => {
  window.addEventListener(CHANGED, onChange)
  window.addEventListener('storage', onChange)
  return () => {
    window.removeEventListener(CHANGED, onChange)
    window.removeEventListener('storage', onChange)
  }
}

/** Metres or feet, as the person on this device reads them. */
export const useUnits = (): readonly [Units, (units: Units) => void] => {
  const stored = useSyncExternalStore(
    subscribe,
    () => window.localStorage.getItem(KEY),
    () => null,
  )
  const choose = (units: Units) => {
    window.localStorage.setItem(KEY, units)
    window.dispatchEvent(new Event(CHANGED))
  }
  return [stored === 'imperial' ? 'imperial' : 'metric', choose]
}
