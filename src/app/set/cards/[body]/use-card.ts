'use client'

import { nanoid } from 'nanoid'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { slotsText } from '@/core/kit/slots'
import { refText } from '@/core/standards'
import { keepAnswer, readAnswer } from '@/offline/answers'
import type { KeepPage } from '@/offline/names'
import {
  type Deed,
  type Entry,
  keep,
  type Kept,
  type Landed,
  onOutbox,
  putAway,
  readOutbox,
  send,
  sendWaiting,
} from '@/offline/outbox'
import type { CardView } from '@/server/cards'
import type { Person } from '@/ui/people'
import { sendJson } from '@/ui/send'

export interface Tick {
  readonly by: string | null
  readonly at: string
}

/** The card of one unit, however many pages and people have it open. */
const nameOf = (card: CardView): string => `${card.body.id}/${card.unit?.id ?? ''}/${card.standard.id}/${card.for}`

const queryOf = (card: CardView): string =>
  new URLSearchParams({
    standard: refText(card.standard),
    body: card.body.id,
    ...(card.unit ? { unit: card.unit.id } : {}),
    ...(card.for ? { for: card.for } : {}),
    ...(card.slots?.asked.length ? { slots: slotsText(card.slots.asked) } : {}),
  }).toString()

/** What was done here, and whether the server has it; what it has counts until the card is read again. */
interface Mine {
  readonly id: string
  readonly deed: Deed
  readonly tick: Tick
  readonly has: 'waits' | 'landed'
}

const addressOf = (query: string): string => `/api/v1/cards?${query}`

/** A card with a tick that the server has, and that it was not read again since. */
const withTick = (card: CardView, deed: Deed, tick: Tick): CardView => {
  if (deed.kind !== 'tick') return card
  const next = deed.ticked ? tick : undefined
  const { slots } = card
  return {
    ...card,
    steps: card.steps.map(s => (s.key === deed.step ? { ...s, tick: next } : s)),
    slots: slots?.store?.key === deed.step ? { ...slots, store: { ...slots.store, tick: next } } : slots,
  }
}

const mineOf = (e: Entry): Mine => ({ id: e.id, deed: e.deed, tick: { by: e.by, at: e.made }, has: 'waits' })

/** Somebody else may have the same unit in hand. */
const LOOK_AGAIN_MS = 20_000
/** What matters comes first: the page is kept once it has come to rest. */
const REST_MS = 800

/** Has the page of this card kept, as it is now, for when there is no network. @returns what calls that off */
const keepThisPage = (): (() => void) => {
  const request: KeepPage = { keep: location.href }
  const timer = setTimeout(() => {
    void navigator.serviceWorker?.ready.then(worker => worker.active?.postMessage(request))
  }, REST_MS)
  return () => clearTimeout(timer)
}

/**
 * A card as the server last said it, with what was done on this device laid over it: shown at once, kept in the browser
 * before anything is sent, and sent in order until the server has it.
 */
