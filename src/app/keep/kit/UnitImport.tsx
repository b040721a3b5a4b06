'use client'

import { Alert } from '@mui/material'
import { useState } from 'react'
import type { UnitChange } from '@/core/kit/units'
import { useSend } from '@/ui/use-send'
import { LookFirst } from '@/ui/LookFirst'
import { FileButton } from '@/ui/FileButton'
import { Trouble } from '@/ui/Trouble'
import { Box } from '@/ui/elements'

interface Preview {
  readonly file: File
  readonly changes: readonly UnitChange[]
}

/** Units from a spreadsheet: first what it would change, then the change. A wrong file changes nothing. */
export const UnitImport = () => {
  const [preview, setPreview] = useState<Preview>()
  const { send, problem, setProblem } = useSend()
  const [done, setDone] = useState('')

  const read = async (file: File, isPreview: boolean) => {
    const query = new URLSearchParams({ preview: isPreview ? '1' : '0', file: file.name })
    const sent = await send<{ changes: readonly UnitChange[] }>(
      'POST',
      `/api/v1/units/import?${query.toString()}`,
      await file.arrayBuffer(),
    )
    if (!sent.ok) {
      setProblem(`${file.name} was not taken over; nothing was changed.\n${sent.detail}`)
      setPreview(undefined)
      return
    }
    if (isPreview) {
      setPreview({ file, changes: sent.value.changes })
      setDone('')
      return
    }
    setPreview(undefined)
    setDone(`${file.name} was taken over.`)
  }

  const count = (what: UnitChange['what']) => preview?.changes.filter(c => c.what === what).length ?? 0
  return (
    <Box>
      <FileButton
        label="Take units from a spreadsheet"
        name="Spreadsheet of units"
        accept=".csv,.xlsx"
        onFiles={([file]) => file && void read(file, true)}
      />
      <Box role="status">
        {done && (
          <Alert severity="success" sx={{ mt: 1 }}>
            {done}
          </Alert>
        )}
        <Trouble words={problem} sx={{ mt: 1 }} />
      </Box>
      {preview && (
        <LookFirst
          words={`${preview.file.name} would add ${count('added')}, change ${count('changed')} and leave ${count('same')} as they are. Units that are not in it stay.`}
          lines={preview.changes.filter(c => c.what !== 'same').map(c => ({ id: c.tag, text: <Change change={c} /> }))}
          take="Take it over"
          isNothing={count('added') + count('changed') === 0}
          onTake={() => void read(preview.file, false)}
          onLeave={() => setPreview(undefined)}
        />
      )}
    </Box>
  )
}

const Change = ({ change: c }: { change: UnitChange }) => (
  <>
    <strong>{c.tag}</strong>{' '}
    {c.what === 'added'
      ? 'is new'
      : c.fields.map(f => `${f.field.toLowerCase()}: ${f.before || 'nothing'} → ${f.after || 'nothing'}`).join('; ')}
  </>
)
