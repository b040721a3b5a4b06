'use client'

import { Alert, Button } from '@mui/material'
import { useState } from 'react'
import type { Body, Difference } from '@/core/bodies'
import type { EventView } from '@/server/authoring'
import { sendJson } from '@/ui/send'
import { When } from '@/ui/When'
import type { Editor } from './use-editor'
import { useSend } from '@/ui/use-send'
import { useFetched } from '@/ui/use-fetched'
import { PlainList } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

const MOST_DIFFERENCES = 30

const Event = ({
  event,
  body,
  onRestore,
  isFirst,
}: {
  event: EventView
  body: string
  onRestore: (id: number) => void
  isFirst: boolean
}) => {
  const [differences, setDifferences] = useState<readonly Difference[]>()
  const show = async () => {
    const answer = await sendJson<{ differences: readonly Difference[] }>(
      'GET',
      `/api/v1/bodies/${body}/history/${event.id}`,
    )
    if (answer.ok) setDifferences(answer.value.differences)
  }
  return (
    <Box component="li" sx={{ py: 1.25, borderBottom: 1, borderColor: 'divider' }}>
      <Typography>
        <When at={event.at} /> · {event.person ?? 'somebody'} · {event.what}
      </Typography>
      <Box sx={{ display: 'flex', gap: 2 }}>
        {!differences && (
          <Button size="small" sx={{ px: 0 }} onClick={() => void show()}>
            What changed
          </Button>
        )}
        {!isFirst && (
          <Button size="small" sx={{ px: 0 }} onClick={() => onRestore(event.id)}>
            Take back to before this
          </Button>
        )}
      </Box>
      {differences?.slice(0, MOST_DIFFERENCES).map(d => (
        <Typography key={d.at.join()} variant="body2" color="textSecondary">
          {d.words}
        </Typography>
      ))}
      {differences && differences.length > MOST_DIFFERENCES && (
        <Typography variant="body2" color="textSecondary">
          and {differences.length - MOST_DIFFERENCES} more
        </Typography>
      )}
      {differences?.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          This is where it began, or nothing that is kept in the profile changed.
        </Typography>
      )}
    </Box>
  )
}

/** Who did what to the profile, and the way back to before it. */
export const HistoryPart = ({ editor }: { editor: Editor }) => {
  const { send, problem: notSent } = useSend()
  const { id } = editor.profile
  const { value, problem } = useFetched<{ events: readonly EventView[] }>({
    address: `/api/v1/bodies/${id}/history`,
    at: editor.revision,
  })
  const events = value?.events ?? []

  const restore = async (event: number) => {
    const answer = await send<{ revision: number }>('POST', `/api/v1/bodies/${id}/restore`, {
      event,
      revision: editor.revision,
    })
    if (!answer.ok) return
    const now = await sendJson<Body>('GET', `/api/v1/bodies/${id}`)
    if (now.ok) editor.reload(now.value, answer.value.revision)
  }

  return (
    <Box sx={{ maxWidth: 'var(--line)' }}>
      {(notSent || problem) && <Alert severity="error">{notSent || problem}</Alert>}
      <PlainList component="ol" aria-label="History">
        {events.map((e, i) => (
          <Event
            key={e.id}
            event={e}
            body={id}
            isFirst={i === events.length - 1}
            onRestore={event => void restore(event)}
          />
        ))}
      </PlainList>
    </Box>
  )
}
