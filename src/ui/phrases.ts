'use client'

import { useMemo } from 'react'
import type { PhrasesAnswer, PhrasesAsk } from '@/workers/phrases.worker'
import { useWorkerAnswer, type WorkerAnswer } from './worker'

const NOTHING: PhrasesAnswer = { query: '', concepts: [] }

/** One letter alone points anywhere. */
const LEAST_LETTERS = 2

const phrasesWorker = () => new Worker(new URL('../workers/phrases.worker.ts', import.meta.url), { type: 'module' })

/** Searches the phrasebook while somebody types; the newest question is the one that is answered. */
export const usePhraseSearch = (query: string): PhrasesAnswer & Pick<WorkerAnswer<unknown>, 'trouble' | 'retry'> => {
  const isEnough = query.trim().length >= LEAST_LETTERS
  const question = useMemo(() => ({ query: isEnough ? query : '' }), [query, isEnough])
  const { answer, trouble, retry } = useWorkerAnswer<PhrasesAsk, PhrasesAnswer>('phrases', phrasesWorker, question)
  return { ...((isEnough && answer) || NOTHING), trouble, retry }
}
