'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { type HouseGuide, parseHouseGuide } from '@/core/guide/house'
import { parseJson, problemWords } from '@/core/formats/problem'
import { usePeople } from '@/ui/people'
import { sendJson } from '@/ui/send'

/** The house’s rules while they are changed: each change is stored at once, and goes into the history. */
export const useHouse = (house: HouseGuide, revision: number) => {
  const router = useRouter()
  const { person } = usePeople()
  const [shown, setShown] = useState(house)
  const [known, setKnown] = useState(revision)
  const [isBusy, setBusy] = useState(false)
  const [problem, setProblem] = useState('')

  const change = async (what: string, next: HouseGuide): Promise<boolean> => {
    const before = shown
    setShown(next)
    setBusy(true)
    const sent = await sendJson<{ revision: number }>('PUT', '/api/v1/guide/house', {
      document: next,
      revision: known,
      what,
      ...(person ? { person: person.id } : {}),
    })
    setBusy(false)
    setProblem(sent.ok ? '' : sent.detail)
    if (!sent.ok) {
      setShown(before)
      return false
    }
    setKnown(sent.value.revision)
    router.refresh()
    return true
  }

  /** Takes the rules of a file in place of those that are here. */
  const take = async (file: File) => {
    const json = parseJson(await file.text(), file.name)
    const parsed = json.ok ? parseHouseGuide(json.value, file.name) : json
    if (!parsed.ok) setProblem(parsed.problems.map(problemWords).join('\n'))
    else await change(`taken from ${file.name}`, parsed.value)
  }

  return { house: shown, isBusy, problem, change, take }
}
