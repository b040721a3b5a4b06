'use client'

import { ToggleButton, ToggleButtonGroup } from '@mui/material'
import { useUnits } from './units'

/** Metres or feet, for this person on this device. */
export const UnitsSwitch = () => {
  const [units, choose] = useUnits()
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={units}
      onChange={(_, next: 'metric' | 'imperial' | null) => {
        if (next) choose(next)
      }}
      aria-label="Units of length"
    >
      <ToggleButton value="metric">metres</ToggleButton>
      <ToggleButton value="imperial">feet</ToggleButton>
    </ToggleButtonGroup>
  )
}
