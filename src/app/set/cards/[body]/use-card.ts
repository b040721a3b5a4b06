'use client'

import { nanoid } from 'nanoid'
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { keepAnswer, readAnswer } from '@/offline/answers'
import { keepThisPage } from '@/offline/keep-page'
import { keep, onOutbox, putAway, readOutbox, send, sendWaiting } from '@/offline/outbox'
import type { CardView } from '@/server/cards'
import type { Person } from '@/ui/people'
import { sendJson } from '@/ui/send'
import { type CardOutside, CardStore, nameOf } from './card-store'

export type { Tick } from './card-store'

const BROWSER: CardOutside = {
  read: address => sendJson<CardView>('GET', address),
  keepAnswer,
  readAnswer,
  outbox: { on: onOutbox, read: readOutbox, keep, putAway, send, sendWaiting },
  newId: () => nanoid(),
  now: () => new Date().toISOString(),
}

/** Somebody else may have the same unit in hand. */
const LOOK_AGAIN_MS = 20_000
/** A card on this device, as its page sees it; `card-store.ts` says what happens to it. */
export const useCard = (initial: CardView, person: Person | undefined) => {
  const [store] = useState(() => new CardStore(initial, BROWSER))
  const [atFirst] = useState(store.state)
  const state = useSyncExternalStore(store.subscribe, store.state, () => atFirst)
  const name = nameOf(state.card)

  useEffect(() => store.take(initial), [store, initial])
  useEffect(() => {
    // oxlint-disable-next-line react/immutability -- a store is there to be told
    store.person = person
  }, [store, person])
  useEffect(() => {
    const close = store.open()
    const notYet = keepThisPage()
    const seen = () => {
      if (document.visibilityState === 'visible') store.lookAgain()
    }
    const timer = setInterval(seen, LOOK_AGAIN_MS)
    document.addEventListener('visibilitychange', seen)
    window.addEventListener('online', seen)
    return () => {
      close()
      notYet()
      clearInterval(timer)
      document.removeEventListener('visibilitychange', seen)
      window.removeEventListener('online', seen)
    }
    // Another unit or standard is another card, with other things waiting.
  }, [store, name])

  return useMemo(() => {
    const { refresh, seeNewProfile, putAway, toggle, say, reset, sign } = store
    return { ...state, refresh, seeNewProfile, putAway, toggle, tell: say, reset, sign }
  }, [store, state])
}
