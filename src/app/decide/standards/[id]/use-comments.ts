'use client'

import type { CommentRow } from '@/server/standard-comments'
import { useSend } from '@/ui/use-send'
import { useFetched } from '@/ui/use-fetched'

export interface Comments {
  readonly all: readonly CommentRow[]
  readonly problem: string
  /** Says something about a target, or about the version as a whole; tells whether it is stored. */
  readonly say: (text: string, dimension?: string) => Promise<boolean>
  readonly settle: (id: number, settled: boolean) => Promise<void>
}

/** What is said about a standard. */
interface Answer {
  readonly comments: readonly CommentRow[]
}
const NONE: readonly CommentRow[] = []

export const useComments = (standard: string, version: number): Comments => {
  const { send, problem: notSent } = useSend()
  const address = `/api/v1/standards/${standard}/comments`
  const { value, problem, set } = useFetched<Answer>({ address })
  const change = async (method: 'POST' | 'PUT', at: string, content: object) => {
    const sent = await send<Answer>(method, at, content)
    if (sent.ok) set(sent.value)
    return sent.ok
  }
  return {
    all: value?.comments ?? NONE,
    problem: notSent || problem,
    say: (text, dimension) => change('POST', address, { version, text, ...(dimension ? { dimension } : {}) }),
    settle: async (id, settled) => {
      await change('PUT', `${address}/${id}`, { settled })
    },
  }
}
