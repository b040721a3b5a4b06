'use client'

import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Merged } from '@/core/changes/changes'
import { usePeople } from './people'
import { sendJson } from './send'
import { type History, readUndo, writeUndo } from './undo-store'

/**
 * A document while it is edited. Every edit is a named command; it can be undone, is stored at once, and goes into the
 * history. What could not be stored yet waits in the browser, so that nothing typed is lost.
 */

export type Status =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  /** The server does not answer; it is tried again. */
  | { readonly kind: 'waiting'; readonly why: string }
  /** The server refused the document as it is. */
  | { readonly kind: 'refused'; readonly why: string }
  | { readonly kind: 'conflict' }

export interface Conflict<T> {
  readonly base: T
  readonly theirs: T
  readonly revision: number
}

export type Prefer = Readonly<Record<string, 'mine' | 'theirs'>>

export interface Draft<T> {
  readonly document: T
  readonly edit: (what: string, change: (document: T) => T) => void
  readonly undo: () => void
  readonly redo: () => void
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly status: Status
  readonly revision: number
  readonly conflict: Conflict<T> | undefined
  readonly merged: (conflict: Conflict<T>, prefer?: Prefer) => Merged<T>
  readonly mergeWith: (prefer: Prefer) => void
  readonly takeTheirs: () => void
  /** Starts over from a document that was stored elsewhere, such as one taken back from the history. */
  readonly reload: (document: T, revision: number) => void
}

export interface DraftOptions<T> {
  /** Where it is stored, by PUT. */
  readonly address: string
  readonly document: T
  readonly revision: number
  readonly merge: (base: T, mine: T, theirs: T, prefer?: Prefer) => Merged<T>
}

interface Kept<T> {
  readonly base: T
  readonly document: T
  readonly revision: number
  readonly what: readonly string[]
}

const keyOf = (address: string) => `coherion-edit-${address}`

const readKept = <T>(address: string): Kept<T> | undefined => {
  try {
    const text = window.localStorage.getItem(keyOf(address))
    return text ? (JSON.parse(text) as Kept<T>) : undefined
  } catch {
    return undefined
  }
}

const writeKept = <T>(address: string, kept: Kept<T> | undefined): void => {
  try {
    if (kept) window.localStorage.setItem(keyOf(address), JSON.stringify(kept))
    else window.localStorage.removeItem(keyOf(address))
  } catch {
    // A full store is no reason to stop editing; the server has it in a moment.
  }
}

const SAVE_AFTER_MS = 250
const RETRY_AFTER_MS = 3000
const MOST_UNDO = 200