export const useCard = (initial: CardView, person: Person | undefined) => {
  const [read, setRead] = useState(initial)
  const [card, setCard] = useState(initial)
  // A newer one from the page itself, as when another unit was chosen.
  if (read !== initial) {
    setRead(initial)
    setCard(initial)
  }
  const [mine, setMine] = useState<readonly Mine[]>([])
  const [remarks, setRemarks] = useState<readonly Kept[]>([])
  const [isAway, setAway] = useState(false)
  const [clockAheadMs, setClockAhead] = useState(0)
  const [problem, setProblem] = useState('')
  const [profileSeen, setProfileSeen] = useState(initial.profile)
  const name = nameOf(card)
  const query = queryOf(card)
  const latest = useRef({ query })
  /** What the server has and the card does not show yet. */
  const landedIds = useRef(new Set<string>())
  useEffect(() => {
    latest.current = { query }
  }, [query])

  const refresh = useCallback(async () => {
    const asked = latest.current.query
    const known = new Set(landedIds.current)
    const sent = await sendJson<CardView>('GET', addressOf(asked))
    if (asked !== latest.current.query) return
    const isGone = !sent.ok && sent.status === 0
    setAway(isGone)
    if (isGone) {
      // The page may have been kept before the last of what was done on it.
      const kept = await readAnswer<CardView>(addressOf(asked)).catch(() => undefined)
      if (kept && asked === latest.current.query) setCard(kept)
      return
    }
    if (sent.ok) {
      await keepAnswer(addressOf(asked), sent.value).catch(() => undefined)
      setCard(sent.value)
      setProblem('')
      setMine(now => now.filter(m => !known.has(m.id)))
      for (const id of known) landedIds.current.delete(id)
    } else setProblem(sent.detail)
  }, [])

  useEffect(() => {
    const readKept = async (landed?: Landed) => {
      if (landed) {
        landedIds.current.add(landed.entry.id)
        const { card: of, deed, by, made } = landed.entry
        const address = addressOf(latest.current.query)
        const kept =
          of === name && !landed.remark ? await readAnswer<CardView>(address).catch(() => undefined) : undefined
        if (kept) await keepAnswer(address, withTick(kept, deed, { by, at: made })).catch(() => undefined)
      }
      const all = (await readOutbox().catch(() => [])).filter(e => e.card === name)
      setRemarks(all.filter(e => e.remark))
      const waiting = all.filter(e => !e.remark && !landedIds.current.has(e.id))
      setMine(now => {
        const ids = new Set(waiting.map(e => e.id))
        const rest = now.flatMap((m): Mine[] => {
          if (ids.has(m.id)) return []
          // What the server did otherwise is shown as the server has it.
          if (landed?.entry.id === m.id && landed.remark) return []
          return [m.has === 'waits' && landed?.entry.id === m.id ? { ...m, has: 'landed' } : m]
        })
        return [...rest, ...waiting.map(mineOf)]
      })
      if (landed && Math.abs(landed.clockAheadMs) > 0) setClockAhead(landed.clockAheadMs)
      if (landed && waiting.length === 0) await refresh()
    }
    const stop = onOutbox(landed => void readKept(landed))
    void readKept().then(refresh)
    const notYet = keepThisPage()
    const seen = () => {
      if (document.visibilityState === 'visible') void refresh()
    }
    const timer = setInterval(seen, LOOK_AGAIN_MS)
    document.addEventListener('visibilitychange', seen)
    window.addEventListener('online', seen)
    return () => {
      clearInterval(timer)
      stop()
      notYet()
      document.removeEventListener('visibilitychange', seen)
      window.removeEventListener('online', seen)
    }
  }, [name, refresh])

  const standing = useMemo(
    () => ({ standard: refText(card.standard), ...(card.for ? { for: card.for } : {}), person: person?.id }),
    [card, person],
  )

  const act = useCallback(
    async (deed: Deed, words: string, to: Pick<Entry, 'method' | 'address' | 'content'>) => {
      const entry: Entry = {
        id: nanoid(),
        card: name,
        deed,
        words,
        by: person?.name ?? null,
        made: new Date().toISOString(),
        ...to,
      }
      setMine(now => [...now, mineOf(entry)])
      const isKept = await keep(entry).then(
        () => true,
        () => false,
      )
      if (isKept) {
        setAway(!(await sendWaiting()))
        return
      }
      // A browser that keeps nothing, as in some private modes: now or never.
      const landed = await send(entry)
      setMine(now => now.filter(m => m.id !== entry.id))
      if (landed && !landed.remark) await refresh()
      else
        setProblem(
          landed?.remark?.words ??
            `“${words}” could not be sent, and this browser keeps nothing for later. Do it again.`,
        )
    },
    [name, person, refresh],
  )

  const happen = (deed: Deed, words: string, content: object) =>
    act(deed, words, { method: 'POST', address: `/api/v1/units/${card.unit?.id ?? ''}/events`, content })

  const ticks = useMemo(() => {
    const ticks = new Map(card.steps.flatMap(s => (s.tick ? [[s.key, s.tick] as const] : [])))
    const { store } = card.slots ?? {}
    if (store?.tick) ticks.set(store.key, store.tick)
    for (const { deed, tick } of mine) {
      if (deed.kind === 'tick' && deed.ticked) ticks.set(deed.step, tick)
      if (deed.kind === 'tick' && !deed.ticked) ticks.delete(deed.step)
      if (deed.kind === 'told')
        for (const key of ticks.keys()) if (key.startsWith(`${deed.setting}=`)) ticks.delete(key)
    }
    return ticks
  }, [card, mine])
  const waiting = mine.filter(m => m.has === 'waits')

  return {
    card,
    ticks,
    waiting: waiting.length,
    /** What was said of settings and not yet worked out. */
    told: new Map(mine.flatMap(m => (m.deed.kind === 'told' ? [[m.deed.setting, m.deed.option] as const] : []))),
    isSigning: waiting.some(m => m.deed.kind === 'signed'),
    isAway,
    problem,
    remarks,
    clockAheadMs,
    /** The profile of the body was changed while the card was open. */
    hasNewProfile: card.profile !== profileSeen,
    seeNewProfile: () => setProfileSeen(card.profile),
    refresh,
    putAway: (place: number) => void putAway(place),
    toggle: (step: string) => {
      const ticked = !ticks.has(step)
      const asked = card.steps.find(s => s.key === step)
      const what = asked ? `${asked.setting}: ${asked.to}` : `stored in ${card.slots?.store?.slot ?? step}`
      const words = `${what} ${ticked ? 'ticked' : 'taken back'}`
      void act({ kind: 'tick', step, ticked }, words, {
        method: 'PUT',
        address: '/api/v1/ticks',
        content: { ...standing, body: card.body.id, unit: card.unit?.id, step, ticked },
      })
    },
    tell: (setting: string, option: string, words: string) =>
      void happen({ kind: 'told', setting, option }, words, { kind: 'told', setting, option, ...standing }),
    reset: () => void happen({ kind: 'reset' }, 'reset to factory defaults', { kind: 'reset', person: person?.id }),
    sign: (timed: boolean) => {
      const slot = card.slots?.store?.slot
      void happen({ kind: 'signed' }, 'signature', { kind: 'signed', timed, slot, ...standing })
    },
  }
}
