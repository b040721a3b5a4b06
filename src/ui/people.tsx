'use client'

import { createContext, type ReactNode, useContext, useSyncExternalStore } from 'react'

export interface Person {
  readonly id: string
  readonly name: string
}

const KEY = 'coherion-person'
const CHANGED = 'coherion-person-changed'

const subscribe = (onChange: () => void) => {
  window.addEventListener(CHANGED, onChange)
  window.addEventListener('storage', onChange)
  return () => {
    window.removeEventListener(CHANGED, onChange)
    window.removeEventListener('storage', onChange)
  }
}

const People = createContext<readonly Person[]>([])

export const PeopleProvider = ({ people, children }: { people: readonly Person[]; children: ReactNode }) => (
  <People value={people}>{children}</People>
)

/** Everybody who signs, and who signs on this device. */
export const usePeople = () => {
  const people = useContext(People)
  const chosen = useSyncExternalStore(
    subscribe,
    () => window.localStorage.getItem(KEY),
    () => null,
  )
  return { people, person: people.find(p => p.id === chosen) }
}

/** Makes a person the one who signs on this device. */
export const choosePerson = (id: string): void => {
  window.localStorage.setItem(KEY, id)
  window.dispatchEvent(new Event(CHANGED))
}
