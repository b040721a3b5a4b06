'use client'

import { Alert, Button } from '@mui/material'
import { useState } from 'react'
import { useSend } from './use-send'
import { FileButton } from './FileButton'
import { Box, Typography } from './elements'

interface Outcome {
  readonly file: string
  readonly text: string
  readonly ok: boolean
  readonly detail: string
  /** Something of that name is here with other contents: the person has to say what to do. */
  readonly asks: boolean
}

type OnConflict = 'ask' | 'replace' | 'keep-both'

/** Adds documents from files in the exchange formats; a wrong file changes nothing and says where it is wrong. */
export const FileImport = ({ kind, label }: { kind: 'bodies' | 'standards'; label: string }) => {
  const { send, isBusy } = useSend()
  const [outcomes, setOutcomes] = useState<readonly Outcome[]>([])

  const sendOne = async (file: string, text: string, conflict: OnConflict): Promise<Outcome> => {
    const query = new URLSearchParams({ file, conflict })
    const sent = await send<{ id: string; notes?: readonly string[] }>(
      'POST',
      `/api/v1/${kind}?${query.toString()}`,
      text,
    )
    const asks = !sent.ok && sent.status === 409
    return {
      file,
      text,
      ok: sent.ok,
      detail: sent.ok ? ['added', ...(sent.value.notes ?? [])].join('\n') : sent.detail,
      asks,
    }
  }

  const add = async (files: readonly File[]) => {
    const results: Outcome[] = []
    for (const file of files) results.push(await sendOne(file.name, await file.text(), 'ask'))
    setOutcomes(results)
  }

  const answer = async (outcome: Outcome, conflict: OnConflict) => {
    const next = await sendOne(outcome.file, outcome.text, conflict)
    setOutcomes(outcomes.map(o => (o === outcome ? next : o)))
  }

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1, alignItems: 'flex-start' }}>
      <FileButton
        label={isBusy ? 'Reading …' : label}
        disabled={isBusy}
        multiple
        accept=".json,application/json"
        onFiles={files => void add(files)}
      />
      <Box role="status">
        {outcomes.map(o => (
          <Alert key={o.file} severity={o.ok ? 'success' : o.asks ? 'warning' : 'error'} sx={{ mt: 1 }}>
            <Typography sx={{ fontWeight: 'fontWeightMedium' }}>
              {o.file}: {o.ok ? o.detail : 'not added, nothing was changed'}
            </Typography>
            {!o.ok && (
              <Typography variant="body2" sx={{ whiteSpace: 'pre-line' }}>
                {o.detail}
              </Typography>
            )}
            {o.asks && (
              <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
                <Button size="small" variant="outlined" onClick={() => void answer(o, 'keep-both')}>
                  Keep both
                </Button>
                <Button size="small" variant="outlined" onClick={() => void answer(o, 'replace')}>
                  Replace what is here
                </Button>
              </Box>
            )}
          </Alert>
        ))}
      </Box>
    </Box>
  )
}
