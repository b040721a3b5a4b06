'use client'

import { Button } from '@mui/material'
import { nanoid } from 'nanoid'
import { useEffect } from 'react'
import { DRILLS } from '@/core/drills/drills'
import { PASSAGES } from '@/core/rehearsal/passages'
import { findDimension } from '@/core/vocabulary/dimensions'
import type { LessonPage, LessonRow } from '@/server/classes'
import { keepThisPage } from '@/offline/keep-page'
import { useAddress } from '@/ui/address'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { LinkButton, TallLink } from '@/ui/links'
import { MenuPath, Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { usePeople } from '@/ui/people'
import { Trouble } from '@/ui/Trouble'
import { useFetched } from '@/ui/use-fetched'
import { useSend } from '@/ui/use-send'
import { tryWords } from '../../../drills/words'
import { cellWords } from '../ClassBoard'
import { CountOutdoors } from './CountOutdoors'
import { Box, Typography } from '@/ui/elements'

/** One lesson of one student: read, see, set, drill, go outdoors. */
export const LessonView = ({ page: asOpened }: { page: LessonPage }) => {
  // A page that was kept shows how far things were; how far they are by now comes as soon as there is network.
  const asked = new URLSearchParams({ student: asOpened.student.id, lesson: asOpened.lesson.id })
  const { value: now, again } = useFetched<LessonPage>({
    address: `/api/v1/classes/${asOpened.classId}/lessons?${asked}`,
    at: JSON.stringify(asOpened.student.progress),
  })
  const page = now ?? asOpened
  const { lesson, student, course, classId } = page
  const { lessons, current } = student.progress
  const index = course.lessons.findIndex(l => l.id === lesson.id)
  const state = lessons[index]
  const next = course.lessons[index + 1]
  // The lesson stays in view when it is passed, although the student is at the next one by then.
  const { params, set } = useAddress()
  const isNamed = params.has('lesson')
  useEffect(() => {
    if (!isNamed) set({ lesson: lesson.id })
    // Outdoors there may be no network.
    else return keepThisPage()
  }, [isNamed, lesson.id, set])
  return (
    <Page>
      <Typography variant="body2">
        <TallLink to={`/practise/class/${classId}`}>{page.className}</TallLink>
      </Typography>
      <Typography variant="h1">
        {index + 1}&ensp;{lesson.title}
      </Typography>
      <Typography sx={{ mt: 0.5 }} color="textSecondary">
        {student.name}
        {student.body && `, ${student.body.name}`}
        {state?.isPassed && (state.by === 'word' ? `, passed by ${state.word}’s word` : ', passed')}
      </Typography>
      <Box
        sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) var(--side-narrow)' }, gap: 4 }}
      >
        <Box>
          <Section title="Read">
            <Typography sx={{ maxWidth: 'var(--line)' }}>{lesson.read.words}</Typography>
            <Wrap sx={{ gap: 2 }}>
              {lesson.read.concepts.map(id => (
                <TallLink key={id} to={`/name/phrasebook/${id}`}>
                  {findDimension(id)?.label ?? id}
                </TallLink>
              ))}
            </Wrap>
          </Section>
          {lesson.see && <See page={page} />}
          {(page.set.length > 0 || lesson.set.length > 0) && <SetIt rows={page.set} body={student.body?.name} />}
          {lesson.drill && (
            <Section title="Drill">
              <Typography sx={{ mb: 1 }}>{page.passes}</Typography>
              {state?.best && (
                <Typography sx={{ mb: 1 }} color="textSecondary">
                  {state.tries} {state.tries === 1 ? 'try' : 'tries'}, the best: {tryWords(state.best)}.
                </Typography>
              )}
              <LinkButton
                to={`/practise/drills/${lesson.drill.drill}`}
                {...(student.body ? { more: { body: student.body.id } } : {})}
                variant="contained"
              >
                {DRILLS[lesson.drill.drill].label}
              </LinkButton>
            </Section>
          )}
          {lesson.outdoors && (
            <CountOutdoors
              classId={classId}
              student={student.id}
              lesson={lesson.id}
              outdoors={lesson.outdoors}
              counted={state?.counted}
              onHandedIn={again}
            />
          )}
          {!lesson.drill && !lesson.outdoors && <Typography sx={{ mt: 3 }}>Passed by: {page.passes}</Typography>}
          <TeacherWord page={page} />
          {state?.isPassed && next && (
            <Box sx={{ mt: 3 }}>
              <LinkButton
                to={`/practise/class/${classId}/${student.id}`}
                more={{ lesson: next.id }}
                variant="contained"
              >
                Next: {next.title}
              </LinkButton>
            </Box>
          )}
        </Box>
        <Section title="The way">
          <PlainList component="ol">
            {lessons.map((l, i) => (
              <li key={l.lesson.id}>
                <TallLink
                  to={`/practise/class/${classId}/${student.id}`}
                  more={{ lesson: l.lesson.id }}
                  aria-current={l.lesson.id === lesson.id ? 'step' : undefined}
                  style={{ fontWeight: l.lesson.id === lesson.id ? 700 : 400 }}
                >
                  {i + 1}&ensp;{l.lesson.title}
                  {l.isPassed ? ' ✓' : ''}
                </TallLink>{' '}
                {!l.isPassed && (
                  <Typography component="span" variant="body2" color="textSecondary">
                    {cellWords(l, l.lesson.id === current)}
                  </Typography>
                )}
              </li>
            ))}
          </PlainList>
        </Section>
      </Box>
    </Page>
  )
}

