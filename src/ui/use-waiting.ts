'use client'

import { useEffect, useState } from 'react'
import { type KeptEntry, onOutbox, readOutbox } from '@/offline/outbox'

/** What was done here of one thing and the server does not have yet; what was refused says so in its remark. */
export const useWaiting = (card: string): readonly KeptEntry[] => {
  const [waiting, setWaiting] = useState<readonly KeptEntry[]>([])
  useEffect(() => {
    const look = () =>
      void readOutbox().then(
        all => setWaiting(all.filter(e => e.card === card)),
        () => undefined,
      )
    look()
    return onOutbox(look)
  }, [card])
  return waiting
}
