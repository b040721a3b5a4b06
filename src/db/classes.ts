import type { CourseMark } from '@/core/course/progress'
import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** Classes that follow a course, and who is in them. */

interface By {
  readonly at: string
  readonly personId: string | null
}

export interface ClassRow {
  readonly id: number
  readonly name: string
  readonly course_id: string
  readonly course: string
  readonly teacher_id: string | null
  readonly teacher: string | null
}

export interface StudentRow {
  readonly person_id: string
  readonly name: string
  readonly body_id: string | null
  readonly since: string
}

const classes = (db: Db) =>
  db('classes')
    .join('courses', 'courses.id', 'classes.course_id')
    .leftJoin('people', 'people.id', 'classes.teacher_id')
    .orderBy('classes.id', 'desc')
    .select(
      'classes.id',
      'classes.name',
      'classes.course_id',
      'courses.name as course',
      'classes.teacher_id',
      'people.name as teacher',
    )

export const listClasses = (db: Db): Promise<readonly ClassRow[]> => withRetry(() => classes(db))

export const findClass = async (db: Db, id: number): Promise<ClassRow | undefined> =>
  withRetry(async () => (await classes(db).where('classes.id', id))[0] as ClassRow | undefined)

export const addClass = async (
  db: Db,
  made: { readonly name: string; readonly course: string; readonly teacher: string | null },
  { at, personId }: By,
): Promise<number> => {
  let id = 0
  await recordChange(db, at, async trx => {
    const rows: readonly { readonly id: number }[] = await trx('classes')
      .insert({ name: made.name, course_id: made.course, teacher_id: made.teacher, created_at: at })
      .returning('id')
    id = rows[0]?.id ?? 0
    return { personId, kind: 'class', subject: String(id), what: `began “${made.name}”`, after: made }
  })
  return id
}

export const listStudents = (db: Db, classId: number): Promise<readonly StudentRow[]> =>
  withRetry(() =>
    db('class_students')
      .join('people', 'people.id', 'class_students.person_id')
      .where({ class_id: classId })
      .orderBy('people.name')
      .select('class_students.person_id', 'people.name', 'class_students.body_id', 'class_students.since'),
  )

/** Somebody joins a class, or comes with another body. */
export const setStudent = (
  db: Db,
  classId: number,
  student: { readonly person: string; readonly body: string | null },
  { at, personId }: By,
): Promise<void> =>
  recordChange(db, at, async trx => {
    await trx('class_students')
      .insert({ class_id: classId, person_id: student.person, body_id: student.body, since: at })
      .onConflict(['class_id', 'person_id'])
      .merge(['body_id'])
    return { personId, kind: 'class', subject: String(classId), what: 'student', after: student }
  })

/** Somebody leaves a class; what they did stays in the history. */
export const removeStudent = (db: Db, classId: number, person: string, { at, personId }: By): Promise<void> =>
  recordChange(db, at, async trx => {
    const before: readonly { readonly document: string }[] = await trx('class_marks')
      .where({ class_id: classId, person_id: person })
      .select('document')
    await trx('class_marks').where({ class_id: classId, person_id: person }).delete()
    const left = await trx('class_students').where({ class_id: classId, person_id: person }).delete()
    if (!left) return undefined
    const marks = before.map(b => JSON.parse(b.document) as unknown)
    return { personId, kind: 'class', subject: String(classId), what: 'student left', before: { person, marks } }
  })

/** What students of a class have besides their tries. */
export const listMarks = async (
  db: Db,
  classId: number,
): Promise<readonly { readonly id: string; readonly person: string; readonly mark: CourseMark }[]> =>
  (
    await withRetry(() =>
      db<{
        id: string
        class_id: number
        person_id: string
        at: string
        taken_back_at: string | null
        document: string
      }>('class_marks')
        .where({ class_id: classId, taken_back_at: null })
        .orderBy('at')
        .select('id', 'person_id', 'document'),
    )
  ).map(r => ({ id: r.id, person: r.person_id, mark: JSON.parse(r.document) as CourseMark }))

/** Stores a mark; one that is there already stays as it is. */
export const addMark = (
  db: Db,
  classId: number,
  { id, person, mark }: { readonly id: string; readonly person: string; readonly mark: CourseMark },
  { at, personId }: By,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const rows = await trx('class_marks')
      .insert({ id, class_id: classId, person_id: person, at, taken_back_at: null, document: JSON.stringify(mark) })
      .onConflict(['class_id', 'person_id', 'id'])
      .ignore()
      .returning('id')
    if (rows.length === 0) return undefined
    const what = mark.kind === 'word' ? `passed “${mark.lesson}” by word` : `counted for “${mark.lesson}”`
    return { personId, kind: 'class', subject: String(classId), what, after: { person, ...mark } }
  })

export const takeMarkBack = (
  db: Db,
  classId: number,
  person: string,
  id: string,
  { at, personId }: By,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const changed = await trx('class_marks')
      .where({ id, class_id: classId, person_id: person, taken_back_at: null })
      .update({ taken_back_at: at })
    if (!changed) return undefined
    return { personId, kind: 'class', subject: String(classId), what: 'mark taken back', before: { person, id } }
  })
