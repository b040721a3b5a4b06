'use client'

import { nanoid } from 'nanoid'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { type DrillId, restSeconds, type Try } from '@/core/drills/drills'
import { keep, sendWaiting } from '@/offline/outbox'
import { readLocal, useLocal, writeLocal } from '@/ui/local'
import { useFetched } from '@/ui/use-fetched'
import { usePeople } from '@/ui/people'

/** What is made of a try before it has a name and a moment. */
export type Outcome = Omit<Try, 'id' | 'made'>

const keptUnder = (person: string) => `coherion-tries ${person}`

const triesIn = (text: string | null): readonly Try[] => {
  try {
    return JSON.parse(text ?? '[]') as readonly Try[]
  } catch {
    return []
  }
}

/** As many as wait on a device; the server has those before them. */
const MOST_LOCAL = 50

/** What waits on a device of practice goes by this name. */
export const PRACTICE = 'practice'

/** Puts something that was practised in line for the server. */
export const keepPractised = async (address: string, content: object, words: string, person: string): Promise<void> => {
  const id = nanoid()
  const made = new Date().toISOString()
  await keep({
    id,
    card: PRACTICE,
    deed: { kind: 'counted' },
    words,
    by: person,
    made,
    method: 'PUT',
    address,
    content: { ...content, person },
  })
  await sendWaiting()
}

/**
 * What somebody practises: what they tried so far, the newest of it from this device, and keeping another try. A try
 * that nobody put a name to waits until somebody does.
 */
export const usePractice = () => {
  const { person, people } = usePeople()
  const id = person?.id
  const { value, again } = useFetched<{ tries: readonly Try[] }>(
    id === undefined ? undefined : { address: `/api/v1/drills/tries?person=${encodeURIComponent(id)}` },
  )
  const [text] = useLocal(keptUnder(id ?? ''))
  const tries = useMemo(() => {
    const all = new Map([...(value?.tries ?? []), ...triesIn(text)].map(t => [t.id, t]))
    return [...all.values()].toSorted((a, b) => a.made.localeCompare(b.made))
  }, [value, text])
  const [unnamed, setUnnamed] = useState<Try>()

  const keepFor = useCallback(
    (whose: string, tried: Try) => {
      const name = keptUnder(whose)
      writeLocal(name, JSON.stringify([...triesIn(readLocal(name)), tried].slice(-MOST_LOCAL)))
      setUnnamed(undefined)
      void keepPractised('/api/v1/drills/tries', { tried }, `tried ${tried.drill}`, whose)
        .then(again)
        .catch(() => undefined)
    },
    [again],
  )
  /** @param began whose hands it was when it began: two who share a device change names in between */
  const add = useCallback(
    (outcome: Outcome, began: { readonly at: number; readonly person: string | undefined }) => {
      const tried: Try = { ...outcome, id: nanoid(), made: new Date(began.at).toISOString() }
      if (began.person === undefined) setUnnamed(tried)
      else keepFor(began.person, tried)
    },
    [keepFor],
  )
  return { person, people, tries, add, unnamed, keepFor }
}

export type Practice = ReturnType<typeof usePractice>

/** Seconds that the hand should still rest; counts down by itself. */
export const useRest = (tries: readonly Try[]): number => {
  const [now, setNow] = useState(() => Date.now())
  const rest = restSeconds(tries, now)
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(timer)
  }, [])
  return rest
}

export const ofDrill = (tries: readonly Try[], drill: DrillId): readonly Try[] => tries.filter(t => t.drill === drill)
