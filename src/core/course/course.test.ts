import { describe, expect, it } from 'vitest'
import { demoCourse } from '../../demo/world'
import { PASSAGES } from '../rehearsal/passages'
import type { Try } from '../drills/drills'
import { parseCourse } from './course'
import { type CourseMark, lessonState, passWords, progressOf } from './progress'

const course = demoCourse()
const lesson = (id: string) => {
  const found = course.lessons.find(l => l.id === id)
  if (!found) throw new Error(id)
  return found
}
const tried = (drill: Try['drill'], right: number, of: number, figure?: number): Try => ({
  id: `t-${right}-${of}-${figure}`,
  drill,
  made: '2026-05-01T19:00:00.000Z',
  seconds: 40,
  heldSeconds: 10,
  right,
  of,
  ...(figure === undefined ? {} : { figure }),
})
const counted = (lessonId: string, sharp: number, of: number): CourseMark => ({
  kind: 'count',
  lesson: lessonId,
  at: '',
  sharp,
  of,
})
const word: CourseMark = { kind: 'word', lesson: 'tone', at: '2026-05-01T20:00:00.000Z', by: 'Wilhelmina Dow' }

describe('a course', () => {
  it('of the demo is read, and every scene it shows is there', () => {
    expect(parseCourse(course, 'course').ok).toBe(true)
    expect(course.lessons).toHaveLength(12)
    const passages = PASSAGES.map(p => p.id)
    for (const l of course.lessons) if (l.see) expect(passages).toContain(l.see.passage)
  })

  it('that cannot be is refused with the place and what was expected', () => {
    const refused = (more: object) => {
      const parsed = parseCourse({ ...course, lessons: [{ ...course.lessons[0], ...more }] }, 'course')
      return parsed.ok ? 'read' : parsed.problems.map(p => `${p.path}: ${p.expected}`).join()
    }
    expect(refused({ title: '' })).toContain('lessons.0.title: expected some words')
    expect(refused({ drill: { drill: 'juggling', share: 1 } })).toContain('lessons.0.drill.drill')
    expect(refused({ drill: { drill: 'hold', share: 80 } })).toContain('expected a share above 0, up to 1')
    expect(refused({ read: { words: 'x', concepts: ['area.nothing'] } })).toContain('expected a dimension')
    expect(refused({})).toBe('read')
    const twice = parseCourse({ ...course, lessons: [course.lessons[0], course.lessons[0]] }, 'course')
    expect(twice.ok ? '' : twice.problems[0]?.expected).toBe('expected every lesson to have an id of its own')
    expect(parseCourse({ ...course, lessons: [] }, 'course').ok).toBe(false)
  })
})

describe('a student', () => {
  it('passes a lesson by its drill: its share and its figure', () => {
    const l = lesson('thumb-start')
    expect(lessonState(l, [tried('hold', 7, 10, 400)], []).isPassed).toBe(false)
    expect(lessonState(l, [tried('hold', 9, 10, 900)], []).isPassed).toBe(false)
    expect(lessonState(l, [tried('track', 9, 10, 0.4)], [])).toMatchObject({ isPassed: false, tries: 0 })
    const state = lessonState(l, [tried('hold', 7, 10, 300), tried('hold', 9, 10, 500), tried('hold', 9, 10, 450)], [])
    expect(state).toMatchObject({ isPassed: true, by: 'drill', tries: 3, best: { figure: 450 } })
  })

  it('passes one without a drill by counting enough passes, enough of them sharp', () => {
    const l = lesson('tone')
    expect(lessonState(l, [], [counted('tone', 8, 8)]).isPassed).toBe(false)
    expect(lessonState(l, [], [counted('tone', 4, 5), counted('tone', 4, 5)])).toMatchObject({
      isPassed: true,
      by: 'count',
    })
    expect(lessonState(l, [], [counted('tone', 7, 10)]).isPassed).toBe(false)
    expect(lessonState(l, [], [counted('one-point', 10, 10)]).isPassed).toBe(false)
    // Where there is a drill, counting alone does not do.
    expect(lessonState(lesson('recompose'), [], [counted('recompose', 10, 10)]).isPassed).toBe(false)
  })

  it('moves on by the teacher’s word, and stands at the first lesson that is not passed', () => {
    expect(lessonState(lesson('tone'), [], [word])).toMatchObject({
      isPassed: true,
      by: 'word',
      word: 'Wilhelmina Dow',
    })
    expect(progressOf(course, [], []).current).toBe('one-point')
    const progress = progressOf(course, [tried('called', 7, 10)], [word])
    expect(progress).toMatchObject({ passed: 2, current: 'recompose' })
  })

  it('needs another try for another lesson with the same drill', () => {
    const track = (minute: number): Try => ({
      ...tried('track', 9, 10, 0.4),
      id: `m-${minute}`,
      made: `2026-05-01T19:0${minute}:00.000Z`,
    })
    const passedBy = (...tries: readonly Try[]) =>
      progressOf(course, tries, [])
        .lessons.filter(l => l.isPassed)
        .map(l => l.lesson.id)
    expect(passedBy(track(1))).toEqual(['area-sizes'])
    expect(passedBy(track(2), track(1))).toEqual(['area-sizes', 'flight'])
  })

  it('is told what passes a lesson', () => {
    expect(passWords(lesson('thumb-start'))).toBe('Hold and let go: 80 of 100 right, reaction at most 700 ms.')
    expect(passWords(lesson('tone'))).toBe('Outdoors: 10 passes counted, 80 of 100 sharp.')
    expect(passWords(lesson('own-standard'))).toBe('The teacher’s word.')
  })
})
