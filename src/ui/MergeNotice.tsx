'use client'

import { Alert, Button } from '@mui/material'
import { useState } from 'react'
import { later } from './later'
import type { MergeChoices as Choices, MergeProps } from './MergeChoices'

const MergeChoices = later(() => import('./MergeChoices').then(m => m.MergeChoices as never)) as typeof Choices

/**
 * Two people edited the same: a line that does not get in the way of whoever is typing, and behind it what the
 * other changed, with a choice wherever both changed the same.
 */
export const MergeNotice = <T,>(props: MergeProps<T>) => {
  const [open, setOpen] = useState(false)
  const { conflict } = props.draft
  if (!conflict) return null
  return (
    <>
      <Alert
        severity="warning"
        sx={{ mt: 1 }}
        action={
          <Button color="inherit" onClick={() => setOpen(true)}>
            See what differs
          </Button>
        }
      >
        Somebody else changed {props.name} while you edited it. Nothing is lost; your changes are saved once both are
        merged.
      </Alert>
      {open && <MergeChoices key={conflict.revision} {...props} conflict={conflict} onClose={() => setOpen(false)} />}
    </>
  )
}
