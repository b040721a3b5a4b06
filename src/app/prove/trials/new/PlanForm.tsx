'use client'

import { Alert, Autocomplete, Button, Checkbox, FormControlLabel, MenuItem, TextField } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useMemo, useState } from 'react'
import { DIMENSIONS } from '@/core/vocabulary/dimensions'
import { linkTo } from '@/ui/address'
import { Chart } from '@/ui/Chart'
import { useLocal } from '@/ui/local'
import { Page, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { useSend } from '@/ui/use-send'
import { curveOf, EMPTY, outlookOf, planOf, trialOf, type Typed, wrongIn } from './plan-form'
import { Box, Typography } from '@/ui/elements'

const read = (text: string | null): Typed => {
  try {
    return { ...EMPTY, ...(JSON.parse(text ?? '{}') as Partial<Typed>) }
  } catch {
    return EMPTY
  }
}

/** The question, the ways, the situations; and what such a trial could tell, while it is typed. */
export const PlanForm = ({
  units,
  standards,
}: {
  units: readonly string[]
  standards: readonly { readonly id: string; readonly name: string }[]
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const { send, isBusy, problem } = useSend()
  const [kept, keep] = useLocal('coherion-trial-plan')
  const typed = useMemo(() => read(kept), [kept])
  const [isShown, setShown] = useState(false)
  const set = (next: Partial<Typed>) => keep(JSON.stringify({ ...typed, ...next }))
  const wrong = wrongIn(typed)
  const plan = planOf(typed, 0)
  const outlook = outlookOf(plan)
  const save = async () => {
    setShown(true)
    if (Object.keys(wrong).length > 0) return
    const seed = Math.floor(Math.random() * 1e6)
    const sent = await send<{ id: number }>('POST', '/api/v1/trials', { document: trialOf(planOf(typed, seed)) })
    if (!sent.ok) return
    keep('{}')
    router.push(linkTo(`/prove/trials/${sent.value.id}`, params))
  }
  const wordsOf = (field: keyof typeof wrong) => (isShown ? wrong[field] : undefined)
  const figure = (field: 'expected' | 'matters' | 'passes' | 'rounds' | 'seconds', label: string) => (
    <TextField
      size="small"
      label={label}
      value={typed[field]}
      onChange={e => set({ [field]: e.target.value })}
      error={wrong[field] !== undefined}
      helperText={wrong[field]}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ flex: '1 1 var(--field-short)' }}
    />
  )
  const isEnough = outlook.each >= outlook.needed
  return (
    <Page>
      <Typography variant="h1">Plan a trial</Typography>
      <Box sx={{ maxWidth: 'var(--wide)' }}>
        <TextField
          fullWidth
          label="The question"
          placeholder="Thumb start or shutter start for tumblers?"
          value={typed.name}
          onChange={e => set({ name: e.target.value })}
          error={wordsOf('name') !== undefined}
          helperText={wordsOf('name')}
          sx={{ mt: 2 }}
        />
        <Autocomplete
          options={DIMENSIONS}
          value={DIMENSIONS.find(d => d.id === typed.about) ?? null}
          onChange={(_, d) => set({ about: d?.id ?? '' })}
          getOptionLabel={d => d.label}
          sx={{ mt: 2, maxWidth: 'var(--field-long)' }}
          renderInput={p => <TextField {...p} label="It speaks about" placeholder="nothing in particular" />}
        />
        <Section title="Ways">
          {typed.ways.map((way, i) => {
            const change = (next: Partial<typeof way>) =>
              set({ ways: typed.ways.map((w, k) => (k === i ? { ...w, ...next } : w)) })
            return (
              <Wrap key={i} sx={{ mb: 1.5 }}>
                <TextField
                  size="small"
                  label={`Way ${i + 1}`}
                  value={way.name}
                  onChange={e => change({ name: e.target.value })}
                  error={isShown && !way.name.trim()}
                  sx={{ flex: '2 1 var(--field-short)' }}
                />
                <TextField
                  select
                  size="small"
                  label={`Way ${i + 1} is set by`}
                  value={standards.some(s => s.id === way.standard) ? way.standard : ''}
                  onChange={e => change({ standard: e.target.value })}
                  sx={{ flex: '2 1 var(--field-short)' }}
                >
                  <MenuItem value="">its words</MenuItem>
                  {standards.map(s => (
                    <MenuItem key={s.id} value={s.id}>
                      {s.name}
                    </MenuItem>
                  ))}
                </TextField>
                <TextField
                  size="small"
                  label={`What to set for way ${i + 1}`}
                  value={way.how}
                  onChange={e => change({ how: e.target.value })}
                  sx={{ flex: '3 1 var(--field)' }}
                />
                {typed.ways.length > 2 && (
                  <Button
                    aria-label={`Remove way ${i + 1}`}
                    onClick={() => set({ ways: typed.ways.filter((_, k) => k !== i) })}
                  >
                    Remove
                  </Button>
                )}
              </Wrap>
            )
          })}
          {typed.ways.length < 6 && (
            <Button onClick={() => set({ ways: [...typed.ways, { name: '', how: '', standard: '' }] })}>
              Another way
            </Button>
          )}
          {wordsOf('ways') && <Trouble words={wordsOf('ways') ?? ''} sx={{ mt: 1 }} />}
        </Section>
        <Section title="Situations">
          {typed.situations.map((situation, i) => (
            <Wrap key={i} sx={{ mb: 1.5 }}>
              <TextField
                size="small"
                label={`Situation ${i + 1}`}
                placeholder="Tumbler towards the camera"
                value={situation}
                onChange={e => set({ situations: typed.situations.map((s, k) => (k === i ? e.target.value : s)) })}
                error={isShown && !situation.trim()}
                sx={{ flex: '1 1 var(--field)' }}
              />
              {typed.situations.length > 1 && (
                <Button
                  aria-label={`Remove situation ${i + 1}`}
                  onClick={() => set({ situations: typed.situations.filter((_, k) => k !== i) })}
                >
                  Remove
                </Button>
              )}
            </Wrap>
          ))}
          {typed.situations.length < 4 && (
            <Button onClick={() => set({ situations: [...typed.situations, ''] })}>Another situation</Button>
          )}
          {wordsOf('situations') && <Trouble words={wordsOf('situations') ?? ''} sx={{ mt: 1 }} />}
        </Section>
        <Section title="How much">
          <Wrap>
            {figure('expected', 'Sharp today, of 100')}
            {figure('matters', 'Difference that matters, of 100')}
            {figure('passes', 'Passes a block')}
            {figure('rounds', 'Rounds')}
            {figure('seconds', 'Seconds a pass')}
            <TextField
              select
              size="small"
              label="Camera"
              value={units.includes(typed.unit) ? typed.unit : ''}
              onChange={e => set({ unit: e.target.value })}
              sx={{ flex: '1 1 var(--field-short)' }}
            >
              <MenuItem value="">any</MenuItem>
              {units.map(tag => (
                <MenuItem key={tag} value={tag}>
                  {tag}
                </MenuItem>
              ))}
            </TextField>
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
        <Trouble words={problem} sx={{ mt: 2 }} />
        <Button variant="contained" disabled={isBusy} onClick={() => void save()} sx={{ mt: 1 }}>
          Write the plan
        </Button>
      </Box>
    </Page>
  )
}
