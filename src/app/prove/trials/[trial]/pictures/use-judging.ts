'use client'

import { nanoid } from 'nanoid'
import { useState } from 'react'
import { movedTo, type Pass, passesIn } from '@/core/audit/passes'
import type { Picture } from '@/core/audit/picture'
import { type Count, FROM_PICTURE, type Judgement, type Reason } from '@/core/evidence/trial'
import type { CountingView } from '@/server/trials'
import { readOrdinary } from '@/ui/metadata'
import { readOnDevice } from '@/ui/on-device'
import { useStoppable } from '@/ui/use-stoppable'
import { useCounting } from '../count/use-counting'

/** Where in a picture it should be sharp, as shares of its width and height. */
export interface Place {
  readonly x: number
  readonly y: number
}

/** A picture of a trial, on this device. */
export interface Shot {
  readonly file: File
  readonly at: string
  /** As its metadata says, in pixels; undefined where it does not. */
  readonly subject: readonly [x: number, y: number] | undefined
  /** How sharp it is around its place, once that is known. */
  readonly sharpness: number | undefined
}

/** @source CIPA DC-008 (Exif 2.32), SubjectArea: the middle comes first, a size may follow */
const subjectOf = ({ fields }: Picture): Shot['subject'] => {
  const [x, y] = (fields['Exif:SubjectArea'] ?? '').split(/[\s/]+/).map(Number)
  return x && y ? [x, y] : undefined
}

/** A short name that is the same for the same text. @source FNV-1a, 32 bits */
const shortOf = (text: string): string => {
  let hash = 0x811c9dc5
  for (const letter of text) hash = Math.imul(hash ^ (letter.codePointAt(0) ?? 0), 0x01000193) >>> 0
  return hash.toString(36)
}

/** Pictures more than a screen and a day can hold are another trial. */
const MOST_SHOTS = 3000

/**
 * Judging the pictures of a trial: they are grouped into passes and blocks by their times, and stay on this device; what
 * is judged is counted like any pass.
 */
export const useJudging = (view: CountingView) => {
  const counting = useCounting(view)
  const { during, isBusy, trouble, setTrouble, stop } = useStoppable()
  const [shots, setShots] = useState<readonly Shot[]>([])
  const [passes, setPasses] = useState<readonly Pass[]>([])
  const [progress, setProgress] = useState({ done: 0, of: 0 })
  const blocks = view.blocks.length

  const add = (files: readonly File[]) =>
    during(async signal => {
      const fresh: Shot[] = []
      let untimed = 0
      let read = 0
      const wanted = files.slice(0, MOST_SHOTS - shots.length)
      setProgress({ done: 0, of: wanted.length })
      await readOrdinary(
        wanted,
        some => {
          for (const picture of some) {
            const file = wanted[read++]
            if (file && picture.at)
              fresh.push({ file, at: picture.at, subject: subjectOf(picture), sharpness: undefined })
            else untimed++
          }
          setProgress({ done: read, of: wanted.length })
        },
        signal,
      )
      const known = new Set(shots.map(s => `${s.file.name} ${s.at}`))
      const all = [...shots, ...fresh.filter(s => !known.has(`${s.file.name} ${s.at}`))]
      const sorted = all.toSorted((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))
      setShots(sorted)
      setPasses(
        passesIn(
          sorted.map(s => s.at),
          blocks,
        ),
      )
      if (untimed > 0)
        setTrouble(`${untimed} of them say no time, so nobody can tell which pass they are of; they were left out.`)
    })

  const keyOf = (pass: Pass): string => {
    const first = shots[pass.pictures[0] ?? -1]
    return `${FROM_PICTURE}${shortOf(`${first?.file.name} ${first?.at} ${counting.counter}`)}-`
  }
  const countOf = (pass: Pass): Count | undefined => counting.own.find(c => c.id.startsWith(keyOf(pass)))

  return {
    ...counting,
    shots,
    passes,
    add,
    stop,
    trouble,
    progress: isBusy ? progress : undefined,
    countOf,
    /** Judges a pass; what it was judged as before is taken back. */
    judge: (pass: Pass, judgement: Judgement, reason?: Reason) => {
      const before = countOf(pass)
      const next: Count = {
        id: `${keyOf(pass)}${nanoid(6)}`,
        counter: counting.counter,
        made: shots[pass.pictures[0] ?? -1]?.at ?? new Date().toISOString(),
        block: pass.block,
        judgement,
        ...(reason ? { reason } : {}),
      }
      if (before) counting.replace(before, next)
      else counting.add(next)
    },
    unjudge: (pass: Pass) => {
      const before = countOf(pass)
      if (before) counting.takeBack(before)
    },
    move: (from: number, block: number) => setPasses(movedTo(passes, from, block, blocks)),
    /** Reckons how sharp pictures are around their places. */
    measure: (of: readonly number[], placeOf: (shot: Shot) => Promise<Place>) =>
      during(async signal => {
        const some = of.flatMap(i => (shots[i] && shots[i].sharpness === undefined ? [{ i, shot: shots[i] }] : []))
        if (some.length === 0) return
        setProgress({ done: 0, of: some.length })
        const places = await Promise.all(some.map(s => placeOf(s.shot)))
        const found = await readOnDevice(
          { kind: 'sharpness', files: some.map(s => s.shot.file), places },
          'sharpness',
          answer => 'pictures' in answer && setProgress({ done: answer.pictures.length, of: answer.of }),
          signal,
        )
        const values = new Map(some.map((s, n) => [s.i, found.pictures[n]]))
        setShots(shots.map((s, i) => (values.has(i) ? { ...s, sharpness: values.get(i) ?? 0 } : s)))
      }),
  }
}
