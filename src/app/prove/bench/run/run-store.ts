import type { Run } from '@/core/scales/run'

/**
 * A run that is being measured by thumb: reactions first, then one take after the other. A machine outside of React, so
 * that a lost page begins where it was, and so that it is tried without a browser.
 */

export interface RunState {
  /** Option ids in the order in which they are measured. */
  readonly order: readonly string[]
  readonly reactions: readonly number[]
  readonly takes: Run['takes']
  readonly phase:
    | { readonly kind: 'reaction'; readonly shownAt: number | undefined }
    | { readonly kind: 'ready' }
    | { readonly kind: 'running'; readonly since: number }
    | { readonly kind: 'done' }
}

/** How often the thumb is measured before it measures. */
export const REACTIONS = 5

export interface RunStore {
  readonly get: () => RunState
  readonly subscribe: (onChange: () => void) => () => void
  /** The sign was shown, at a time in milliseconds. */
  readonly shown: (at: number) => void
  /** One tap: what it means depends on where the run is. @returns false where it came too early to mean anything */
  readonly tap: (at: number) => boolean
  /** Nothing happened for as long as anybody watched. */
  readonly never: (at: number) => void
  readonly skipReactions: () => void
  /** Takes the last take, or the one that runs, back. */
  readonly undo: () => void
}

/** A tap sooner than this after a sign was no answer to it. @source common practice, from memory */
const SOONEST_MS = 100

const seconds = (ms: number): number => Number((ms / 1000).toFixed(3))

export const runStore = (
  order: readonly string[],
  kept: Partial<Pick<RunState, 'reactions' | 'takes'>> = {},
  onKeep: (state: RunState) => void = () => undefined,
): RunStore => {
  const after = (reactions: readonly number[], takes: Run['takes']): RunState['phase'] => {
    if (takes.length >= order.length) return { kind: 'done' }
    if (takes.length > 0 || reactions.length >= REACTIONS) return { kind: 'ready' }
    return { kind: 'reaction', shownAt: undefined }
  }
  const { reactions = [], takes = [] } = kept
  let state: RunState = { order, reactions, takes, phase: after(reactions, takes) }
  const listeners = new Set<() => void>()
  const set = (next: RunState): void => {
    state = next
    onKeep(state)
    for (const listener of listeners) listener()
  }
  const taken = (take: Run['takes'][number]): void => {
    const next = [...state.takes, take]
    set({ ...state, takes: next, phase: after(state.reactions, next) })
  }
  const stepNow = (): string => order[state.takes.length] ?? ''
  return {
    get: () => state,
    subscribe: listener => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    shown: at => {
      if (state.phase.kind === 'reaction') set({ ...state, phase: { kind: 'reaction', shownAt: at } })
    },
    tap: at => {
      const { phase } = state
      switch (phase.kind) {
        case 'reaction': {
          if (phase.shownAt === undefined || at - phase.shownAt < SOONEST_MS) {
            set({ ...state, phase: { kind: 'reaction', shownAt: undefined } })
            return false
          }
          const next = [...state.reactions, seconds(at - phase.shownAt)]
          set({ ...state, reactions: next, phase: after(next, state.takes) })
          return true
        }
        case 'ready':
          set({ ...state, phase: { kind: 'running', since: at } })
          return true
        case 'running':
          taken({ step: stepNow(), seconds: seconds(at - phase.since) })
          return true
        case 'done':
          return false
      }
    },
    never: at => {
      if (state.phase.kind === 'running')
        taken({ step: stepNow(), seconds: seconds(at - state.phase.since), never: true })
    },
    skipReactions: () => {
      if (state.phase.kind === 'reaction') set({ ...state, reactions: [], phase: { kind: 'ready' } })
    },
    undo: () => {
      if (state.phase.kind === 'running') set({ ...state, phase: { kind: 'ready' } })
      else if (state.takes.length > 0) set({ ...state, takes: state.takes.slice(0, -1), phase: { kind: 'ready' } })
    },
  }
}
