'use client'

import { useMemo } from 'react'
import { parseWith, problemWords } from '@/core/reading/problem'
import { PASSAGES } from '@/core/rehearsal/passages'
import type { SweepId } from '@/core/rehearsal/runs'
import { type Passage, passageSchema } from '@/core/rehearsal/scene'
import { useLocal } from '@/ui/local'
import { useWorkerAnswer } from '@/ui/worker'
import type { SetUp } from '@/core/rehearsal/set-up'
import type { RehearsalAnswer, RehearsalAsk } from '@/workers/rehearsal.worker'

/** What a person changed of a scene, as it is typed; what cannot be used says so and leaves the last good one in view. */
export const usePassages = (house: readonly Passage[]) => {
  const [text, write] = useLocal('coherion-passages')
  const own = useMemo((): Readonly<Record<string, Passage>> => {
    try {
      return JSON.parse(text ?? '{}') as Record<string, Passage>
    } catch {
      return {}
    }
  }, [text])
  const there = useMemo(() => [...PASSAGES, ...house], [house])
  const all = useMemo(() => there.map(p => good(own[p.id]) ?? p), [there, own])
  return {
    all,
    typedOf: (id: string): Passage | undefined => own[id] ?? there.find(p => p.id === id),
    isOwn: (id: string) => own[id] !== undefined,
    change: (passage: Passage) => write(JSON.stringify({ ...own, [passage.id]: passage })),
    reset: (id: string) => {
      const { [id]: _, ...rest } = own
      write(JSON.stringify(rest))
    },
  }
}

const good = (passage: Passage | undefined): Passage | undefined => {
  if (!passage) return undefined
  const parsed = parseWith(passageSchema, passage, passage.name)
  return parsed.ok ? parsed.value : undefined
}

/** What is wrong with a scene as it is typed, in words. */
export const wrongIn = (passage: Passage): readonly string[] => {
  const parsed = parseWith(passageSchema, passage, passage.name || 'Scene')
  return parsed.ok ? [] : parsed.problems.map(problemWords)
}

const RUNS = 400
const SWEEP_RUNS = 200

const rehearsalWorker = () =>
  new Worker(new URL('../../../workers/rehearsal.worker.ts', import.meta.url), { type: 'module' })

/** Many runs of one or two set-ups, and a sweep of the first, in the background. */
export const useRehearsal = (passage: Passage, setUps: readonly SetUp[], across: SweepId, down: SweepId) => {
  const key = JSON.stringify([passage, setUps, across, down])
  const question = useMemo((): RehearsalAsk => {
    const [p, s, a, d] = JSON.parse(key) as [Passage, SetUp[], SweepId, SweepId]
    return { passage: p, setUps: s, runs: RUNS, sweep: { across: a, down: d, runs: SWEEP_RUNS } }
  }, [key])
  return useWorkerAnswer<RehearsalAsk, RehearsalAnswer>('rehearsal', rehearsalWorker, question)
}
