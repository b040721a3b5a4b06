'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { type HouseGuide, parseHouseGuide } from '@/core/guide/house'
import { parseJson, problemWords } from '@/core/reading/problem'
import { usePeople } from '@/ui/people'
import { sendJson } from '@/ui/send'

/** The house’s rules while they are changed: each change is stored at once, and goes into the history. */
export const useHouse = (house: HouseGuide, revision: number) => {
  const router = useRouter()
  const { person } = usePeople()
  const [mine, setMine] = useState({ house, revision })
  // What somebody else has changed since comes with the page.
  const now = revision > mine.revision ? { house, revision } : mine
  const [isBusy, setBusy] = useState(false)
  const [problem, setProblem] = useState('')

  const change = async (what: string, next: HouseGuide): Promise<void> => {
    setMine({ house: next, revision: now.revision })
    setBusy(true)
    const sent = await sendJson<{ revision: number }>('PUT', '/api/v1/guide/house', {
      document: next,
      revision: now.revision,
      what,
      ...(person ? { person: person.id } : {}),
    })
    setBusy(false)
    setProblem(sent.ok ? '' : sent.detail)
    if (!sent.ok) {
      setMine(now)
      return
    }
    setMine({ house: next, revision: sent.value.revision })
    router.refresh()
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
