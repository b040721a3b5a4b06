import { slotsText } from '@/core/kit/slots'
import { refText } from '@/core/standards/context'
import type { Deed, Entry, KeptEntry, Landed } from '@/offline/outbox'
import type { CardView } from '@/server/cards'
import type { Person } from '@/ui/people'
import type { Sent } from '@/ui/send'

/**
 * A card as the server last said it, with what was done on this device laid over it: shown at once, kept in the browser
 * before anything is sent, and sent in order until the server has it.
 */

export interface Tick {
  readonly by: string | null
  readonly at: string
}

/** What is shown of a card; a new object whenever anything of it changed. */
export interface CardState {
  readonly card: CardView
  readonly ticks: ReadonlyMap<string, Tick>
  /** How much of what was done here the server does not have yet. */
  readonly waiting: number
  /** What was said of settings and not yet worked out: setting to option. */
  readonly told: ReadonlyMap<string, string>
  readonly isSigning: boolean
  /** The server does not answer. */
  readonly isAway: boolean
  readonly problem: string
  /** What became of things done here that did not simply go through. */
  readonly remarks: readonly KeptEntry[]
  readonly clockAheadMs: number
  /** The profile of the body was changed while the card was open. */
  readonly hasNewProfile: boolean
}

/** What lies outside: the server, what the browser keeps, and the time. */
export interface CardOutside {
  readonly read: (address: string) => Promise<Sent<CardView>>
  readonly keepAnswer: (address: string, card: CardView) => Promise<void>
  readonly readAnswer: (address: string) => Promise<CardView | undefined>
  readonly outbox: {
    readonly on: (changed: (landed: Landed | undefined) => void) => () => void
    readonly read: () => Promise<readonly KeptEntry[]>
    readonly keep: (entry: Entry) => Promise<void>
    readonly putAway: (place: number) => Promise<void>
    readonly send: (entry: Entry) => Promise<Landed | undefined>
    readonly sendWaiting: () => Promise<boolean>
  }
  readonly newId: () => string
  readonly now: () => string
}

/** What was done here, and whether the server has it; what it has counts until the card is read again. */
interface Mine {
  readonly id: string
  readonly deed: Deed
  readonly tick: Tick
  readonly has: 'waits' | 'landed'
}

/** The card of one unit, however many pages and people have it open. */
export const nameOf = (card: CardView): string =>
  `${card.body.id}/${card.unit?.id ?? ''}/${card.standard.id}/${card.for}`

const addressOf = (card: CardView): string =>
  `/api/v1/cards?${new URLSearchParams({
    standard: refText(card.standard),
    body: card.body.id,
    ...(card.unit ? { unit: card.unit.id } : {}),
    ...(card.for ? { for: card.for } : {}),
    ...(card.slots?.asked.length ? { slots: slotsText(card.slots.asked) } : {}),
  }).toString()}`

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

/** What the server says is ticked, with what was done here laid over it. */
const ticksOf = (card: CardView, mine: readonly Mine[]): ReadonlyMap<string, Tick> => {
  const ticks = new Map(card.steps.flatMap(s => (s.tick ? [[s.key, s.tick] as const] : [])))
  const { store } = card.slots ?? {}
  if (store?.tick) ticks.set(store.key, store.tick)
  for (const { deed, tick } of mine) {
    if (deed.kind === 'tick' && deed.ticked) ticks.set(deed.step, tick)
    if (deed.kind === 'tick' && !deed.ticked) ticks.delete(deed.step)
    if (deed.kind === 'told') for (const key of ticks.keys()) if (key.startsWith(`${deed.setting}=`)) ticks.delete(key)
  }
  return ticks
}

export class CardStore {
  /** Who signs on this device. */
  person: Person | undefined
  private mine: readonly Mine[] = []
  private remarks: readonly KeptEntry[] = []
  private isAway = false
  private clockAheadMs = 0
  private problem = ''
  private profileSeen: CardView['profile']
  /** What the server has and the card does not show yet. */
  private readonly landedIds = new Set<string>()
  private readonly listeners = new Set<() => void>()
  private shown: CardState

