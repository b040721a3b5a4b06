'use client'

import { Checkbox, FormControlLabel, MenuItem, Slider, TextField } from '@mui/material'
import type { FunctionId } from '@/core/functions/functions'
import { FINGERS, type Plan } from '@/core/functions/plan'
import { dimension } from '@/core/vocabulary/dimensions'
import { NumberField } from '@/ui/kinds/fields'
import type { EditPlan } from './edit-plan'
import { Box, Typography } from '@/ui/elements'

const FINGER_WORDS = {
  thumb: 'the thumb',
  index: 'the index finger',
  ring: 'the ring finger',
  left: 'the left hand',
} as const

export const Slides = ({ plan, change }: { plan: Plan; change: EditPlan | undefined }) => {
  const [slide] = plan.slides
  const label = (f: FunctionId) => dimension(f).label
  if (!change)
    return slide ? (
      <Typography variant="body2">
        In one motion: {plan.slides.map(s => `${label(s.from)}, slide to ${label(s.to)}`).join('; ')}.
      </Typography>
    ) : null
  const pairs = plan.uses.flatMap(a => plan.uses.filter(b => b !== a).map(b => `${a.function}>${b.function}`))
  return (
    <TextField
      select
      size="small"
      label="Follow each other in one motion"
      value={plan.slides.map(s => `${s.from}>${s.to}`)}
      onChange={e => {
        const chosen = e.target.value as unknown as readonly string[]
        change('what follows in one motion', p => ({
          ...p,
          slides: chosen.map(c => {
            const [from = '', to = ''] = c.split('>')
            return { from, to }
          }),
        }))
      }}
      slotProps={{ select: { multiple: true } }}
    >
      {pairs.map(pair => {
        const [from = '', to = ''] = pair.split('>')
        return (
          <MenuItem key={pair} value={pair}>
            {label(from)}, slide to {label(to)}
          </MenuItem>
        )
      })}
    </TextField>
  )
}

export const Weight = ({
  label,
  value,
  onValue,
}: {
  label: string
  value: number
  onValue: ((n: number) => void) | undefined
}) => (
  <Box>
    <Typography variant="body2">{label}</Typography>
    <Slider
      value={value}
      min={0}
      max={5}
      step={0.5}
      disabled={!onValue}
      marks={[{ value: 0, label: 'not at all' }, { value: 1 }, { value: 5, label: 'above all' }]}
      valueLabelDisplay="auto"
      onChange={(_, n) => onValue?.(n)}
      slotProps={{ input: { 'aria-label': label } }}
      sx={{ mx: 3, width: 'calc(100% - 48px)' }}
    />
  </Box>
)

export const Hand = ({ plan, change }: { plan: Plan; change: EditPlan | undefined }) => (
  <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}>
    <TextField
      select
      size="small"
      label="Better hand"
      disabled={!change}
      value={plan.hand}
      onChange={e => change?.('the better hand', p => ({ ...p, hand: e.target.value as Plan['hand'] }))}
    >
      <MenuItem value="right">right</MenuItem>
      <MenuItem value="left">left</MenuItem>
    </TextField>
    {FINGERS.map(finger => {
      const limit = plan.limits.find(l => l.finger === finger)
      const set = (limits: Plan['limits']) => change?.('what a finger must not do', p => ({ ...p, limits }))
      const others = plan.limits.filter(l => l.finger !== finger)
      return (
        <Box key={finger} sx={{ display: 'flex', alignItems: 'center', minHeight: 'var(--touch)' }}>
          <FormControlLabel
            sx={{ flex: 1, mr: 0 }}
            control={
              <Checkbox
                checked={limit !== undefined}
                disabled={!change}
                onChange={e => set(e.target.checked ? [...others, { finger, seconds: 5 }] : others)}
              />
            }
            label={<Typography variant="body2">Spare {FINGER_WORDS[finger]}</Typography>}
          />
          {limit && change && (
            <NumberField
              label="Holds at most, s"
              value={limit.seconds}
              min={0}
              onChange={seconds => set([...others, { finger, seconds: Math.min(3600, Number(seconds)) }])}
            />
          )}
        </Box>
      )
    })}
  </Box>
)
