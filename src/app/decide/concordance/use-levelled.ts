'use client'

import { useMemo } from 'react'
import type { Concordance } from '@/core/resolve/concordance'
import { contextFrom, type Level, type Standard } from '@/core/standards'
import type { LevelView } from '@/workers/fleet'
import type { FleetAsk } from '@/workers/fleet.worker'
import { useFleet } from '../fleet/use-fleet'

export interface Levelled {
  /** The table at the chosen position; what was there before while it is being reckoned. */
  readonly concordance: Concordance
  /** The level that is being tried; undefined where the table is as it is stored. */
  readonly level: Level | null | undefined
  readonly view: LevelView | undefined
  readonly isBusy: boolean
  readonly trouble: string
  readonly retry: () => void
}

/**
 * The Concordance at a position of the slider. Nothing is asked while the slider stands where the standard does, unless
 * its figures are looked at.
 */
export const useLevelled = (
  stored: Concordance,
  standardText: string,
  {
    lambdaHundredths,
    bodies,
    forWhom,
    isLookedAt,
  }: {
    readonly lambdaHundredths: number
    readonly bodies: string
    readonly forWhom: string
    readonly isLookedAt: boolean
  },
): Levelled => {
  const isTried = lambdaHundredths !== stored.standard.lambdaHundredths
  const ask = useMemo<FleetAsk | undefined>(
    () =>
      isTried || isLookedAt
        ? {
            kind: 'level',
            standard: JSON.parse(standardText) as Standard,
            context: contextFrom(forWhom),
            lambdaHundredths,
          }
        : undefined,
    [isTried, isLookedAt, standardText, forWhom, lambdaHundredths],
  )
  const { answer, trouble, retry } = useFleet(bodies, ask)
  const found = ask && answer?.kind === 'level' ? answer.view : undefined
  const isHere = found?.lambdaHundredths === lambdaHundredths && found.concordance.standard.id === stored.standard.id
  const view = isHere ? found : undefined
  return {
    concordance: isTried && found?.concordance.standard.id === stored.standard.id ? found.concordance : stored,
    level: isTried ? (view ? (view.level ?? null) : undefined) : undefined,
    view,
    isBusy: ask !== undefined && !trouble && (view?.progress ?? 0) < 1,
    trouble,
    retry,
  }
}
