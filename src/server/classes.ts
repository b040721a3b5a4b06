import 'server-only'
import { choiceWordsById, menuPath } from '@/core/bodies'
import { type Course, type Lesson, parseCourse } from '@/core/course/course'
import { type CourseMark, passWords, type Progress, progressOf } from '@/core/course/progress'
import type { Standard } from '@/core/standards'
import { dimension } from '@/core/vocabulary/dimensions'
import type { Grade } from '@/core/vocabulary/grade'
import { valueWords } from '@/core/vocabulary/words'
import { outcomeWords } from '@/core/resolve'
import * as db from '@/db/classes'
import { findNamed, listNamed, saveNamed } from '@/db/named'
import { countTries, listTries } from '@/db/drills'
import type { Actor } from './actor'
import { firmwareOf, formOf, listBodies, readBody, units } from './catalogue'
import { resolveStored } from './concordance'
import { database } from './database'
import { listPeople } from './people'
import { changedMeanwhile, invalid, notFound, RequestError } from './problems'
import { remember } from './remember'
import { work } from './working'
import { whyNot } from './worked-out'

/** Courses, classes that follow them, and who is where. */

export const listCourses = async () =>
  (await listNamed(await database(), 'courses')).map(({ id, name, revision }) => ({ id, name, revision }))
export const listClasses = async () => db.listClasses(await database())

/** @throws RequestError 404 */
export const readCourse = async (id: string): Promise<{ readonly document: Course; readonly revision: number }> => {
  const row = await findNamed(await database(), 'courses', id)
  if (!row) throw notFound('course', id)
  return { document: JSON.parse(row.document) as Course, revision: row.revision }
}

/** @throws RequestError 422 for what cannot be read, 409 where somebody else was quicker */
export const saveCourse = async (
  sent: { readonly document: unknown; readonly revision: number },
  actor: Actor,
): Promise<{ readonly id: string; readonly revision: number }> => {
  const parsed = parseCourse(sent.document, 'course')
  if (!parsed.ok) throw invalid(parsed.problems)
  const result = await saveNamed(await database(), 'courses', parsed.value, { ...actor, expected: sent.revision })
  if (!result.stored) throw changedMeanwhile('course')
  return { id: parsed.value.id, revision: result.revision }
}

/** A course that comes as a file: a new one, or in place of the one with its id. */
export const importCourse = async (document: unknown, actor: Actor) => {
  const parsed = parseCourse(document, 'course')
  if (!parsed.ok) throw invalid(parsed.problems)
  const there = await findNamed(await database(), 'courses', parsed.value.id)
  return saveCourse({ document, revision: there?.revision ?? 0 }, actor)
}

/** @throws RequestError 422 for a course or a teacher that is not there */
export const beginClass = async (
  sent: { readonly name: string; readonly course: string; readonly teacher?: string | undefined },
  actor: Actor,
): Promise<{ readonly id: number }> => {
  const at = await database()
  if (!(await findNamed(at, 'courses', sent.course)))
    throw new RequestError(422, 'No such course', `“${sent.course}” is no course of this house.`)
  if (sent.teacher !== undefined) await expectPerson(sent.teacher)
  return { id: await db.addClass(at, { ...sent, teacher: sent.teacher ?? actor.personId }, actor) }
}

/** @throws RequestError 404 */
const rowWith = async (id: string): Promise<db.ClassRow> => {
  const row = /^\d{1,9}$/.test(id) ? await db.findClass(await database(), Number(id)) : undefined
  if (!row) throw notFound('class', id)
  return row
}

const expectPerson = async (id: string): Promise<void> => {
  if (!(await listPeople()).some(p => p.id === id))
    throw new RequestError(422, 'No such person', `Nobody here is called “${id}”.`)
}

export interface StudentView {
  readonly id: string
  readonly name: string
  readonly body: { readonly id: string; readonly name: string } | undefined
  readonly progress: Progress
  /** Marks that can be taken back. */
  readonly words: readonly { readonly id: string; readonly lesson: string }[]
}

export interface ClassView {
  readonly id: number
  readonly name: string
  readonly course: Course
  readonly teacher: { readonly id: string; readonly name: string } | undefined
  readonly students: readonly StudentView[]
}

const progresses = remember<Progress>('progress', 2000)

