'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { usePeople } from '../people'
import { sendJson } from '../send'
import { type DraftOptions, type DraftState, DraftStore } from './draft-store'

export type { Divergence, Prefer, Status } from './draft-store'

/** A document while it is edited, as a page sees it; `draft-store.ts` says what happens to it. */
export type Draft<T> = DraftState<T> &
  Pick<DraftStore<T>, 'edit' | 'undo' | 'redo' | 'merged' | 'mergeWith' | 'takeTheirs' | 'reload'>

const BROWSER = {
  put: (address: string, content: object) => sendJson<{ revision: number }>('PUT', address, content),
  unsent: () => window.localStorage,
  undo: () => window.sessionStorage,
}

export const useDraft = <T>(options: DraftOptions<T>): Draft<T> => {
  const router = useRouter()
  const { person } = usePeople()
  const [store] = useState(() => new DraftStore(options, BROWSER))
  const [atFirst] = useState(store.state)
  const state = useSyncExternalStore(store.subscribe, store.state, () => atFirst)

  useEffect(() => {
    // The store sends when its time has come, and signs with whoever is chosen then.
    // oxlint-disable-next-line react/immutability -- a store is there to be told
    store.person = person?.id
  }, [store, person])
  // Pages that were seen before, this one too, may show what was before the edits.
  useEffect(() => store.open(() => router.refresh()), [store, router])
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (store.hurry()) event.preventDefault()
    }
    window.addEventListener('pagehide', store.leave)
    window.addEventListener('beforeunload', warn)
    return () => {
      window.removeEventListener('pagehide', store.leave)
      window.removeEventListener('beforeunload', warn)
    }
  }, [store])

  return useMemo(() => {
    const { edit, undo, redo, merged, mergeWith, takeTheirs, reload } = store
    return { ...state, edit, undo, redo, merged, mergeWith, takeTheirs, reload }
  }, [store, state])
}
