'use client'

import { Button } from '@mui/material'
import { useState } from 'react'
import { later } from '../later'
import { usePeople } from '../people'
import { Box } from '../elements'

const PersonPopover = later(() => import('./PersonPopover').then(m => m.PersonPopover))

const initials = (name: string): string =>
  name
    .split(/\s+/)
    .map(part => part[0] ?? '')
    .slice(0, 2)
    .join('')

/** Who signs the ticks on this device. */
export const PersonMenu = () => {
  const { person } = usePeople()
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)

  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="dialog"
        aria-label={person ? `Signing as ${person.name}` : 'Who are you?'}
        onClick={e => setAnchor(e.currentTarget)}
        sx={{ minWidth: 44, minHeight: 'var(--touch)' }}
      >
        <Box component="span" sx={{ display: { xs: 'none', md: 'inline' } }}>
          {person?.name ?? 'Who are you?'}
        </Box>
        <Box component="span" sx={{ display: { md: 'none' } }}>
          {person ? initials(person.name) : 'You?'}
        </Box>
      </Button>
      {anchor && <PersonPopover anchor={anchor} onClose={() => setAnchor(null)} />}
    </>
  )
}
