'use client'

import type { EventView } from '@/server/authoring'
import { When } from '@/ui/When'
import { CommentList } from './CommentList'
import type { Comments } from './use-comments'
import { useFetched } from '@/ui/use-fetched'
import { PlainList } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { Box, Typography } from '@/ui/elements'

/** All that was said, and who did what, when and why. */
export const TalkPart = ({ id, comments, revision }: { id: string; comments: Comments; revision: number }) => {
  const { value, problem } = useFetched<{ events: readonly EventView[] }>({
    address: `/api/v1/standards/${id}/history`,
    at: [revision, comments.all],
  })
  const events = value?.events ?? []
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, gap: 5 }}>
      <CommentList comments={comments} />
      <section>
        <Typography variant="h3">History</Typography>
        <Trouble words={problem} />
        <PlainList component="ol" aria-label="History">
          {events.map(e => (
            <Typography component="li" key={e.id} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
              <When at={e.at} /> · {e.person ?? 'somebody'} · {e.what}
            </Typography>
          ))}
        </PlainList>
      </section>
    </Box>
  )
}
