'use client'

import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  Radio,
  RadioGroup,
} from '@mui/material'
import { useMemo, useState } from 'react'
import { type Change, placeOf } from '@/core/changes/changes'
import type { Divergence, Draft, Prefer } from './draft/draft'
import { Typography } from './elements'

export interface MergeProps<T> {
  readonly draft: Pick<Draft<T>, 'conflict' | 'merged' | 'mergeWith' | 'takeTheirs'>
  /** What is edited, as people call it. */
  readonly name: string
  readonly mine: T
  /** A value in words, where it has better ones than its fields. */
  readonly show?: (value: unknown) => string | undefined
  /** Changes in words. */
  readonly describe: (
    changes: readonly Change[],
    before: T,
    after: T,
  ) => readonly { readonly at: readonly string[]; readonly words: string }[]
}

const valueText = (value: unknown): string => {
  if (value === undefined) return 'removed'
  if (typeof value === 'string') return `“${value}”`
  const { label, words } = (value ?? {}) as { label?: string; words?: string }
  return label ?? words ?? JSON.stringify(value)
}

export const MergeChoices = <T,>({
  draft,
  name,
  mine,
  describe,
  show = () => undefined,
  conflict,
  onClose,
}: MergeProps<T> & { conflict: Divergence<T>; onClose: () => void }) => {
  const [prefer, setPrefer] = useState<Prefer>({})
  const merged = useMemo(() => draft.merged(conflict), [draft, conflict])
  const clashing = new Set(merged.conflicts.map(c => placeOf(c.theirs)))
  const theirs = merged.theirs.filter(c => !clashing.has(placeOf(c)))
  const words = describe(theirs, conflict.base, conflict.theirs)
  const places = [...new Map(merged.conflicts.map(c => [placeOf(c.mine), c])).entries()]
  const told = describe(
    places.map(([, c]) => c.mine),
    conflict.base,
    mine,
  )
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="merge-title">
      <DialogTitle id="merge-title">Somebody else changed {name} while you edited it</DialogTitle>
      <DialogContent>
        {words.length > 0 && (
          <>
            <Typography variant="strong">They changed, and it stays:</Typography>
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
          <Typography variant="strong" sx={{ mt: 2 }}>
            You both changed the same; choose for each:
          </Typography>
        )}
        {places.map(([place, c], i) => (
          <div key={place}>
            <Typography sx={{ mt: 1.5 }}>{told[i]?.words}</Typography>
            <RadioGroup
              aria-label={told[i]?.words ?? place}
              value={prefer[place] ?? 'mine'}
              onChange={e => setPrefer({ ...prefer, [place]: e.target.value as 'mine' | 'theirs' })}
            >
              <FormControlLabel
                value="mine"
                control={<Radio />}
                label={`Mine: ${show(c.mine.after) ?? valueText(c.mine.after)}`}
              />
              <FormControlLabel
                value="theirs"
                control={<Radio />}
                label={`Theirs: ${show(c.theirs.after) ?? valueText(c.theirs.after)}`}
              />
            </RadioGroup>
          </div>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not yet</Button>
        <Button onClick={draft.takeTheirs}>Drop my changes</Button>
        <Button variant="contained" onClick={() => draft.mergeWith(prefer)}>
          Merge and save
        </Button>
      </DialogActions>
    </Dialog>
  )
}
