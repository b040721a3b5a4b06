'use client'

import { Button, GlobalStyles, Menu, MenuItem } from '@mui/material'
import { useState } from 'react'
import { flushSync } from 'react-dom'

/** Papers that people have: the usual two, and a card for the pocket (half of a half of A4). */
export const PAPERS = [
  { id: 'a4', label: 'A4', css: 'A4', marginMm: 12 },
  { id: 'letter', label: 'Letter', css: 'letter', marginMm: 12 },
  { id: 'pocket', label: 'Pocket, 105 × 148 mm', css: '105mm 148mm', marginMm: 6 },
] as const

/** Prints the page on the paper that is chosen. */
export const PrintButton = ({ contained = false }: { contained?: boolean }) => {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const [paper, setPaper] = useState<(typeof PAPERS)[number]>(PAPERS[0])
  return (
    <>
      <GlobalStyles styles={`@page { size: ${paper.css}; margin: ${paper.marginMm}mm }`} />
      <Button variant={contained ? 'contained' : 'text'} aria-haspopup="menu" onClick={e => setAnchor(e.currentTarget)}>
        Print
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)} className="no-print">
        {PAPERS.map(p => (
          <MenuItem
            key={p.id}
            selected={p === paper}
            onClick={() => {
              // The dialog of the browser shows the page as it stands at that moment.
              flushSync(() => {
                setPaper(p)
                setAnchor(null)
              })
              window.print()
            }}
          >
            {p.label}
          </MenuItem>
        ))}
      </Menu>
    </>
  )
}
