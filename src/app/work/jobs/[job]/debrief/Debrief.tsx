'use client'

import { Button, TextField } from '@mui/material'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import type { DebriefView } from '@/server/jobs'
import { Choice } from '@/ui/Choice'
import { BackLink, TallLink } from '@/ui/links'
import { Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { usePeople } from '@/ui/people'
import { When } from '@/ui/When'
import { useHappen } from '../../use-happen'
import { Box, Typography } from '@/ui/elements'

/** What a job taught, and what to do about it. */
export const Debrief = ({ view }: { view: DebriefView }) => {
  const { job, debrief } = view
  const { rescues, toWrite, missed, notes, changes, scenes } = debrief
  const isEmpty = [rescues, missed, notes, changes, view.signed, view.touched].every(l => l.length === 0)
  return (
    <Page sx={{ maxWidth: 'var(--line)' }}>
      <BackLink to={`/work/jobs/${job.id}`}>{job.name}</BackLink>
      <Typography variant="h1">Debrief</Typography>
      <Typography sx={{ mt: 0.5 }}>
        {scenes.done} {scenes.done === 1 ? 'scene is' : 'scenes are'} over, {scenes.dropped} dropped, {scenes.open}{' '}
        still open.
      </Typography>
      {isEmpty && <Typography sx={{ mt: 1 }}>Nothing was said on the day yet.</Typography>}
      {toWrite.length > 0 && (
        <Section title="To write into the standard">
          <PlainList component="ul">
            {toWrite.map(w => (
              <Box component="li" key={`${w.standard} ${w.dimension}`} sx={{ py: 1 }}>
                <strong>
                  {w.name}: {w.words}
                </strong>
                , needed {w.times} times. {w.why}
                <Typography variant="body2">
                  <TallLink
                    to={`/decide/standards/${w.standard.split('@')[0] ?? w.standard}`}
                    more={{ target: w.dimension }}
                  >
                    Open it in {w.name}
                  </TallLink>
                </Typography>
              </Box>
            ))}
          </PlainList>
        </Section>
      )}
      {rescues.length > 0 && (
        <Section title="Rescues that were used">
          <PlainList component="ul">
            {rescues.map(r => (
              <li key={`${r.scene} ${r.symptom}`}>
                {r.sceneName}: {r.label}, {r.times === 1 ? 'once' : `${r.times} times`} ({r.by.join(', ')})
              </li>
            ))}
          </PlainList>
        </Section>
      )}
      <Missing job={job.id} missed={missed} people={view.people} />
      {notes.length > 0 && (
        <Section title="Notes">
          <PlainList component="ul">
            {notes.map(n => (
              <li key={`${n.at} ${n.words}`}>
                {n.scene && `${n.scene}: `}
                {n.words}
                {n.by && ` (${n.by})`}
              </li>
            ))}
          </PlainList>
        </Section>
      )}
      {changes.length > 0 && (
        <Section title="Changed on the day">
          <PlainList component="ul">
            {changes.map(c => (
              <li key={`${c.at} ${c.words}`}>
                <When at={c.at} />: {c.words}
                {c.by && ` (${c.by})`}
              </li>
            ))}
          </PlainList>
        </Section>
      )}
      {view.signed.length > 0 && (
        <Section title="Signed">
          <PlainList component="ul">
            {view.signed.map(s => (
              <li key={`${s.tag} ${s.at}`}>
                {s.tag} for {s.standard}, version {s.version}
                {s.by && `, ${s.by}`}, <When at={s.at} />
              </li>
            ))}
          </PlainList>
        </Section>
      )}
      {view.touched.length > 0 && (
        <Section title="What else happened to cameras">
          <PlainList component="ul">
            {view.touched.map(s => (
              <li key={`${s.tag} ${s.at} ${s.words}`}>
                {s.tag}: {s.words}
                {s.by && `, ${s.by}`}, <When at={s.at} />
              </li>
            ))}
          </PlainList>
        </Section>
      )}
      {view.audits.length + view.trials.length > 0 && (
        <Section title="What pictures and trials say">
          <PlainList component="ul">
            {view.audits.map(a => (
              <li key={`a${a.id}`}>
                <TallLink to={`/prove/audit/${a.id}`}>{a.name}</TallLink>: {a.words}
              </li>
            ))}
            {view.trials.map(t => (
              <li key={`t${t.id}`}>
                <TallLink to={`/prove/trials/${t.id}`}>{t.name}</TallLink>: {t.words}
              </li>
            ))}
          </PlainList>
        </Section>
      )}
    </Page>
  )
}

/** Who was missing what, and a place to say so. */
const Missing = ({
  job,
  missed,
  people,
}: {
  job: string
  missed: DebriefView['debrief']['missed']
  people: DebriefView['people']
}) => {
  const { person } = usePeople()
  const { happen, waiting } = useHappen(job)
  const router = useRouter()
  const [who, setWho] = useState<string>()
  const [words, setWords] = useState('')
  const [isSent, setIsSent] = useState(false)
  // Once the server has it, it stands in the list.
  useEffect(() => {
    if (isSent && waiting === 0) router.refresh()
  }, [isSent, waiting, router])
  const whom = who ?? person?.id ?? people[0]?.id ?? ''
  return (
    <Section title="Who was missing what">
      <PlainList component="ul" sx={{ mb: 1.5 }}>
        {missed.map(m => (
          <li key={`${m.at} ${m.words}`}>
            {m.who}: {m.words}
          </li>
        ))}
      </PlainList>
      <Wrap sx={{ alignItems: 'center' }}>
        <Choice label="Who" value={whom} onChange={setWho} sx={{ minWidth: 'var(--field-short)' }} options={people} />
        <TextField
          size="small"
          label="What was missing"
          value={words}
          onChange={e => setWords(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 400 } }}
          sx={{ minWidth: 'var(--field)' }}
        />
        <Button
          variant="outlined"
          disabled={!words.trim() || !whom}
          onClick={() => {
            happen({ kind: 'missed', who: whom, words: words.trim() })
            setWords('')
            setIsSent(true)
          }}
        >
          Add it
        </Button>
      </Wrap>
      {waiting > 0 && <Typography variant="body2">{waiting} wait for the network; they are safe here.</Typography>}
    </Section>
  )
}
