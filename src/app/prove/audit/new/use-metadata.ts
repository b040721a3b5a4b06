'use client'

import { useRef, useState } from 'react'
import { cameraOf, type Picture } from '@/core/audit/picture'
import { bareName, MOST_PICTURES } from '@/core/audit/table'
import { problemWords } from '@/core/reading/problem'
import { readNotes, readOrdinary } from '@/ui/metadata'
import { useStoppable } from '@/ui/use-stoppable'
import { isTable, readTable } from './read-table'

/** A picture whose metadata was read here. */
export interface Taken {
  readonly picture: Picture
  /** Undefined where a table told of it. */
  readonly file: File | undefined
  /** Its makers' own fields have been read. */
  readonly hasNotes: boolean
}

export interface Progress {
  readonly what: 'pictures' | 'notes'
  readonly done: number
  readonly of: number
}

const idOf = ({ picture }: Taken): string => JSON.stringify([picture.file, picture.at, cameraOf(picture)])

/** Says how far it is no more often than a person can see. */
const SAY_EVERY_MS = 200

/**
 * The metadata of pictures on this device: the standard fields first, of all of them; then the makers' own as they come.
 * What was read when it is stopped stays.
 *
 * @param wanted fields that tell something of some body; without any, makers' own fields are not read
 */
export const useMetadata = (wanted: readonly string[]) => {
  const { during, isBusy, trouble, setTrouble, stop } = useStoppable()
  const [taken, setTaken] = useState<readonly Taken[]>([])
  const [progress, setProgress] = useState<Progress>()
  const all = useRef<readonly Taken[]>([])

  const put = (next: readonly Taken[]) => {
    all.current = next
    setTaken(next)
  }
  /** Says how far it is, and shows what was read by then, no more often than a person can see. */
  const teller = (what: Progress['what'], of: number, show: () => void) => {
    let done = 0
    let said = 0
    setProgress({ what, done, of })
    return (more: number) => {
      done += more
      if (Date.now() - said < SAY_EVERY_MS && done < of) return
      said = Date.now()
      setProgress({ what, done, of })
      show()
    }
  }

  const add = (files: readonly File[]): Promise<void> =>
    during(async signal => {
      const problems: string[] = []
      const fresh: Taken[] = []
      for (const file of files.filter(isTable)) {
        const read = await readTable(file)
        if (read.ok) for (const picture of read.value) fresh.push({ picture, file: undefined, hasNotes: true })
        else problems.push(...read.problems.map(problemWords))
      }
      const show = () => {
        const known = new Set(all.current.map(idOf))
        const added = fresh.splice(0).filter(t => !known.has(idOf(t)) && known.add(idOf(t)))
        const room = Math.max(0, MOST_PICTURES - all.current.length)
        if (added.length > room)
          problems.push(`One audit holds ${MOST_PICTURES} pictures; ${added.length - room} were left out.`)
        put([...all.current, ...added.slice(0, room)])
      }
      show()
      const pictures = files.filter(f => !isTable(f))
      let read = 0
      const tell = teller('pictures', pictures.length, show)
      await readOrdinary(
        pictures,
        some => {
          for (const picture of some) fresh.push({ picture, file: pictures[read++], hasNotes: false })
          tell(some.length)
        },
        signal,
      ).finally(show)
      if (problems.length > 0) setTrouble(problems.slice(0, 8).join('\n'))
      await readOwnFields(signal)
    })

  /** The makers' own fields of those pictures that still lack them. */
  const readOwnFields = async (signal: AbortSignal): Promise<void> => {
    const left = all.current.flatMap((t, i) => (t.file && !t.hasNotes ? [{ file: t.file, i }] : []))
    if (wanted.length === 0 || left.length === 0) return
    const found = new Map<number, Picture['fields']>()
    const show = () => {
      put(
        all.current.map((t, i) => {
          const fields = found.get(i)
          return fields ? { ...t, picture: { ...t.picture, fields }, hasNotes: true } : t
        }),
      )
      found.clear()
    }
    const tell = teller('notes', left.length, show)
    await readNotes(
      left.map(l => l.file),
      wanted,
      (fields, n) => {
        const at = left[n]?.i
        if (at !== undefined) found.set(at, Object.fromEntries(fields))
        tell(1)
      },
      signal,
    ).finally(show)
  }

  return {
    taken,
    add,
    stop,
    trouble,
    progress: isBusy ? progress : undefined,
    /** Goes on where reading was stopped. */
    goOn: () => add([]),
    beginAgain: () => put([]),
    /** What is sent: only the fields that tell something. */
    pictures: (): readonly Picture[] => {
      const names = new Set(wanted.map(f => bareName(f).toLowerCase()))
      return taken.map(({ picture }) => ({
        ...picture,
        fields: Object.fromEntries(
          Object.entries(picture.fields).filter(([f]) => names.has(bareName(f).toLowerCase())),
        ),
      }))
    },
  }
}