export const useDraft = <T>({ address, merge, ...initial }: DraftOptions<T>): Draft<T> => {
  const { person } = usePeople()
  const router = useRouter()
  const [history, setHistory] = useState<History<T>>({ past: [], present: initial.document, future: [] })
  const [status, setStatus] = useState<Status>({ kind: 'saved' })
  const [conflict, setConflict] = useState<Conflict<T>>()
  const [revision, setRevision] = useState(initial.revision)
  /** What the server has, and what is on its way. */
  const stored = useRef({ document: initial.document, revision: initial.revision })
  const present = useRef(initial.document)
  const told = useRef<string[]>([])
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const busy = useRef(false)
  /** Somebody else has stored the profile; nothing is sent until both are merged. */
  const parted = useRef(false)
  const personId = useRef<string | undefined>(undefined)
  const again = useRef<() => void>(() => undefined)
  /** Keeps what can be undone, once the editor is gone; what is answered after that is told here as well. */
  const gone = useRef<() => void>(undefined)
  useEffect(() => {
    personId.current = person?.id
  }, [person])

  const keep = useCallback(() => {
    const { document, revision: from } = stored.current
    writeKept(
      address,
      present.current === document
        ? undefined
        : { base: document, document: present.current, revision: from, what: told.current },
    )
  }, [address])

  const send = useCallback(async (): Promise<void> => {
    if (busy.current || parted.current) return
    if (present.current === stored.current.document) {
      // Undone before it was sent: there is nothing to store.
      told.current = []
      setStatus({ kind: 'saved' })
      return
    }
    busy.current = true
    setStatus({ kind: 'saving' })
    const document = present.current
    const what = told.current.join('; ').slice(0, 400) || 'edited'
    const count = told.current.length
    const answer = await sendJson<{ revision: number }>('PUT', address, {
      document,
      revision: stored.current.revision,
      what,
      ...(personId.current ? { person: personId.current } : {}),
    })
    busy.current = false
    if (answer.ok) {
      stored.current = { document, revision: answer.value.revision }
      setRevision(answer.value.revision)
      told.current = told.current.slice(count)
      keep()
      gone.current?.()
      if (present.current === document) setStatus({ kind: 'saved' })
      else again.current()
      return
    }
    if (answer.status === 409) {
      const { document: theirs, revision: moved } = answer.more as { document: T; revision: number }
      parted.current = true
      setConflict({ base: stored.current.document, theirs, revision: moved })
      setStatus({ kind: 'conflict' })
      return
    }
    if (answer.status === 422) {
      setStatus({ kind: 'refused', why: answer.detail })
      return
    }
    setStatus({ kind: 'waiting', why: answer.detail })
    clearTimeout(timer.current)
    timer.current = setTimeout(() => again.current(), RETRY_AFTER_MS)
  }, [address, keep])
  useEffect(() => {
    again.current = () => void send()
  }, [send])

  const changed = useCallback(
    (document: T, what: string) => {
      present.current = document
      told.current.push(what)
      setStatus(s => (s.kind === 'conflict' ? s : { kind: 'saving' }))
      keep()
      clearTimeout(timer.current)
      timer.current = setTimeout(() => void send(), SAVE_AFTER_MS)
    },
    [keep, send],
  )

  // Edits that never reached the server wait in the browser.
  useEffect(() => {
    const kept = readKept<T>(address)
    const now = kept ?? initial
    const before = readUndo(window.sessionStorage, address, now.document, now.revision)
    if (before) {
      // eslint-disable-next-line react-hooks/set-state-in-effect -- the browser's store is only there after the first paint
      setHistory(before)
      present.current = before.present
      if (!kept) stored.current = { document: before.present, revision: before.revision }
      setRevision(stored.current.revision)
    }
    if (!kept) return
    told.current = [...kept.what]
    present.current = kept.document
    stored.current = { document: kept.base, revision: kept.revision }
    if (!before) setHistory({ past: [initial.document], present: kept.document, future: [] })
    setStatus({ kind: 'saving' })
    timer.current = setTimeout(() => void send(), SAVE_AFTER_MS)
    return () => clearTimeout(timer.current)
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the editor opens
  }, [])

  // What can be undone is kept when the page is left, by a link or for good.
  const latest = useRef(history)
  const [opened] = useState(initial.revision)
  useEffect(() => {
    latest.current = history
  }, [history])
  useEffect(() => {
    const leave = () => writeUndo(window.sessionStorage, address, latest.current, stored.current.revision)
    window.addEventListener('pagehide', leave)
    gone.current = undefined
    return () => {
      window.removeEventListener('pagehide', leave)
      leave()
      gone.current = () => {
        leave()
        router.refresh()
      }
      // Pages that were seen before, this one too, may show what was before the edits.
      if (stored.current.revision !== opened) router.refresh()
    }
  }, [address, opened, router])

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (present.current !== stored.current.document) void send()
      if (busy.current) event.preventDefault()
    }
    window.addEventListener('beforeunload', warn)
    return () => window.removeEventListener('beforeunload', warn)
  }, [send])

  const edit = useCallback(
    (what: string, change: (document: T) => T) => {
      const before = present.current
      const after = change(before)
      if (after === before) return
      setHistory(h => ({ past: [...h.past, before].slice(-MOST_UNDO), present: after, future: [] }))
      changed(after, what)
    },
    [changed],
  )

  const step = useCallback(
    (direction: 'undo' | 'redo') => {
      const [from, to] = direction === 'undo' ? (['past', 'future'] as const) : (['future', 'past'] as const)
      const next = direction === 'undo' ? history[from].at(-1) : history[from][0]
      if (!next) return
      const rest = direction === 'undo' ? history[from].slice(0, -1) : history[from].slice(1)
      const other = direction === 'undo' ? [history.present, ...history[to]] : [...history[to], history.present]
      setHistory({ past: [], future: [], present: next, [from]: rest, [to]: other })
      changed(next, direction === 'undo' ? 'undone' : 'done again')
    },
    [changed, history],
  )
  const undo = useCallback(() => step('undo'), [step])
  const redo = useCallback(() => step('redo'), [step])

  const settle = useCallback(
    (document: T, theirs: T, moved: number, what: string) => {
      stored.current = { document: theirs, revision: moved }
      setRevision(moved)
      parted.current = false
      setConflict(undefined)
      setHistory(h => ({ past: [...h.past, h.present], present: document, future: [] }))
      present.current = document
      told.current = document === theirs ? [] : [...told.current, what]
      keep()
      setStatus({ kind: 'saved' })
      void send()
    },
    [keep, send],
  )
  const merged = useCallback(
    (from: Conflict<T>, prefer?: Prefer) => merge(from.base, history.present, from.theirs, prefer),
    [merge, history.present],
  )
  const mergeWith = useCallback(
    (prefer: Prefer) => {
      if (!conflict) return
      const { document } = merge(conflict.base, present.current, conflict.theirs, prefer)
      settle(document, conflict.theirs, conflict.revision, 'merged with what somebody else changed')
    },
    [conflict, merge, settle],
  )
  const takeTheirs = useCallback(() => {
    if (conflict) settle(conflict.theirs, conflict.theirs, conflict.revision, '')
  }, [conflict, settle])

  const reload = useCallback((document: T, at: number) => settle(document, document, at, ''), [settle])

  return {
    document: history.present,
    edit,
    undo,
    redo,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    status,
    revision,
    conflict,
    merged,
    mergeWith,
    takeTheirs,
    reload,
  }
}
