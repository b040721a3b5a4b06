'use client'

import { Checkbox, FormControlLabel } from '@mui/material'
import { useDesk } from '../desk'

export const AirMore = () => {
  const { scene, change } = useDesk()
  return (
    <FormControlLabel
      control={<Checkbox checked={scene.warmGround} onChange={e => change({ warmGround: e.target.checked })} />}
      label="The ground in between is warm: sand, stone, asphalt in the sun"
    />
  )
}
