'use client'

import { nanoid } from 'nanoid'
import { useEffect, useMemo } from 'react'
import type { Count, Trial } from '@/core/evidence/trial'
import { keep, sendWaiting } from '@/offline/outbox'
import { keepThisPage } from '@/offline/keep-page'
import type { CountingView } from '@/server/trials'
import { useFetched } from '@/ui/use-fetched'
import { useLocal } from '@/ui/local'
import { usePeople } from '@/ui/people'
import { useWaiting } from '@/ui/use-waiting'
import { entryOf, keptIn, together } from './counting'

/** Counting on this device: at once, and sent when there is network. */
export const useCounting = ({ id, trial: asOpened }: CountingView) => {
  // A page that was kept shows what was known when it was; what is known by now comes on top as soon as there is network.
  const { value: now, again } = useFetched<Trial>({ address: `/api/v1/trials/${id}` })
  const trial = now ?? asOpened
  const { person } = usePeople()
  const [text, write] = useLocal(`coherion-trial ${id}`)
  const kept = useMemo(() => keptIn(text), [text])
  const waiting = useWaiting(`trial ${id}`)
  useEffect(() => keepThisPage(), [])
  const counter = person?.name ?? 'Nobody named'
  const counts = together(trial.counts, kept)
  const pass = (count: Count, isTakenBack: boolean) => {
    write(
      JSON.stringify(
        isTakenBack
          ? { ...kept, takenBack: [...kept.takenBack, count.id] }
          : { ...kept, counts: [...kept.counts, count] },
      ),
    )
    void keep(entryOf(id, count, nanoid(), { isTakenBack, person: person?.id }))
      .then(sendWaiting)
      .catch(() => undefined)
  }
  /** A pass in place of another one, in one stroke. */
  const replace = (before: Count, next: Count) => {
    write(JSON.stringify({ counts: [...kept.counts, next], takenBack: [...kept.takenBack, before.id] }))
    const by = { person: person?.id }
    void keep(entryOf(id, before, nanoid(), { isTakenBack: true, ...by }))
      .then(() => keep(entryOf(id, next, nanoid(), { isTakenBack: false, ...by })))
      .then(sendWaiting)
      .catch(() => undefined)
  }
  return {
    trial,
    /** Asks for what others did meanwhile. */
    again,
    counter,
    isNamed: person !== undefined,
    /** What whoever counts here has counted: others are not seen, so that two count blind. */
    own: counts.filter(c => c.counter === counter),
    add: (what: Omit<Count, 'id' | 'counter' | 'made'> & Partial<Pick<Count, 'id' | 'made'>>) =>
      pass({ id: nanoid(), counter, made: new Date().toISOString(), ...what }, false),
    takeBack: (count: Count) => pass(count, true),
    replace,
    /** Says of a pass why; it is the same pass, at the same moment. */
    explain: (count: Count, reason: Count['reason']) =>
      replace(count, { ...count, id: nanoid(), ...(reason ? { reason } : {}) }),
    waiting: waiting.filter(e => !e.remark).length,
    refused: waiting.filter(e => e.remark),
  }
}
