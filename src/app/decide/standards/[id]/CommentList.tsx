'use client'

import { Button, TextField } from '@mui/material'
import { useState } from 'react'
import { dimension } from '@/core/vocabulary/dimensions'
import { When } from '@/ui/When'
import type { Comments } from './use-comments'
import { Trouble } from '@/ui/Trouble'
import { Box, Typography } from '@/ui/elements'

/** What was said about one target, or about everything, and a place to say more. */
export const CommentList = ({ comments, dimensionId }: { comments: Comments; dimensionId?: string }) => {
  const [text, setText] = useState('')
  const here = comments.all.filter(c => dimensionId === undefined || c.dimension === dimensionId)
  const say = async () => {
    if (await comments.say(text.trim(), dimensionId)) setText('')
  }
  return (
    <Box component="section" aria-label="Comments">
      <Typography variant="h3">Comments</Typography>
      <Trouble words={comments.problem} />
      {here.map(c => (
        <Box key={c.id} sx={{ py: 1, borderBottom: 1, borderColor: 'divider', opacity: c.settled_at ? 0.75 : 1 }}>
          <Typography variant="body2" color="textSecondary">
            {c.person ?? 'somebody'}, <When at={c.at} />, version {c.version}
            {dimensionId === undefined && c.dimension && `, ${dimension(c.dimension).label}`}
            {c.settled_at && ` · settled by ${c.settler ?? 'somebody'}`}
          </Typography>
          <Typography sx={{ whiteSpace: 'pre-line' }}>{c.text}</Typography>
          <Button size="small" sx={{ px: 0 }} onClick={() => void comments.settle(c.id, !c.settled_at)}>
            {c.settled_at ? 'Open again' : 'Settled'}
          </Button>
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'flex-start' }}>
        <TextField
          size="small"
          fullWidth
          multiline
          label="Say something about it"
          value={text}
          onChange={e => setText(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 2000 } }}
        />
        <Button onClick={() => void say()} disabled={!text.trim()}>
          Say it
        </Button>
      </Box>
    </Box>
  )
}
