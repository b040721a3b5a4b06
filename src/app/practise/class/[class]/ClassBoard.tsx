'use client'

import { Button, TextField } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useState } from 'react'
import type { LessonState } from '@/core/course/progress'
import type { ClassView, StudentView } from '@/server/classes'
import { BodySelect } from '@/ui/BodySelect'
import { BackLink, KeptLink } from '@/ui/links'
import { Page, PlainList, RowLink, Section, Wrap } from '@/ui/pieces'
import { usePeople } from '@/ui/people'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

/** What stands in a cell: how it was passed, or how far it is. */
export const cellWords = (s: LessonState, isHere: boolean): string => {
  if (s.by === 'word') return 'by word'
  if (s.isPassed) return 'passed'
  if (s.tries > 0) return `${s.tries} ${s.tries === 1 ? 'try' : 'tries'}`
  if (s.counted) return `${s.counted.sharp} of ${s.counted.of}`
  return isHere ? 'here' : ''
}

const Grid = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  width: '100%',
  '& th, & td': { borderBottom: `1px solid ${theme.vars?.palette.divider}`, padding: 0, textAlign: 'left' },
  '& thead th': { verticalAlign: 'bottom', padding: theme.spacing(0.5, 1) },
  '& thead th:first-of-type': { paddingLeft: 0 },
  '& tbody th': {
    fontWeight: theme.typography.fontWeightRegular,
    padding: theme.spacing(0.5, 1.5, 0.5, 0),
    minWidth: 200,
  },
  '& td a': {
    display: 'block',
    padding: theme.spacing(0.75, 1),
    minHeight: 'var(--dense)',
    color: 'inherit',
    textDecoration: 'none',
    '&:hover, &:focus-visible': { background: theme.vars?.palette.own.marigold.wash },
  },
  '& td[data-state="passed"] a': {
    fontWeight: theme.typography.fontWeightMedium,
    color: theme.vars?.palette.own.grade.same,
  },
  '& td[data-state="here"]': { boxShadow: `inset 3px 0 0 ${theme.vars?.palette.own.marigold.main}` },
}))

