'use client'

import { createContext, type ReactNode, use } from 'react'
import type { Answer } from '@/core/optics/answers/answer'
import type { CameraFigures, LensFigures } from '@/core/optics/figures'
import type { Reckoned, Trouble } from '@/core/optics/reckon'
import type { Scene } from '@/core/optics/scene'

/** What every part of the desk works with. */
export interface Desk {
  /** As it was asked, possible or not. */
  readonly scene: Scene
  readonly r: Reckoned
  readonly answers: readonly Answer[]
  readonly troubles: readonly Trouble[]
  readonly cameras: readonly CameraFigures[]
  readonly lenses: readonly LensFigures[]
  readonly change: (change: Partial<Scene>) => void
}

const DeskContext = createContext<Desk | undefined>(undefined)

export const DeskProvider = ({ desk, children }: { desk: Desk; children: ReactNode }) => (
  <DeskContext value={desk}>{children}</DeskContext>
)

export const useDesk = (): Desk => {
  const desk = use(DeskContext)
  if (!desk) throw new Error('This part belongs on the Optics desk')
  return desk
}
