import type { CourseMark } from '../core/course/progress'
import { DRILLS, type DrillId, type Try } from '../core/drills/drills'
import { random } from '../core/numeric/random'
import { addClass, addMark, listClasses, setStudent } from '../db/classes'
import { saveNamed } from '../db/named'
import type { Db } from '../db/connection'
import { addTry } from '../db/drills'
import { addPerson } from '../db/people'
import { type DemoStudent, demoCourse, demoStudents } from './world'

/** The evening class at Quayside with its six students, and what they and two of the team have practised. */

const TEACHER = 'wilhelmina-dow'
const DAY_MS = 24 * 3600 * 1000
const slug = (text: string): string => text.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')

interface Made {
  readonly drill: DrillId
  readonly made: string
  readonly right: number
  readonly of: number
  readonly figure: number
}

const tryOf = ({ drill, made, ...rest }: Made, body: string | undefined): Try => ({
  id: `demo-${drill}-${Date.parse(made) % 1e9}`,
  drill,
  made,
  seconds: Math.min(DRILLS[drill].mostSeconds, 60),
  heldSeconds: drill === 'hold' ? 17 : drill === 'track' ? 18 : 0,
  ...rest,
  ...(body === undefined ? {} : { body }),
  ...(drill === 'track' ? { backSeconds: 0.45, by: 'motion' as const } : {}),
})

/** What a drill comes to when it goes as well as this: 0 as on the first evening, 1 as well as its lesson asks. */
const goes = (drill: DrillId, reaction: number, well: number, chance: number): Omit<Made, 'drill' | 'made'> => {
  const off = (1 - well) * 0.9 + (chance - 0.5) * 0.16
  const of = drill === 'recompose' ? 1 : drill === 'track' ? 10 : 10
  const right = drill === 'recompose' ? (well >= 1 ? 1 : 0) : Math.min(of, Math.round(of * (0.9 - 0.45 * (1 - well))))
  const figures: Readonly<Record<DrillId, number>> = {
    hold: Math.round(reaction * (1 + off)),
    'which-key': Number((3.2 * (1 + off)).toFixed(1)),
    called: Number((4.5 * (1 + off)).toFixed(1)),
    recompose: Number((1.1 * (1 + off)).toFixed(1)),
    track: Number((0.45 * (1 + off)).toFixed(2)),
    race: Number((7 * (1 + off)).toFixed(1)),
  }
  return { right, of, figure: figures[drill] }
}

const seedStudent = async (db: Db, classId: number, s: DemoStudent, at: string): Promise<void> => {
  const person = slug(s.name)
  const began = Date.parse(at) - 28 * DAY_MS
  const by = { at: new Date(began).toISOString(), personId: TEACHER }
  await addPerson(db, { id: person, name: s.name }, by.at)
  await setStudent(db, classId, { person, body: s.body }, by)
  const { next } = random(s.reaction)
  const done = new Set<DrillId>()
  for (const [i, lesson] of demoCourse()
    .lessons.slice(0, s.passed + 1)
    .entries()) {
    const isPassed = i < s.passed
    const evening = began + (i + 1) * 3 * DAY_MS
    const when = (n: number) => new Date(evening + n * 7 * 60_000).toISOString()
    const { drill } = lesson.drill ?? {}
    // On the way to a drill that was passed for an earlier lesson, only what that one did not ask.
    const ways = isPassed ? [0.3, 0.6, 1] : done.has(drill ?? 'hold') ? [] : [0.2, 0.4]
    for (const [n, well] of drill ? ways.entries() : [])
      await addTry(
        db,
        person,
        tryOf({ drill: drill as DrillId, made: when(n), ...goes(drill as DrillId, s.reaction, well, next()) }, s.body),
      )
    if (drill && isPassed) done.add(drill)
    if (!isPassed || drill) continue
    const mark: CourseMark = lesson.outdoors
      ? {
          kind: 'count',
          lesson: lesson.id,
          at: when(9),
          sharp: Math.ceil(lesson.outdoors.passes * 0.9),
          of: lesson.outdoors.passes,
        }
      : { kind: 'word', lesson: lesson.id, at: when(9), by: 'Wilhelmina Dow' }
    await addMark(db, classId, { id: `demo-${lesson.id}`, person, mark }, { at: when(9), personId: person })
  }
}

/** Weeks of practice of people of the team: a figure that comes down and a hand that steadies. */
const seedTeam = async (db: Db, at: string): Promise<void> => {
  for (const [person, reaction, body] of [
    ['tobiah-lark', 430, 'linnet'],
    ['perpetua-nye', 380, 'sorrel'],
  ] as const) {
    const { next } = random(reaction)
    for (let day = 12; day >= 0; day--)
      for (const drill of ['hold', 'hold', 'track', 'called'] as const) {
        const made = new Date(Date.parse(at) - day * 2 * DAY_MS - Math.floor(next() * 3_600_000)).toISOString()
        await addTry(db, person, tryOf({ drill, made, ...goes(drill, reaction, 1 - day / 16, next()) }, body))
      }
  }
}

export const seedPractice = async (db: Db, at: string): Promise<void> => {
  if ((await listClasses(db)).length > 0) return
  const by = { at: new Date(Date.parse(at) - 28 * DAY_MS).toISOString(), personId: TEACHER }
  const course = demoCourse()
  await saveNamed(db, 'courses', course, { ...by, expected: 0 })
  const classId = await addClass(db, { name: 'Quayside, autumn', course: course.id, teacher: TEACHER }, by)
  for (const student of demoStudents()) await seedStudent(db, classId, student, at)
  await seedTeam(db, at)
}
