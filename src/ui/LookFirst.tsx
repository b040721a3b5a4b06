import { Button } from '@mui/material'
import type { ReactNode } from 'react'
import { PlainList, Wrap } from './pieces'
import { Box, Typography } from './elements'

/** What a file or a list would bring, before it is taken: nothing is changed until somebody says so. */
export const LookFirst = ({
  words,
  lines,
  take,
  isNothing,
  onTake,
  onLeave,
  children,
}: {
  /** What taking it would do, in a sentence. */
  words: string
  lines: readonly { readonly id: string; readonly text: ReactNode }[]
  take: string
  /** There is nothing in it to take. */
  isNothing: boolean
  onTake: () => void
  onLeave: () => void
  /** What could not be read of it. */
  children?: ReactNode
}) => (
  <Box role="status" sx={{ mt: 2, maxWidth: 'var(--line)' }}>
    <Typography variant="strong">{words}</Typography>
    <PlainList component="ol" sx={{ maxHeight: 320, overflowY: 'auto' }}>
      {lines.map(l => (
        <Typography component="li" variant="body2" key={l.id}>
          {l.text}
        </Typography>
      ))}
    </PlainList>
    {children}
    <Wrap sx={{ mt: 1 }}>
      <Button variant="contained" disabled={isNothing} onClick={onTake}>
        {take}
      </Button>
      <Button onClick={onLeave}>Leave it</Button>
    </Wrap>
  </Box>
)
