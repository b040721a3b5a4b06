import { describe, expect, it } from 'vitest'
import type { Try } from '../../src/core/drills/drills'
import { demoCourse } from '../../src/demo/world'
import {
  beginClass,
  handout,
  importCourse,
  lessonOn,
  markLesson,
  readClass,
  readCourse,
  readLesson,
  saveCourse,
  setStudent,
} from '../../src/server/classes'
import { answerQuestion, heldInDrills, readDrillHand, readQuestions, readTries, saveTry } from '../../src/server/drills'
import { readShooters } from '../../src/server/controls'
import { by } from '../fixtures/by'
import { useDemoFolder } from '../fixtures/demo-folder'
import { pdfTexts } from '../fixtures/pdf'

/** Practice as the server keeps it: tries that come twice, questions that come back, and a class with its teacher. */

useDemoFolder()

const tried = (id: string, more: Partial<Try> = {}): Try => ({
  id,
  drill: 'hold',
  made: '2026-11-25T10:00:00.000Z',
  seconds: 45,
  heldSeconds: 18,
  right: 9,
  of: 10,
  figure: 400,
  ...more,
})
const TEACHER = by('wilhelmina-dow')

describe('tries', () => {
  it('count once, however often they are sent, and only for whoever tried', async () => {
    const before = (await readTries('imelda-frost')).length
    for (let i = 0; i < 3; i++) await saveTry(tried('again'), by('imelda-frost'))
    expect((await readTries('imelda-frost')).length).toBe(before + 1)
    await expect(saveTry(tried('more', { right: 11 }), by('imelda-frost'))).rejects.toMatchObject({ status: 422 })
    await expect(saveTry(tried('nobody'), by())).rejects.toMatchObject({ status: 422 })
  })

  it('of today are thumb load of today', async () => {
    const today = new Date().toISOString()
    const held = async () => (await readShooters()).find(s => s.id === 'rufus-quill')?.drilledMinutes ?? 0
    const before = await held()
    await saveTry(tried('load', { made: today, heldSeconds: 90 }), by('rufus-quill'))
    expect((await held()) - before).toBeCloseTo(1.5, 6)
    expect((await heldInDrills('2020-01-01')).size).toBe(0)
  })
})

describe('questions', () => {
  const asked = { about: 'called', body: 'linnet', person: 'ottoline-marsh', isBeforeJob: false } as const

  it('are between the bodies somebody carries; for one body they are its own words', async () => {
    const two = await readQuestions(asked)
    expect(two.length).toBeGreaterThan(5)
    expect(two.every(q => q.ask.includes('Linnet'))).toBe(true)
    expect(two.some(q => q.ask.includes('Sorrel') || q.key.startsWith('friend sorrel'))).toBe(true)
    const one = await readQuestions({ ...asked, person: undefined })
    expect(one.every(q => q.key.startsWith('own linnet '))).toBe(true)
  })

  it('that were answered right come later, those answered wrong first', async () => {
    const [first, second] = await readQuestions(asked)
    if (!first || !second) throw new Error('nothing asked')
    const answered = new Date(Date.now() - 3600_000).toISOString()
    const right = { question: first.key, isRight: true, seconds: 2, answered }
    const { due } = await answerQuestion(right, by('ottoline-marsh'))
    // Sent again, it is the same answer.
    expect((await answerQuestion(right, by('ottoline-marsh'))).due).toBe(due)
    expect(Date.parse(due)).toBeGreaterThan(Date.now())
    await answerQuestion({ question: second.key, isRight: false, seconds: 9, answered }, by('ottoline-marsh'))
    const next = await readQuestions(asked)
    expect(next[0]?.key).toBe(second.key)
    expect(next.map(q => q.key)).not.toContain(first.key)
    // Before a job everything is asked.
    expect((await readQuestions({ ...asked, isBeforeJob: true }))[0]?.key).toBe(second.key)
  })

  it('have the keys where the standard puts them', async () => {
    const hand = await readDrillHand({ body: 'sorrel', standard: 'ring-action' })
    const [question] = await readQuestions({
      about: 'which-key',
      body: 'sorrel',
      standard: 'ring-action',
      isBeforeJob: true,
    })
    const fn = question?.key.split(' ')[2] ?? ''
    expect(hand?.controls.find(c => c.id === hand.keys[fn])?.label).toBe(question?.right)
    await expect(readQuestions({ ...asked, body: 'nothing' })).rejects.toMatchObject({ status: 404 })
  })
})

