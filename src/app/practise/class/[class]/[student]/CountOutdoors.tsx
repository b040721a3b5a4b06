'use client'

import { Button } from '@mui/material'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import type { Lesson } from '@/core/course/course'
import type { LessonState } from '@/core/course/progress'
import { wilson } from '@/core/evidence/shares'
import { useLocal } from '@/ui/local'
import { usePeople } from '@/ui/people'
import { Section, Wrap } from '@/ui/pieces'
import { ThumbPad } from '@/ui/ThumbPad'
import { Refused } from '../../../drills/DrillFrame'
import { keepPractised } from '../../../drills/use-practice'
import { Box, Typography } from '@/ui/elements'

interface Tally {
  readonly sharp: number
  readonly of: number
}
const NOTHING: Tally = { sharp: 0, of: 0 }

const tallyIn = (text: string | null): Tally => {
  try {
    return { ...NOTHING, ...(JSON.parse(text ?? '{}') as Partial<Tally>) }
  } catch {
    return NOTHING
  }
}

/** An exercise outdoors with a count: one thumb, sharp or not; kept on the device until it is handed in. */
export const CountOutdoors = ({
  classId,
  student,
  lesson,
  outdoors,
  counted,
  onHandedIn,
}: {
  classId: number
  student: string
  lesson: string
  outdoors: NonNullable<Lesson['outdoors']>
  counted: LessonState['counted']
  onHandedIn: () => void
}) => {
  const { person } = usePeople()
  const [text, write] = useLocal(`coherion-outdoors ${classId} ${student} ${lesson}`)
  const [isSending, setSending] = useState(false)
  const tally = tallyIn(text)
  const change = (next: Tally) => write(JSON.stringify(next))
  const handIn = async () => {
    setSending(true)
    const mark = { kind: 'count', lesson, ...tally }
    await keepPractised(
      `/api/v1/classes/${classId}/marks`,
      { id: nanoid(), student, mark },
      `counted ${tally.sharp} of ${tally.of}`,
      person?.id ?? student,
    ).catch(() => undefined)
    change(NOTHING)
    setSending(false)
    onHandedIn()
  }
  const hundred = (share: number) => Math.round(share * 100)
  const interval = counted && wilson({ kept: counted.sharp, of: counted.of })
  return (
    <Section title="Outdoors">
      <Typography sx={{ maxWidth: 'var(--line)' }}>
        {outdoors.words} {outdoors.passes} passes, {hundred(outdoors.share)} of 100 sharp.
      </Typography>
      {counted && interval && (
        <Typography sx={{ mt: 1 }} role="status">
          Counted so far: {counted.sharp} of {counted.of} sharp; that speaks for {hundred(interval.low)} to{' '}
          {hundred(interval.high)} of 100.
        </Typography>
      )}
      <Wrap sx={{ mt: 1.5, maxWidth: 'var(--narrow)', flexWrap: 'nowrap' }}>
        <ThumbPad type="button" onClick={() => change({ sharp: tally.sharp + 1, of: tally.of + 1 })}>
          <Typography variant="strong">Sharp</Typography>
        </ThumbPad>
        <ThumbPad type="button" onClick={() => change({ ...tally, of: tally.of + 1 })}>
          <Typography variant="strong">Not sharp</Typography>
        </ThumbPad>
      </Wrap>
      {tally.of > 0 && (
        <Box sx={{ mt: 1 }}>
          <Typography>
            {tally.sharp} of {tally.of} sharp on this device.
          </Typography>
          <Wrap sx={{ mt: 1 }}>
            <Button variant="contained" disabled={isSending} onClick={() => void handIn()}>
              Hand in
            </Button>
            <Button onClick={() => change(NOTHING)}>Begin anew</Button>
          </Wrap>
        </Box>
      )}
      <Refused />
    </Section>
  )
}
