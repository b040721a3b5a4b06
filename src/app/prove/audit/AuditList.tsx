import type { AuditHeading } from '@/server/audits'
import { LinkButton } from '@/ui/links'
import { Empty, Page, PlainList, RowLink, Wrap } from '@/ui/pieces'
import { When } from '@/ui/When'
import { Typography } from '@/ui/elements'

/** Audits of jobs by their pictures, newest first. */
export const AuditList = ({ audits }: { audits: readonly AuditHeading[] }) => (
  <Page>
    <Typography variant="h1">Audit</Typography>
    <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
      Every picture says how the camera was set when it was taken. Drop those of a job: see what was really set, where
      it drifted and since when, and what to talk about afterwards.
    </Typography>
    <Wrap sx={{ mb: 2 }}>
      <LinkButton to="/prove/audit/new" variant="contained">
        Audit pictures
      </LinkButton>
      <LinkButton to="/prove/audit/clock">Clock page</LinkButton>
    </Wrap>
    {audits.length === 0 && <Empty>No audit yet. The first takes a folder of pictures and a minute.</Empty>}
    <PlainList component="ul">
      {audits.map(a => (
        <li key={a.id}>
          <RowLink to={`/prove/audit/${a.id}`}>
            <span>
              <Typography component="span" variant="strong" sx={{ display: 'block' }}>
                {a.name}
              </Typography>
              <Typography component="span" sx={{ display: 'block' }}>
                {a.pictures} {a.pictures === 1 ? 'picture' : 'pictures'} of {a.cameras}{' '}
                {a.cameras === 1 ? 'camera' : 'cameras'}
                {a.from && (
                  <>
                    , from <When at={a.from} />
                  </>
                )}
              </Typography>
              <Typography component="span" variant="body2" color="textSecondary">
                {a.person && `${a.person}, `}
                <When at={a.at} />
                {a.isTakenOver && ', taken over into the lives of its cameras'}
              </Typography>
            </span>
          </RowLink>
        </li>
      ))}
    </PlainList>
  </Page>
)
