'use client'

import { createContext, type ReactNode, useContext, useMemo } from 'react'
import type { BodyChoice } from './shell/choices'

const Bodies = createContext<ReadonlyMap<string, BodyChoice>>(new Map())

export const BodiesProvider = ({ bodies, children }: { bodies: readonly BodyChoice[]; children: ReactNode }) => {
  const byId = useMemo(() => new Map(bodies.map(b => [b.id, b])), [bodies])
  return <Bodies value={byId}>{children}</Bodies>
}

/** Every body of the team by its id. */
export const useBodies = () => useContext(Bodies)