/** How far somebody is: gone through once for what they tried and what was marked, and others have their turn between. */
const progressFor = async (course: Course, student: db.StudentRow, marks: readonly CourseMark[]): Promise<Progress> => {
  const at = await database()
  const key = JSON.stringify([course, student.person_id, student.since, marks, await countTries(at, student.person_id)])
  const known = progresses.get(key)
  if (known) return known
  await new Promise(done => setImmediate(done))
  const tries = await listTries(at, student.person_id, { since: student.since })
  return progresses.getOr(key, () => progressOf(course, tries, marks))
}

/** @throws RequestError 404 */
export const readClass = async (id: string): Promise<ClassView> => {
  const row = await rowWith(id)
  const at = await database()
  const [{ document: course }, students, marks, bodies] = await Promise.all([
    readCourse(row.course_id),
    db.listStudents(at, row.id),
    db.listMarks(at, row.id),
    listBodies(),
  ])
  const named = bodies.map(b => ({ id: b.id, name: `${b.maker} ${b.model}` }))
  const views: StudentView[] = []
  for (const s of students) {
    const own = marks.filter(m => m.person === s.person_id)
    views.push({
      id: s.person_id,
      name: s.name,
      body: named.find(b => b.id === s.body_id),
      progress: await progressFor(
        course,
        s,
        own.map(m => m.mark),
      ),
      words: own.flatMap(m => (m.mark.kind === 'word' ? [{ id: m.id, lesson: m.mark.lesson }] : [])),
    })
  }
  return {
    id: row.id,
    name: row.name,
    course,
    teacher: row.teacher_id === null ? undefined : { id: row.teacher_id, name: row.teacher ?? row.teacher_id },
    students: views,
  }
}

/** What a lesson sets on a body: the rows, or why there are none. */
export interface LessonRow {
  readonly wanted: string
  readonly grade: Grade
  /** 0 same, 1 absent. */
  readonly distance: number
  readonly rows: readonly { readonly path: readonly [string, string, number]; readonly words: string }[]
  /** What there is to say where no row does it, or not quite. */
  readonly note: string | undefined
}

const lessonStandard = (course: Course, lesson: Lesson): Standard => ({
  format: 'coherion.standard/1',
  id: course.id,
  name: lesson.title,
  about: lesson.title,
  version: 1,
  layers: [{ id: lesson.id, name: lesson.title, kind: 'work', targets: lesson.set }],
})

/** @throws RequestError 404 for a body that is not there */
export const lessonOn = async (course: Course, lesson: Lesson, bodyId: string): Promise<readonly LessonRow[]> => {
  if (lesson.set.length === 0) return []
  const [stored, all] = await Promise.all([readBody(bodyId), units()])
  const firmware = firmwareOf(stored.document, all)
  const body = formOf(stored, firmware)
  const document = lessonStandard(course, lesson)
  const standard = { document, stamp: `${course.id} ${lesson.id} ${JSON.stringify(lesson.set)}` }
  try {
    const { outcomes } = await resolveStored({ body: stored, standard, firmware, context: {} })
    return outcomes.map(o => {
      const given = [...new Map(o.parts.flatMap(p => p.deliveries).map(d => [d.setting, d])).values()]
      const rows = given.flatMap(d => {
        const setting = body.settings.find(s => s.id === d.setting)
        return setting ? [{ path: menuPath(body, setting), words: choiceWordsById(body, d.setting, d.option) }] : []
      })
      const d = dimension(o.target.dimension)
      return {
        wanted: `${d.label}: ${valueWords(d, o.target.value)}`,
        grade: o.grade,
        distance: o.distance,
        rows,
        note: o.grade === 'same' && rows.length ? undefined : outcomeWords(body, o),
      }
    })
  } catch (error) {
    const why = whyNot(error)
    if (why === undefined) throw error
    return [{ wanted: lesson.title, grade: 'missing', distance: 1, rows: [], note: why }]
  }
}

export interface LessonPage {
  readonly classId: number
  readonly className: string
  readonly course: Course
  readonly student: StudentView
  readonly lesson: Lesson
  readonly passes: string
  readonly set: readonly LessonRow[]
}

/**
 * One lesson of one student: the one that is asked for, else where they are.
 *
 * @throws RequestError 404
 */
export const readLesson = async (
  classId: string,
  personId: string,
  lessonId: string | undefined,
): Promise<LessonPage> => {
  const view = await readClass(classId)
  const student = view.students.find(s => s.id === personId)
  if (!student) throw notFound('student', personId)
  const { lessons } = view.course
  const lesson =
    lessons.find(l => l.id === lessonId) ?? lessons.find(l => l.id === student.progress.current) ?? lessons.at(-1)
  if (!lesson) throw notFound('lesson', lessonId ?? '')
  return {
    classId: view.id,
    className: view.name,
    course: view.course,
    student,
    lesson,
    passes: passWords(lesson),
    set: student.body ? await lessonOn(view.course, lesson, student.body.id) : [],
  }
}

