'use client'

import { useRouter, useSearchParams } from 'next/navigation'
import { Dialog, DialogContent, DialogTitle, Typography } from '@mui/material'
import { styled } from '@mui/material/styles'
import { useEffect, useRef, useState } from 'react'
import { linkTo } from './address'
import { STAGES } from './stages'

/** How long `g` waits for the letter of a stage. */
const CHORD_MS = 1500

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))

const Keys = styled('dl')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'auto 1fr',
  gap: theme.spacing(1, 3),
  margin: 0,
  '& dt': { ...theme.typography.value, fontWeight: 700 },
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

/** Keys that work everywhere: `/` for the phrasebook, `g` and a letter to change the stage, `?` for help. */
export const GlobalKeys = ({ pathname, onSearch }: { pathname: string; onSearch: () => void }) => {
  const router = useRouter()
  const params = useSearchParams()
  const [open, setOpen] = useState(false)
  const chordAt = useRef(0)

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return
      if (event.key === '?') setOpen(true)
      else if (event.key === '/') {
        event.preventDefault()
        onSearch()
      } else if (event.key === 'g') chordAt.current = Date.now()
      else if (Date.now() - chordAt.current < CHORD_MS) {
        chordAt.current = 0
        const path = STAGES.find(s => s.key === event.key)?.views[0]?.path
        if (path) router.push(linkTo(path, params))
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [router, params, onSearch])

  const here = Object.entries(VIEW_KEYS).find(([path]) => pathname.startsWith(path))?.[1] ?? []
  return (
    <Dialog open={open} onClose={() => setOpen(false)} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys of this view</DialogTitle>
      <DialogContent>
        <Keys>
          {[
            ...here,
            ...STAGES.map(s => [`g ${s.key}`, `go to ${s.label}`] as const),
            ['/', 'translate a term'] as const,
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
