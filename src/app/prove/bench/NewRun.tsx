'use client'

import { Button } from '@mui/material'
import { useState } from 'react'
import type { MeasurableView } from '@/server/bench'
import type { TestableView } from '@/server/lens-tests'
import { Choice } from '@/ui/Choice'
import { Typography } from '@/ui/elements'
import { LinkButton } from '@/ui/links'
import { Wrap } from '@/ui/pieces'

const REPEATS = [3, 5, 7, 9]

const keyOf = (s: MeasurableView['scales'][number]) => `${s.dimension} ${s.setting}`

/** What is measured on which body, how often, and the two ways to do it. */
export const NewRun = ({
  measurable,
  lenses,
  first,
}: {
  measurable: readonly MeasurableView[]
  lenses: TestableView['lenses']
  /** The body that is in hand. */
  first: string | undefined
}) => {
  const [bodyId, setBody] = useState(measurable.find(m => m.body === first)?.body ?? measurable[0]?.body ?? '')
  const [what, setWhat] = useState('')
  const [unit, setUnit] = useState('')
  const [lens, setLens] = useState('')
  const [repeats, setRepeats] = useState(5)
  const on = measurable.find(m => m.body === bodyId)
  const scale = on?.scales.find(s => keyOf(s) === what) ?? on?.scales[0]
  if (!on || !scale)
    return (
      <Typography>
        No body here has a scale that can be timed. Add a body, or say of its steps how many seconds they mean.
      </Typography>
    )
  const focal = lenses.find(l => l.id === lens)?.focalMm.to ?? 85
  const run = {
    body: on.body,
    what: scale.dimension,
    setting: scale.setting,
    repeats: String(repeats),
    ...(on.units.includes(unit) ? { unit } : {}),
    ...(lens ? { lens } : {}),
  }
  return (
    <>
      <Wrap sx={{ gap: 1.5 }}>
        <Choice
          label="Body"
          value={on.body}
          onChange={setBody}
          sx={{ flex: '1 1 var(--field-short)' }}
          options={measurable.map(m => ({ id: m.body, name: m.name }))}
        />
        <Choice
          label="What"
          value={keyOf(scale)}
          onChange={setWhat}
          sx={{ flex: '1 1 var(--field-long)' }}
          options={on.scales.map(s => ({ id: keyOf(s), name: `${s.label} (${s.settingLabel})` }))}
        />
        <Choice
          label="Unit"
          value={on.units.includes(unit) ? unit : ''}
          onChange={setUnit}
          sx={{ flex: '1 1 var(--field-number)' }}
          none="any of them"
          options={on.units.map(u => ({ id: u, name: u }))}
        />
        <Choice
          label="Lens"
          value={lens}
          onChange={setLens}
          sx={{ flex: '1 1 var(--field-short)' }}
          none="not said"
          options={lenses}
        />
        <Choice
          label="Takes of each step"
          value={repeats}
          onChange={value => setRepeats(Number(value))}
          sx={{ flex: '1 1 var(--field-short)' }}
          options={REPEATS.map(n => ({ id: n, name: String(n) }))}
        />
      </Wrap>
      <Typography variant="body2" color="textSecondary" sx={{ my: 1.5 }}>
        {scale.label} is {scale.about}. {scale.steps.length} steps of {scale.settingLabel}:{' '}
        {scale.steps
          .map(
            s =>
              `${s.label}${s.seconds === undefined ? '' : ` (${s.seconds} s, ${s.measured ? 'measured' : 'declared'})`}`,
          )
          .join(', ')}
        . {scale.steps.length * repeats} takes, in an order that lets tired arms and fading light fall on all steps
        alike.
      </Typography>
      <Wrap>
        <LinkButton variant="contained" to="/prove/bench/film" more={run}>
          Measure from films
        </LinkButton>
        <LinkButton variant="outlined" to="/prove/bench/run" more={run}>
          Measure by thumb
        </LinkButton>
        {(['a4', 'letter'] as const).map(paper => (
          <Button key={paper} component="a" href={`/api/v1/sheets/rack?paper=${paper}&focal=${focal}`} target="_blank">
            Charts and arrangement, {paper === 'a4' ? 'A4' : 'Letter'}
          </Button>
        ))}
      </Wrap>
    </>
  )
}
