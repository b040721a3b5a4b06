'use client'

import { Box, Button, Typography } from '@mui/material'
import { useRouter } from 'next/navigation'

/** What was put away and can be brought back. */
export const PutAway = ({
  things,
  onBringBack,
}: {
  things: readonly { readonly id: string; readonly name: string }[]
  onBringBack: (id: string) => Promise<unknown>
}) => {
  const router = useRouter()
  if (things.length === 0) return null
  return (
    <Box component="section" aria-label="Put away" sx={{ mt: 4 }}>
      <Typography variant="h2">Put away</Typography>
      {things.map(b => (
        <Typography key={b.id}>
          {b.name}{' '}
          <Button size="small" onClick={() => void onBringBack(b.id).then(() => router.refresh())}>
            Bring back
          </Button>
        </Typography>
      ))}
    </Box>
  )
}
