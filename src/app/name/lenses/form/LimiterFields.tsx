'use client'

import { Button, TextField } from '@mui/material'
import { DistanceFields } from './DistanceFields'
import type { LensFieldsProps } from './lens-fields'
import { Box } from '@/ui/elements'

const NEW_POSITION = { label: '', near: { metric: '', imperial: '' }, far: { metric: 'infinity', imperial: '' } }

/** The positions of the switch that limits how near and far it searches. */
export const LimiterFields = ({ draft, wrong, set }: LensFieldsProps) => (
  <>
    {draft.limiter.map((p, i) => {
      const change = (next: Partial<typeof p>) =>
        set({ limiter: draft.limiter.map((x, k) => (k === i ? { ...x, ...next } : x)) })
      return (
        <Box key={i} sx={{ width: '100%', display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
          <TextField
            size="small"
            label="The switch calls it"
            value={p.label}
            error={wrong[`limiter.${i}`] !== undefined}
            helperText={wrong[`limiter.${i}`]}
            onChange={e => change({ label: e.target.value })}
            sx={{ flex: '1 1 var(--field-short)' }}
          />
          <DistanceFields
            label="Near"
            value={p.near}
            wrong={wrong[`limiter.${i}.near`]}
            onChange={near => change({ near })}
          />
          <DistanceFields
            label="Far"
            value={p.far}
            wrong={wrong[`limiter.${i}.far`]}
            onChange={far => change({ far })}
          />
          <Button onClick={() => set({ limiter: draft.limiter.filter((_, k) => k !== i) })}>Remove</Button>
        </Box>
      )
    })}
    <Button onClick={() => set({ limiter: [...draft.limiter, NEW_POSITION] })}>Add a position</Button>
  </>
)
