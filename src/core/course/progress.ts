import { type DrillId, DRILLS, meets, type Try } from '../drills/drills'
import type { Course, Lesson } from './course'

/** Who is where in a course. */

/** What a student has besides the tries of drills: a teacher's word, or a count outdoors. */
export type CourseMark =
  | { readonly kind: 'word'; readonly lesson: string; readonly at: string; readonly by: string }
  | {
      readonly kind: 'count'
      readonly lesson: string
      readonly at: string
      readonly sharp: number
      readonly of: number
    }

export interface LessonState {
  readonly lesson: Lesson
  readonly isPassed: boolean
  /** What passed it. */
  readonly by: 'drill' | 'count' | 'word' | undefined
  /** Whose word it was. */
  readonly word: string | undefined
  readonly tries: number
  /** The best try by its share, then by its figure. */
  readonly best: Try | undefined
  readonly counted: { readonly sharp: number; readonly of: number } | undefined
}

const bestOf = (tries: readonly Try[]): Try | undefined =>
  tries.toSorted((a, b) => b.right / b.of - a.right / a.of || (a.figure ?? Infinity) - (b.figure ?? Infinity))[0]

/** Enough passes were counted, and enough of them were sharp. */
const isDone = (lesson: Lesson, counted: LessonState['counted']): boolean =>
  lesson.outdoors !== undefined &&
  counted !== undefined &&
  counted.of >= lesson.outdoors.passes &&
  counted.sharp / counted.of >= lesson.outdoors.share - 1e-9

/**
 * One lesson of one student: passed by its drill; where it has none, by its count outdoors; in any case by the teacher's
 * word.
 *
 * @param tries everything the student tried since joining
 */
export const lessonState = (lesson: Lesson, tries: readonly Try[], marks: readonly CourseMark[]): LessonState => {
  const { drill } = lesson
  const own = drill ? tries.filter(t => t.drill === drill.drill) : []
  const mine = marks.filter(m => m.lesson === lesson.id)
  const counts = mine.filter(m => m.kind === 'count')
  const counted = counts.length
    ? { sharp: counts.reduce((n, c) => n + c.sharp, 0), of: counts.reduce((n, c) => n + c.of, 0) }
    : undefined
  const word = mine.findLast(m => m.kind === 'word')
  const by =
    drill && own.some(t => meets(t, drill)) ? 'drill' : !drill && isDone(lesson, counted) ? 'count' : word && 'word'
  return { lesson, isPassed: by !== undefined, by, word: word?.by, tries: own.length, best: bestOf(own), counted }
}

export interface Progress {
  readonly lessons: readonly LessonState[]
  readonly passed: number
  /** The first that is not passed; undefined at the end. */
  readonly current: string | undefined
}

/** In the order of the course; the try that passed one lesson does not pass the next one that asks for the same drill. */
export const progressOf = (course: Course, tries: readonly Try[], marks: readonly CourseMark[]): Progress => {
  const inOrder = tries.toSorted((a, b) => a.made.localeCompare(b.made))
  const used = new Map<DrillId, number>()
  const lessons = course.lessons.map(l => {
    const { drill } = l
    if (!drill) return lessonState(l, [], marks)
    const from = used.get(drill.drill) ?? 0
    const open = inOrder.slice(from)
    const passing = open.findIndex(t => t.drill === drill.drill && meets(t, drill))
    if (passing >= 0) used.set(drill.drill, from + passing + 1)
    return lessonState(l, open, marks)
  })
  return {
    lessons,
    passed: lessons.filter(l => l.isPassed).length,
    current: lessons.find(l => !l.isPassed)?.lesson.id,
  }
}

/** What passes a lesson, in words. */
export const passWords = ({ drill, outdoors }: Lesson): string => {
  const hundred = (share: number) => `${Math.round(share * 100)} of 100`
  if (drill)
    return `${DRILLS[drill.drill].label}: ${hundred(drill.share)} right${
      drill.most === undefined
        ? ''
        : `, ${DRILLS[drill.drill].figure} at most ${drill.most} ${DRILLS[drill.drill].unit}`
    }.`
  if (outdoors) return `Outdoors: ${outdoors.passes} passes counted, ${hundred(outdoors.share)} sharp.`
  return 'The teacher’s word.'
}
