import { nanoid } from 'nanoid'
import { asJson, type Merged, sameJson } from '@/core/changes/changes'
import type { Sent } from '../send'
import { type History, readUndo, writeUndo } from './undo-store'

/**
 * A document while it is edited. Every edit is a named command; it can be undone, is stored at once, and goes into the
 * history. What could not be stored yet waits in the browser, so that nothing typed is lost. Two who edit the same are
 * merged; nothing is sent while they differ.
 */

export type Status =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  /** The server does not answer; it is tried again. */
  | { readonly kind: 'waiting'; readonly why: string }
  /** The server refused the document as it is. */
  | { readonly kind: 'refused'; readonly why: string }
  | { readonly kind: 'conflict' }

export interface Divergence<T> {
  readonly base: T
  readonly theirs: T
  readonly revision: number
}

export type Prefer = Readonly<Record<string, 'mine' | 'theirs'>>

/** What is shown of a draft; a new object whenever anything of it changed. */
export interface DraftState<T> {
  readonly document: T
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly status: Status
  /** The one the server has. */
  readonly revision: number
  readonly conflict: Divergence<T> | undefined
}

export interface DraftOptions<T> {
  /** Where it is stored, by PUT. */
  readonly address: string
  readonly document: T
  readonly revision: number
  readonly merge: (base: T, mine: T, theirs: T, prefer?: Prefer) => Merged<T>
}

/** What lies outside: the server, and what the browser keeps. */
export interface Outside {
  readonly put: (address: string, content: object) => Promise<Sent<{ readonly revision: number }>>
  /** Kept until it is sent, also when the browser is closed. */
  readonly unsent: () => Storage
  /** Kept while the tab is open. */
  readonly undo: () => Storage
}

/** What never reached the server, and what it was made from. */
interface Unsent<T> {
  /** The draft it waits for: another one that is still being sent does not take it away. */
  readonly of: string
  readonly base: T
  readonly document: T
  readonly revision: number
  readonly what: readonly string[]
}

export const SAVE_AFTER_MS = 250
export const RETRY_AFTER_MS = 3000
const MOST_UNDO = 200
/** What is said of one change at most. */
const MOST_WORDS = 400

const keyOf = (address: string) => `coherion-edit-${address}`

export class DraftStore<T> {
  private readonly id = nanoid()
  /** Who signs what is sent. */
  person: string | undefined
  private history: History<T>
  private status: Status = { kind: 'saved' }
  private conflict: Divergence<T> | undefined
  /** What the server has. */
  private stored: { readonly document: T; readonly revision: number }
  /** What was done since, in words. */
  private said: readonly string[] = []
  private timer: ReturnType<typeof setTimeout> | undefined
  private isBusy = false
  /** Told when an answer comes after the editor was closed. */
  private onLate: (() => void) | undefined
  private readonly listeners = new Set<() => void>()
  private shown: DraftState<T>

