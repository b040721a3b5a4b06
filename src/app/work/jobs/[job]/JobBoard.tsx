'use client'

import { useMemo } from 'react'
import { clockAt } from '@/core/jobs/clock'
import { describeJobChanges, mergeJobs } from '@/core/jobs/edit'
import type { Job } from '@/core/jobs/job'
import { differencesBetween } from '@/core/jobs/replan'
import { sheetFor } from '@/core/jobs/sheet'
import { warningsOf } from '@/core/jobs/warnings'
import type { JobView, SentView } from '@/server/jobs'
import { useAddress } from '@/ui/address'
import { DraftButtons, StatusProblem, useUndoKeys } from '@/ui/DraftStatus'
import { useDraft } from '@/ui/draft/draft'
import { BackLink, LinkButton } from '@/ui/links'
import { MergeNotice } from '@/ui/MergeNotice'
import { Empty, Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { SidePanel } from '@/ui/SidePanel'
import { useFetched } from '@/ui/use-fetched'
import { useJobDay, useSentView } from '../use-job-day'
import { Cameras } from './Cameras'
import { AddScenes } from './AddScenes'
import { JobItself } from './JobItself'
import { People } from './People'
import { Places } from './Places'
import { PrintSheets } from './PrintSheets'
import { SceneEditor } from './SceneEditor'
import { Scenes } from './Scenes'
import { Warnings } from './Warnings'
import { Box, Typography } from '@/ui/elements'

/** A job: its scenes, and everything that follows of them, planned anew with every change. */
export const JobBoard = ({ view: sent }: { view: SentView }) => {
  const view = useSentView(sent)
  const draft = useDraft<Job>({
    address: `/api/v1/jobs/${view.job.id}`,
    document: view.job,
    revision: view.revision,
    merge: mergeJobs,
  })
  useUndoKeys(draft)
  const job = draft.document
  // Another standard or another person may need set-ups that nobody has worked out yet.
  const { value: now } = useFetched<JobView>(
    draft.revision === view.revision ? undefined : { address: `/api/v1/jobs/${job.id}/plan`, at: draft.revision },
  )
  const known = now ?? view
  const { facts, happened, planned, walks } = useJobDay({ ...known, job }, 'as planned')
  const { params, set } = useAddress()
  const scene = job.scenes.find(s => s.id === params.get('scene'))
  const warnings = useMemo(() => warningsOf(job, planned.standing, facts, planned.plan), [job, planned, facts])
  const sheet = useMemo(() => sheetFor(job, facts, planned, happened), [job, facts, planned, happened])
  const clock = (at: number) => clockAt(at, job.timeZone).time
  const differences = planned.former ? differencesBetween(planned.former.plan, planned.plan, clock) : []
  return (
    <Box sx={{ display: 'flex', alignItems: 'flex-start' }}>
      <Page sx={{ flex: 1, minWidth: 0 }}>
        <BackLink to="/work/jobs">All jobs</BackLink>
        <Wrap sx={{ alignItems: 'center', gap: 2, justifyContent: 'space-between' }}>
          <Typography variant="h1">{job.name}</Typography>
          <Wrap sx={{ alignItems: 'center' }}>
            <DraftButtons draft={draft} />
          </Wrap>
        </Wrap>
        <StatusProblem status={draft.status} />
        <MergeNotice draft={draft} name={job.name} mine={job} describe={describeJobChanges} />
        <Typography color="textSecondary">
          From {job.day}, by the clock of {job.timeZone}. {job.about}
        </Typography>
        <Wrap sx={{ my: 2 }}>
          <LinkButton variant="contained" to="/work/now" more={{ job: job.id }}>
            Now and next
          </LinkButton>
          <PrintSheets job={job.id} facts={facts} planned={planned} happened={happened} document={job} />
          <LinkButton to={`/work/jobs/${job.id}/debrief`}>Debrief</LinkButton>
        </Wrap>
        {differences.length > 0 && (
          <Section title="What the last change means">
            <PlainList component="ul">
              {differences.map(d => (
                <li key={d.words}>{d.words}</li>
              ))}
            </PlainList>
          </Section>
        )}
        <Section title="Scenes">
          {job.scenes.length === 0 && <Empty>No scene yet. Paste the running order below.</Empty>}
          <Scenes
            lines={sheet.lines}
            scenes={planned.standing.scenes}
            job={job}
            chosen={scene?.id}
            onScene={id => set({ scene: id })}
          />
          <Typography role="status" variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            {walks.isWorking
              ? `The fewest presses are being worked out: ${walks.done} of ${walks.of}.`
              : planned.plan.isBest
                ? 'By what is weighed nobody could have a better camera, and no other slots take fewer presses.'
                : 'By what is weighed there may be a better way; it was not found within what is looked at.'}
          </Typography>
        </Section>
        <AddScenes job={job} people={facts.people} onJob={draft.edit} />
        <Warnings warnings={warnings} job={job} facts={facts} onScene={id => set({ scene: id })} />
        <Cameras job={job} planned={planned} facts={facts} />
        <People job={job} facts={facts} planned={planned} />
        <Places job={job} onJob={draft.edit} />
        <JobItself job={job} facts={facts} hasHistory={happened.length > 0} onJob={draft.edit} />
      </Page>
      {scene && (
        <Box sx={{ position: 'sticky', top: 0, maxHeight: '100dvh', overflowY: 'auto' }}>
          <SidePanel label={scene.name} onClose={() => set({ scene: undefined })}>
            <SceneEditor
              key={scene.id}
              job={job}
              scene={scene}
              facts={facts}
              planned={planned}
              standards={view.standards}
              onJob={draft.edit}
              onGone={() => set({ scene: undefined })}
            />
          </SidePanel>
        </Box>
      )}
    </Box>
  )
}
