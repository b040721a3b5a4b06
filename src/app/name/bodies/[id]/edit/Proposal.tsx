'use client'

import { styled } from '@mui/material/styles'

export const Proposal = styled('button')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '24px 1fr',
  gap: theme.spacing(0, 1),
  width: '100%',
  minHeight: 'var(--touch)',
  padding: theme.spacing(1),
  border: 0,
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
  background: 'none',
  color: 'inherit',
  font: 'inherit',
  textAlign: 'left',
  cursor: 'pointer',
  '&:hover': { background: theme.vars?.palette.own.marigold.wash },
}))
