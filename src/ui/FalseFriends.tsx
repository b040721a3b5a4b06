'use client'

import { styled } from '@mui/material/styles'
import { inSentence } from '@/core/vocabulary/words'
import { Box, Typography } from './elements'

/** One word and what it means where it means something else. */
interface Friend {
  readonly word: string
  readonly exact: boolean
  readonly senses: readonly {
    readonly meaning: string
    readonly uses: readonly { readonly model: string }[]
  }[]
}

const Item = styled('li')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '120px 1fr',
  gap: theme.spacing(0, 2),
  padding: theme.spacing(1, 0),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  breakInside: 'avoid',
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '1fr' },
}))

/** Words that mean one thing here and another there. */
export const FalseFriends = ({
  friends,
  columns = 1,
  stacked = false,
}: {
  friends: readonly Friend[]
  columns?: 1 | 2
  /** For narrow places: the word above what it means. */
  stacked?: boolean
}) => (
  <Box
    component="ul"
    aria-label="False friends"
    sx={{ listStyle: 'none', p: 0, m: 0, columns: { md: columns }, columnGap: 5 }}
  >
    {friends.map(f => (
      <Item key={f.word} sx={stacked ? { gridTemplateColumns: '1fr' } : {}}>
        <Typography variant="value" sx={{ fontWeight: 'fontWeightMedium' }}>
          {f.word}
          {!f.exact && ' (nearly)'}
        </Typography>
        <div>
          {f.senses.map(s => (
            <Typography key={s.meaning} variant="body2">
              <strong>{inSentence(s.meaning)}</strong> on {[...new Set(s.uses.map(u => u.model))].join(', ')}
            </Typography>
          ))}
        </div>
      </Item>
    ))}
  </Box>
)
