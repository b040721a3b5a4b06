'use client'

import { Alert, Button } from '@mui/material'
import { useEffect, useState } from 'react'
import { clockAt } from '@/core/jobs/clock'
import { lightWords } from '@/core/jobs/light'
import { differencesBetween } from '@/core/jobs/replan'
import { sheetFor, type SheetLine, whereIn } from '@/core/jobs/sheet'
import { peopleIn } from '@/core/jobs/warnings'
import { keepPages, keepThisPage } from '@/offline/keep-page'
import type { SentView } from '@/server/jobs'
import { Choice } from '@/ui/Choice'
import { linkTo, useAddress } from '@/ui/address'
import { BackLink, LinkButton, TallLink } from '@/ui/links'
import { usePeople } from '@/ui/people'
import { Eyebrow, Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { Change, rescueQuery } from '../jobs/[job]/sheet/SheetView'
import { useFreshView, useJobDay } from '../jobs/use-job-day'
import { OnTheDay } from './OnTheDay'
import { Box, Typography } from '@/ui/elements'

/** Rescues for what is in the hand, with what is likeliest at this scene first. */
const helpAt = (job: string, line: SheetLine): Readonly<Record<string, string>> => ({
  ...rescueQuery(job, line),
  likely: line.troubles.map(t => t.symptom).join(','),
})

/** What is put in hand for a stranger's ten minutes, and for the way back. */
const handed = ({ unit, standard }: SheetLine): Readonly<Record<string, string>> => ({
  ...(unit ? { unit: unit.id } : {}),
  ...(standard && !standard.isGuided ? { standard: standard.id } : {}),
})

/** The time, looked at every few seconds. */
const useNow = (): number => {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 5000)
    return () => clearInterval(timer)
  }, [])
  return now
}

/** Scenes whose rescues are kept ahead. */
const MOST_RESCUES = 6

/** In the tent: what is on, what comes next, and what to change between, with one thumb. */
export const Now = ({ view: sent, asked }: { view: SentView; asked: string | undefined }) => {
  const { view, isExact } = useFreshView(sent)
  const { job } = view
  const { facts, happened, planned, happen, takeBack, waiting, refused } = useJobDay(
    view,
    isExact ? 'none' : 'whatever comes',
  )
  const { person: me } = usePeople()
  const { params, set } = useAddress()
  const people = peopleIn(planned.plan)
  const chosen = params.get('person') ?? asked
  const person = people.find(p => p.id === chosen)?.id ?? people.find(p => p.id === me?.id)?.id ?? people[0]?.id
  const now = useNow()
  const [asOpenedAt] = useState(now)
  useEffect(() => keepThisPage(), [])
  const sheet = sheetFor(job, facts, planned, happened, person ?? '')
  // What helps when it goes wrong, and how to hand it over, is at hand for the scenes to come, also where there is no network by then.
  const ahead = sheet.lines
    .filter(l => l.ends > asOpenedAt)
    .slice(0, MOST_RESCUES)
    .flatMap(l => [
      linkTo('/work/rescues', params, helpAt(job.id, l)),
      ...(l.body === undefined ? [] : [linkTo(`/set/controls/${l.body}`, params, handed(l))]),
    ])
  const rescues = [...new Set(ahead)].join('\n')
  useEffect(() => (rescues ? keepPages(rescues.split('\n')) : undefined), [rescues])
  const isDone = (line: SheetLine) => planned.standing.scenes.some(s => s.id === line.scene && s.isDone)
  const open = sheet.lines.filter(l => !isDone(l) && l.ends > now)
  const current = open.find(l => l.begins <= now)
  const [next, ...later] = open.filter(l => l !== current)
  const clock = (at: number) => clockAt(at, job.timeZone).time
  const today = clockAt(now, job.timeZone).day
  const differences = planned.former
    ? differencesBetween(planned.former.plan, planned.plan, clock).filter(d => d.person === person)
    : []
  const past = sheet.lines.filter(l => isDone(l) || l.ends <= now)
  const shown = current ?? next
  return (
    <Page sx={{ maxWidth: 'var(--narrow)' }}>
      <BackLink to={`/work/jobs/${job.id}`}>{job.name}</BackLink>
      <Wrap sx={{ alignItems: 'center', justifyContent: 'space-between', mb: 1.5 }}>
        <Typography variant="h1">
          <Typography component="span" variant="figure" sx={{ fontSize: '1.6rem' }}>
            {clock(now)}
          </Typography>
        </Typography>
        <Choice
          label="Who"
          value={person ?? ''}
          onChange={value => set({ person: value })}
          sx={{ minWidth: 'var(--field-short)' }}
          options={people}
        />
      </Wrap>
      {waiting > 0 && (
        <Alert severity="info" sx={{ mb: 1.5 }}>
          {waiting === 1 ? 'One thing waits' : `${waiting} things wait`} for the network; it is safe here, and planned
          with.
        </Alert>
      )}
      {refused.map(e => (
        <Trouble key={e.id} words={`Not taken: ${e.words}. ${e.remark?.words ?? ''}`} sx={{ mb: 1 }} />
      ))}
      {differences.length > 0 && planned.former && Date.parse(planned.former.by.at) > now - 12 * 3600_000 && (
        <Alert severity="warning" sx={{ mb: 1.5 }}>
          {differences.map(d => (
            <Box key={d.words}>{d.words}</Box>
          ))}
        </Alert>
      )}
      {current && <Scene title="Now" line={current} clock={clock} now={now} today={today} />}
      {next && <Scene title="Next" line={next} clock={clock} now={now} today={today} withChange />}
      {!shown && <Typography>Nothing more to come. Thank you.</Typography>}
      {shown && (
        <Wrap sx={{ mt: 2 }}>
          <LinkButton isTall variant="contained" to="/work/rescues" more={helpAt(job.id, shown)}>
            What is going wrong?
          </LinkButton>
          {shown.body !== undefined && shown.unit && (
            <LinkButton isTall to={`/set/controls/${shown.body}`} more={handed(shown)}>
              Hand it over
            </LinkButton>
          )}
        </Wrap>
      )}
      {shown && <OnTheDay key={shown.key} line={shown} job={job} planned={planned} onHappen={happen} person={person} />}
      {later.length > 0 && (
        <Section title="Then">
          <PlainList component="ol">
            {later.map(l => (
              <Box component="li" key={l.key} sx={{ py: 0.75, borderBottom: 1, borderColor: 'divider' }}>
                <Typography variant="value">{l.from}</Typography> {l.name}
                <Typography component="span" variant="body2" color="textSecondary">
                  {' '}
                  {[l.day === shown?.day ? '' : l.day, l.unit?.tag, whereIn(l)].filter(Boolean).join(', ')}
                </Typography>
              </Box>
            ))}
          </PlainList>
        </Section>
      )}
      {past.length > 0 && (
        <Section title="Before">
          <PlainList component="ol">
            {past.map(l => (
              <li key={l.key}>
                <Typography variant="value">{l.from}</Typography> {l.name}
              </li>
            ))}
          </PlainList>
        </Section>
      )}
      <Happened happened={happened} names={facts.people} onTakeBack={takeBack} clock={clock} planned={planned} />
      <Typography variant="body2" sx={{ mt: 2 }}>
        <TallLink to={`/work/jobs/${job.id}/sheet`} more={person === undefined ? {} : { person }}>
          The whole call sheet
        </TallLink>
      </Typography>
    </Page>
  )
}

