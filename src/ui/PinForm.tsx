'use client'

import { Button, MenuItem, TextField } from '@mui/material'
import { useState } from 'react'
import type { Setting } from '@/core/bodies'
import { Wrap } from './pieces'

/** Which option of a setting is set anyway, and why: a pin without a reason is soon nobody's. */
export const PinForm = ({
  setting,
  onPin,
}: {
  setting: Setting
  onPin: (pin: { readonly option: string; readonly reason: string }) => void
}) => {
  const [option, setOption] = useState(setting.default)
  const [reason, setReason] = useState('')
  return (
    <Wrap sx={{ alignItems: 'flex-start' }}>
      <TextField
        select
        size="small"
        label="Set it to"
        value={option}
        onChange={e => setOption(e.target.value)}
        sx={{ minWidth: 'var(--field-short)' }}
      >
        {setting.options.map(o => (
          <MenuItem key={o.id} value={o.id}>
            {o.label}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        size="small"
        label="Why"
        value={reason}
        onChange={e => setReason(e.target.value)}
        sx={{ flex: 1, minWidth: 'var(--field-short)' }}
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
      <Button
        variant="outlined"
        disabled={!reason.trim()}
        onClick={() => {
          onPin({ option, reason: reason.trim() })
          setReason('')
        }}
      >
        Set it anyway
      </Button>
    </Wrap>
  )
}
