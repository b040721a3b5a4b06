'use client'

import { useCallback } from 'react'
import useSWR from 'swr'
import { type Method, type Sent, sendJson } from './send'

/** What was asked of the server: nothing yet, the answer, or why there is none. */
export interface Fetched<T> {
  readonly value: T | undefined
  /** Empty where nothing went wrong. */
  readonly problem: string
  /** Asks once more. */
  readonly again: () => void
  /** What the server has by now, where it is known already. */
  readonly set: (value: T) => void
}

interface Question {
  readonly address: string
  /** Asked anew where it changes, such as the revision of what is asked about. */
  readonly at?: unknown
  readonly method?: Method
  readonly content?: object
}

/** Thrown to the library, which wants failures thrown, and caught again below. */
class Failed extends Error {}

const ask = async <T>({ address, method = 'GET', content }: Question): Promise<T> => {
  const sent: Sent<T> = await sendJson<T>(method, address, content)
  if (!sent.ok) throw new Failed(sent.detail)
  return sent.value
}

/**
 * Asks the server for something a part of a page shows, once for all who ask the same.
 *
 * @param question undefined while there is nothing to ask
 */
export const useFetched = <T>(question: Question | undefined): Fetched<T> => {
  const { data, error, mutate } = useSWR<T, Failed>(question, (q: Question) => ask<T>(q), {
    revalidateOnFocus: false,
    shouldRetryOnError: false,
    dedupingInterval: 0,
  })
  const again = useCallback(() => void mutate(), [mutate])
  const set = useCallback((value: T) => void mutate(value, { revalidate: false }), [mutate])
  return { value: error ? undefined : data, problem: error?.message ?? '', again, set }
}
