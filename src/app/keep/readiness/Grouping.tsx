'use client'

import { ToggleButton, ToggleButtonGroup } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { linkTo } from '@/ui/address'

export const GROUPINGS = ['unit', 'person', 'standard'] as const
export type GroupedBy = (typeof GROUPINGS)[number]

/** By what readiness is looked at; kept in the address. */
export const Grouping = ({ by }: { by: GroupedBy }) => {
  const params = useSearchParams()
  const router = useRouter()
  return (
    <ToggleButtonGroup
      value={by}
      exclusive
      size="small"
      aria-label="By"
      onChange={(_, next: GroupedBy | null) =>
        next && router.push(linkTo('/keep/readiness', params, next === 'unit' ? {} : { by: next }))
      }
    >
      {GROUPINGS.map(g => (
        <ToggleButton key={g} value={g} sx={{ minHeight: 'var(--touch)' }}>
          By {g}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  )
}