const See = ({ page: { lesson, student } }: { page: LessonPage }) => {
  const { see } = lesson
  const passage = PASSAGES.find(p => p.id === see?.passage)
  if (!see) return null
  return (
    <Section title="See">
      {see.words && <Typography sx={{ maxWidth: 'var(--line)', mb: 1 }}>{see.words}</Typography>}
      {passage ? (
        <LinkButton
          to="/practise/rehearsal"
          more={{
            passage: see.passage,
            ...(see.school ? { school: see.school } : {}),
            ...(see.against ? { otherSchool: see.against } : {}),
            ...(student.body ? { body: student.body.id } : {}),
          }}
          variant="outlined"
        >
          {passage.name}
        </LinkButton>
      ) : (
        <Typography>There is no scene “{see.passage}” any more.</Typography>
      )}
    </Section>
  )
}

/** The small card: only what this lesson asks of this body. */
const SetIt = ({ rows, body }: { rows: readonly LessonRow[]; body: string | undefined }) => (
  <Section title={body ? `Set on the ${body}` : 'Set'}>
    {!body && <Typography>Say which body is brought, and its rows stand here.</Typography>}
    <PlainList component="ul" sx={{ maxWidth: 'var(--line)' }}>
      {rows.map(r => (
        <Box component="li" key={r.wanted} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
          <Typography variant="body2" color="textSecondary" sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
            <AlignmentMark grade={r.grade} distance={r.distance} />
            {r.wanted}
          </Typography>
          {r.rows.map(x => (
            <Box key={x.words}>
              <Typography variant="strong">{x.words}</Typography>
              <MenuPath path={x.path} />
            </Box>
          ))}
          {r.note && (
            <Typography>
              {r.rows.length ? r.note : `Nothing to set: ${r.note || 'this body has no such thing'}.`}
            </Typography>
          )}
        </Box>
      ))}
    </PlainList>
  </Section>
)

/** Whoever teaches may pass a lesson by word, and take the word back. */
const TeacherWord = ({ page: { classId, student, lesson } }: { page: LessonPage }) => {
  const { person } = usePeople()
  const { send, problem, isBusy } = useSend()
  const given = student.words.filter(w => w.lesson === lesson.id)
  const state = student.progress.lessons.find(l => l.lesson.id === lesson.id)
  if (person?.id === student.id) return null
  const address = `/api/v1/classes/${classId}/marks`
  return (
    <Box sx={{ mt: 3 }}>
      {given.length > 0 ? (
        <Button
          variant="outlined"
          disabled={isBusy}
          onClick={() => void send('PUT', address, { id: given[0]?.id ?? '', student: student.id, isTakenBack: true })}
        >
          Take the word back
        </Button>
      ) : (
        !state?.isPassed && (
          <Button
            variant="outlined"
            disabled={isBusy}
            onClick={() =>
              void send('PUT', address, {
                id: nanoid(),
                student: student.id,
                mark: { kind: 'word', lesson: lesson.id },
              })
            }
          >
            Pass by the teacher’s word
          </Button>
        )
      )}
      <Trouble words={problem} sx={{ mt: 1.5 }} />
    </Box>
  )
}
