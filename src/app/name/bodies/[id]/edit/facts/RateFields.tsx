import { Checkbox, FormControlLabel, MenuItem, TextField } from '@mui/material'
import type { Body } from '@/core/bodies'
import { SHUTTERS } from '@/core/vocabulary/values'

type Rate = Body['frameRates'][number]

const UNKNOWN = ''

/** What a frame rate implies: focus and exposure between the frames, and the shutter it takes. */
export const RateFields = ({ rate, onChange }: { rate: Rate; onChange: (rate: Partial<Rate>) => void }) => (
  <>
    <FormControlLabel
      control={
        <Checkbox
          checked={rate.focusBetweenFrames}
          onChange={e => onChange({ focusBetweenFrames: e.target.checked })}
        />
      }
      label="focuses between frames"
    />
    <TextField
      select
      size="small"
      label="Exposure between frames"
      value={rate.exposureBetweenFrames === undefined ? UNKNOWN : rate.exposureBetweenFrames ? 'yes' : 'no'}
      onChange={e =>
        onChange({ exposureBetweenFrames: e.target.value === UNKNOWN ? undefined : e.target.value === 'yes' })
      }
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ minWidth: 'var(--field-short)' }}
    >
      <MenuItem value={UNKNOWN}>not known</MenuItem>
      <MenuItem value="yes">measured again</MenuItem>
      <MenuItem value="no">as for the first</MenuItem>
    </TextField>
    <TextField
      select
      size="small"
      label="Shutter"
      value={rate.shutter ?? UNKNOWN}
      onChange={e => onChange({ shutter: SHUTTERS.find(s => s === e.target.value) })}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ minWidth: 'var(--field-short)' }}
    >
      <MenuItem value={UNKNOWN}>not known</MenuItem>
      {SHUTTERS.map(s => (
        <MenuItem key={s} value={s}>
          {s.replaceAll('-', ' ')}
        </MenuItem>
      ))}
    </TextField>
  </>
)
