'use client'

import { useEffect, useState } from 'react'
import { type KeptEntry, onOutbox, readOutbox } from '@/offline/outbox'

/** What this device counted of a trial and the server does not have yet; what was refused says so in its remark. */
export const useWaiting = (trial: number): readonly KeptEntry[] => {
  const [waiting, setWaiting] = useState<readonly KeptEntry[]>([])
  useEffect(() => {
    const look = () =>
      void readOutbox().then(
        all => setWaiting(all.filter(e => e.card === `trial ${trial}`)),
        () => undefined,
      )
    look()
    return onOutbox(look)
  }, [trial])
  return waiting
}
