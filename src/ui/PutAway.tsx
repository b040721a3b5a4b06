'use client'

import { Alert, Box, Button, Typography } from '@mui/material'
import { useRouter } from 'next/navigation'
import { useState } from 'react'

/** What was put away, at the revision at which it can be brought back. */
export interface PutAwayThing {
  readonly id: string
  readonly name: string
  readonly revision: number
}

/** What was put away and can be brought back. */
export const PutAway = ({
  things,
  onBringBack,
}: {
  things: readonly PutAwayThing[]
  onBringBack: (thing: PutAwayThing) => Promise<{ readonly ok: true } | { readonly ok: false; readonly detail: string }>
}) => {
  const router = useRouter()
  const [problem, setProblem] = useState('')
  const bringBack = async (thing: PutAwayThing) => {
    const sent = await onBringBack(thing)
    setProblem(sent.ok ? '' : sent.detail)
    router.refresh()
  }
  if (things.length === 0) return null
  return (
    <Box component="section" aria-label="Put away" sx={{ mt: 4 }}>
      <Typography variant="h2">Put away</Typography>
      {problem && <Alert severity="error">{problem}</Alert>}
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
