import type { TrialHeading } from '@/server/trials'
import { LinkButton } from '@/ui/links'
import { Empty, Page, PlainList, RowLink, Wrap } from '@/ui/pieces'
import { TakeFile } from '@/ui/TakeFile'
import { When } from '@/ui/When'
import { Typography } from '@/ui/elements'

/** Trials of ways to set a camera: those there are, with what each says so far, and a new one. */
export const TrialList = ({ trials }: { trials: readonly TrialHeading[] }) => {
  return (
    <Page>
      <Typography variant="h1">Trials</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        Two ways to set a camera, and people who disagree: plan how many passes it takes to tell, count them where it
        happens, and read what can be said.
      </Typography>
      <Wrap sx={{ mb: 2 }}>
        <LinkButton to="/prove/trials/new" variant="contained">
          Plan a trial
        </LinkButton>
        <TakeFile label="Read a trial from a file" to={{ address: '/api/v1/trials', view: '/prove/trials' }} />
      </Wrap>
      {trials.length === 0 && <Empty>No trial yet. The first is planned in a minute.</Empty>}
      <PlainList component="ul">
        {trials.map(t => (
          <li key={t.id}>
            <RowLink to={`/prove/trials/${t.id}`}>
              <span>
                <Typography component="span" variant="strong" sx={{ display: 'block' }}>
                  {t.name}
                </Typography>
                <Typography component="span" sx={{ display: 'block', maxWidth: 'var(--line)' }}>
                  {t.says}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary">
                  {t.counted} of {t.planned} passes{t.person && `, ${t.person}`}, <When at={t.at} />
                </Typography>
              </span>
            </RowLink>
          </li>
        ))}
      </PlainList>
    </Page>
  )
}
