'use client'

import { createContext, type ReactNode, useContext } from 'react'
import { useLocal, writeLocal } from './local'

export interface Person {
  readonly id: string
  readonly name: string
}

const KEY = 'coherion-person'

const People = createContext<readonly Person[]>([])

export const PeopleProvider = ({ people, children }: { people: readonly Person[]; children: ReactNode }) => (
  <People value={people}>{children}</People>
)

/** Everybody who signs, and who signs on this device. */
export const usePeople = () => {
  const people = useContext(People)
  const [chosen] = useLocal(KEY)
  const [id, name] = chosen?.split('\n') ?? []
  // A page that was kept for when there is no network may not know somebody who joined since.
  const kept = id && name ? { id, name } : undefined
  return { people, person: people.find(p => p.id === id) ?? kept }
}

/** Makes a person the one who signs on this device. */
export const choosePerson = ({ id, name }: Person): void => writeLocal(KEY, `${id}\n${name}`)
