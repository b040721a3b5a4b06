'use client'

import { useState } from 'react'
import { type HouseGuide, parseHouseGuide } from '@/core/guide/house'
import { parseJson, problemWords } from '@/core/reading/problem'
import { useSend } from '@/ui/use-send'

/** The house’s rules while they are changed: each change is stored at once, and goes into the history. */
export const useHouse = (house: HouseGuide, revision: number) => {
  const [mine, setMine] = useState({ house, revision })
  // What somebody else has changed since comes with the page.
  const now = revision > mine.revision ? { house, revision } : mine
  const { send, isBusy, problem, setProblem } = useSend()

  const change = async (what: string, next: HouseGuide): Promise<void> => {
    setMine({ house: next, revision: now.revision })
    const sent = await send<{ revision: number }>('PUT', '/api/v1/guide/house', {
      document: next,
      revision: now.revision,
      what,
    })
    if (!sent.ok) {
      setMine(now)
      return
    }
    setMine({ house: next, revision: sent.value.revision })
  }

  /** Takes the rules of a file in place of those that are here. */
  const take = async (file: File) => {
    const json = parseJson(await file.text(), file.name)
    const parsed = json.ok ? parseHouseGuide(json.value, file.name) : json
    if (!parsed.ok) setProblem(parsed.problems.map(problemWords).join('\n'))
    else await change(`taken from ${file.name}`, parsed.value)
  }

  return { house: now.house, isBusy, problem, change, take }
}
