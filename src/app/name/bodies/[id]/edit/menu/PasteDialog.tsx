'use client'

import { Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from '@mui/material'
import { useMemo, useRef, useState } from 'react'
import type { MenuRow } from '@/core/bodies'
import { readMenuText } from '@/core/bodies/menu-text'
import { counted } from '@/core/vocabulary/words'
import { MenuPreview } from '../../../MenuPreview'
import { Typography } from '@/ui/elements'

/** More of the menu, as text; it goes behind what is there. */
export const PasteDialog = ({
  onClose,
  onPaste,
}: {
  onClose: () => void
  onPaste: (rows: readonly MenuRow[]) => void
}) => {
  const [text, setText] = useState('')
  const field = useRef<HTMLTextAreaElement>(null)
  const read = useMemo(() => (text.trim() ? readMenuText(text) : undefined), [text])
  const count = read?.rows.length ?? 0
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
          inputRef={field}
          onChange={e => setText(e.target.value)}
          slotProps={{ htmlInput: { spellCheck: false } }}
        />
        {read && <MenuPreview read={read} field={field} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button variant="contained" disabled={count === 0} onClick={() => read && onPaste(read.rows)}>
          {count ? `Add ${counted(count, 'setting', 'settings')}` : 'Add settings'}
        </Button>
      </DialogActions>
    </Dialog>
  )
}
