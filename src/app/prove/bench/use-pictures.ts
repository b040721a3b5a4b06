'use client'

import { useEffect, useRef, useState } from 'react'
import type { ChartRead, ImagingAnswer, RulerRead } from '@/workers/imaging.worker'
import { readOnDevice } from '@/ui/on-device'

export type { ChartRead, RulerRead }

interface Reads {
  readonly rulers: RulerRead
  readonly charts: ChartRead
}

/** Pictures that are read on this device one after the other: how far it is, a way to stop, and what went wrong. */
export const usePictures = <Kind extends keyof Reads>(kind: Kind) => {
  const [progress, setProgress] = useState<{ readonly done: number; readonly of: number }>()
  const [trouble, setTrouble] = useState('')
  const control = useRef<AbortController>(undefined)
  useEffect(() => () => control.current?.abort(), [])

  const read = async (files: readonly File[]): Promise<readonly Reads[Kind][]> => {
    const own = new AbortController()
    control.current = own
    setTrouble('')
    setProgress({ done: 0, of: files.length })
    let found: readonly Reads[Kind][] = []
    const hear = (answer: ImagingAnswer) => {
      if (!('pictures' in answer)) return
      // One kind is asked for, and only that comes back.
      found = answer.pictures as unknown as readonly Reads[Kind][]
      setProgress({ done: answer.pictures.length, of: answer.of })
    }
    try {
      await readOnDevice({ kind, files }, kind, hear, own.signal)
    } catch (error) {
      if (!(error instanceof DOMException && error.name === 'AbortError'))
        setTrouble(error instanceof Error ? error.message : String(error))
    }
    setProgress(undefined)
    return found
  }
  return { read, progress, trouble, setTrouble, stop: () => control.current?.abort() }
}

/** Made pictures, as files. @throws Error in words where they are not there */
export const fetchMade = (names: readonly string[]): Promise<readonly File[]> =>
  Promise.all(
    names.map(async name => {
      const response = await fetch(`/made/${name}.jpg`)
      if (!response.ok) throw new Error('The made pictures are not there. Try again once the server answers.')
      return new File([await response.blob()], `${name}.jpg`, { type: 'image/jpeg' })
    }),
  )
