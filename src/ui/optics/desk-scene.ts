'use client'

import { BEGINNING, type Scene, sceneFromText } from '@/core/optics/scene'
import { useLocal } from '../local'

/** The scene that was last on the Optics desk of this device, for everything that wants to know what it means there. */
export const DESK_KEY = 'coherion-optics-scene'

export const useDeskScene = (): { readonly scene: Scene; readonly isOwn: boolean } => {
  const [text] = useLocal(DESK_KEY)
  return text ? { scene: sceneFromText(text), isOwn: true } : { scene: BEGINNING, isOwn: false }
}
