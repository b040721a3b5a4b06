'use client'

import { useEffect, useRef, useState } from 'react'

/** Work on this device that takes a while: it can be stopped, ends with the page, and says what went wrong. */
export const useStoppable = () => {
  const [trouble, setTrouble] = useState('')
  const [isBusy, setIsBusy] = useState(false)
  const control = useRef<AbortController>(undefined)
  useEffect(() => () => control.current?.abort(), [])

  const during = async (work: (signal: AbortSignal) => Promise<void>): Promise<void> => {
    const own = new AbortController()
    control.current = own
    setTrouble('')
    setIsBusy(true)
    try {
      await work(own.signal)
    } catch (error) {
      if (!isStop(error)) setTrouble(wordsOf(error))
    }
    setIsBusy(false)
  }
  return { during, isBusy, trouble, setTrouble, stop: () => control.current?.abort() }
}

/** Whether somebody stopped it; anything else went wrong. */
export const isStop = (error: unknown): boolean => error instanceof DOMException && error.name === 'AbortError'

export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))