/** @throws RequestError 403 where somebody else teaches this class */
const expectTeacher = (row: db.ClassRow, actor: Actor): void => {
  if (row.teacher_id !== null && row.teacher_id !== actor.personId)
    throw new RequestError(403, 'Not your class', `${row.teacher ?? 'Somebody else'} teaches ${row.name}.`)
}

/** @throws RequestError 403, 404, 422 */
export const setStudent = async (
  id: string,
  sent: { readonly student: string; readonly body?: string | undefined; readonly isLeaving?: true | undefined },
  actor: Actor,
): Promise<void> => {
  const row = await rowWith(id)
  expectTeacher(row, actor)
  await expectPerson(sent.student)
  const at = await database()
  if (sent.isLeaving) return db.removeStudent(at, row.id, sent.student, actor)
  if (sent.body !== undefined && !(await listBodies()).some(b => b.id === sent.body))
    throw new RequestError(422, 'No such body', `“${sent.body}” is no body of this house.`)
  await db.setStudent(at, row.id, { person: sent.student, body: sent.body ?? null }, actor)
}

/** A word of the teacher or a count of the student comes in, or is taken back. @throws RequestError 403, 404, 422 */
export const markLesson = async (
  id: string,
  sent: {
    readonly id: string
    readonly student: string
    readonly mark?:
      | { readonly kind: 'word'; readonly lesson: string }
      | { readonly kind: 'count'; readonly lesson: string; readonly sharp: number; readonly of: number }
      | undefined
    readonly isTakenBack?: true | undefined
  },
  actor: Actor,
): Promise<void> => {
  const row = await rowWith(id)
  const at = await database()
  if (sent.isTakenBack) {
    const there = (await db.listMarks(at, row.id)).find(m => m.id === sent.id && m.person === sent.student)
    if (there?.mark.kind === 'word') expectTeacher(row, actor)
    return db.takeMarkBack(at, row.id, sent.student, sent.id, actor)
  }
  const { mark } = sent
  if (!mark) throw new RequestError(422, 'Nothing to mark', 'Send a mark, or take one back.')
  if (mark.kind === 'word') expectTeacher(row, actor)
  const { document } = await readCourse(row.course_id)
  if (!document.lessons.some(l => l.id === mark.lesson))
    throw new RequestError(422, 'No such lesson', `${document.name} has no lesson “${mark.lesson}”.`)
  if (!(await db.listStudents(at, row.id)).some(s => s.person_id === sent.student))
    throw new RequestError(422, 'No such student', `“${sent.student}” is not in ${row.name}.`)
  const people = await listPeople()
  const by = people.find(p => p.id === actor.personId)?.name ?? ''
  const made: CourseMark = mark.kind === 'word' ? { ...mark, at: actor.at, by } : { ...mark, at: actor.at }
  await db.addMark(at, row.id, { id: sent.id, person: sent.student, mark: made }, actor)
}

/** The course on paper for one body: what to read, what to set, and room to count. @throws RequestError 404 */
export const handout = async (
  id: string,
  { body: bodyId, paper }: { readonly body: string; readonly paper: 'a4' | 'letter' },
): Promise<{ readonly bytes: Uint8Array; readonly name: string }> => {
  const row = await rowWith(id)
  const { document: course } = await readCourse(row.course_id)
  const { document: body } = await readBody(bodyId)
  const lessons = []
  for (const lesson of course.lessons)
    lessons.push({
      title: lesson.title,
      words: lesson.read.words,
      set: (await lessonOn(course, lesson, bodyId)).flatMap(r => [
        ...r.rows.map(x => `${x.path[0]} › ${x.path[1]}, row ${x.path[2]}: ${x.words}`),
        ...(r.rows.length === 0 || r.note ? [`${r.wanted}. ${r.note ?? ''}`] : []),
      ]),
      passes: passWords(lesson),
      outdoors: lesson.outdoors,
    })
  const bytes = await work('classHandout', {
    paper,
    course: course.name,
    className: row.name,
    body: `${body.maker} ${body.model}`,
    lessons,
  })
  return { bytes, name: `${course.id}-${bodyId}.pdf` }
}
