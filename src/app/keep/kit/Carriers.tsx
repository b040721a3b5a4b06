'use client'

import { Autocomplete, TextField } from '@mui/material'
import { useState } from 'react'
import type { Carrier } from '@/server/carriers'
import type { UnitView } from '@/server/kit'
import { useSend } from '@/ui/use-send'
import { Trouble } from '@/ui/Trouble'
import { Box, Typography } from '@/ui/elements'

/** Who usually carries which bodies together: what is in one person's hands should behave alike first. */
export const Carriers = ({ carriers, units }: { carriers: readonly Carrier[]; units: readonly UnitView[] }) => {
  const bodies = units.filter(u => u.kind === 'body')
  if (carriers.length === 0 || bodies.length === 0) return null
  return (
    <Box component="section" aria-label="Who carries what" sx={{ mt: 5 }}>
      <Typography variant="h2">Who carries what</Typography>
      <Typography color="textSecondary" sx={{ mt: 0.5, mb: 2 }}>
        The bodies somebody usually works with together. Control maps make these alike before others.
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, gap: 2 }}>
        {carriers.map(c => (
          <CarrierField key={c.id} carrier={c} bodies={bodies} />
        ))}
      </Box>
    </Box>
  )
}

const CarrierField = ({ carrier, bodies }: { carrier: Carrier; bodies: readonly UnitView[] }) => {
  const { send, problem } = useSend()
  const [units, setUnits] = useState(carrier.units)
  const save = async (next: readonly string[]) => {
    setUnits(next)
    const sent = await send('PUT', `/api/v1/people/${carrier.id}/units`, { units: next, seen: units })
    // Somebody else may have said otherwise: what holds is shown again.
    if (!sent.ok) setUnits(units)
  }
  return (
    <Box>
      <Autocomplete
        multiple
        size="small"
        options={bodies.map(b => b.id)}
        value={[...units]}
        getOptionLabel={id => bodies.find(b => b.id === id)?.tag ?? id}
        renderOption={({ key, ...props }, id) => {
          const unit = bodies.find(b => b.id === id)
          return (
            <li key={key} {...props}>
              {unit?.tag}, {unit?.modelName}
            </li>
          )
        }}
        onChange={(_, next) => void save(next)}
        renderInput={input => <TextField {...input} label={carrier.name} />}
      />
      <Trouble words={problem} />
    </Box>
  )
}
