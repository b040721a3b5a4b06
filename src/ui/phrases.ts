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

const phrasesWorker = () => new Worker(new URL('../workers/phrases.worker.ts', import.meta.url), { type: 'module' })

/** Searches the phrasebook while somebody types; the newest question is the one that is answered. */
export const usePhraseSearch = (query: string): Found => {
  const question = useMemo(() => ({ query }), [query])
  const found = useWorkerAnswer<{ query: string }, Found>(phrasesWorker, question)
  return query.trim() && found ? found : NOTHING
}
