'use client'

import { Box, LinearProgress, Typography } from '@mui/material'
import { styled } from '@mui/material/styles'
import NextLink from 'next/link'
import { useSearchParams } from 'next/navigation'
import type { CardSummary } from '@/server/cards'
import { linkTo } from '@/ui/address'
import { Page } from '@/ui/pieces'

const Item = styled(NextLink)(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '1fr minmax(110px, 260px) 110px',
  gap: theme.spacing(0.5, 3),
  alignItems: 'center',
  minHeight: 60,
  padding: theme.spacing(1),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  color: 'inherit',
  textDecoration: 'none',
  '&:hover': { background: theme.vars?.palette.own.marigold.wash },
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '1fr 96px', '& .bar': { display: 'none' } },
}))

const progressWords = ({ done, steps }: CardSummary): string =>
  steps === 0 ? 'nothing to set' : done === steps ? `all ${steps} done` : `${done} of ${steps}`

/** One card for each unit, and how far it is. */
export const CardList = ({
  cards,
  standard,
}: {
  cards: readonly CardSummary[]
  standard: { name: string; version: number }
}) => {
  const params = useSearchParams()
  return (
    <Page sx={{ maxWidth: 880 }}>
      <Typography variant="h1">Cards for {standard.name}</Typography>
      <Typography color="textSecondary" sx={{ mt: 0.5, mb: 2 }}>
        From factory defaults to version {standard.version}, in each body’s own words.
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, borderTop: 1, borderColor: 'divider' }}>
        {cards.map(c => (
          <li key={`${c.body} ${c.unit}`}>
            <Item href={linkTo(`/set/cards/${c.body}`, params, c.unit ? { unit: c.unit } : {})}>
              <span>
                <Typography component="span" sx={{ fontWeight: 650 }}>
                  {c.model}
                </Typography>{' '}
                <Typography component="span" variant="value" color="textSecondary">
                  {c.tag ?? c.maker}
                </Typography>
              </span>
              <LinearProgress
                className="bar"
                variant="determinate"
                value={c.steps === 0 ? 100 : (100 * c.done) / c.steps}
                aria-label={`${c.tag ?? c.model}: ${progressWords(c)}`}
              />
              <Typography variant="value" sx={{ textAlign: 'right' }}>
                {progressWords(c)}
              </Typography>
            </Item>
          </li>
        ))}
      </Box>
    </Page>
  )
}
