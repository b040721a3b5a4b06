'use client'

import { Button, TextField } from '@mui/material'
import { useState } from 'react'
import { SunDial } from '@/ui/optics/SunDial'
import { Wrap } from '@/ui/pieces'
import { useDesk } from '../desk'
import { Num } from '../fields'
import { Box } from '@/ui/elements'

const MINUTE = 60_000

/** What a date-and-time field shows for a moment at a place. */
const localText = (at: number, offsetMinutes: number): string =>
  new Date(at + offsetMinutes * MINUTE).toISOString().slice(0, 16)

export const LightMore = () => {
  const { scene, r, change } = useDesk()
  const [typed, setTyped] = useState<string | undefined>(undefined)
  const shown = scene.at === 0 ? '' : localText(scene.at, scene.offsetMinutes)
  const here = () => {
    const now = new Date()
    change({ at: Math.round(now.getTime() / MINUTE) * MINUTE, offsetMinutes: -now.getTimezoneOffset() })
  }
  return (
    <>
      <Wrap sx={{ gap: 1.25, my: 1.5 }}>
        <Num field="latitude" label="Latitude, degrees" helper="north of the equator" />
        <Num field="longitude" label="Longitude, degrees" helper="east of Greenwich" />
        <TextField
          size="small"
          type="datetime-local"
          label="Day and time there"
          value={typed ?? shown}
          onFocus={() => setTyped(shown)}
          onBlur={() => setTyped(undefined)}
          onChange={e => {
            setTyped(e.target.value)
            const at = Date.parse(`${e.target.value}:00Z`)
            if (Number.isFinite(at)) change({ at: at - scene.offsetMinutes * MINUTE })
          }}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ flex: '1 1 var(--field)', maxWidth: 'var(--field)' }}
        />
        <Num field="offsetMinutes" label="Clocks ahead of UTC, h" scale={1 / 60} />
        <Num field="facingDegrees" label="Camera looks, degrees" helper="0 north, 90 east" />
        <Button size="small" onClick={here}>
          Now, by this device’s clock
        </Button>
      </Wrap>
      <Box sx={{ maxWidth: 'var(--field)' }}>
        <SunDial r={r} onFacing={facingDegrees => change({ facingDegrees })} />
      </Box>
    </>
  )
}
