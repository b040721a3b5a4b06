'use client'

import { useEffect, useMemo } from 'react'
import { lightWords } from '@/core/jobs/light'
import { changedWords, sheetFor, type SheetLine, whereIn } from '@/core/jobs/sheet'
import { keepThisPage } from '@/offline/keep-page'
import type { SentView } from '@/server/jobs'
import { BackLink, LinkButton, TallLink } from '@/ui/links'
import { CautionNote, Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { useFreshView, useJobDay } from '../../use-job-day'
import { PrintSheets } from '../PrintSheets'
import { Box, Typography } from '@/ui/elements'

/** A call sheet on the phone: when, where, with what, in which slot, what the thumb does, and three likely troubles. */
export const SheetView = ({ view: sent, person }: { view: SentView; person: string | undefined }) => {
  const { view, isExact } = useFreshView(sent)
  const { job } = view
  const { facts, happened, planned } = useJobDay(view, isExact ? 'none' : 'whatever comes')
  const sheet = useMemo(() => sheetFor(job, facts, planned, happened, person), [job, facts, planned, happened, person])
  useEffect(() => keepThisPage(), [])
  return (
    <Page sx={{ maxWidth: 'var(--line)' }}>
      <BackLink to={`/work/jobs/${job.id}`}>{job.name}</BackLink>
      <Typography variant="h1">{sheet.who?.name ?? 'Everybody'}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        The maker’s manual, the venue’s rules and the safety officer go first. A focus plan never decides where a person
        stands.
      </Typography>
      <Wrap>
        <LinkButton
          variant="contained"
          to="/work/now"
          more={{ job: job.id, ...(person === undefined ? {} : { person }) }}
        >
          Now and next
        </LinkButton>
        <PrintSheets
          job={job.id}
          document={job}
          facts={facts}
          planned={planned}
          happened={happened}
          {...(person === undefined ? {} : { person })}
        />
      </Wrap>
      {sheet.lines.length === 0 && <Typography sx={{ mt: 2 }}>Nothing to cover.</Typography>}
      {sheet.prepare.length > 0 && (
        <Section title="At home">
          <PlainList component="ul">
            {sheet.prepare.map((p, i) => (
              <Box component="li" key={`${p.tag} ${i}`} sx={{ py: 0.75 }}>
                <strong>{p.tag}</strong> ({p.body}), {p.day}: begins with {p.first}.
                {p.slots.length > 0 && ` In the slots: ${p.slots.join('; ')}.`}
                {p.keys.length > 0 && ` On keys: ${p.keys.join('; ')}.`}
                {p.areas.length > 1 && ` Areas on the button: ${p.areas.join(', ')}.`}
              </Box>
            ))}
          </PlainList>
          {sheet.thumb && <Typography sx={{ mt: 1 }}>{sheet.thumb}</Typography>}
          {person !== undefined && <Cautions cautions={sheet.cautions} />}
        </Section>
      )}
      {sheet.lines.map((line, i) => {
        const isNewDay = sheet.lines[i - 1]?.day !== line.day
        return (
          <Box key={line.key}>
            {isNewDay && (
              <Typography variant="h2" sx={{ mt: 4, mb: 1 }}>
                {line.day}
              </Typography>
            )}
            <Line job={job.id} line={line} isForAll={person === undefined} />
          </Box>
        )
      })}
    </Page>
  )
}

const Line = ({ job, line, isForAll }: { job: string; line: SheetLine; isForAll: boolean }) => (
  <Box component="section" aria-label={line.name} sx={{ py: 2, borderBottom: 1, borderColor: 'divider' }}>
    <Typography variant="h3">
      <Typography variant="figure" component="span">
        {line.from}
      </Typography>{' '}
      {line.name}
    </Typography>
    <Typography variant="body2" color="textSecondary">
      until {line.until}
      {line.place && `, ${line.place}`}
      {isForAll && `, ${line.who}`}
    </Typography>
    {line.printed !== undefined && (
      <Typography variant="body2" sx={{ color: 'own.label', fontWeight: 'fontWeightMedium' }}>
        {changedWords(line.printed)}
      </Typography>
    )}
    <Typography sx={{ mt: 0.5 }}>
      <strong>{line.unit ? `${line.unit.tag} (${line.unit.model})` : 'No camera'}</strong>
      {line.lens && `, ${line.lens}`}
      {line.standard && `. ${line.standard.name}${line.standard.isGuided ? ', as the guide answers' : ''}`}
      {whereIn(line) && `, ${whereIn(line)}`}.
    </Typography>
    <Change line={line} />
    {!isForAll && (
      <>
        {line.thumb && <Typography variant="body2">Thumb: {line.thumb}</Typography>}
        {line.limiter && <Typography variant="body2">Lens: {line.limiter}.</Typography>}
        {line.light && <Typography variant="body2">Light: {lightWords(line.light)}</Typography>}
        {line.notes && <Typography variant="body2">{line.notes}</Typography>}
        <Troubles job={job} line={line} />
        <Cautions cautions={line.cautions} />
      </>
    )}
  </Box>
)

const Cautions = ({ cautions }: { cautions: SheetLine['cautions'] }) =>
  cautions.length === 0 ? null : (
    <Box sx={{ display: 'grid', gap: 1, mt: 1 }}>
      {cautions.map(c => (
        <CautionNote key={c.words} caution={{ id: c.words, dimensions: [], ...c }} />
      ))}
    </Box>
  )

/** What is done to the camera before a scene. */
export const Change = ({ line }: { line: SheetLine }) =>
  line.change.length === 0 ? null : (
    <Box sx={{ mt: 0.5 }}>
      <Typography variant="body2" color="textSecondary">
        Before it{line.isLate && ', and there is hardly time'}:
      </Typography>
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        {line.change.map(c => (
          <li key={c}>{c}</li>
        ))}
      </Box>
    </Box>
  )

/** What is likeliest to go wrong, and what helps this second. */
const Troubles = ({ job, line }: { job: string; line: SheetLine }) => (
  <PlainList component="ul" sx={{ mt: 1 }} aria-label="Likely troubles">
    {line.troubles.map(t => (
      <li key={t.symptom}>
        <TallLink to="/work/rescues" more={rescueQuery(job, line, t.symptom)}>
          {t.label}?
        </TallLink>{' '}
        {t.now}
      </li>
    ))}
  </PlainList>
)

/** Rescues for what is in the hand at a scene. */
export const rescueQuery = (job: string, line: SheetLine, symptom?: string): Readonly<Record<string, string>> => ({
  ...(line.body === undefined ? {} : { body: line.body }),
  ...(line.unit ? { unit: line.unit.id } : {}),
  ...(line.standard && !line.standard.isGuided ? { standard: line.standard.id } : {}),
  ...(line.standard?.for ? { for: line.standard.for } : {}),
  job,
  scene: line.scene,
  ...(symptom === undefined ? {} : { symptom }),
})
