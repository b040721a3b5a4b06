'use client'

import { Button } from '@mui/material'
import { type ComponentType, useEffect, useState } from 'react'
import { Typography } from './elements'

/** Once the page is there and quiet: what is fetched then is at hand when it is wanted, also without network. */
const whenQuiet = (run: () => void): void => {
  if (typeof window === 'undefined') return
  const ask = () => ('requestIdleCallback' in window ? window.requestIdleCallback(run) : setTimeout(run, 1000))
  if (document.readyState === 'complete') ask()
  else window.addEventListener('load', ask, { once: true })
}

/**
 * A part of a page that comes in a script of its own, so that pages carry only what they show at first. It is fetched
 * once the page is quiet, or at once where it is shown; where it cannot be fetched, its place says so.
 *
 * @example
 *   const PhraseDialog = later(() => import('./PhraseSearch').then(m => m.PhraseDialog))
 */
export const later = <P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> => {
  let loaded: ComponentType<P> | undefined
  let loading: Promise<void> | undefined
  const fetchIt = (): Promise<void> =>
    (loading ??= load().then(
      part => void (loaded = part),
      (error: unknown) => {
        loading = undefined
        throw error
      },
    ))
  whenQuiet(() => void fetchIt().catch(() => undefined))

  return function Later(props: P) {
    const [, setAttempt] = useState(0)
    const [isMissing, setMissing] = useState(false)
    const attempt = () => {
      setMissing(false)
      fetchIt().then(
        () => setAttempt(n => n + 1),
        () => setMissing(true),
      )
    }
    useEffect(() => (loaded ? undefined : attempt()), [])
    const Part = loaded
    if (Part) return <Part {...props} />
    if (!isMissing) return null
    return (
      <Typography component="span" role="alert">
        This part could not be loaded; is there network?{' '}
        <Button color="inherit" size="small" onClick={attempt}>
          Try again
        </Button>
      </Typography>
    )
  }
}
