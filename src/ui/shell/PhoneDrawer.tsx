'use client'

import { Button, Drawer } from '@mui/material'
import { styled } from '@mui/material/styles'
import { KeptLink } from '../links'
import { Eyebrow } from '../pieces'
import type { BodyChoice, StandardChoice } from './choices'
import { InHand } from './InHandBar'
import { STAGES } from './stages'
import { ThemeSwitch } from './ThemeSwitch'
import { Box } from '../elements'

const Place = styled(KeptLink)(({ theme }) => ({
  display: 'inline-flex',
  alignItems: 'center',
  minHeight: 'var(--touch)',
  padding: theme.spacing(0, 1.5),
  borderRadius: theme.shape.borderRadius,
  color: 'inherit',
  textDecoration: 'none',
  fontWeight: theme.typography.fontWeightMedium,
  '&[aria-current]': { background: theme.vars?.palette.own.marigold.main, color: theme.vars?.palette.own.marigold.ink },
}))

/** Where to go and what is in hand, on a phone. */
export const PhoneDrawer = ({
  view,
  standards,
  bodies,
  onClose,
}: {
  /** The path of the view that is open. */
  view: string | undefined
  standards: readonly StandardChoice[]
  bodies: readonly BodyChoice[]
  onClose: () => void
}) => {
  const hasHand = standards.length > 0 && bodies.length > 0
  return (
    <Drawer
      anchor="top"
      open
      onClose={onClose}
      slotProps={{ paper: { role: 'dialog', 'aria-label': 'Menu', sx: { p: 2, maxHeight: '90dvh' } } }}
    >
      {STAGES.map(s => (
        <Box component="nav" key={s.key} aria-label={s.label} sx={{ mb: 1 }}>
          <Eyebrow component="h2">{s.label}</Eyebrow>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', ml: -1.5 }}>
            {s.views.map(v => (
              <Place key={v.path} to={v.path} onClick={onClose} aria-current={v.path === view ? 'page' : undefined}>
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
        <Button variant="outlined" onClick={onClose}>
          Close
        </Button>
      </Box>
    </Drawer>
  )
}
