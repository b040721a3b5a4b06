'use client'

import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  Radio,
  RadioGroup,
  Typography,
} from '@mui/material'
import { useMemo, useState } from 'react'
import { describeChanges } from '@/core/bodies'
import { placeOf } from '@/core/changes/changes'
import { type Conflict, type Editor, mergeBodies } from './use-editor'

/**
 * Two people edited the same profile: a line that does not get in the way of whoever is typing, and behind it what the
 * other changed, with a choice wherever both changed the same.
 */
export const MergeNotice = ({ editor }: { editor: Editor }) => {
  const [open, setOpen] = useState(false)
  const { conflict } = editor
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
        Somebody else changed {editor.profile.model} while you edited it. Nothing is lost; your changes are saved once
        both are merged.
      </Alert>
      {open && <Merge key={conflict.revision} editor={editor} conflict={conflict} onClose={() => setOpen(false)} />}
    </>
  )
}

const valueText = (value: unknown): string => {
  if (value === undefined) return 'removed'
  if (typeof value === 'string') return `“${value}”`
  const { label, words } = (value ?? {}) as { label?: string; words?: string }
  return label ?? words ?? JSON.stringify(value)
}

const Merge = ({ editor, conflict, onClose }: { editor: Editor; conflict: Conflict; onClose: () => void }) => {
  const [prefer, setPrefer] = useState<Readonly<Record<string, 'mine' | 'theirs'>>>({})
  const merged = useMemo(() => mergeBodies(conflict, editor.profile), [conflict, editor.profile])
  const clashing = new Set(merged.conflicts.map(c => placeOf(c.theirs)))
  const theirs = merged.theirs.filter(c => !clashing.has(placeOf(c)))
  const words = describeChanges(theirs, conflict.base, conflict.theirs)
  const places = [...new Map(merged.conflicts.map(c => [placeOf(c.mine), c])).entries()]
  const told = describeChanges(
    places.map(([, c]) => c.mine),
    conflict.base,
    editor.profile,
  )
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="merge-title">
      <DialogTitle id="merge-title">Somebody else changed {editor.profile.model} while you edited it</DialogTitle>
      <DialogContent>
        {words.length > 0 && (
          <>
            <Typography sx={{ fontWeight: 650 }}>They changed, and it stays:</Typography>
            <ul>
              {words.map(d => (
                <li key={d.at.join()}>
                  <Typography>{d.words}</Typography>
                </li>
              ))}
            </ul>
          </>
        )}
        {places.length === 0 ? (
          <Typography>Nothing that you changed is touched by it. Both can stand together.</Typography>
        ) : (
          <Typography sx={{ fontWeight: 650, mt: 2 }}>You both changed the same; choose for each:</Typography>
        )}
        {places.map(([place, c], i) => (
          <div key={place}>
            <Typography sx={{ mt: 1.5 }}>{told[i]?.words}</Typography>
            <RadioGroup
              aria-label={told[i]?.words ?? place}
              value={prefer[place] ?? 'mine'}
              onChange={e => setPrefer({ ...prefer, [place]: e.target.value as 'mine' | 'theirs' })}
            >
              <FormControlLabel value="mine" control={<Radio />} label={`Mine: ${valueText(c.mine.after)}`} />
              <FormControlLabel value="theirs" control={<Radio />} label={`Theirs: ${valueText(c.theirs.after)}`} />
            </RadioGroup>
          </div>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not yet</Button>
        <Button onClick={editor.takeTheirs}>Drop my changes</Button>
        <Button variant="contained" onClick={() => editor.mergeWith(prefer)}>
          Merge and save
        </Button>
      </DialogActions>
    </Dialog>
  )
}
