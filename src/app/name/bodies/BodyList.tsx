import { Button } from '@mui/material'
import type { BodySummary } from '@/server/bodies'
import { FileImport } from '@/ui/FileImport'
import { Empty, Page, PlainList, RowLink, Wrap } from '@/ui/pieces'
import { PutAway, type PutAwayThing } from '@/ui/PutAway'
import { LinkButton } from '@/ui/links'
import { Box, Typography } from '@/ui/elements'

const ROW = {
  gridTemplateColumns: { xs: '1fr', sm: 'minmax(140px, 200px) 1fr 290px' },
  columnGap: 3,
  rowGap: 0.5,
  alignItems: 'baseline',
  px: 1,
  py: 2,
} as const

const FINDER = { optical: 'optical finder', electronic: 'electronic finder', 'screen-only': 'screen only' } as const

/** Every body the team has a profile of. */
export const BodyList = ({ bodies, putAway }: { bodies: readonly BodySummary[]; putAway: readonly PutAwayThing[] }) => {
  return (
    <Page>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', justifyContent: 'space-between', gap: 2, mb: 2 }}>
        <Typography variant="h1">Bodies</Typography>
        <Wrap sx={{ alignItems: 'flex-start' }}>
          {bodies.length > 0 && <Button href="/api/v1/bundle">Save all as one file</Button>}
          <FileImport kind="bodies" label="Add bodies from files" />
          <LinkButton to="/name/bodies/new" variant="contained">
            New body
          </LinkButton>
        </Wrap>
      </Box>
      {bodies.length === 0 && (
        <Empty>No body yet. Begin one with “New body”: paste its menu, or take it from a file.</Empty>
      )}
      <PlainList component="ul" sx={{ borderTop: 1, borderColor: 'divider' }}>
        {bodies.map(b => (
          <li key={b.id}>
            <RowLink to={`/name/bodies/${b.id}`} sx={ROW}>
              <span>
                <Typography variant="h2" component="span" sx={{ display: 'block' }}>
                  {b.model}
                </Typography>
                <Typography color="textSecondary" component="span">
                  {b.maker}
                </Typography>
              </span>
              <Typography component="span">{b.about}</Typography>
              <Typography variant="value" color="textSecondary" component="span">
                {b.isDraft ? 'draft, contradicts itself · ' : ''}
                {b.undecided > 0 ? `${b.undecided} of ` : ''}
                {b.settings} settings{b.undecided > 0 ? ' undecided' : ''} · {FINDER[b.viewfinder]}
                <br />
                {b.units.length === 0 ? 'no unit' : b.units.map(u => u.tag).join(', ')}
              </Typography>
            </RowLink>
          </li>
        ))}
      </PlainList>
      <PutAway things={putAway} at={['PUT', '/api/v1/bodies/{id}/archived']} />
    </Page>
  )
}
