'use client'

import { Button } from '@mui/material'
import { REASONS, type Reason } from '@/core/evidence/trial'
import { Box } from '@/ui/elements'
import { Eyebrow, Wrap } from '@/ui/pieces'
import { REASON_WORDS } from '../words'

/** Asks why a pass was not sharp. */
export const WhatHappened = ({
  reason,
  onReason,
}: {
  reason: Reason | undefined
  onReason: (reason: Reason) => void
}) => (
  <Box sx={{ my: 1.5 }}>
    <Eyebrow>What happened?</Eyebrow>
    <Wrap>
      {REASONS.map(r => (
        <Button
          key={r}
          size="small"
          aria-pressed={reason === r}
          variant={reason === r ? 'contained' : 'outlined'}
          onClick={() => onReason(r)}
        >
          {REASON_WORDS[r]}
        </Button>
      ))}
    </Wrap>
  </Box>
)
