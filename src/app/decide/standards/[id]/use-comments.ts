'use client'

import { useCallback, useEffect, useState } from 'react'
import type { CommentRow } from '@/server/standards'
import { usePeople } from '@/ui/people'
import { sendJson } from '@/ui/send'

export interface Comments {
  readonly all: readonly CommentRow[]
  readonly problem: string
  /** Says something about a target, or about the version as a whole; tells whether it is stored. */
  readonly say: (text: string, dimension?: string) => Promise<boolean>
  readonly settle: (id: number, settled: boolean) => Promise<void>
}

/** What is said about a standard. */
export const useComments = (standard: string, version: number): Comments => {
  const { person } = usePeople()
  const [all, setAll] = useState<readonly CommentRow[]>([])
  const [problem, setProblem] = useState('')
  const address = `/api/v1/standards/${standard}/comments`
  const signed = person ? { person: person.id } : {}
  const ask = useCallback(async (method: 'GET' | 'POST' | 'PUT', at: string, content?: unknown) => {
    const sent = await sendJson<{ comments: readonly CommentRow[] }>(method, at, content)
    if (sent.ok) setAll(sent.value.comments)
    setProblem(sent.ok ? '' : sent.detail)
    return sent.ok
  }, [])
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the list comes from the server
    void ask('GET', address)
  }, [ask, address])
  return {
    all,
    problem,
    say: (text, dimension) => ask('POST', address, { version, text, ...(dimension ? { dimension } : {}), ...signed }),
    settle: async (id, settled) => {
      await ask('PUT', `${address}/${id}`, { settled, ...signed })
    },
  }
}
