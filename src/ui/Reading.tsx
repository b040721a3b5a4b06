'use client'

import { Button, LinearProgress } from '@mui/material'
import { Box, Typography } from './elements'

/** How many pictures have been read, and a way to stop. */
export const Reading = ({
  progress,
  what = 'pictures',
  onStop,
}: {
  what?: string
  progress: { readonly done: number; readonly of: number }
  onStop: () => void
}) => (
  <Box role="status" sx={{ maxWidth: 'var(--line)', mt: 2 }}>
    <Typography>
      Read {progress.done} of {progress.of} {what} …
    </Typography>
    <LinearProgress
      variant="determinate"
      value={(100 * progress.done) / Math.max(1, progress.of)}
      aria-label="Pictures read"
      sx={{ my: 1 }}
    />
    <Button onClick={onStop}>Stop</Button>
  </Box>
)
