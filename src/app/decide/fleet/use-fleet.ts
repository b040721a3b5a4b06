'use client'

import { useMemo } from 'react'
import { useWorkerAnswer, type WorkerAnswer } from '@/ui/worker'
import type { FleetAnswer, FleetAsk, FleetQuestion } from '@/workers/fleet.worker'

const fleetWorker = () => new Worker(new URL('../../../workers/fleet.worker.ts', import.meta.url), { type: 'module' })

/**
 * Asks about the bodies in hand whenever the question changes. What was answered last stays until there is something
 * newer; an answer comes in pieces.
 *
 * @param bodies ids, joined by commas; all of them where empty
 */
export const useFleet = (bodies: string, ask: FleetAsk | undefined): WorkerAnswer<FleetAnswer> => {
  const question = useMemo(() => (ask ? { bodies, ask } : undefined), [bodies, ask])
  return useWorkerAnswer<FleetQuestion, FleetAnswer>('fleet', fleetWorker, question)
}
