'use client'

import { styled } from '@mui/material/styles'

export const Scroller = styled('div')(({ theme }) => ({
  flex: 1,
  minWidth: 0,
  overflow: 'auto',
  background: theme.vars?.palette.background.paper,
  outlineOffset: -3,
  '& .words': { minWidth: 0 },
  '& .main, & .sub, & .broken, & .target, & .wanted': {
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    whiteSpace: 'nowrap',
    lineHeight: 1.4,
  },
  '& .main, & .sub, & .broken': { fontSize: theme.typography.body2.fontSize },
  '& .alone': { whiteSpace: 'normal', display: '-webkit-box', WebkitLineClamp: 2, WebkitBoxOrient: 'vertical' },
  '& .main': { fontWeight: theme.typography.fontWeightMedium },
  '& .sub': { color: theme.vars?.palette.text.secondary },
  '& .broken': { color: theme.vars?.palette.error.main, fontWeight: theme.typography.fontWeightMedium },
  '& .target': { fontWeight: theme.typography.fontWeightMedium, lineHeight: 1.3 },
  '& .wanted': { ...theme.typography.value, color: theme.vars?.palette.text.secondary, lineHeight: 1.3 },
  // A wanted value is read whole: it takes a second line before it is cut.
  '& .wanted.wanted': { whiteSpace: 'normal', display: '-webkit-box', WebkitLineClamp: 2, WebkitBoxOrient: 'vertical' },
  '& .must': { color: theme.vars?.palette.text.primary, fontWeight: theme.typography.fontWeightMedium },
}))

export const Sticky = styled('div')(({ theme }) => ({
  position: 'sticky',
  left: 0,
  zIndex: 1,
  height: '100%',
  padding: theme.spacing(0, 1, 0, 2.5),
  background: theme.vars?.palette.background.paper,
  borderRight: `1px solid ${theme.vars?.palette.divider}`,
  display: 'flex',
  flexDirection: 'column',
  justifyContent: 'center',
}))

export const Line1 = styled('div')(({ theme }) => ({
  position: 'absolute',
  left: 0,
  width: '100%',
  borderBottom: `1px solid ${theme.vars?.palette.divider}`,
}))

export const CellBox = styled('div')(({ theme }) => ({
  position: 'absolute',
  top: 0,
  height: '100%',
  display: 'flex',
  alignItems: 'center',
  gap: theme.spacing(0.75),
  padding: theme.spacing(0, 1),
  cursor: 'pointer',
  '&:hover': { background: theme.vars?.palette.own.marigold.wash },
  '&[aria-selected="true"]': {
    background: theme.vars?.palette.own.marigold.wash,
    boxShadow: `inset 0 0 0 2px ${theme.vars?.palette.own.marigold.main}`,
  },
  '[role="grid"]:focus-visible &[data-active="true"]': {
    boxShadow: `inset 0 0 0 3px ${theme.vars?.palette.own.marigold.main}`,
  },
}))

export const Fold = styled('button')(({ theme }) => ({
  all: 'unset',
  display: 'flex',
  alignItems: 'center',
  gap: theme.spacing(1),
  cursor: 'pointer',
  width: '100%',
  height: '100%',
  color: theme.vars?.palette.own.label,
  '&:focus-visible': { outline: `3px solid ${theme.vars?.palette.own.marigold.main}`, outlineOffset: -3 },
}))
