'use client'

import { useRouter } from 'next/navigation'
import { useCallback, useState } from 'react'
import { usePeople } from './people'
import { type Method, type Sent, sendJson } from './send'

type Content = object | string | Blob | ArrayBuffer

const isFile = (content: Content): content is string | Blob | ArrayBuffer =>
  typeof content === 'string' || content instanceof Blob || content instanceof ArrayBuffer

/** A change with the name of whoever makes it: in what is sent, or in the address where that is a file. */
export const signed = (
  person: string | undefined,
  address: string,
  content: Content,
): { readonly address: string; readonly content: Content } => {
  if (person === undefined) return { address, content }
  if (!isFile(content)) return { address, content: { ...content, person } }
  return { address: `${address}${address.includes('?') ? '&' : '?'}person=${encodeURIComponent(person)}`, content }
}

export type Send = <T = unknown>(method: Method, address: string, content?: Content) => Promise<Sent<T>>

/**
 * Sends changes: signs them, keeps what went wrong in words, and has the page show what the server has by now.
 *
 * @returns `problem`: what to tell the person, empty where there is nothing to tell
 */
export const useSend = (): {
  readonly send: Send
  readonly isBusy: boolean
  readonly problem: string
  readonly setProblem: (problem: string) => void
} => {
  const router = useRouter()
  const { person } = usePeople()
  const id = person?.id
  const [problem, setProblem] = useState('')
  const [isBusy, setBusy] = useState(false)
  const send: Send = useCallback(
    async <T>(method: Method, address: string, content: Content = {}) => {
      setBusy(true)
      const { address: at, content: what } = signed(id, address, content)
      const sent = await sendJson<T>(method, at, what)
      setBusy(false)
      setProblem(sent.ok ? '' : sent.detail)
      // Where somebody was quicker, what they did is shown.
      if (sent.ok || sent.status === 409) router.refresh()
      return sent
    },
    [id, router],
  )
  return { send, isBusy, problem, setProblem }
}
