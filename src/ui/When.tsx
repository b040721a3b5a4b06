'use client'

import { useSyncExternalStore } from 'react'

const never = () => () => undefined

/** A moment in the reader's own time zone and language; in UTC until the browser knows them. */
export const When = ({ at }: { at: string }) => {
  const isClient = useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
  const date = new Date(at)
  const words = isClient
    ? date.toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
    : `${at.slice(0, 16).replace('T', ' ')} UTC`
  return <time dateTime={at}>{words}</time>
}