/** The class as its teacher sees it: who is where, lesson by lesson. */
export const ClassBoard = ({ view }: { view: ClassView }) => {
  const { name, course, teacher, students, id } = view
  const { person } = usePeople()
  const isTeacher = teacher === undefined || person?.id === teacher.id
  return (
    <Page>
      <BackLink to="/practise/class">All classes</BackLink>
      <Typography variant="h1">{name}</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        {course.name}
        {teacher && `, with ${teacher.name}`}. {course.about}
      </Typography>
      {students.length === 0 && <Typography>Nobody is in this class yet.</Typography>}
      {students.length > 0 && (
        <>
          <Box sx={{ display: { xs: 'none', md: 'block' } }}>
            <Grid aria-label="Who is where">
              <thead>
                <tr>
                  <th scope="col">Lesson</th>
                  {students.map(s => (
                    <th scope="col" key={s.id}>
                      <KeptLink
                        to={`/practise/class/${id}/${s.id}`}
                        style={{ display: 'inline-block', paddingBlock: 4 }}
                      >
                        {s.name}
                      </KeptLink>
                      <Typography variant="body2" color="textSecondary" sx={{ fontWeight: 'fontWeightRegular' }}>
                        {s.body?.name ?? 'no body yet'}
                      </Typography>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {course.lessons.map((lesson, i) => (
                  <tr key={lesson.id}>
                    <th scope="row">
                      {i + 1}&ensp;{lesson.title}
                    </th>
                    {students.map(s => (
                      <Cell key={s.id} classId={id} student={s} index={i} />
                    ))}
                  </tr>
                ))}
              </tbody>
            </Grid>
          </Box>
          <PlainList component="ul" sx={{ display: { md: 'none' } }}>
            {students.map(s => (
              <li key={s.id}>
                <RowLink to={`/practise/class/${id}/${s.id}`}>
                  <span>
                    <Typography component="span" variant="strong" sx={{ display: 'block' }}>
                      {s.name}
                    </Typography>
                    <Typography component="span" variant="body2" color="textSecondary">
                      {s.progress.passed} of {course.lessons.length} passed
                      {s.progress.current &&
                        `, now: ${course.lessons.find(l => l.id === s.progress.current)?.title ?? ''}`}
                      {s.body && `, ${s.body.name}`}
                    </Typography>
                  </span>
                </RowLink>
              </li>
            ))}
          </PlainList>
        </>
      )}
      <Handouts view={view} />
      {isTeacher && <Joining view={view} />}
    </Page>
  )
}

const Cell = ({ classId, student, index }: { classId: number; student: StudentView; index: number }) => {
  const state = student.progress.lessons[index]
  if (!state) return <td />
  const isHere = student.progress.current === state.lesson.id
  const words = cellWords(state, isHere)
  return (
    <td data-state={state.isPassed ? 'passed' : isHere ? 'here' : 'later'}>
      <KeptLink
        to={`/practise/class/${classId}/${student.id}`}
        more={{ lesson: state.lesson.id }}
        aria-label={`${student.name}, ${state.lesson.title}: ${words || 'not begun'}`}
      >
        {state.isPassed && '✓ '}
        {words}
      </KeptLink>
    </td>
  )
}

/** The course on paper, once for each body that somebody brings. */
const Handouts = ({ view }: { view: ClassView }) => {
  const bodies = new Map(view.students.flatMap(s => (s.body ? [[s.body.id, s.body.name] as const] : [])))
  if (bodies.size === 0) return null
  return (
    <Section title="On paper">
      <Wrap sx={{ gap: 2 }}>
        {[...bodies].map(([id, name]) => (
          <a
            key={id}
            href={`/api/v1/classes/${view.id}/handout?body=${id}`}
            style={{ display: 'inline-block', paddingBlock: 6 }}
          >
            Handout for the {name}
          </a>
        ))}
      </Wrap>
    </Section>
  )
}

/** Whoever joins, with the body they bring; by a name that is there or a new one. */
const Joining = ({ view }: { view: ClassView }) => {
  const { people } = usePeople()
  const { send, problem, isBusy } = useSend()
  const [name, setName] = useState('')
  const [body, setBody] = useState('')
  const change = (student: string, more: object) =>
    send('PUT', `/api/v1/classes/${view.id}/students`, { student, ...more })
  const join = async () => {
    const known = people.find(p => p.name.toLowerCase() === name.trim().toLowerCase())
    const made = known ? undefined : await send<{ id: string }>('POST', '/api/v1/people', { name: name.trim() })
    const student = known?.id ?? (made?.ok ? made.value.id : undefined)
    if (student === undefined) return
    const sent = await change(student, body ? { body } : {})
    if (sent.ok) setName('')
  }
  return (
    <Section title="Who joins">
      <Wrap sx={{ alignItems: 'center', gap: 1.5 }}>
        <TextField size="small" label="Name of the student" value={name} onChange={e => setName(e.target.value)} />
        <BodySelect label="Brings" value={body} onChange={setBody} none="no body yet" />
        <Button variant="contained" disabled={!name.trim() || isBusy} onClick={() => void join()}>
          Join
        </Button>
      </Wrap>
      <Trouble words={problem} sx={{ mt: 1.5 }} />
      {view.students.map(s => (
        <Wrap key={s.id} sx={{ alignItems: 'center', gap: 1.5, mt: 1.5 }}>
          <Typography sx={{ minWidth: 'var(--field-short)' }}>{s.name}</Typography>
          <BodySelect
            label={`${s.name} brings`}
            value={s.body?.id ?? ''}
            onChange={id => void change(s.id, id ? { body: id } : {})}
            none="no body yet"
          />
          <Button color="inherit" disabled={isBusy} onClick={() => void change(s.id, { isLeaving: true })}>
            {s.name} leaves
          </Button>
        </Wrap>
      ))}
    </Section>
  )
}
