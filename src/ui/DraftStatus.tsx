'use client'

import { Alert, Button } from '@mui/material'
import { useEffect } from 'react'
import type { Draft, Status } from './draft/draft'
import { isTyping } from './typing'
import { Typography } from './elements'

/** Whether what was typed is stored. */
export const StatusLine = ({ status }: { status: Status }) => {
  const words = {
    saved: 'Saved',
    saving: 'Saving …',
    waiting: 'Not saved yet; trying again',
    refused: 'Not saved',
    conflict: 'Not saved: somebody else changed it',
  }[status.kind]
  return (
    <Typography role="status" variant="body2" color={status.kind === 'saved' ? 'textSecondary' : 'secondary'}>
      {words}
    </Typography>
  )
}

/** Whether it is stored, and the way back and forth. */
export const DraftButtons = ({
  draft,
}: {
  draft: Pick<Draft<unknown>, 'status' | 'undo' | 'redo' | 'canUndo' | 'canRedo'>
}) => (
  <>
    <StatusLine status={draft.status} />
    <Button onClick={draft.undo} disabled={!draft.canUndo}>
      Undo
    </Button>
    <Button onClick={draft.redo} disabled={!draft.canRedo}>
      Redo
    </Button>
  </>
)

/** Undo and redo by keys, outside of text fields. */
export const useUndoKeys = ({ undo, redo }: Pick<Draft<unknown>, 'undo' | 'redo'>) =>
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || isTyping(event.target)) return
      const key = event.key.toLowerCase()
      if (key !== 'z' && key !== 'y') return
      event.preventDefault()
      if (key === 'y' || event.shiftKey) redo()
      else undo()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [undo, redo])

/** Why something typed is not stored yet, and where it is kept meanwhile. */
export const StatusProblem = ({ status }: { status: Status }) =>
  status.kind === 'refused' || status.kind === 'waiting' ? (
    <Alert severity={status.kind === 'refused' ? 'error' : 'warning'} sx={{ mt: 1, whiteSpace: 'pre-line' }}>
      {status.why}
    </Alert>
  ) : null
