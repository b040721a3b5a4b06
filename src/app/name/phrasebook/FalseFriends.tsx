'use client'

import { Box, Typography } from '@mui/material'
import { styled } from '@mui/material/styles'
import type { FriendView } from '@/server/phrasebook'
import { inSentence } from '@/core/vocabulary/words'

const Friend = styled('li')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '120px 1fr',
  gap: theme.spacing(0, 2),
  padding: theme.spacing(1, 0),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  breakInside: 'avoid',
  [theme.breakpoints.down('sm')]: { gridTemplateColumns: '1fr' },
}))

/** Words that mean one thing here and another there. */
export const FalseFriends = ({ friends, columns = 1 }: { friends: readonly FriendView[]; columns?: 1 | 2 }) => (
  <Box
    component="ul"
    aria-label="False friends"
    sx={{ listStyle: 'none', p: 0, m: 0, columns: { md: columns }, columnGap: 5 }}
  >
    {friends.map(f => (
      <Friend key={f.word}>
        <Typography variant="value" sx={{ fontWeight: 700 }}>
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
      </Friend>
    ))}
  </Box>
)
