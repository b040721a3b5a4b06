'use client'

import { Alert, Checkbox, FormControlLabel, TextField } from '@mui/material'
import { Chart } from '@/ui/Chart'
import { Choice } from '@/ui/Choice'
import { Section, Wrap } from '@/ui/pieces'
import { curveOf, outlookOf, planOf, type Typed, type Wrong } from './plan-form'

/** How many passes, and what such a trial could tell, while it is typed. */
export const HowMuch = ({
  typed,
  set,
  wrong,
  units,
}: {
  typed: Typed
  set: (next: Partial<Typed>) => void
  wrong: Wrong
  units: readonly string[]
}) => {
  const plan = planOf(typed, 0)
  const outlook = outlookOf(plan)
  const figure = (field: 'expected' | 'matters' | 'passes' | 'rounds' | 'seconds', label: string) => (
    <TextField
      size="small"
      label={label}
      value={typed[field]}
      onChange={e => set({ [field]: e.target.value })}
      error={wrong[field] !== undefined}
      helperText={wrong[field]}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ flex: '1 1 var(--field)' }}
    />
  )
  const isEnough = outlook.each >= outlook.needed
  return (
    <Section title="How much">
      <Wrap>
        {figure('expected', 'Sharp today, of 100')}
        {figure('matters', 'Difference that matters, of 100')}
        {figure('passes', 'Passes a block')}
        {figure('rounds', 'Rounds')}
        {figure('seconds', 'Seconds a pass')}
        <Choice
          label="Camera"
          value={units.includes(typed.unit) ? typed.unit : ''}
          onChange={value => set({ unit: value })}
          sx={{ flex: '1 1 var(--field)' }}
          none="any"
          options={units.map(tag => ({ id: tag, name: tag }))}
        />
      </Wrap>
      <FormControlLabel
        control={<Checkbox checked={typed.isPaired} onChange={e => set({ isPaired: e.target.checked })} />}
        label="Every pass is shot in all ways at once, with a camera for each"
      />
      <Alert severity={isEnough ? 'success' : 'warning'} sx={{ mt: 1 }}>
        {outlook.each} passes of each way, about {Math.ceil(outlook.minutes)} minutes.{' '}
        {outlook.told === undefined
          ? 'So few would tell no difference at all.'
          : `They would tell a difference of ${Math.ceil(outlook.told * 100)} of 100 four times of five.`}{' '}
        {isEnough
          ? 'That is enough for the difference that matters.'
          : `The difference that matters needs ${outlook.needed} of each: this trial would most likely leave it open.`}
      </Alert>
      <Chart
        label={`Passes of each way against the difference that they would tell: ${curveOf(plan)
          .filter((_, i) => i % 3 === 0)
          .map(([n, d]) => `${n} tell ${Math.ceil(d * 100)} of 100`)
          .join(', ')}.`}
        height={230}
        option={{
          grid: { left: 56, right: 24, top: 24, bottom: 48 },
          tooltip: { show: false },
          xAxis: {
            type: 'log',
            name: 'passes of each way',
            nameLocation: 'middle',
            nameGap: 28,
            min: 10,
            max: 400,
          },
          yAxis: { type: 'value', name: 'of 100', min: 0 },
          series: [
            { type: 'line', symbol: 'none', data: curveOf(plan).map(([n, d]) => [n, d * 100]) },
            {
              type: 'line',
              symbol: 'circle',
              symbolSize: 14,
              data: outlook.told === undefined ? [] : [[outlook.each, outlook.told * 100]],
            },
          ],
        }}
      />
    </Section>
  )
}
