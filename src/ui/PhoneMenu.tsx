'use client'

import { Box, Button, Drawer, Typography } from '@mui/material'
import { styled } from '@mui/material/styles'
import NextLink from 'next/link'
import { usePathname, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { linkTo } from './address'
import { type BodyChoice, InHand, type StandardChoice } from './InHandBar'
import { Eyebrow } from './pieces'
import { type Stage, STAGES } from './stages'
import { ThemeSwitch } from './ThemeSwitch'

const Place = styled(NextLink)(({ theme }) => ({
  display: 'inline-flex',
  alignItems: 'center',
  minHeight: 44,
  padding: theme.spacing(0, 1.5),
  borderRadius: theme.shape.borderRadius,
  color: 'inherit',
  textDecoration: 'none',
  fontWeight: 600,
  '&[aria-current]': { background: theme.vars?.palette.own.marigold.main, color: theme.vars?.palette.own.marigold.ink },
}))

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
  const params = useSearchParams()
  const [isOpen, setOpen] = useState(false)
  const view = stage?.views.find(v => pathname.startsWith(v.path))
  const hasHand = standards.length > 0 && bodies.length > 0
  const close = () => setOpen(false)
  return (
    <Box sx={{ display: { sm: 'none' }, flex: 1, minWidth: 0 }}>
      <Button
        color="inherit"
        aria-haspopup="dialog"
        aria-label={`Menu: ${stage && view ? `${stage.label}, ${view.label}` : 'where to go'}`}
        onClick={() => setOpen(true)}
        sx={{ minHeight: 44, maxWidth: '100%', '&::after': { content: '"▾"', ml: 0.75 } }}
      >
        <Typography component="span" noWrap sx={{ fontWeight: 650 }}>
          {view?.label ?? 'Menu'}
        </Typography>
      </Button>
      <Drawer
        anchor="top"
        open={isOpen}
        onClose={close}
        slotProps={{ paper: { role: 'dialog', 'aria-label': 'Menu', sx: { p: 2, maxHeight: '90dvh' } } }}
      >
        {STAGES.map(s => (
          <Box component="nav" key={s.key} aria-label={s.label} sx={{ mb: 1 }}>
            <Eyebrow component="h2">{s.label}</Eyebrow>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', ml: -1.5 }}>
              {s.views.map(v => (
                <Place
                  key={v.path}
                  href={linkTo(v.path, params)}
                  onClick={close}
                  aria-current={v === view ? 'page' : undefined}
                >
                  {v.label}
                </Place>
              ))}
            </Box>
          </Box>
        ))}
        {hasHand && (
          <Box sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
            <Eyebrow component="h2">In hand</Eyebrow>
            <Box sx={{ display: 'flex', flexDirection: 'column', alignItems: 'flex-start', ml: -1 }}>
              <InHand standards={standards} bodies={bodies} />
            </Box>
          </Box>
        )}
        <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', mt: 1 }}>
          <ThemeSwitch />
          <Button variant="outlined" onClick={close}>
            Close
          </Button>
        </Box>
      </Drawer>
    </Box>
  )
}
