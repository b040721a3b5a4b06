import type { Scene } from '@/core/optics/scene'

/** A scene that is being changed, with the way back. Many small moves of one thing are one step. */
export interface SceneStore {
  readonly get: () => Scene
  readonly set: (change: Partial<Scene>) => void
  readonly undo: () => void
  readonly redo: () => void
  readonly canUndo: () => boolean
  readonly canRedo: () => boolean
  /** Begins anew from a scene, with nothing to take back. */
  readonly open: (scene: Scene) => void
  readonly subscribe: (onChange: () => void) => () => void
}

/** Steps that can be taken back. */
const MOST_STEPS = 200

/**
 * @example
 *   const store = sceneStore(BEGINNING)
 *   store.set({ distance: 3 })
 *   store.set({ distance: 2 })
 *   store.undo()
 *   store.get().distance // as it began: both moves were one step
 */
export const sceneStore = (first: Scene): SceneStore => {
  let present = first
  let past: readonly Scene[] = []
  let future: readonly Scene[] = []
  let moving = ''
  const listeners = new Set<() => void>()
  const show = (scene: Scene): void => {
    present = scene
    for (const listener of listeners) listener()
  }
  return {
    get: () => present,
    set: change => {
      const keys = (Object.keys(change) as (keyof Scene)[]).filter(k => change[k] !== present[k])
      if (keys.length === 0) return
      const what = Object.keys(change).toSorted().join()
      if (what !== moving) past = [...past, present].slice(-MOST_STEPS)
      moving = what
      future = []
      show({ ...present, ...change })
    },
    undo: () => {
      const last = past.at(-1)
      if (!last) return
      past = past.slice(0, -1)
      future = [present, ...future]
      moving = ''
      show(last)
    },
    redo: () => {
      const [next, ...rest] = future
      if (!next) return
      past = [...past, present]
      future = rest
      moving = ''
      show(next)
    },
    canUndo: () => past.length > 0,
    canRedo: () => future.length > 0,
    open: scene => {
      past = []
      future = []
      moving = ''
      show(scene)
    },
    subscribe: listener => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
  }
}
