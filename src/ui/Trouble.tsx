'use client'

import { Alert, type SxProps } from '@mui/material'
import { styled, type Theme } from '@mui/material/styles'
import type { ReactNode } from 'react'

const InLines = styled(Alert)({ whiteSpace: 'pre-line' })

/** What went wrong, and what to do; nothing where nothing did. */
export const Trouble = ({ words, sx }: { words: ReactNode; sx?: SxProps<Theme> }) =>
  words ? (
    <InLines severity="error" {...(sx ? { sx } : {})}>
      {words}
    </InLines>
  ) : null
