'use client'

import { Alert, Box, Button, Typography } from '@mui/material'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { sendJson } from './send'

interface Outcome {
  readonly file: string
  readonly ok: boolean
  readonly detail: string
}

/** Adds bodies or standards from files in the exchange formats; a wrong file changes nothing and says where it is wrong. */
export const FileImport = ({ kind, label }: { kind: 'bodies' | 'standards'; label: string }) => {
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const [outcomes, setOutcomes] = useState<readonly Outcome[]>([])
  const [busy, setBusy] = useState(false)

  const send = async (files: readonly File[]) => {
    setBusy(true)
    const results: Outcome[] = []
    for (const file of files) {
      const sent = await sendJson<{ id: string }>(
        'POST',
        `/api/v1/${kind}?file=${encodeURIComponent(file.name)}`,
        await file.text(),
      )
      results.push({ file: file.name, ok: sent.ok, detail: sent.ok ? 'added' : sent.detail })
    }
    setOutcomes(results)
    setBusy(false)
    if (input.current) input.current.value = ''
    router.refresh()
  }

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1, alignItems: 'flex-start' }}>
      <Button variant="outlined" component="label" disabled={busy}>
        {busy ? 'Reading …' : label}
        <input
          ref={input}
          hidden
          multiple
          type="file"
          accept=".json,application/json"
          onChange={e => void send([...(e.target.files ?? [])])}
        />
      </Button>
      <Box role="status">
        {outcomes.map(o => (
          <Alert key={o.file} severity={o.ok ? 'success' : 'error'} sx={{ mt: 1 }}>
            <Typography sx={{ fontWeight: 700 }}>
              {o.file}: {o.ok ? o.detail : 'not added, nothing was changed'}
            </Typography>
            {!o.ok && (
              <Typography variant="body2" sx={{ whiteSpace: 'pre-line' }}>
                {o.detail}
              </Typography>
            )}
          </Alert>
        ))}
      </Box>
    </Box>
  )
}
