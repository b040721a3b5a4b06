'use client'

import { useRouter, useSearchParams } from 'next/navigation'
import { parseJson, problemWords } from '@/core/reading/problem'
import { linkTo } from './address'
import { useSend } from './use-send'

/** Where a document goes, and the view of what it became. */
export interface Destination {
  readonly address: string
  readonly view: string
}

/**
 * Takes a document in from a file and leads to what it became; a file that cannot be read says where.
 *
 * @param where it goes, by what is in it
 */
export const useJsonFile = (where: (document: unknown) => Destination) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, problem, setProblem } = useSend()
  const take = async (file: File): Promise<void> => {
    const json = parseJson(await file.text(), file.name)
    if (!json.ok) {
      setProblem(json.problems.map(problemWords).join('\n'))
      return
    }
    const { address, view } = where(json.value)
    const sent = await send<{ id: number }>('POST', address, { document: json.value })
    if (sent.ok) router.push(linkTo(`${view}/${sent.value.id}`, params))
  }
  return { take, problem }
}
