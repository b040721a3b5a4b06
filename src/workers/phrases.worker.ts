import { type ConceptMatch, indexOf, type PhraseIndex } from '../core/phrasebook/search'
import type { Term } from '../core/phrasebook/terms'
import { serve } from './serve'

/** Holds the index of the phrasebook away from the page: it is built here, and every keystroke is answered from here. */

export interface PhrasesAsk {
  readonly query: string
}

export interface PhrasesAnswer {
  readonly query: string
  readonly concepts: readonly ConceptMatch[]
}

const load = async (): Promise<PhraseIndex> => {
  const response = await fetch('/api/v1/phrases').catch(() => undefined)
  if (!response?.ok) throw new Error('The phrasebook could not be loaded. Try again once the server answers.')
  const { terms } = (await response.json()) as { terms: readonly Term[] }
  return indexOf(terms)
}

let loading: Promise<PhraseIndex> | undefined

serve<PhrasesAsk, PhrasesAnswer>('phrases', async function* ({ query }) {
  loading ??= load()
  try {
    yield { query, concepts: (await loading).search(query) }
  } catch (error) {
    loading = undefined
    throw error
  }
})
