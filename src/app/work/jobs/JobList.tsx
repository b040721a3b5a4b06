import type { JobHeading } from '@/server/jobs'
import { Empty, Page, PlainList, RowLink, Section } from '@/ui/pieces'
import { TakeFile } from '@/ui/TakeFile'
import { Typography } from '@/ui/elements'
import { NewJob } from './NewJob'

/** Every job, and a new one. */
export const JobList = ({ jobs }: { jobs: readonly JobHeading[] }) => {
  return (
    <Page>
      <Typography variant="h1">Jobs</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        A day, its scenes, and who covers what. Coherion works out who takes which camera, what goes into its slots, and
        what is changed between two scenes.
      </Typography>
      {jobs.length === 0 && <Empty>No job yet. It takes a name and a day; scenes come from a list.</Empty>}
      <PlainList component="ul" sx={{ maxWidth: 'var(--line)' }}>
        {jobs.map(j => (
          <li key={j.id}>
            <RowLink to={`/work/jobs/${j.id}`}>
              <span>
                <Typography component="span" variant="strong" sx={{ display: 'block' }}>
                  {j.name}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary">
                  from {j.day}, {j.scenes} {j.scenes === 1 ? 'scene' : 'scenes'}
                </Typography>
              </span>
            </RowLink>
          </li>
        ))}
      </PlainList>
      <NewJob />
      <Section title="From a file">
        <TakeFile label="Read a job from a file" to={{ address: '/api/v1/jobs', view: '/work/jobs' }} />
      </Section>
    </Page>
  )
}
