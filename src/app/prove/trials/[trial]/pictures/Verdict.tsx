'use client'

import { Button } from '@mui/material'
import { type Count, JUDGEMENTS, type Judgement, type Reason } from '@/core/evidence/trial'
import { Wrap } from '@/ui/pieces'
import { JUDGEMENT_WORDS } from '../../words'
import { WhatHappened } from '../WhatHappened'

/** How a pass came out, and why where it was not sharp. */
export const Verdict = ({
  count,
  onJudge,
  onReason,
}: {
  count: Count | undefined
  onJudge: (judgement: Judgement) => void
  onReason: (judgement: Judgement, reason: Reason) => void
}) => (
  <>
    <Wrap sx={{ my: 1.5 }}>
      {JUDGEMENTS.map((j, i) => (
        <Button
          key={j}
          variant={count?.judgement === j ? 'contained' : 'outlined'}
          aria-keyshortcuts={String(i + 1)}
          aria-pressed={count?.judgement === j}
          onClick={() => onJudge(j)}
          sx={{ minHeight: 'var(--touch)', minWidth: 'var(--field-number)' }}
        >
          {i + 1} {JUDGEMENT_WORDS[j]}
        </Button>
      ))}
    </Wrap>
    {count && count.judgement !== 'sharp' && (
      <WhatHappened reason={count.reason} onReason={reason => onReason(count.judgement, reason)} />
    )}
  </>
)
