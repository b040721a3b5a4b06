'use client'

import { useState } from 'react'
import type { ChartRead, ImagingAnswer, RulerRead } from '@/workers/imaging.worker'
import { readOnDevice } from '@/ui/on-device'
import { useStoppable } from '@/ui/use-stoppable'

export type { ChartRead, RulerRead }

interface Reads {
  readonly rulers: RulerRead
  readonly charts: ChartRead
}

export interface Pictures<Taken> {
  readonly taken: readonly Taken[]
  readonly add: (find: (signal: AbortSignal) => Promise<readonly File[]> | readonly File[]) => Promise<void>
  readonly beginAgain: () => void
  readonly progress: { readonly done: number; readonly of: number } | undefined
  readonly trouble: string
  readonly stop: () => void
}

/**
 * Pictures that are read on this device one after the other: what was read, how far it is, a way to stop. What has been
 * read when it is stopped stays.
 *
 * @param more what is known of the pictures that are added now
 */
export const usePictures = <Kind extends keyof Reads, More>(kind: Kind, more: More): Pictures<Reads[Kind] & More> => {
  const { during, isBusy, trouble, stop } = useStoppable()
  const [progress, setProgress] = useState({ done: 0, of: 0 })
  const [taken, setTaken] = useState<readonly (Reads[Kind] & More)[]>([])
  const add: Pictures<Reads[Kind]>['add'] = find =>
    during(async signal => {
      const files = await find(signal)
      setProgress({ done: 0, of: files.length })
      const hear = (answer: ImagingAnswer) => {
        if (!('pictures' in answer)) return
        // One kind is asked for, and only that comes back.
        const found = answer.pictures as unknown as readonly Reads[Kind][]
        setProgress({ done: found.length, of: answer.of })
        setTaken([...taken, ...found.map(f => ({ ...f, ...more }))])
      }
      await readOnDevice({ kind, files }, kind, hear, signal)
    })
  return { taken, add, beginAgain: () => setTaken([]), progress: isBusy ? progress : undefined, trouble, stop }
}

/** Made pictures, as files. @throws Error in words where they are not there */
export const fetchMade = (names: readonly string[], signal: AbortSignal): Promise<readonly File[]> =>
  Promise.all(
    names.map(async name => {
      const response = await fetch(`/made/${name}.jpg`, { signal })
      if (!response.ok) throw new Error('The made pictures are not there. Try again once the server answers.')
      return new File([await response.blob()], `${name}.jpg`, { type: 'image/jpeg' })
    }),
  )
