'use client'

import { Checkbox, FormControlLabel } from '@mui/material'
import { memo } from 'react'
import type { BlockNote, Trial } from '@/core/evidence/trial'
import type { CountingView } from '@/server/trials'
import { Choice } from '@/ui/Choice'
import { LinkButton } from '@/ui/links'
import { Section } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { WrittenField } from '@/ui/WrittenField'
import { Box } from '@/ui/elements'

/** Which block it is, and what is to be known of it. A tap on a counter changes nothing here, and does not wait for it. */
export const ThisBlock = memo(function ThisBlock({
  view,
  trial,
  block,
  onBlock,
  onNoted,
}: {
  view: CountingView
  trial: Trial
  block: number
  onBlock: (block: number) => void
  onNoted: () => void
}) {
  const { send, isBusy, problem } = useSend()
  const { blocks } = view
  const note = trial.notes.find(n => n.block === block)
  const setNote = async (next: Partial<BlockNote>) => {
    const sent = await send('PUT', `/api/v1/trials/${view.id}/notes`, { note: { ...note, block, ...next } })
    if (sent.ok) onNoted()
  }
  const mark = (field: 'isBroken' | 'isOtherLight', label: string) => (
    <FormControlLabel
      control={
        <Checkbox
          checked={note?.[field] === true}
          disabled={isBusy}
          onChange={e => void setNote({ [field]: e.target.checked ? true : undefined })}
        />
      }
      label={label}
    />
  )
  return (
    <>
      <Section title="This block">
        <Choice
          fullWidth
          label="Block"
          value={block}
          onChange={value => onBlock(Number(value))}
          options={blocks.map((b, i) => ({
            id: i,
            name: `${i + 1}: ${trial.ways.find(w => w.id === b.way)?.name}, ${trial.situations.find(s => s.id === b.situation)?.name}`,
          }))}
        />
        {mark('isBroken', 'Broken off, or begun on the wrong setting: leave it out')}
        {mark('isOtherLight', 'The light was another')}
        <WrittenField
          key={block}
          label="Note"
          value={note?.words ?? ''}
          onWrite={words => void setNote({ words: words.trim() || undefined })}
        />
        <Box>
          <LinkButton to={`/prove/trials/${view.id}`}>What can be said so far</LinkButton>
        </Box>
      </Section>
      <Trouble words={problem} sx={{ mt: 2 }} />
    </>
  )
})