  constructor(
    private readonly options: DraftOptions<T>,
    private readonly outside: Outside,
  ) {
    this.history = { past: [], present: options.document, future: [] }
    this.stored = { document: options.document, revision: options.revision }
    this.shown = this.look()
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  readonly state = (): DraftState<T> => this.shown

  /**
   * Takes up what waits in the browser. @returns what closes the draft
   *
   * @param onLate called when something was stored from here that pages seen before do not show yet
   */
  readonly open = (onLate: () => void): (() => void) => {
    this.onLate = undefined
    const { address, document, revision } = this.options
    const unsent = this.readUnsent()
    const now = unsent ?? { document, revision }
    const before = readUndo(this.outside.undo(), address, now.document, now.revision)
    if (before) {
      this.history = before
      if (!unsent) this.stored = { document: before.present, revision: before.revision }
    }
    if (unsent) {
      this.said = [...unsent.what]
      this.stored = { document: unsent.base, revision: unsent.revision }
      if (!before) this.history = { past: [document], present: unsent.document, future: [] }
      this.status = { kind: 'saving' }
      this.writeUnsent()
      this.soon()
    }
    this.tell()
    const opened = this.options.revision
    return () => {
      this.leave()
      this.onLate = () => {
        this.leave()
        onLate()
      }
      if (this.stored.revision !== opened) onLate()
    }
  }

  /** Keeps what can be undone; the page may be left for good. */
  readonly leave = (): void => writeUndo(this.outside.undo(), this.options.address, this.history, this.stored.revision)

  /** Sends what waits at once. @returns whether something is on its way */
  readonly hurry = (): boolean => {
    if (this.history.present !== this.stored.document) void this.send()
    return this.isBusy
  }

  readonly edit = (what: string, change: (document: T) => T): void => {
    const { past, present } = this.history
    const after = change(present)
    if (after === present) return
    this.history = { past: [...past, present].slice(-MOST_UNDO), present: after, future: [] }
    this.changed(what)
  }

  readonly undo = (): void => {
    const { past, present, future } = this.history
    const [before] = past.slice(-1)
    if (before === undefined) return
    this.history = { past: past.slice(0, -1), present: before, future: [present, ...future] }
    this.changed('undone')
  }

  readonly redo = (): void => {
    const { past, present, future } = this.history
    const [next, ...rest] = future
    if (next === undefined) return
    this.history = { past: [...past, present], present: next, future: rest }
    this.changed('done again')
  }

  readonly merged = (from: Divergence<T>, prefer?: Prefer): Merged<T> =>
    this.options.merge(from.base, this.history.present, from.theirs, prefer)

  readonly mergeWith = (prefer: Prefer): void => {
    const { conflict } = this
    if (!conflict) return
    const { document } = this.merged(conflict, prefer)
    this.settle(document, conflict.theirs, conflict.revision, 'merged with what somebody else changed')
  }

  readonly takeTheirs = (): void => {
    const { conflict } = this
    if (conflict) this.settle(conflict.theirs, conflict.theirs, conflict.revision, '')
  }

  /** Starts over from a document that was stored elsewhere, such as one taken back from the history. */
  readonly reload = (document: T, revision: number): void => this.settle(document, document, revision, '')

  private look(): DraftState<T> {
    const { past, present, future } = this.history
    const { status, conflict, stored } = this
    const canUndo = past.length > 0
    return { document: present, canUndo, canRedo: future.length > 0, status, revision: stored.revision, conflict }
  }

  private tell(): void {
    this.shown = this.look()
    for (const listener of this.listeners) listener()
  }

  private changed(what: string): void {
    this.said = [...this.said, what]
    if (this.status.kind !== 'conflict') this.status = { kind: 'saving' }
    this.writeUnsent()
    this.soon()
    this.tell()
  }

  private soon(ms = SAVE_AFTER_MS): void {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.send(), ms)
  }

  private async send(): Promise<void> {
    if (this.isBusy || this.conflict) return
    const document = this.history.present
    if (document === this.stored.document) {
      // Undone before it was sent: there is nothing to store.
      this.said = []
      this.status = { kind: 'saved' }
      this.tell()
      return
    }
    this.isBusy = true
    this.status = { kind: 'saving' }
    this.tell()
    const { said, person } = this
    const answer = await this.outside.put(this.options.address, {
      document,
      revision: this.stored.revision,
      what: said.join('; ').slice(0, MOST_WORDS) || 'edited',
      ...(person === undefined ? {} : { person }),
    })
    this.isBusy = false
    if (answer.ok) this.landed(document, answer.value.revision, said.length)
    else if (answer.status === 409) {
      const { document: theirs, revision } = answer.more as { document: T; revision: number }
      // A page that was left before its answer came had sent the same: nobody else changed anything.
      if (sameJson(asJson(theirs), asJson(document))) this.landed(document, revision, said.length)
      else {
        this.conflict = { base: this.stored.document, theirs, revision }
        this.status = { kind: 'conflict' }
      }
    } else if (answer.status === 422) this.status = { kind: 'refused', why: answer.detail }
    else {
      this.status = { kind: 'waiting', why: answer.detail }
      this.soon(RETRY_AFTER_MS)
    }
    this.tell()
  }

  /** The server has a document; what was said of it is said. */
  private landed(document: T, revision: number, said: number): void {
    this.stored = { document, revision }
    this.said = this.said.slice(said)
    this.writeUnsent()
    this.onLate?.()
    if (this.history.present === document) this.status = { kind: 'saved' }
    else void this.send()
  }

  private settle(document: T, theirs: T, revision: number, what: string): void {
    const { past, present } = this.history
    this.stored = { document: theirs, revision }
    this.conflict = undefined
    this.history = { past: [...past, present], present: document, future: [] }
    this.said = document === theirs ? [] : [...this.said, what]
    this.writeUnsent()
    this.status = { kind: 'saved' }
    this.tell()
    void this.send()
  }

  private readUnsent(): Unsent<T> | undefined {
    try {
      const text = this.outside.unsent().getItem(keyOf(this.options.address))
      return text ? (JSON.parse(text) as Unsent<T>) : undefined
    } catch {
      return undefined
    }
  }

  private writeUnsent(): void {
    const { document: base, revision } = this.stored
    const { present: document } = this.history
    const key = keyOf(this.options.address)
    try {
      const store = this.outside.unsent()
      const waits: Unsent<T> = { of: this.id, base, document, revision, what: this.said }
      if (document !== base) store.setItem(key, JSON.stringify(waits))
      else if (this.readUnsent()?.of === this.id) store.removeItem(key)
    } catch {
      // A full store is no reason to stop editing; the server has it in a moment.
    }
  }
}
