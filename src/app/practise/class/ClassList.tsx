'use client'

import { Button, TextField } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import type { listClasses, listCourses } from '@/server/classes'
import { Choice } from '@/ui/Choice'
import { FileButton } from '@/ui/FileButton'
import { linkTo } from '@/ui/address'
import { TallLink } from '@/ui/links'
import { Empty, Page, PlainList, RowLink, Section, Wrap } from '@/ui/pieces'
import { usePeople } from '@/ui/people'
import { Trouble } from '@/ui/Trouble'
import { useJsonFile } from '@/ui/use-json-file'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

type Classes = Awaited<ReturnType<typeof listClasses>>
type Courses = Awaited<ReturnType<typeof listCourses>>

/** Classes and the courses they follow. */
export const ClassList = ({ classes, courses }: { classes: Classes; courses: Courses }) => {
  const { take, problem } = useJsonFile(() => ({ address: '/api/v1/courses', view: '/practise/class/course' }))
  return (
    <Page>
      <Typography variant="h1">Class</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        Lessons in an order: something to read, to see, to set on the body in hand, a drill to pass, and a count
        outdoors. Whoever teaches sees who is where.
      </Typography>
      {classes.length === 0 && <Empty>No class yet. It takes a course, a name, and whoever learns.</Empty>}
      <PlainList component="ul" sx={{ maxWidth: 'var(--line)' }}>
        {classes.map(c => (
          <li key={c.id}>
            <RowLink to={`/practise/class/${c.id}`}>
              <span>
                <Typography component="span" variant="strong" sx={{ display: 'block' }}>
                  {c.name}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary">
                  {c.course}
                  {c.teacher && `, with ${c.teacher}`}
                </Typography>
              </span>
            </RowLink>
          </li>
        ))}
      </PlainList>
      {courses.length > 0 && <NewClass courses={courses} />}
      <Section title="Courses">
        <PlainList component="ul" sx={{ mb: 1.5 }}>
          {courses.map(c => (
            <li key={c.id}>
              <TallLink to={`/practise/class/course/${c.id}`}>{c.name}</TallLink>
            </li>
          ))}
        </PlainList>
        <FileButton
          label="Read a course from a file"
          accept=".json,application/json"
          onFiles={([file]) => file && void take(file)}
        />
        <Trouble words={problem} sx={{ mt: 1.5 }} />
      </Section>
    </Page>
  )
}

const NewClass = ({ courses }: { courses: Courses }) => {
  const { people, person } = usePeople()
  const { send, problem, isBusy } = useSend()
  const router = useRouter()
  const params = useSearchParams()
  const [name, setName] = useState('')
  const [course, setCourse] = useState(courses[0]?.id ?? '')
  const [teacher, setTeacher] = useState<string>()
  const begin = async () => {
    const sent = await send<{ id: number }>('POST', '/api/v1/classes', {
      name,
      course,
      ...((teacher ?? person?.id) ? { teacher: teacher ?? person?.id } : {}),
    })
    if (sent.ok) router.push(linkTo(`/practise/class/${sent.value.id}`, params))
  }
  return (
    <Section title="Begin a class">
      <Wrap sx={{ alignItems: 'center', gap: 1.5 }}>
        <TextField size="small" label="Name" value={name} onChange={e => setName(e.target.value)} />
        <Choice
          label="Course"
          value={course}
          onChange={setCourse}
          sx={{ minWidth: 'var(--field)' }}
          options={courses}
        />
        <Choice
          label="Who teaches"
          value={teacher ?? person?.id ?? ''}
          onChange={setTeacher}
          sx={{ minWidth: 'var(--field-short)' }}
          options={people}
        />
        <Button variant="contained" disabled={!name.trim() || isBusy} onClick={() => void begin()}>
          Begin
        </Button>
      </Wrap>
      <Box sx={{ mt: 1.5 }}>
        <Trouble words={problem} />
      </Box>
    </Section>
  )
}