describe('a class', () => {
  it('shows the teacher who is where, and passes by a try that came in', async () => {
    const where = async () => (await readClass('1')).students.find(s => s.id === 'thaddeus-coyle')?.progress
    expect((await where())?.current).toBe('single-continuous')
    await saveTry(tried('thumb', { made: new Date().toISOString() }), by('thaddeus-coyle'))
    expect((await where())?.lessons.find(l => l.lesson.id === 'thumb-start')).toMatchObject({
      isPassed: true,
      by: 'drill',
    })
  })

  it('goes by its own teacher’s word, and nobody else’s', async () => {
    const word = { id: 'word-1', student: 'jory-vane', mark: { kind: 'word', lesson: 'tone' } } as const
    await expect(markLesson('1', word, by('tobiah-lark'))).rejects.toMatchObject({ status: 403 })
    await markLesson('1', word, TEACHER)
    await markLesson('1', word, TEACHER)
    const jory = async () => (await readClass('1')).students.find(s => s.id === 'jory-vane')
    expect((await jory())?.progress.lessons[1]).toMatchObject({ by: 'word', word: 'Wilhelmina Dow' })
    expect((await jory())?.words).toHaveLength(1)
    await expect(
      markLesson('1', { id: 'word-1', student: 'jory-vane', isTakenBack: true }, by('tobiah-lark')),
    ).rejects.toMatchObject({ status: 403 })
    await markLesson('1', { id: 'word-1', student: 'jory-vane', isTakenBack: true }, TEACHER)
    expect((await jory())?.progress.lessons[1]?.isPassed).toBe(false)
  })

  it('refuses lessons and students that are not in it', async () => {
    const mark = { kind: 'count', lesson: 'tone', sharp: 9, of: 10 } as const
    await expect(markLesson('1', { id: 'c-11', student: 'tobiah-lark', mark }, TEACHER)).rejects.toMatchObject({
      status: 422,
    })
    await expect(
      markLesson('1', { id: 'c-12', student: 'jory-vane', mark: { ...mark, lesson: 'juggling' } }, TEACHER),
    ).rejects.toMatchObject({ status: 422 })
    await expect(readClass('99')).rejects.toMatchObject({ status: 404 })
    await expect(readLesson('1', 'tobiah-lark', undefined)).rejects.toMatchObject({ status: 404 })
  })

  it('is begun on a course, joined and left', async () => {
    const { id } = await beginClass({ name: 'Spring', course: 'evening-class' }, by('saskia-venn'))
    await setStudent(String(id), { student: 'ansel-pike', body: 'pebble' }, by('saskia-venn'))
    await expect(setStudent(String(id), { student: 'rufus-quill' }, by('ansel-pike'))).rejects.toMatchObject({
      status: 403,
    })
    expect((await readClass(String(id))).students[0]).toMatchObject({ name: 'Ansel Pike', body: { id: 'pebble' } })
    await setStudent(String(id), { student: 'ansel-pike', isLeaving: true }, by('saskia-venn'))
    expect((await readClass(String(id))).students).toEqual([])
  })

  it('sets on each body only what the lesson asks, in its own words, and says what it has not', async () => {
    const { document: course } = await readCourse('evening-class')
    const lesson = course.lessons.find(l => l.id === 'thumb-start')
    if (!lesson) throw new Error('no lesson')
    const sorrel = await lessonOn(course, lesson, 'sorrel')
    expect(sorrel.map(r => r.wanted)).toHaveLength(3)
    expect(sorrel.every(r => r.rows.length > 0)).toBe(true)
    const hold = course.lessons.find(l => l.id === 'stay-leave')
    if (!hold) throw new Error('no lesson')
    const [wicket] = await lessonOn(course, hold, 'wicket')
    expect(wicket?.rows).toEqual([])
    expect(wicket?.note).toBeTruthy()
  })

  it('has the course on paper for a body, with boxes to count in', async () => {
    const { bytes } = await handout('1', { body: 'linnet', paper: 'a4' })
    const text = (await pdfTexts(bytes)).join(' ')
    expect(text).toContain('Corvane Linnet')
    expect(text).toContain('Thumb start')
    expect(text).toContain('[ ] [ ]')
  })
})

describe('courses', () => {
  it('are stored by whoever was first; the other one is told', async () => {
    const course = { ...demoCourse(), id: 'two-at-once' }
    expect(await importCourse(course, TEACHER)).toEqual({ id: 'two-at-once', revision: 1 })
    await saveCourse({ document: { ...course, name: 'First' }, revision: 1 }, TEACHER)
    await expect(saveCourse({ document: { ...course, name: 'Second' }, revision: 1 }, TEACHER)).rejects.toMatchObject({
      status: 409,
    })
    expect((await readCourse('two-at-once')).document.name).toBe('First')
    await expect(importCourse({ ...course, lessons: [] }, TEACHER)).rejects.toMatchObject({ status: 422 })
  })
})
