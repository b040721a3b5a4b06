'use client'

import { useEffect } from 'react'
import { SEND_TAG, WORKER_ADDRESS } from '@/offline/names'
import { onOutbox, readOutbox, sendWaiting } from '@/offline/outbox'

const FIRST_WAIT_MS = 2_000
const LONGEST_WAIT_MS = 60_000

const startWorker = async (): Promise<void> => {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return
  await navigator.serviceWorker.register(WORKER_ADDRESS)
}

/** Browsers that can send it from a closed page do so. */
const sendLater = async (): Promise<void> => {
  const worker = await navigator.serviceWorker?.getRegistration()
  if (worker && 'sync' in worker) await (worker.sync as { register: (tag: string) => Promise<void> }).register(SEND_TAG)
}

/** Sends what waits on this device: at once, again when there is network, and again after a while. Shows nothing. */
export const Sender = () => {
  useEffect(() => {
    let wait = FIRST_WAIT_MS
    let timer: number | undefined
    let isGone = false
    const attempt = async (): Promise<void> => {
      window.clearTimeout(timer)
      const isAllSent = await sendWaiting().catch(() => true)
      if (isGone) return
      if (isAllSent) {
        wait = FIRST_WAIT_MS
        return
      }
      timer = window.setTimeout(() => void attempt(), wait)
      wait = Math.min(2 * wait, LONGEST_WAIT_MS)
      await sendLater().catch(() => undefined)
    }
    const soon = () => {
      wait = FIRST_WAIT_MS
      void attempt()
    }
    const stop = onOutbox(landed => {
      if (landed === undefined) void readOutbox().then(all => (all.some(e => !e.remark) ? attempt() : undefined))
    })
    // A browser that keeps no service worker still has all but the opening without network.
    startWorker().catch(() => undefined)
    soon()
    window.addEventListener('online', soon)
    document.addEventListener('visibilitychange', soon)
    return () => {
      isGone = true
      stop()
      window.clearTimeout(timer)
      window.removeEventListener('online', soon)
      document.removeEventListener('visibilitychange', soon)
    }
  }, [])
  return null
}
