'use client'

import { Button } from '@mui/material'
import type { Method } from './send'
import { useSend } from './use-send'
import { Trouble } from './Trouble'
import { Box, Typography } from './elements'

/** What was put away, at the revision at which it can be brought back. */
export interface PutAwayThing {
  readonly id: string
  readonly name: string
  readonly revision: number
}

/** What was put away and can be brought back. */
export const PutAway = ({
  things,
  at: [method, address],
}: {
  things: readonly PutAwayThing[]
  /** Where it is said of one of them that it is back; its id takes the place of `{id}`. */
  at: readonly [method: Method, address: string]
}) => {
  const { send, problem } = useSend()
  const bringBack = ({ id, revision }: PutAwayThing) =>
    send(method, address.replace('{id}', id), { archived: false, revision })
  if (things.length === 0) return null
  return (
    <Box component="section" aria-label="Put away" sx={{ mt: 4 }}>
      <Typography variant="h2">Put away</Typography>
      <Trouble words={problem} />
      {things.map(b => (
        <Typography key={b.id}>
          {b.name}{' '}
          <Button size="small" onClick={() => void bringBack(b)}>
            Bring back
          </Button>
        </Typography>
      ))}
    </Box>
  )
}
