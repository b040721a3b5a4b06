'use client'

import { Dialog, DialogContent, DialogTitle } from '@mui/material'
import { styled } from '@mui/material/styles'
import { STAGES } from './stages'
import { Typography } from '../elements'

const Keys = styled('dl')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'auto 1fr',
  gap: theme.spacing(1, 3),
  margin: 0,
  '& dt': { ...theme.typography.value, fontWeight: theme.typography.fontWeightMedium },
  '& dd': { margin: 0 },
}))

const VIEW_KEYS: Readonly<Record<string, readonly (readonly [string, string])[]>> = {
  '/name/phrasebook': [
    ['↑ ↓', 'move between what was found'],
    ['Enter', 'open the concept'],
  ],
  '/name/bodies/': [
    ['↑ ↓', 'move in the menu tree; with Shift select several'],
    ['← →', 'close or open'],
    ['Enter', 'accept the first proposal where it is sure or likely; rename what is decided'],
    ['1 … 6', 'accept that proposal'],
    ['m', 'say what it is about'],
    ['0', 'nothing to do with focus'],
    ['9', 'about focus, and no word for it'],
    ['F2', 'rename'],
    ['a', 'add after'],
    ['o', 'add an option'],
    ['d', 'make the option the default'],
    ['Alt ↑ ↓', 'move'],
    ['Delete', 'remove'],
    ['Ctrl Z, Ctrl Y', 'undo, redo'],
  ],
  '/decide/standards/': [
    ['↑ ↓', 'move between targets'],
    ['Enter', 'open the target, or close it'],
    ['← ↑ → ↓', 'on the drawing: move the area, or change its size'],
    ['Ctrl Z, Ctrl Y', 'undo, redo'],
  ],
  '/decide/concordance': [
    ['← ↑ → ↓', 'move between cells'],
    ['Enter', 'explain the cell'],
    ['Esc', 'close the explanation'],
    ['← →', 'on the slider: from best on each body to alike on all'],
  ],
  '/set/controls': [
    ['Tab, ↑ ↓', 'on a function: choose another control'],
    ['Space', 'on Pin: it stays there'],
    ['Esc', 'close the explanation'],
    ['Ctrl Z, Ctrl Y', 'undo, redo'],
  ],
  '/set/cards/': [
    ['↑ ↓ or Tab', 'move between steps'],
    ['Space', 'tick the step'],
  ],
}

/** The keys of the view that is open, and those that work everywhere. */
export const KeysDialog = ({ pathname, onClose }: { pathname: string; onClose: () => void }) => {
  const here = Object.entries(VIEW_KEYS).find(([path]) => pathname.startsWith(path))?.[1] ?? []
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys of this view</DialogTitle>
      <DialogContent>
        <Keys>
          {[
            ...here,
            ...STAGES.map(s => [`g ${s.key}`, `go to ${s.label}`] as const),
            ['/', 'translate a term'] as const,
            ['!', 'something goes wrong: what helps'] as const,
            ['?', 'show the keys'] as const,
          ].map(([key, what]) => (
            <div key={key} style={{ display: 'contents' }}>
              <dt>{key}</dt>
              <dd>
                <Typography>{what}</Typography>
              </dd>
            </div>
          ))}
        </Keys>
      </DialogContent>
    </Dialog>
  )
}
