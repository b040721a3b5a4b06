'use client'

import { Button, TextField } from '@mui/material'
import { useState } from 'react'
import { type Course, type Lesson, parseCourse } from '@/core/course/course'
import { DRILL_IDS, DRILLS } from '@/core/drills/drills'
import { slugOf } from '@/core/language/language'
import { problemWords } from '@/core/reading/problem'
import { PASSAGES } from '@/core/rehearsal/passages'
import type { Standard } from '@/core/standards'
import { dimension } from '@/core/vocabulary/dimensions'
import { valueWords } from '@/core/vocabulary/words'
import { Choice } from '@/ui/Choice'
import { BackLink } from '@/ui/links'
import { Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useFetched } from '@/ui/use-fetched'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

type Named = readonly { readonly id: string; readonly name: string }[]

/** A course as data: its lessons, their order, and everything in them. */
export const CourseEditor = ({
  course: stored,
  revision: at,
  standards,
}: {
  course: Course
  revision: number
  standards: Named
}) => {
  const [course, setCourse] = useState(stored)
  const [revision, setRevision] = useState(at)
  const [saved, setSaved] = useState(stored)
  const { send, problem, isBusy } = useSend()
  const read = parseCourse(course, 'Course')
  const isChanged = JSON.stringify(course) !== JSON.stringify(saved)
  const save = async () => {
    const sent = await send<{ revision: number }>('PUT', `/api/v1/courses/${course.id}`, { document: course, revision })
    if (!sent.ok) return
    setRevision(sent.value.revision)
    setSaved(course)
  }
  const { lessons } = course
  const setLessons = (next: readonly Lesson[]) => setCourse({ ...course, lessons: [...next] })
  const move = (i: number, by: number) => {
    const next = [...lessons]
    const [taken] = next.splice(i, 1)
    if (taken) next.splice(i + by, 0, taken)
    setLessons(next)
  }
  const add = () => {
    const taken = new Set(lessons.map(l => l.id))
    let n = lessons.length + 1
    while (taken.has(`lesson-${n}`)) n++
    setLessons([
      ...lessons,
      { id: `lesson-${n}`, title: `Lesson ${n}`, read: { words: 'What it is about.', concepts: [] }, set: [] },
    ])
  }
  return (
    <Page>
      <BackLink to="/practise/class">All classes</BackLink>
      <Typography variant="h1">{course.name || 'Course'}</Typography>
      <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 'var(--line)', mt: 2 }}>
        <TextField
          size="small"
          label="Name of the course"
          value={course.name}
          onChange={e => setCourse({ ...course, name: e.target.value })}
        />
        <TextField
          size="small"
          multiline
          label="About"
          value={course.about}
          onChange={e => setCourse({ ...course, about: e.target.value })}
        />
      </Box>
      <PlainList component="ol" aria-label="Lessons">
        {lessons.map((lesson, i) => (
          <li key={lesson.id}>
            <LessonEditor
              lesson={lesson}
              number={i + 1}
              standards={standards}
              onLesson={next => setLessons(lessons.map(l => (l.id === lesson.id ? next : l)))}
            />
            <Wrap sx={{ mt: 1 }}>
              <Button disabled={i === 0} onClick={() => move(i, -1)}>
                Earlier
              </Button>
              <Button disabled={i === lessons.length - 1} onClick={() => move(i, 1)}>
                Later
              </Button>
              <Button
                disabled={lessons.length === 1}
                onClick={() => setLessons(lessons.filter(l => l.id !== lesson.id))}
              >
                Take out
              </Button>
            </Wrap>
          </li>
        ))}
      </PlainList>
      <Button variant="outlined" onClick={add} sx={{ mt: 2 }}>
        Add a lesson
      </Button>
      {!read.ok && <Trouble words={read.problems.map(problemWords).join('\n')} sx={{ mt: 2 }} />}
      <Trouble words={problem} sx={{ mt: 2 }} />
      <Wrap sx={{ mt: 2, alignItems: 'center', gap: 2 }}>
        <Button variant="contained" disabled={!isChanged || !read.ok || isBusy} onClick={() => void save()}>
          Save the course
        </Button>
        {isChanged && (
          <Button
            onClick={() => {
              setCourse(saved)
            }}
          >
            As it was
          </Button>
        )}
        <a href={`/api/v1/courses/${course.id}`} download={`${slugOf(course.name) || course.id}.json`}>
          As a file
        </a>
        <Typography role="status" variant="body2">
          {isChanged ? 'Not saved yet.' : 'Saved.'}
        </Typography>
      </Wrap>
    </Page>
  )
}

const share = (text: string): number => Math.round(Number(text.replace(',', '.'))) / 100

