'use client'

import { Autocomplete, Button, TextField } from '@mui/material'
import type { Body } from '@/core/bodies'
import { dimension, DIMENSIONS, GROUPS } from '@/core/vocabulary/dimensions'
import type { Meaning } from '@/core/vocabulary/schema'
import { startingValue, ValueEditor } from '@/ui/kinds'
import { Box, Typography } from '@/ui/elements'

const GROUP_LABEL = new Map(GROUPS.map(g => [g.id, g.label]))

/** The meaning of one option, dimension by dimension. */
export const MeaningEditor = ({
  body,
  means,
  onChange,
}: {
  body: Body
  means: Meaning
  onChange: (means: Meaning) => void
}) => {
  const left = DIMENSIONS.filter(d => means[d.id] === undefined)
  return (
    <Box sx={{ mt: 1, display: 'flex', flexDirection: 'column', gap: 1.5 }}>
      {Object.entries(means).map(([id, value]) => {
        const d = dimension(id)
        const others = Object.fromEntries(Object.entries(means).filter(([other]) => other !== id))
        return (
          <Box key={id}>
            <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
              <Typography variant="body2" sx={{ fontWeight: 'fontWeightMedium', flex: 1 }}>
                {d.label}
              </Typography>
              <Button size="small" onClick={() => onChange(others)} aria-label={`Remove ${d.label}`}>
                Remove
              </Button>
            </Box>
            <ValueEditor body={body} d={d} value={value} onChange={v => onChange({ ...means, [id]: v })} />
          </Box>
        )
      })}
      <Autocomplete
        size="small"
        options={left}
        groupBy={d => GROUP_LABEL.get(d.group) ?? ''}
        getOptionLabel={d => d.label}
        value={null}
        blurOnSelect
        clearOnBlur
        onChange={(_, d) => {
          if (d) onChange({ ...means, [d.id]: startingValue(d, body) })
        }}
        renderInput={params => <TextField {...params} label="Add what it means" />}
      />
    </Box>
  )
}
