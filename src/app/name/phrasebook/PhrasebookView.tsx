'use client'

import { styled } from '@mui/material/styles'
import type { FriendView } from '@/server/phrasebook'
import { DIMENSIONS, GROUPS } from '@/core/vocabulary/dimensions'
import { isConcept } from '@/core/phrasebook/terms'
import { useAddress } from '@/ui/address'
import { useBodies } from '@/ui/bodies'
import { PhraseSearch } from '@/ui/PhraseSearch'
import { Eyebrow, Page } from '@/ui/pieces'
import { KeptLink, LinkButton } from '@/ui/links'
import { FalseFriends } from '@/ui/FalseFriends'
import { Box, Typography } from '@/ui/elements'

const Concept = styled(KeptLink)(({ theme }) => ({
  display: 'inline-flex',
  alignItems: 'center',
  minHeight: 'var(--dense)',
  color: theme.vars?.palette.text.primary,
  textDecoration: 'none',
  '&:hover': { textDecoration: 'underline' },
  [theme.breakpoints.down('sm')]: { minHeight: 'var(--touch)' },
}))

/** Find what anything is called anywhere; every concept; words that mislead. */
export const PhrasebookView = ({ friends, query }: { friends: readonly FriendView[]; query: string }) => {
  const { set } = useAddress()
  const bodies = [...useBodies().values()]
  const [first, second] = bodies
  return (
    <Page>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, justifyContent: 'space-between', mb: 2 }}>
        <Typography variant="h1">Phrasebook</Typography>
        {first && second && (
          <LinkButton to="/name/phrasebook/dictionary" more={{ from: first.id, to: second.id }}>
            From one body to another
          </LinkButton>
        )}
      </Box>
      <PhraseSearch initial={query} autoFocus onQuery={q => set({ q: q || undefined })} />
      <Box component="section" sx={{ mt: 4 }}>
        <Typography variant="h2" sx={{ mb: 1.5 }}>
          Every concept
        </Typography>
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(3, 1fr)', md: 'repeat(5, 1fr)' },
            gap: 3,
          }}
        >
          {GROUPS.map(g => (
            <div key={g.id}>
              <Eyebrow component="h3">{g.label}</Eyebrow>
              {DIMENSIONS.filter(d => d.group === g.id && isConcept(d.id)).map(d => (
                <div key={d.id}>
                  <Concept to={`/name/phrasebook/${d.id}`}>{d.label}</Concept>
                </div>
              ))}
            </div>
          ))}
        </Box>
      </Box>
      <Box component="section" sx={{ mt: 5 }}>
        <Typography variant="h2">False friends</Typography>
        <Typography color="textSecondary" sx={{ mb: 1, maxWidth: 'var(--line)' }}>
          The same word with different meanings, found by comparing every profile with every other.
        </Typography>
        {friends.length === 0 ? (
          <Typography>No word means two things on the bodies here.</Typography>
        ) : (
          <FalseFriends friends={friends} columns={2} />
        )}
      </Box>
    </Page>
  )
}
