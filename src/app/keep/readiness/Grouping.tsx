'use client'

import { ToggleButton, ToggleButtonGroup } from '@mui/material'
import NextLink from 'next/link'
import { useSearchParams } from 'next/navigation'
import { linkTo } from '@/ui/address'

export const GROUPINGS = ['unit', 'person', 'standard'] as const
export type GroupedBy = (typeof GROUPINGS)[number]

/** By what readiness is looked at; kept in the address. */
export const Grouping = ({ by }: { by: GroupedBy }) => {
  const params = useSearchParams()
  return (
    <ToggleButtonGroup value={by} exclusive size="small" aria-label="By">
      {GROUPINGS.map(g => (
        <ToggleButton
          key={g}
          value={g}
          component={NextLink}
          href={linkTo('/keep/readiness', params, g === 'unit' ? {} : { by: g })}
          sx={{ minHeight: 44 }}
        >
          By {g}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  )
}
