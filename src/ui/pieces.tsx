'use client'

import { styled } from '@mui/material/styles'
import type { ReactNode } from 'react'
import type { Caution } from '@/core/cautions/cautions'
import { KeptLink } from './links'
import { Box, Typography } from './elements'

/** Small pieces that every view is made of. */

/** A small label in capitals above something. */
export const Eyebrow = ({
  children,
  component = 'div',
}: {
  children: ReactNode
  component?: 'div' | 'h2' | 'h3' | 'span'
}) => (
  <Typography variant="eyebrow" component={component} sx={{ color: 'own.label', textTransform: 'uppercase', m: 0 }}>
    {children}
  </Typography>
)

/** The page of a view that scrolls as a whole. */
export const Page = styled('div')(({ theme }) => ({
  maxWidth: 1240,
  margin: '0 auto',
  padding: theme.spacing(3, 2.5, 6),
  [theme.breakpoints.down('sm')]: { padding: theme.spacing(2, 2, 5) },
}))

/** A row of a list that leads to what it is about. */
export const RowLink = styled(KeptLink)(({ theme }) => ({
  display: 'grid',
  alignItems: 'center',
  padding: theme.spacing(1),
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  color: 'inherit',
  textDecoration: 'none',
  '&:hover': { background: theme.vars?.palette.own.marigold.wash },
}))

const FactList = styled('dl')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'minmax(84px, max-content) 1fr',
  gap: theme.spacing(0.75, 2),
  margin: theme.spacing(1.5, 0),
  '& dt': { color: theme.vars?.palette.text.secondary },
  '& dd': { margin: 0, ...theme.typography.value, overflowWrap: 'anywhere' },
}))

export interface Fact {
  readonly name: string
  readonly value: ReactNode
}

/** Facts as name and value. */
export const Facts = ({ facts }: { facts: readonly Fact[] }) => (
  <FactList>
    {facts.map(f => (
      <Box key={f.name} sx={{ display: 'contents' }}>
        <Typography component="dt" variant="body2">
          {f.name}
        </Typography>
        <dd>{f.value}</dd>
      </Box>
    ))}
  </FactList>
)

/** Where something is in the menus: tab › page › row. */
export const MenuPath = ({ path }: { path: readonly [string, string, number] }) => (
  <Typography variant="value" component="span" color="textSecondary">
    {path[0]} › {path[1]} › row {path[2]}
  </Typography>
)

const Note = styled('div')(({ theme }) => ({
  borderLeft: `3px solid ${theme.vars?.palette.own.marigold.main}`,
  paddingLeft: theme.spacing(1.5),
}))

/** A caution: short, calm, never hidden. */
export const CautionNote = ({ caution }: { caution: Caution }) => (
  <Note role="note">
    <Typography variant="body2" sx={{ fontWeight: 'fontWeightMedium' }}>
      {caution.title}
    </Typography>
    <Typography variant="body2">{caution.words}</Typography>
  </Note>
)

/** Things beside each other, in as many rows as they need. */
export const Wrap = styled(Box)(({ theme }) => ({
  display: 'flex',
  flexWrap: 'wrap',
  gap: theme.spacing(1),
})) as typeof Box

/** A list without marks; what stands in it says where one ends. */
export const PlainList = styled(Box)({ listStyle: 'none', padding: 0, margin: 0 }) as typeof Box

/** Stands where there is nothing yet, and says how it begins. */
export const Empty = styled('p')(({ theme }) => ({
  ...theme.typography.body1,
  maxWidth: 'var(--line)',
  margin: theme.spacing(1, 0, 2),
  padding: theme.spacing(2),
  border: `1px dashed ${theme.vars?.palette.divider}`,
  borderRadius: theme.shape.borderRadius,
  color: theme.vars?.palette.text.secondary,
}))

/** A part of a view with its heading. */
export const Section = ({ title, level = 2, children }: { title: string; level?: 2 | 3; children: ReactNode }) => (
  <Box component="section" aria-label={title} sx={{ mt: level === 2 ? 4 : 2.5 }}>
    <Typography variant={`h${level}`} sx={level === 2 ? { mb: 1.5 } : {}}>
      {title}
    </Typography>
    {children}
  </Box>
)
