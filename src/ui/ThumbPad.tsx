'use client'

import { styled } from '@mui/material/styles'

/** A large field that is hit without looking: with a thumb, or with a key where it has focus. */
export const ThumbPad = styled('button')(({ theme }) => ({
  all: 'unset',
  boxSizing: 'border-box',
  width: '100%',
  padding: theme.spacing(2, 3),
  borderRadius: theme.shape.borderRadius,
  border: `2px solid ${theme.vars?.palette.own.line}`,
  background: theme.vars?.palette.background.paper,
  cursor: 'pointer',
  userSelect: 'none',
  touchAction: 'manipulation',
  '&:focus-visible': { outline: `3px solid ${theme.vars?.palette.own.marigold.main}`, outlineOffset: 3 },
}))
