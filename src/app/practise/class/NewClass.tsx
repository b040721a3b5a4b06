'use client'

import { Button, TextField } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import type { listCourses } from '@/server/classes'
import { linkTo } from '@/ui/address'
import { Choice } from '@/ui/Choice'
import { Box } from '@/ui/elements'
import { usePeople } from '@/ui/people'
import { Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'

type Courses = Awaited<ReturnType<typeof listCourses>>

/** A class, from a course and whoever teaches it. */
export const NewClass = ({ courses }: { courses: Courses }) => {
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
