'use client'

import { useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { allAnswers, allTroubles } from '@/core/optics/answers'
import type { CameraFigures, LensFigures } from '@/core/optics/figures'
import { freeCamera, freeLens, reckon, type Trouble } from '@/core/optics/reckon'
import { BEGINNING, type Scene, sceneFromText, sceneText } from '@/core/optics/scene'
import type { DeskFigures } from '@/server/optics'
import { useAddress } from '@/ui/address'
import { useUndoKeys } from '@/ui/DraftStatus'
import { readLocal, writeLocal } from '@/ui/local'
import { DESK_KEY } from '@/ui/optics/desk-scene'
import { useUnits } from '@/ui/units'
import type { Desk } from './desk'
import { sceneStore } from './scene-store'

/** An address is written once a movement rests. */
const REST_MS = 250

/** Lenses that go onto a body come first; by the maker, since profiles state no mount. */
export const lensesFor = (camera: CameraFigures, lenses: readonly LensFigures[]): readonly LensFigures[] =>
  lenses.filter(l => camera.id !== undefined && l.maker !== undefined && camera.name.startsWith(`${l.maker} `))

/** A body with the first lens that goes onto it. */
export const withBody = (
  scene: Scene,
  camera: CameraFigures | undefined,
  lenses: readonly LensFigures[],
): Partial<Scene> => {
  if (!camera) return { body: '' }
  const fitting = lensesFor(camera, lenses)
  const kept = fitting.find(l => l.id === scene.lens)
  const lens = kept ?? fitting[0]
  return { body: camera.id ?? '', ...(lens && !kept ? withLens(scene, lens) : {}) }
}

/** A lens with focal length and f-number where it has them. */
export const withLens = (scene: Scene, lens: LensFigures | undefined): Partial<Scene> => {
  if (!lens) return { lens: '' }
  const focalMm = Math.min(lens.focalTo, Math.max(lens.focalFrom, scene.focalMm))
  const widest = Math.max(lens.widestFrom, lens.widestTo)
  return { lens: lens.id ?? '', focalMm, fNumber: Math.max(scene.fNumber, widest) }
}

const beginning = (figures: DeskFigures, inHand: readonly string[]): Scene => {
  const camera = figures.cameras.find(c => c.id === inHand[0]) ?? figures.cameras[0]
  return { ...BEGINNING, ...withBody(BEGINNING, camera, figures.lenses) }
}

/** A scene from an address; a body without a lens gets one that goes onto it, and a lens a body. */
const sceneIn = (text: string, figures: DeskFigures): Scene => {
  const scene = sceneFromText(text)
  const lens = figures.lenses.find(l => l.id === scene.lens)
  if (scene.body && scene.lens === '')
    return {
      ...scene,
      ...withBody(
        scene,
        figures.cameras.find(c => c.id === scene.body),
        figures.lenses,
      ),
    }
  if (lens && !scene.body) {
    const camera = figures.cameras.find(c => lensesFor(c, [lens]).length > 0)
    return { ...scene, body: camera?.id ?? '' }
  }
  return scene
}

/** A scene may come from an address that is older than what the house has. */
const goneFrom = (
  scene: Scene,
  known: { readonly camera: CameraFigures | undefined; readonly lens: LensFigures | undefined },
): readonly Trouble[] => [
  ...(scene.body && !known.camera
    ? [
        {
          field: 'body' as const,
          nearest: undefined,
          words: 'The body of this scene is not here any more; figures stand in for it.',
        },
      ]
    : []),
  ...(scene.lens && !known.lens
    ? [
        {
          field: 'lens' as const,
          nearest: undefined,
          words: 'The lens of this scene is not here any more; figures stand in for it.',
        },
      ]
    : []),
]

/** The desk: one scene, and everything that follows from it. */
export const useOpticsDesk = (
  figures: DeskFigures,
  inHand: readonly string[],
  text: string | undefined,
): Desk & {
  readonly undo: () => void
  readonly redo: () => void
  readonly canUndo: boolean
  readonly canRedo: boolean
} => {
  const [store] = useState(() => sceneStore(text === undefined ? beginning(figures, inHand) : sceneIn(text, figures)))
  const scene = useSyncExternalStore(store.subscribe, store.get, store.get)
  const [units] = useUnits()
  const { set } = useAddress()

  // Whoever comes back without an address finds what was last here.
  useEffect(() => {
    if (text !== undefined) return
    const last = readLocal(DESK_KEY)
    if (last) store.open(sceneFromText(last))
    // oxlint-disable-next-line react/exhaustive-deps -- once, when the page opens
  }, [])

  useEffect(() => {
    const rest = setTimeout(() => {
      const written = sceneText(scene)
      set({ scene: written || undefined })
      writeLocal(DESK_KEY, written)
    }, REST_MS)
    return () => clearTimeout(rest)
  }, [scene, set])

  useUndoKeys(store)
  const { cameras, lenses } = figures
  return useMemo(() => {
    const known = { camera: cameras.find(c => c.id === scene.body), lens: lenses.find(l => l.id === scene.lens) }
    const { camera = freeCamera(scene), lens = freeLens(scene) } = known
    const r = reckon(scene, camera, lens, units)
    return {
      scene,
      r,
      answers: allAnswers(r),
      troubles: [...goneFrom(scene, known), ...allTroubles(r)],
      cameras,
      lenses,
      change: store.set,
      undo: store.undo,
      redo: store.redo,
      canUndo: store.canUndo(),
      canRedo: store.canRedo(),
    }
  }, [scene, cameras, lenses, units, store])
}