const minutesTo = (ms: number): string => {
  const minutes = Math.max(0, Math.round(ms / 60_000))
  return minutes < 90 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`
}

const Scene = ({
  title,
  line,
  clock,
  now,
  today,
  withChange = false,
}: {
  title: string
  line: SheetLine
  clock: (at: number) => string
  now: number
  /** By the clock of the place. */
  today: string
  withChange?: boolean
}) => (
  <Box
    component="section"
    aria-label={title}
    sx={{ borderLeft: 4, borderColor: title === 'Now' ? 'own.marigold.main' : 'divider', pl: 2, py: 0.5, mb: 2 }}
  >
    <Eyebrow component="h2">
      {title} · {line.day === today ? '' : `${line.day}, `}
      {clock(line.begins)} ·{' '}
      {title === 'Now' ? `${minutesTo(line.ends - now)} left` : `in ${minutesTo(line.begins - now)}`}
    </Eyebrow>
    <Typography variant="h2" component="p" sx={{ m: 0 }}>
      {line.name}
    </Typography>
    <Typography color="textSecondary">{line.place}</Typography>
    <Typography sx={{ mt: 0.5 }}>
      <strong>{line.unit?.tag ?? 'No camera'}</strong>
      {line.lens && `, ${line.lens}`}
      {whereIn(line) && (
        <>
          {', '}
          <strong>{whereIn(line)}</strong>
        </>
      )}
    </Typography>
    <Typography variant="body2">{line.standard?.name}</Typography>
    {withChange && line.change.length === 0 && line.unit && (
      <Typography variant="body2">Nothing to change on it.</Typography>
    )}
    {withChange && <Change line={line} />}
    {line.limiter && <Typography variant="body2">Lens: {line.limiter}.</Typography>}
    {line.light?.advice && <Typography variant="body2">Light: {lightWords(line.light)}</Typography>}
  </Box>
)

const WHAT: Readonly<Record<string, string>> = {
  moved: 'moved',
  dropped: 'dropped',
  restored: 'is played after all',
  done: 'is over',
  failed: 'failed',
  mended: 'is back',
}

/** The last things that were said, to be taken back where a thumb slipped. */
const Happened = ({
  happened,
  names,
  onTakeBack,
  clock,
  planned,
}: {
  happened: ReturnType<typeof useJobDay>['happened']
  names: readonly { readonly id: string; readonly name: string }[]
  onTakeBack: ReturnType<typeof useJobDay>['takeBack']
  clock: (at: number) => string
  planned: ReturnType<typeof useJobDay>['planned']
}) => {
  const recent = happened
    .filter(h => h.what.kind in WHAT)
    .toSorted((a, b) => b.at.localeCompare(a.at))
    .slice(0, 5)
  if (recent.length === 0) return null
  return (
    <Section title="What happened">
      <PlainList component="ul">
        {recent.map(h => {
          const { what } = h
          const about =
            'scene' in what
              ? planned.standing.scenes.find(s => s.id === what.scene)?.name
              : 'unit' in what
                ? (planned.plan.stations.find(s => s.unit?.id === what.unit)?.unit?.tag ?? what.unit?.toUpperCase())
                : ''
          return (
            <Box
              component="li"
              key={h.id}
              sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', gap: 1 }}
            >
              <Typography variant="body2">
                {clock(Date.parse(h.at))} {about} {WHAT[what.kind]}
                {what.kind === 'moved' && ` to ${what.at}`}
                {h.by && `, ${names.find(p => p.id === h.by)?.name ?? h.by}`}
              </Typography>
              <Button
                size="small"
                onClick={() => onTakeBack(h)}
                sx={{ minHeight: 'var(--touch)', whiteSpace: 'nowrap' }}
              >
                Take back
              </Button>
            </Box>
          )
        })}
      </PlainList>
    </Section>
  )
}
