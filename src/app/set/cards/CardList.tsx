'use client'

import { LinearProgress } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useSearchParams } from 'next/navigation'
import type { CardSummary } from '@/server/cards'
import { NotReckoned } from '@/ui/NotReckoned'
import { Page, PlainList, RowLink } from '@/ui/pieces'
import { PrintCards } from '@/ui/PrintCards'
import { Box, Typography } from '@/ui/elements'

const Item = styled(RowLink)(({ theme }) => ({
  gridTemplateColumns: '1fr minmax(var(--field-number), var(--field)) var(--field-short)',
  gap: theme.spacing(0.5, 3),
  minHeight: 'var(--row-tall)',
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '1fr 96px', '& .bar': { display: 'none' } },
}))

const progressWords = ({ done, steps }: CardSummary): string =>
  steps === 0 ? 'nothing to set' : done === steps ? `all ${steps} done` : `${done} of ${steps}`

/** One card for each unit, and how far it is. */
export const CardList = ({
  cards,
  failed,
  standard,
}: {
  cards: readonly CardSummary[]
  failed: readonly { readonly body: string; readonly why: string }[]
  standard: { ref: string; name: string; version: number }
}) => {
  const params = useSearchParams()
  return (
    <Page sx={{ maxWidth: 'var(--wide)' }}>
      <Typography variant="h1">Cards for {standard.name}</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mt: 0.5, mb: 2 }}>
        <Typography color="textSecondary" sx={{ flex: 1, minWidth: 'var(--field)' }}>
          From what each unit is known to be set to, to version {standard.version}, in each body’s own words.
        </Typography>
        <PrintCards
          standard={standard.ref}
          forWhom={params.get('for') ?? ''}
          cards={cards.map(c => ({
            body: c.body,
            unit: c.unit,
            name: c.tag ?? c.model,
            model: c.tag === undefined ? c.maker : c.model,
            isOwed: c.done < c.steps,
          }))}
        />
      </Box>
      <NotReckoned failed={failed} sx={{ mb: 2 }} />
      <PlainList component="ul" sx={{ borderTop: 1, borderColor: 'divider' }}>
        {cards.map(c => (
          <li key={`${c.body} ${c.unit}`}>
            <Item to={`/set/cards/${c.body}`} more={c.unit ? { unit: c.unit } : {}}>
              <span>
                <Typography variant="strong" component="span">
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
      </PlainList>
    </Page>
  )
}
