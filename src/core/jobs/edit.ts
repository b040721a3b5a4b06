import { type Change, type IsWhole, merge, type Merged } from '../changes/changes'
import { idFor, type Job, type Scene } from './job'
import type { ReadList } from './list-words'

/** Changes of a job while it is planned. */

export const withScene = (job: Job, id: string, next: Partial<Scene>): Job => ({
  ...job,
  scenes: job.scenes.map(s => (s.id === id ? whole({ ...s, ...next }) : s)),
})

/** A field that is emptied is not there any more. */
const whole = (scene: Scene): Scene =>
  Object.fromEntries(Object.entries(scene).filter(([, value]) => value !== undefined)) as Scene

export const withoutScene = (job: Job, id: string): Job => ({ ...job, scenes: job.scenes.filter(s => s.id !== id) })

/** A scene after the last one. */
export const addScene = (job: Job, name: string): Job => {
  const last = job.scenes.at(-1)
  const id = idFor(
    name,
    job.scenes.map(s => s.id),
  )
  const made: Scene = {
    id,
    name,
    at: last?.at ?? '12:00',
    minutes: 15,
    covers: [],
    ...(last?.day ? { day: last.day } : {}),
    ...(last?.place ? { place: last.place } : {}),
  }
  return { ...job, scenes: [...job.scenes, made] }
}

/** What a list held, behind what is there. */
export const withList = (job: Job, { scenes, places }: Pick<ReadList, 'scenes' | 'places'>): Job => ({
  ...job,
  scenes: [...job.scenes, ...scenes],
  places: [...job.places, ...places],
  people: [...new Set([...job.people, ...scenes.flatMap(s => s.covers.map(c => c.person))])],
})

export const withPlace = (job: Job, id: string, next: Partial<Job['places'][number]>): Job => ({
  ...job,
  places: job.places.map(p =>
    p.id === id
      ? (Object.fromEntries(Object.entries({ ...p, ...next }).filter(([, value]) => value !== undefined)) as typeof p)
      : p,
  ),
})

export const addPlace = (job: Job, name: string): Job => ({
  ...job,
  places: [
    ...job.places,
    {
      id: idFor(
        name,
        job.places.map(p => p.id),
      ),
      name,
      indoors: false,
      cautions: [],
    },
  ],
})

/** Who covers a scene changes as a whole: half of one list and half of another is nobody’s plan. */
const isWhole: IsWhole = at => at.at(-1) === 'covers' || at.at(-1) === 'cautions'

/** Two people’s edits of one job, scene by scene and field by field. */
export const mergeJobs = (
  base: Job,
  mine: Job,
  theirs: Job,
  prefer?: Readonly<Record<string, 'mine' | 'theirs'>>,
): Merged<Job> => merge(base, mine, theirs, isWhole, prefer)

const FIELDS: Readonly<Record<string, string>> = {
  at: 'time',
  minutes: 'length',
  day: 'day',
  place: 'place',
  standard: 'standard',
  covers: 'who covers it',
  name: 'name',
  light: 'light',
  moves: 'what moves',
  near: 'nearest distance',
  far: 'farthest distance',
  facing: 'direction',
}

export const describeJobChanges = (changes: readonly Change[], before: Job, after: Job) =>
  changes.map(({ at }) => {
    const [list, id = '', field] = at
    const all: readonly { readonly id: string; readonly name: string }[] = [
      ...before.scenes,
      ...after.scenes,
      ...before.places,
      ...after.places,
    ]
    const name = all.find(s => s.id === id)?.name ?? id
    const words =
      list === 'scenes' || list === 'places'
        ? `${name}: ${FIELDS[field ?? ''] ?? field ?? 'added or removed'}`
        : (FIELDS[list ?? ''] ?? list ?? '')
    return { at, words }
  })
