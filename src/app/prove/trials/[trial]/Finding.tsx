'use client'

import { Alert, Button } from '@mui/material'
import { useState } from 'react'
import type { FindingView } from '@/server/trials'
import { Choice } from '@/ui/Choice'
import { KeptLink } from '@/ui/links'
import { Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'

/** Takes what a trial says into the draft of a standard, where it stands with its day. */
export const Finding = ({
  trial,
  standards,
  first,
}: {
  trial: number
  standards: readonly { readonly id: string; readonly name: string }[]
  first: string | undefined
}) => {
  const { send, isBusy, problem } = useSend()
  const [chosen, setChosen] = useState(first ?? standards[0]?.id ?? '')
  const [written, setWritten] = useState<FindingView>()
  const write = async () => {
    const sent = await send<FindingView>('POST', `/api/v1/trials/${trial}/finding`, { standard: chosen })
    if (sent.ok) setWritten(sent.value)
  }
  if (standards.length === 0) return null
  return (
    <Section title="Take it into a standard">
      <Wrap>
        <Choice
          label="Standard"
          value={chosen}
          onChange={setChosen}
          sx={{ minWidth: 'var(--field)' }}
          options={standards}
        />
        <Button variant="outlined" disabled={isBusy} onClick={() => void write()}>
          Write it into the draft
        </Button>
      </Wrap>
      <Trouble words={problem} sx={{ mt: 1 }} />
      {written && (
        <Alert severity="success" sx={{ mt: 1, maxWidth: 'var(--line)' }}>
          It stands in version {written.version} of {written.name} (draft), with the day of the trial.{' '}
          <KeptLink to={`/decide/standards/${written.standard}`} more={{ version: String(written.version) }}>
            Change what it speaks about there
          </KeptLink>
        </Alert>
      )}
    </Section>
  )
}
