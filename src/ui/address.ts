'use client'

import { usePathname, useRouter, useSearchParams } from 'next/navigation'
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react'

/** The names of what the address keeps from view to view. */
const KEPT = ['standard', 'bodies', 'for'] as const

/** A link to another view with the same standard and bodies in hand. */
export const linkTo = (path: string, current: URLSearchParams, more: Readonly<Record<string, string>> = {}): string => {
  const next = new URLSearchParams(more)
  for (const name of KEPT) {
    const value = current.get(name)
    if (value !== null && !next.has(name)) next.set(name, value)
  }
  const query = next.toString()
  return query ? `${path}?${query}` : path
}

/** What was just put in hand, until the server has answered for it. */
let ahead: { readonly from: string; readonly to: string } | undefined
const waiting = new Set<() => void>()

const onAhead = (listener: () => void) => {
  waiting.add(listener)
  return () => waiting.delete(listener)
}

/** Tells links that the address is about to change; whoever follows one meanwhile does not lose what was chosen. */
export const goAhead = (from: string, to: string): void => {
  ahead = { from, to }
  for (const listener of waiting) listener()
}

/** What the address says is in hand, or is about to say. */
export const useAhead = (): URLSearchParams => {
  const now = useSearchParams().toString()
  const next = useSyncExternalStore(
    onAhead,
    () => ahead,
    () => undefined,
  )
  // Once the address is another one, it says all there is.
  useEffect(() => {
    if (ahead && ahead.from !== now) ahead = undefined
  }, [now])
  return useMemo(() => new URLSearchParams(next?.from === now ? next.to : now), [next, now])
}

/** What the address says, and how to change it without leaving the view or asking the server. */
export const useAddress = () => {
  const pathname = usePathname()
  const params = useSearchParams()
  const set = useCallback(
    (changes: Readonly<Record<string, string | undefined>>) => {
      const next = new URLSearchParams(window.location.search)
      for (const [name, value] of Object.entries(changes)) {
        if (value === undefined) next.delete(name)
        else next.set(name, value)
      }
      const query = next.toString()
      window.history.replaceState(null, '', query ? `${pathname}?${query}` : pathname)
    },
    [pathname],
  )
  return { params, set }
}

/** Changes what is in hand and asks the server for it; everything else in the address stays. */
export const useGoTo = () => {
  const pathname = usePathname()
  const router = useRouter()
  return useCallback(
    (changes: Readonly<Record<string, string | undefined>>) => {
      const next = new URLSearchParams(window.location.search)
      for (const [name, value] of Object.entries(changes)) {
        if (value === undefined) next.delete(name)
        else next.set(name, value)
      }
      router.push(next.size ? `${pathname}?${next.toString()}` : pathname, { scroll: false })
    },
    [pathname, router],
  )
}
