'use client'

import { Button } from '@mui/material'
import type { Body, Pin, Setting } from '@/core/bodies'
import { Eyebrow } from '@/ui/pieces'
import { PinForm } from '@/ui/PinForm'
import { Box, Typography } from '@/ui/elements'

/** What no dimension speaks of can still be set on this body, whatever standard it serves. */
export const Pinned = ({
  form,
  setting,
  onPin,
}: {
  form: Body
  setting: Setting
  onPin: (pin: Omit<Pin, 'setting'> | undefined) => void
}) => {
  const pin = form.pins?.find(p => p.setting === setting.id)
  return (
    <Box component="section" aria-label="Set on this body anyway" sx={{ mt: 2 }}>
      <Eyebrow component="h3">Set on this body anyway</Eyebrow>
      {pin ? (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
          <Typography sx={{ flex: 1 }}>
            {setting.options.find(o => o.id === pin.option)?.label ?? pin.option}: {pin.reason}
          </Typography>
          <Button size="small" onClick={() => onPin(undefined)}>
            Take away
          </Button>
        </Box>
      ) : (
        <Box sx={{ mt: 1 }}>
          <PinForm key={setting.id} setting={setting} onPin={onPin} />
        </Box>
      )}
    </Box>
  )
}
