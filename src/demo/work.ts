import { listHappened, addHappened } from '../db/jobs'
import { findNamed, saveNamed } from '../db/named'
import type { Db } from '../db/connection'
import type { Happening } from '../core/jobs/standing'
import { demoJob } from './world'

/** The festival of the demo: it begins on the day it is seeded, and one scene was moved already. */

const LEAD = 'ottoline-marsh'

export const seedWork = async (db: Db, at: string): Promise<void> => {
  const job = demoJob(at.slice(0, 10))
  if (await findNamed(db, 'jobs', job.id)) return
  const hoursBefore = (hours: number) => new Date(Date.parse(at) - hours * 3_600_000).toISOString()
  await saveNamed(db, 'jobs', job, { at: hoursBefore(48), personId: LEAD, expected: 0 })
  if ((await listHappened(db, job.id)).length > 0) return
  const happened: readonly (readonly [string, number, string, Happening])[] = [
    ['demo-moved-race', 3, LEAD, { kind: 'moved', scene: 'stilt-race', day: job.day, at: '17:10' }],
    [
      'demo-noted-tide',
      3,
      LEAD,
      { kind: 'noted', scene: 'stilt-race', words: 'The tide is late: the race begins half an hour after the plan.' },
    ],
  ]
  for (const [id, hours, personId, what] of happened)
    await addHappened(db, job.id, { id, what }, { at: hoursBefore(hours), personId })
}
