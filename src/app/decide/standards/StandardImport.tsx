'use client'

import { Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { StandardImport as Taken } from '@/server/standard-import'
import { useSend } from '@/ui/use-send'
import { FileButton } from '@/ui/FileButton'
import { Trouble } from '@/ui/Trouble'
import { Typography } from '@/ui/elements'

interface Preview {
  readonly file: string
  readonly text: string
  readonly would: Taken
}

/** Takes a standard from a file, after showing what it would change. */
export const StandardImport = () => {
  const router = useRouter()
  const [preview, setPreview] = useState<Preview>()
  const { send, problem, setProblem } = useSend()
  const address = (file: string, isPreview: boolean) =>
    `/api/v1/standards?${new URLSearchParams({ file, preview: isPreview ? '1' : '0' }).toString()}`

  const look = async (file: File) => {
    const text = await file.text()
    const sent = await send<Taken>('POST', address(file.name, true), text)
    setPreview(sent.ok ? { file: file.name, text, would: sent.value } : undefined)
  }
  const take = async () => {
    if (!preview) return
    const sent = await send<Taken>('POST', address(preview.file, false), preview.text)
    if (!sent.ok) return
    setPreview(undefined)
    const { id, version } = sent.value
    router.push(`/decide/standards/${id}${version ? `?version=${version}` : ''}`)
  }
  const close = () => {
    setPreview(undefined)
    setProblem('')
  }
  return (
    <>
      <FileButton
        label="Take from a file"
        name="Standard from a file"
        accept=".json,application/json"
        onFiles={([file]) => file && void look(file)}
      />
      <Dialog open={Boolean(preview) || problem !== ''} onClose={close} fullWidth maxWidth="sm">
        <DialogTitle>{preview ? preview.would.name : 'This file cannot be taken'}</DialogTitle>
        <DialogContent>
          <Trouble words={problem} />
          {preview && (
            <>
              <Typography>
                {preview.would.version === undefined
                  ? 'It says exactly what is in force here already. Nothing would change.'
                  : preview.would.isNew
                    ? `A new standard. It would be taken as a draft, version ${preview.would.version}:`
                    : `It would become a draft, version ${preview.would.version}; what is in force stays in force until you approve it. Against that it changes:`}
              </Typography>
              <ul>
                {preview.would.differences.map(d => (
                  <li key={d}>
                    <Typography variant="body2">{d}</Typography>
                  </li>
                ))}
              </ul>
            </>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={close}>{preview ? 'Leave it' : 'Close'}</Button>
          {preview?.would.version !== undefined && (
            <Button variant="contained" onClick={() => void take()}>
              Take it as a draft
            </Button>
          )}
        </DialogActions>
      </Dialog>
    </>
  )
}
