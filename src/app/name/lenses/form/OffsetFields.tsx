'use client'

import { Button, TextField } from '@mui/material'
import { Choice } from '@/ui/Choice'
import type { LensFieldsProps } from './lens-fields'
import { Box } from '@/ui/elements'

/** How far AF is off on a body, found by a test. */
export const OffsetFields = ({
  draft,
  wrong,
  set,
  bodies,
}: LensFieldsProps & {
  bodies: readonly { readonly id: string; readonly maker: string; readonly model: string }[]
}) => (
  <>
    {draft.offsets.map((o, i) => {
      const change = (next: Partial<typeof o>) =>
        set({ offsets: draft.offsets.map((x, k) => (k === i ? { ...x, ...next } : x)) })
      return (
        <Box key={i} sx={{ width: '100%', display: 'flex', gap: 1.5 }}>
          <Choice
            label="AF offset on"
            value={o.id}
            onChange={value => change({ id: value })}
            sx={{ flex: '1 1 var(--field-short)' }}
            options={bodies.map(b => ({ id: b.id, name: `${b.maker} ${b.model}` }))}
          />
          <TextField
            size="small"
            label="Steps"
            value={o.steps}
            error={wrong[`offsets.${i}`] !== undefined}
            helperText={wrong[`offsets.${i}`] ?? 'positive: away from the camera'}
            onChange={e => change({ steps: e.target.value })}
          />
          <TextField size="small" label="Found on" value={o.on} onChange={e => change({ on: e.target.value })} />
          <Button onClick={() => set({ offsets: draft.offsets.filter((_, k) => k !== i) })}>Remove</Button>
        </Box>
      )
    })}
    {bodies.length > 0 && (
      <Button onClick={() => set({ offsets: [...draft.offsets, { id: bodies[0]?.id ?? '', steps: '0', on: '' }] })}>
        Add an AF offset
      </Button>
    )}
  </>
)
