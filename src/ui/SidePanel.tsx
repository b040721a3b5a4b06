'use client'

import { Drawer, IconButton, useMediaQuery } from '@mui/material'
import { styled, useTheme } from '@mui/material/styles'
import { type ReactNode, useEffect } from 'react'
import { Box } from './elements'

const Aside = styled('aside')(({ theme }) => ({
  flex: 'none',
  width: 324,
  overflowY: 'auto',
  borderLeft: `1px solid ${theme.vars?.palette.divider}`,
  padding: theme.spacing(2, 2.5),
}))

const CloseButton = ({ onClose }: { onClose: () => void }) => (
  <IconButton aria-label="Close" onClick={onClose} sx={{ float: 'right', mt: -1, mr: -1.25, ml: 1 }}>
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden>
      <path d="M3 3l10 10M13 3L3 13" stroke="currentColor" strokeWidth="2" strokeLinecap="round" />
    </svg>
  </IconButton>
)

/** Where a cell, a score or a step explains itself: beside the view, or rising over it on a phone. */
export const SidePanel = ({
  label,
  onClose,
  children,
}: {
  label: string
  onClose: () => void
  children: ReactNode
}) => {
  const theme = useTheme()
  const isNarrow = useMediaQuery(theme.breakpoints.down('md'))
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onClose()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [onClose])

  const content = (
    <Box>
      <CloseButton onClose={onClose} />
      {children}
    </Box>
  )
  if (!isNarrow) return <Aside aria-label={label}>{content}</Aside>
  return (
    <Drawer
      anchor="bottom"
      open
      onClose={onClose}
      slotProps={{ paper: { 'aria-label': label, role: 'dialog', sx: { maxHeight: '85dvh', p: 2.5 } } }}
    >
      {content}
    </Drawer>
  )
}
