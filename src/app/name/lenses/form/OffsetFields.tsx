'use client'

import { Button, MenuItem, TextField } from '@mui/material'
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
          <TextField
            select
            size="small"
            label="AF offset on"
            value={o.id}
            onChange={e => change({ id: e.target.value })}
            sx={{ flex: '1 1 var(--field-short)' }}
          >
            {bodies.map(b => (
              <MenuItem key={b.id} value={b.id}>
                {b.maker} {b.model}
              </MenuItem>
            ))}
          </TextField>
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