  constructor(
    private card: CardView,
    private readonly outside: CardOutside,
  ) {
    this.profileSeen = card.profile
    this.shown = this.look()
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  readonly state = (): CardState => this.shown

  /** A newer one from the page itself, as when it was made anew. */
  readonly take = (card: CardView): void => {
    if (card === this.card) return
    this.card = card
    this.tell()
  }

  /** Takes up what waits in the browser, and what comes in on other pages of it. @returns what closes the card */
  readonly open = (): (() => void) => {
    const stop = this.outside.outbox.on(landed => void this.readOutbox(landed))
    this.lookAgain()
    return stop
  }

  /** Reads what waits in the browser, which may not have been readable at first, and the card. */
  readonly lookAgain = (): void => void this.readOutbox().then(this.refresh)

  /** Reads the card again. */
  readonly refresh = async (): Promise<void> => {
    const address = addressOf(this.card)
    const isAsked = () => address === addressOf(this.card)
    const known = new Set(this.landedIds)
    const sent = await this.outside.read(address)
    if (!isAsked()) return
    this.isAway = !sent.ok && sent.status === 0
    if (this.isAway) {
      // The page may have been kept before the last of what was done on it.
      const kept = await this.outside.readAnswer(address).catch(() => undefined)
      if (kept && isAsked()) this.card = kept
    } else if (sent.ok) {
      await this.outside.keepAnswer(address, sent.value).catch(() => undefined)
      this.card = sent.value
      this.problem = ''
      this.mine = this.mine.filter(m => !known.has(m.id))
      for (const id of known) this.landedIds.delete(id)
    } else this.problem = sent.detail
    this.tell()
  }

  readonly seeNewProfile = (): void => {
    this.profileSeen = this.card.profile
    this.tell()
  }

  readonly putAway = (place: number): void => void this.outside.outbox.putAway(place)

  readonly toggle = (step: string): void => {
    const { card } = this
    const ticked = !this.shown.ticks.has(step)
    const asked = card.steps.find(s => s.key === step)
    const what = asked ? `${asked.setting}: ${asked.to}` : `stored in ${card.slots?.store?.slot ?? step}`
    void this.act({ kind: 'tick', step, ticked }, `${what} ${ticked ? 'ticked' : 'taken back'}`, {
      method: 'PUT',
      address: '/api/v1/ticks',
      content: { ...this.standing(), body: card.body.id, unit: card.unit?.id, step, ticked },
    })
  }

  readonly say = (setting: string, option: string, words: string): void =>
    this.happen({ kind: 'told', setting, option }, words, { kind: 'told', setting, option, ...this.standing() })

  readonly reset = (): void =>
    this.happen({ kind: 'reset' }, 'reset to factory defaults', { kind: 'reset', person: this.person?.id })

  readonly sign = (timed: boolean): void =>
    this.happen({ kind: 'signed' }, 'signature', {
      kind: 'signed',
      timed,
      slot: this.card.slots?.store?.slot,
      ...this.standing(),
    })

  private look(): CardState {
    const { card, mine, isAway, problem, remarks, clockAheadMs } = this
    const waiting = mine.filter(m => m.has === 'waits')
    return {
      card,
      ticks: ticksOf(card, mine),
      waiting: waiting.length,
      told: new Map(mine.flatMap(m => (m.deed.kind === 'told' ? [[m.deed.setting, m.deed.option] as const] : []))),
      isSigning: waiting.some(m => m.deed.kind === 'signed'),
      isAway,
      problem,
      remarks,
      clockAheadMs,
      hasNewProfile: card.profile !== this.profileSeen,
    }
  }

  private tell(): void {
    this.shown = this.look()
    for (const listener of this.listeners) listener()
  }

  private standing() {
    const { standard, for: forWhom } = this.card
    return { standard: refText(standard), ...(forWhom ? { for: forWhom } : {}), person: this.person?.id }
  }

  private happen(deed: Deed, words: string, content: object): void {
    const address = `/api/v1/units/${this.card.unit?.id ?? ''}/events`
    void this.act(deed, words, { method: 'POST', address, content })
  }

  private async act(deed: Deed, words: string, to: Pick<Entry, 'method' | 'address' | 'content'>): Promise<void> {
    const { outbox, newId, now } = this.outside
    const by = this.person?.name ?? null
    const entry: Entry = { id: newId(), card: nameOf(this.card), deed, words, by, made: now(), ...to }
    this.mine = [...this.mine, mineOf(entry)]
    this.tell()
    const isKept = await outbox.keep(entry).then(
      () => true,
      () => false,
    )
    if (isKept) {
      this.isAway = !(await outbox.sendWaiting())
      this.tell()
      return
    }
    // A browser that keeps nothing, as in some private modes: now or never.
    const landed = await outbox.send(entry)
    this.mine = this.mine.filter(m => m.id !== entry.id)
    if (landed && !landed.remark) await this.refresh()
    else
      this.problem =
        landed?.remark?.words ?? `“${words}” could not be sent, and this browser keeps nothing for later. Do it again.`
    this.tell()
  }

  /** Lays what waits over the card. @param landed what the server just took, from this page or another */
  private async readOutbox(landed?: Landed): Promise<void> {
    const name = nameOf(this.card)
    if (landed) {
      this.landedIds.add(landed.entry.id)
      await this.keepLanded(landed)
    }
    const all = (await this.outside.outbox.read().catch(() => [])).filter(e => e.card === name)
    const waiting = all.filter(e => !e.remark && !this.landedIds.has(e.id))
    const ids = new Set(waiting.map(e => e.id))
    const rest = this.mine.flatMap((m): readonly Mine[] => {
      if (ids.has(m.id)) return []
      if (landed?.entry.id !== m.id) return [m]
      // What the server did otherwise is shown as the server has it.
      return landed.remark ? [] : [{ ...m, has: 'landed' }]
    })
    this.remarks = all.filter(e => e.remark)
    this.mine = [...rest, ...waiting.map(mineOf)]
    if (landed && landed.clockAheadMs !== 0) this.clockAheadMs = landed.clockAheadMs
    this.tell()
    if (landed && waiting.length === 0) await this.refresh()
  }

  /** What is kept for when there is no network has what the server took. */
  private async keepLanded({ entry, remark }: Landed): Promise<void> {
    if (entry.card !== nameOf(this.card) || remark) return
    const address = addressOf(this.card)
    const kept = await this.outside.readAnswer(address).catch(() => undefined)
    const tick = { by: entry.by, at: entry.made }
    if (kept) await this.outside.keepAnswer(address, withTick(kept, entry.deed, tick)).catch(() => undefined)
  }
}
