import { indexOf, type PhraseIndex } from '../core/phrasebook/search'
import type { Term } from '../core/phrasebook/terms'

/** Holds the index of the phrasebook away from the page: it is built here, and every keystroke is answered from here. */

export interface Question {
  readonly id: number
  readonly query: string
}

const load = async (): Promise<PhraseIndex> => {
  const response = await fetch('/api/v1/phrases')
  if (!response.ok) throw new Error(`phrases: ${response.status}`)
  const { terms } = (await response.json()) as { terms: readonly Term[] }
  return indexOf(terms)
}

let index = load()

self.onmessage = (event: MessageEvent<Question>) => {
  const { id, query } = event.data
  index.then(
    i => self.postMessage({ id, found: { query, concepts: i.search(query) } }),
    () => {
      index = load()
      self.postMessage({ id, found: { query, concepts: [], failed: true } })
    },
  )
}
