'use client'

import { Button } from '@mui/material'
import { styled } from '@mui/material/styles'
import { distanceWords } from '@/core/lenses/distance'
import { type Lens, lensWarnings, turnsAgainst } from '@/core/lenses/schema'
import { FileImport } from '@/ui/FileImport'
import { Empty, Page, PlainList, Wrap } from '@/ui/pieces'
import { PutAway, type PutAwayThing } from '@/ui/PutAway'
import { KeptLink, LinkButton } from '@/ui/links'
import { useUnits } from '@/ui/units'
import { UnitsSwitch } from '@/ui/UnitsSwitch'
import { apertureWords, focalWords } from './lens-words'
import { Box, Typography } from '@/ui/elements'

const Item = styled(KeptLink)(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(240px, 1.3fr) 130px 150px 1fr',
  gap: theme.spacing(0.5, 3),
  alignItems: 'baseline',
  padding: theme.spacing(1.5, 1),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  color: 'inherit',
  textDecoration: 'none',
  '&:hover': { background: theme.vars?.palette.own.marigold.wash },
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '1fr' },
}))

/** Every lens the team has written down. */
export const LensList = ({
  lenses,
  tags,
  putAway,
}: {
  lenses: readonly Lens[]
  tags: Readonly<Record<string, readonly string[]>>
  putAway: readonly PutAwayThing[]
}) => {
  const [units] = useUnits()
  const against = turnsAgainst(lenses)
  return (
    <Page>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', justifyContent: 'space-between', gap: 2, mb: 1 }}>
        <Typography variant="h1">Lenses</Typography>
        <Wrap sx={{ alignItems: 'flex-start' }}>
          <UnitsSwitch />
          {lenses.length > 0 && (
            <Button href={`/api/v1/bundle?lenses=${lenses.map(l => l.id).join(',')}&bodies=`}>
              Save all as one file
            </Button>
          )}
          <FileImport kind="bodies" label="Add lenses from files" />
          <LinkButton to="/name/lenses/new" variant="contained">
            New lens
          </LinkButton>
        </Wrap>
      </Box>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        Distances count from the sensor plane mark on the body, not from the front of the lens.
      </Typography>
      {lenses.length === 0 && (
        <Empty>No lens yet. Begin one with its name and the marks on its barrel, or take it from a file.</Empty>
      )}
      <PlainList component="ul" sx={{ borderTop: 1, borderColor: 'divider' }}>
        {lenses.map(l => {
          const warnings = lensWarnings(l)
          return (
            <li key={l.id}>
              <Item to={`/name/lenses/${l.id}`}>
                <span>
                  <Typography variant="strong" component="span" sx={{ display: 'block' }}>
                    {l.model}
                  </Typography>
                  <Typography component="span" variant="body2" color="textSecondary">
                    {l.maker} · {(tags[l.id] ?? []).join(', ') || 'no unit'}
                  </Typography>
                </span>
                <Typography variant="value" component="span">
                  {focalWords(l)} {apertureWords(l)}
                </Typography>
                <Typography variant="value" component="span">
                  from {distanceWords(l.closest.metres, units)}
                </Typography>
                <Typography component="span" variant="body2" color={warnings.length ? 'secondary' : 'textSecondary'}>
                  {[
                    ...(l.limiter.length ? [`limiter: ${l.limiter.map(p => p.label).join(', ')}`] : []),
                    ...(against.has(l.id) ? ['ring turns against most others'] : []),
                    ...(warnings.length ? ['its distances disagree'] : []),
                  ].join(' · ')}
                </Typography>
              </Item>
            </li>
          )
        })}
      </PlainList>
      <PutAway things={putAway} at={['PATCH', '/api/v1/lenses/{id}']} />
    </Page>
  )
}