const LessonEditor = ({
  lesson,
  number,
  standards,
  onLesson,
}: {
  lesson: Lesson
  number: number
  standards: Named
  onLesson: (lesson: Lesson) => void
}) => {
  const { drill, outdoors, see } = lesson
  const without = (name: 'drill' | 'outdoors' | 'see'): Lesson => {
    const { [name]: _, ...rest } = lesson
    return rest
  }
  return (
    <Section title={`${number}  ${lesson.title}`}>
      <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 'var(--line)' }}>
        <TextField
          size="small"
          label="Title"
          value={lesson.title}
          onChange={e => onLesson({ ...lesson, title: e.target.value })}
        />
        <TextField
          size="small"
          multiline
          label="To read"
          value={lesson.read.words}
          onChange={e => onLesson({ ...lesson, read: { ...lesson.read, words: e.target.value } })}
        />
        <Choice
          label="To see"
          value={see?.passage ?? ''}
          onChange={value => onLesson(value ? { ...lesson, see: { ...see, passage: value } } : without('see'))}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          none="nothing"
          options={PASSAGES}
        />
        <ToSet lesson={lesson} standards={standards} onLesson={onLesson} />
        <Wrap sx={{ gap: 1.5 }}>
          <Choice
            label="Drill"
            value={drill?.drill ?? ''}
            onChange={value => {
              const chosen = DRILL_IDS.find(d => d === value)
              onLesson(chosen ? { ...lesson, drill: { drill: chosen, share: drill?.share ?? 0.8 } } : without('drill'))
            }}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            sx={{ minWidth: 'var(--field)' }}
            none="none"
            options={DRILL_IDS.map(id => ({ id, name: DRILLS[id].label }))}
          />
          {drill && (
            <>
              <TextField
                key={`share ${drill.drill}`}
                size="small"
                label="Right, of 100"
                defaultValue={Math.round(drill.share * 100)}
                onChange={e => onLesson({ ...lesson, drill: { ...drill, share: share(e.target.value) } })}
                sx={{ width: 'var(--field-number)' }}
              />
              <TextField
                key={`most ${drill.drill}`}
                size="small"
                label={`${DRILLS[drill.drill].figure}, at most ${DRILLS[drill.drill].unit}`}
                defaultValue={drill.most ?? ''}
                onChange={e => {
                  const { most: _, ...rest } = drill
                  const text = e.target.value.trim()
                  onLesson({ ...lesson, drill: text ? { ...rest, most: Number(text.replace(',', '.')) } : rest })
                }}
                sx={{ width: 'var(--field-short)' }}
              />
            </>
          )}
        </Wrap>
        <TextField
          size="small"
          multiline
          label="Outdoors"
          value={outdoors?.words ?? ''}
          onChange={e =>
            onLesson(
              e.target.value
                ? { ...lesson, outdoors: { passes: 10, share: 0.7, ...outdoors, words: e.target.value } }
                : without('outdoors'),
            )
          }
        />
        {outdoors && (
          <Wrap sx={{ gap: 1.5 }}>
            <TextField
              size="small"
              label="Passes"
              defaultValue={outdoors.passes}
              onChange={e => onLesson({ ...lesson, outdoors: { ...outdoors, passes: Number(e.target.value) } })}
              sx={{ width: 'var(--field-number)' }}
            />
            <TextField
              size="small"
              label="Sharp, of 100"
              defaultValue={Math.round(outdoors.share * 100)}
              onChange={e => onLesson({ ...lesson, outdoors: { ...outdoors, share: share(e.target.value) } })}
              sx={{ width: 'var(--field-number)' }}
            />
          </Wrap>
        )}
      </Box>
    </Section>
  )
}

/** What the lesson sets, taken from the targets of a standard. */
const ToSet = ({
  lesson,
  standards,
  onLesson,
}: {
  lesson: Lesson
  standards: Named
  onLesson: (lesson: Lesson) => void
}) => {
  const [from, setFrom] = useState('')
  const { value, problem } = useFetched<Standard>(
    from ? { address: `/api/v1/standards/${encodeURIComponent(from)}` } : undefined,
  )
  const offered = (value?.layers ?? [])
    .flatMap(l => l.targets)
    .filter(t => !lesson.set.some(s => s.dimension === t.dimension))
  const latest = [...new Map(offered.map(t => [t.dimension, t])).values()]
  return (
    <Box>
      <Typography variant="body2" color="textSecondary">
        To set
      </Typography>
      {lesson.set.map(t => (
        <Wrap key={t.dimension} sx={{ alignItems: 'center' }}>
          <Typography>
            {dimension(t.dimension).label}: {valueWords(dimension(t.dimension), t.value)}
          </Typography>
          <Button
            size="small"
            aria-label={`Take out ${dimension(t.dimension).label}`}
            onClick={() => onLesson({ ...lesson, set: lesson.set.filter(s => s.dimension !== t.dimension) })}
          >
            Take out
          </Button>
        </Wrap>
      ))}
      <Wrap sx={{ gap: 1.5, mt: 1 }}>
        <Choice
          label="From a standard"
          value={from}
          onChange={setFrom}
          sx={{ minWidth: 'var(--field)' }}
          options={standards}
        />
        {latest.length > 0 && (
          <Choice
            label="Add a target"
            value=""
            onChange={value => {
              const target = latest.find(t => t.dimension === value)
              if (target) onLesson({ ...lesson, set: [...lesson.set, target] })
            }}
            sx={{ minWidth: 'var(--field)' }}
            options={latest.map(t => ({
              id: t.dimension,
              name: `${dimension(t.dimension).label}: ${valueWords(dimension(t.dimension), t.value)}`,
            }))}
          />
        )}
      </Wrap>
      <Trouble words={problem} />
    </Box>
  )
}
