'use client'

import { useMemo } from 'react'
import type { ConceptMatch } from '@/core/phrasebook/search'
import { useWorkerAnswer } from './worker'

export interface Found {
  readonly query: string
  readonly concepts: readonly ConceptMatch[]
  readonly failed?: boolean
}

const NOTHING: Found = { query: '', concepts: [] }

/** One letter alone points anywhere. */
const LEAST_LETTERS = 2

const phrasesWorker = () => new Worker(new URL('../workers/phrases.worker.ts', import.meta.url), { type: 'module' })

/** Searches the phrasebook while somebody types; the newest question is the one that is answered. */
export const usePhraseSearch = (query: string): Found => {
  const isEnough = query.trim().length >= LEAST_LETTERS
  const question = useMemo(() => ({ query: isEnough ? query : '' }), [query, isEnough])
  const found = useWorkerAnswer<{ query: string }, Found>(phrasesWorker, question)
  return isEnough && found ? found : NOTHING
}
