'use client'

import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField, Typography } from '@mui/material'
import { useMemo, useState } from 'react'
import type { MenuRow } from '@/core/bodies'
import { parseMenuText } from '@/core/bodies/menu-text'
import { problemWords } from '@/core/formats/problem'

/** More of the menu, as text; it goes behind what is there. */
export const PasteDialog = ({
  onClose,
  onPaste,
}: {
  onClose: () => void
  onPaste: (rows: readonly MenuRow[]) => void
}) => {
  const [text, setText] = useState('')
  const read = useMemo(() => (text.trim() ? parseMenuText(text, 'pasted menu') : undefined), [text])
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="paste-title">
      <DialogTitle id="paste-title">Paste more of the menu</DialogTitle>
      <DialogContent>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
          Tabs, in them pages, in them settings, in them options, one line each. Pages that are there already are
          continued.
        </Typography>
        <TextField
          fullWidth
          autoFocus
          multiline
          minRows={8}
          maxRows={16}
          label="Menu as text"
          value={text}
          onChange={e => setText(e.target.value)}
          slotProps={{ htmlInput: { spellCheck: false } }}
        />
        {read?.ok === false && (
          <Alert severity="error" sx={{ mt: 1, whiteSpace: 'pre-line' }}>
            {read.problems.map(problemWords).join('\n')}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button variant="contained" disabled={!read?.ok} onClick={() => read?.ok && onPaste(read.value)}>
          {read?.ok ? `Add ${read.value.length} settings` : 'Add settings'}
        </Button>
      </DialogActions>
    </Dialog>
  )
}
