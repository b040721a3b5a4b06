'use client'

import { styled } from '@mui/material/styles'
import { usePathname } from 'next/navigation'
import type { BodyChoice, StandardChoice } from './choices'
import { InHand } from './InHandBar'
import type { Stage } from './stages'
import { KeptLink } from '../links'
import { Box } from '../elements'

const Bar = styled('div')(({ theme }) => ({
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  columnGap: theme.spacing(2),
  minHeight: 'var(--bar)',
  padding: theme.spacing(0.5, 2.5),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  // On a phone all of this stands in the menu.
  [theme.breakpoints.down('sm')]: { display: 'none' },
}))

const ViewLink = styled(KeptLink)(({ theme }) => ({
  display: 'inline-flex',
  alignItems: 'center',
  minHeight: 'var(--touch)',
  padding: theme.spacing(0, 1),
  color: theme.vars?.palette.text.secondary,
  textDecoration: 'none',
  fontWeight: theme.typography.fontWeightMedium,
  borderBottom: '3px solid transparent',
  '&:hover': { color: theme.vars?.palette.text.primary },
  '&[aria-current]': {
    color: theme.vars?.palette.text.primary,
    borderBottomColor: theme.vars?.palette.own.marigold.main,
  },
}))

/** The views of a stage, and what is in hand in all of them. */
export const ViewBar = ({
  stage,
  standards,
  bodies,
}: {
  stage: Stage
  standards: readonly StandardChoice[]
  bodies: readonly BodyChoice[]
}) => {
  const pathname = usePathname()
  const hasHand = standards.length > 0 && bodies.length > 0
  if (stage.views.length < 2 && !hasHand) return null
  return (
    <Bar className="no-print">
      {stage.views.length > 1 && (
        <Box component="nav" aria-label={`Views of ${stage.label}`} sx={{ display: 'flex', flex: 1 }}>
          {stage.views.map(v => (
            <ViewLink key={v.path} to={v.path} aria-current={pathname.startsWith(v.path) ? 'page' : undefined}>
              {v.label}
            </ViewLink>
          ))}
        </Box>
      )}
      {hasHand && <InHand standards={standards} bodies={bodies} />}
    </Bar>
  )
}
