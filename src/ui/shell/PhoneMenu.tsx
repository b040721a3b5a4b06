'use client'

import { Button } from '@mui/material'
import { usePathname } from 'next/navigation'
import { useState } from 'react'
import { later } from '../later'
import type { BodyChoice, StandardChoice } from './choices'
import type { Stage } from './stages'
import { Box, Typography } from '../elements'

const PhoneDrawer = later(() => import('./PhoneDrawer').then(m => m.PhoneDrawer))

/** On a phone all of the head is one bar: where you are, and behind it where you can go and what is in hand. */
export const PhoneMenu = ({
  stage,
  standards,
  bodies,
}: {
  stage: Stage | undefined
  standards: readonly StandardChoice[]
  bodies: readonly BodyChoice[]
}) => {
  const pathname = usePathname()
  const [isOpen, setOpen] = useState(false)
  const view = stage?.views.find(v => pathname.startsWith(v.path))
  return (
    <Box sx={{ display: { sm: 'none' }, flex: 1, minWidth: 0 }}>
      <Button
        color="inherit"
        aria-haspopup="dialog"
        aria-label={`Menu: ${stage && view ? `${stage.label}, ${view.label}` : 'where to go'}`}
        onClick={() => setOpen(true)}
        sx={{ minHeight: 'var(--touch)', maxWidth: '100%', '&::after': { content: '"▾"', ml: 0.75 } }}
      >
        <Typography variant="strong" component="span" noWrap>
          {view?.label ?? 'Menu'}
        </Typography>
      </Button>
      {isOpen && <PhoneDrawer view={view?.path} standards={standards} bodies={bodies} onClose={() => setOpen(false)} />}
    </Box>
  )
}
