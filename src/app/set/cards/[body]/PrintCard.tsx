'use client'

import { Button, Menu, MenuItem } from '@mui/material'
import { useState } from 'react'
import { slotsText } from '@/core/kit/slots'
import { refText } from '@/core/standards'
import type { CardView } from '@/server/cards'
import { pdfAddress } from '@/ui/PrintCards'
import { PAPERS } from '@/ui/PrintButton'

/** Opens the card as a PDF on the paper that is chosen. */
export const PrintCard = ({ card }: { card: CardView }) => {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const slots = card.slots?.asked.length ? `&slots=${encodeURIComponent(slotsText(card.slots.asked))}` : ''
  const one = [{ body: card.body.id, unit: card.unit?.id ?? null }]
  return (
    <>
      <Button aria-haspopup="menu" onClick={e => setAnchor(e.currentTarget)}>
        Print
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {PAPERS.map(p => (
          <MenuItem
            key={p.id}
            component="a"
            href={pdfAddress(refText(card.standard), card.for, one, p.id) + slots}
            target="_blank"
            onClick={() => setAnchor(null)}
          >
            {p.label}
          </MenuItem>
        ))}
      </Menu>
    </>
  )
}
