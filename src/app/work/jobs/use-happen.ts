'use client'

import { nanoid } from 'nanoid'
import { useMemo } from 'react'
import type { Happened, Happening } from '@/core/jobs/standing'
import { keep, sendWaiting } from '@/offline/outbox'
import { readLocal, useLocal } from '@/ui/local'
import { usePeople } from '@/ui/people'
import { useWaiting } from '@/ui/use-waiting'
import { cardOf, entryOf, keptIn } from './kept'

/** What the server has by then is not needed here any more. */
const MOST_KEPT = 300

/** What happens on a job, said on this device: known here at once, and sent when there is network. */
export const useHappen = (job: string) => {
  const { person } = usePeople()
  const key = `coherion-job ${job}`
  const [text, write] = useLocal(key)
  const kept = useMemo(() => keptIn(text), [text])
  const waiting = useWaiting(cardOf(job))
  const send = (one: Happened, isTakenBack: boolean) =>
    void keep(entryOf(job, one, { isTakenBack, person: person?.id }))
      .then(sendWaiting)
      .catch(() => undefined)
  return {
    kept,
    happen: (what: Happening): void => {
      const one: Happened = { id: nanoid(), at: new Date().toISOString(), by: person?.id, what }
      const before = keptIn(readLocal(key))
      write(JSON.stringify({ ...before, happened: [...before.happened, one].slice(-MOST_KEPT) }))
      send(one, false)
    },
    takeBack: (one: Happened): void => {
      const before = keptIn(readLocal(key))
      write(JSON.stringify({ ...before, takenBack: [...before.takenBack, one.id].slice(-MOST_KEPT) }))
      send(one, true)
    },
    /** How many the server does not have yet, and those it refused. */
    waiting: waiting.filter(e => !e.remark).length,
    refused: waiting.filter(e => e.remark),
  }
}
