'use client'

import { Autocomplete, Box, Button, TextField, Typography } from '@mui/material'
import type { Body } from '@/core/bodies'
import { type Dimension, dimension, DIMENSIONS, GROUPS } from '@/core/vocabulary/dimensions'
import type { Meaning } from '@/core/vocabulary/schema'
import { typicalArea } from '@/core/vocabulary/typical'
import type { NeutralValue } from '@/core/vocabulary/values'
import { ValueEditor } from './ValueEditor'

const GROUP_LABEL = new Map(GROUPS.map(g => [g.id, g.label]))

/** A first value of the right kind, to be changed. */
const startingValue = (d: Dimension, body: Body): NeutralValue => {
  switch (d.kind) {
    case 'choice':
      return d.values[0] ?? 'other'
    case 'scale':
      return d.values[0] ?? ''
    case 'flag':
      return true
    case 'physical':
      return d.measure === 'ratio' ? 1 : 0
    case 'assign':
      return { control: (body.controls.find(c => c.functions.some(f => f === d.id)) ?? body.controls[0])?.id ?? '' }
    case 'area':
      return typicalArea('point')
    case 'size':
      return { width: 0.05, height: 0.06 }
    case 'position':
      return { x: 0.5, y: 0.5 }
    case 'areas':
      return [typicalArea('point')]
    case 'range':
      return { nearMetres: 0.5, farMetres: 'infinity' }
    case 'magnify':
      return { factor: 5, seconds: 'until-released', onRingTurn: false }
  }
}

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
              <Typography variant="body2" sx={{ fontWeight: 650, flex: 1 }}>
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
