'use client'

import { useCallback, useSyncExternalStore } from 'react'

/** What is kept on this device under a name: read by whoever shows it, on this page and on others. */

const CHANGED = 'coherion-local-changed'

const subscribe = (onChange: () => void) => {
  window.addEventListener(CHANGED, onChange)
  window.addEventListener('storage', onChange)
  return () => {
    window.removeEventListener(CHANGED, onChange)
    window.removeEventListener('storage', onChange)
  }
}

/** A browser that keeps nothing, as in some private modes, remembers it no longer than the page. */
const unkept = new Map<string, string>()

/** What is kept under a name, read once; a browser that keeps nothing has nothing. */
export const readLocal = (name: string): string | null => {
  try {
    return window.localStorage.getItem(name) ?? unkept.get(name) ?? null
  } catch {
    return unkept.get(name) ?? null
  }
}

export const writeLocal = (name: string, value: string): void => {
  try {
    window.localStorage.setItem(name, value)
  } catch {
    unkept.set(name, value)
  }
  window.dispatchEvent(new Event(CHANGED))
}

/** @returns the value, null where there is none or the page is made on the server; and what changes it */
export const useLocal = (name: string): readonly [string | null, (value: string) => void] => {
  const value = useSyncExternalStore(
    subscribe,
    () => readLocal(name),
    () => null,
  )
  return [value, useCallback((next: string) => writeLocal(name, next), [name])]
}
