'use client'

import { TextField } from '@mui/material'
import { distancesDisagree, distanceWords } from '@/core/lenses/distance'
import { type DistanceText, readDistance } from './lens-draft'
import { Box, Typography } from '@/ui/elements'

/** Metric and imperial side by side; where both stand there and cannot both be right, it says so at once. */
export const DistanceFields = ({
  label,
  value,
  wrong,
  onChange,
}: {
  label: string
  value: DistanceText
  wrong: string | undefined
  onChange: (text: DistanceText) => void
}) => {
  const read = readDistance(value)
  const isTwice =
    typeof read !== 'string' && read.metres !== 'infinity' && read.feet !== undefined && value.metric.trim()
  const disagree = isTwice && distancesDisagree(read.metres as number, read.feet ?? 0)
  return (
    <Box sx={{ flex: '1 1 var(--field-long)' }}>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <TextField
          size="small"
          label={`${label}, metric`}
          placeholder="0.96 m"
          value={value.metric}
          error={wrong !== undefined}
          onChange={e => onChange({ ...value, metric: e.target.value })}
          sx={{ flex: 1 }}
        />
        <TextField
          size="small"
          label={`${label}, imperial`}
          placeholder="3.15 ft"
          value={value.imperial}
          error={wrong !== undefined}
          onChange={e => onChange({ ...value, imperial: e.target.value })}
          sx={{ flex: 1 }}
        />
      </Box>
      <Box role="status">
        {wrong && (
          <Typography variant="body2" color="error">
            {wrong}
          </Typography>
        )}
        {!wrong && typeof read !== 'string' && !disagree && (
          <Typography variant="body2" color="textSecondary">
            {distanceWords(read.metres, 'metric')} = {distanceWords(read.metres, 'imperial')}
          </Typography>
        )}
        {disagree && typeof read !== 'string' && (
          <Typography variant="body2" color="secondary" sx={{ fontWeight: 'fontWeightMedium' }}>
            These do not agree: {distanceWords(read.metres, 'metric')} is {distanceWords(read.metres, 'imperial')}.
          </Typography>
        )}
      </Box>
    </Box>
  )
}
