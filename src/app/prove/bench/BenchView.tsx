'use client'

import { Box, MenuItem, TextField, Typography } from '@mui/material'
import { useState } from 'react'
import type { MeasurableView, RunHeading } from '@/server/bench'
import { LinkButton } from '@/ui/links'
import { Page, PlainList, RowLink, Section, Wrap } from '@/ui/pieces'
import { When } from '@/ui/When'

const REPEATS = [3, 5, 7, 9]

/** Measuring what bodies really do: a new run, and those there are. */
export const BenchView = ({
  measurable,
  runs,
  first,
}: {
  measurable: readonly MeasurableView[]
  runs: readonly RunHeading[]
  first: string | undefined
}) => {
  const [bodyId, setBody] = useState(measurable.find(m => m.body === first)?.body ?? measurable[0]?.body ?? '')
  const [what, setWhat] = useState('')
  const [unit, setUnit] = useState('')
  const [repeats, setRepeats] = useState(5)
  const on = measurable.find(m => m.body === bodyId)
  const keyOf = (s: MeasurableView['scales'][number]) => `${s.dimension} ${s.setting}`
  const scale = on?.scales.find(s => keyOf(s) === what) ?? on?.scales[0]
  return (
    <Page>
      <Typography variant="h1">Bench</Typography>
      <Typography color="textSecondary" sx={{ mt: 0.5, maxWidth: 720 }}>
        What stands behind a step of a scale is declared until somebody measures it. A run takes a quarter of an hour
        and two people: one moves the board, one taps.
      </Typography>
      <Section title="Measure a scale">
        {on && scale ? (
          <>
            <Wrap sx={{ gap: 1.5, maxWidth: 900 }}>
              <TextField
                select
                size="small"
                label="Body"
                value={on.body}
                onChange={e => setBody(e.target.value)}
                sx={{ flex: '1 1 200px' }}
              >
                {measurable.map(m => (
                  <MenuItem key={m.body} value={m.body}>
                    {m.name}
                  </MenuItem>
                ))}
              </TextField>
              <TextField
                select
                size="small"
                label="What"
                value={keyOf(scale)}
                onChange={e => setWhat(e.target.value)}
                sx={{ flex: '1 1 220px' }}
              >
                {on.scales.map(s => (
                  <MenuItem key={keyOf(s)} value={keyOf(s)}>
                    {s.label} ({s.settingLabel})
                  </MenuItem>
                ))}
              </TextField>
              <TextField
                select
                size="small"
                label="Unit"
                value={on.units.includes(unit) ? unit : ''}
                onChange={e => setUnit(e.target.value)}
                sx={{ flex: '1 1 120px' }}
              >
                <MenuItem value="">any of them</MenuItem>
                {on.units.map(u => (
                  <MenuItem key={u} value={u}>
                    {u}
                  </MenuItem>
                ))}
              </TextField>
              <TextField
                select
                size="small"
                label="Takes of each step"
                value={repeats}
                onChange={e => setRepeats(Number(e.target.value))}
                sx={{ flex: '1 1 120px' }}
              >
                {REPEATS.map(n => (
                  <MenuItem key={n} value={n}>
                    {n}
                  </MenuItem>
                ))}
              </TextField>
            </Wrap>
            <Typography variant="body2" color="textSecondary" sx={{ my: 1.5 }}>
              {scale.label} is {scale.about}. {scale.steps.length} steps of {scale.settingLabel}:{' '}
              {scale.steps
                .map(
                  s =>
                    `${s.label}${s.seconds === undefined ? '' : ` (${s.seconds} s, ${s.measured ? 'measured' : 'declared'})`}`,
                )
                .join(', ')}
              . {scale.steps.length * repeats} takes, in an order that lets tired arms and fading light fall on all
              steps alike.
            </Typography>
            <LinkButton
              variant="contained"
              to="/prove/bench/run"
              more={{
                body: on.body,
                what: scale.dimension,
                setting: scale.setting,
                repeats: String(repeats),
                ...(on.units.includes(unit) ? { unit } : {}),
              }}
            >
              Measure by thumb
            </LinkButton>
          </>
        ) : (
          <Typography>
            No body here has a scale that can be timed. Add a body, or say of its steps how many seconds they mean.
          </Typography>
        )}
      </Section>
      <Section title="Runs">
        {runs.length === 0 && <Typography>Nothing has been measured yet.</Typography>}
        <PlainList component="ul" sx={{ maxWidth: 720 }}>
          {runs.map(r => (
            <li key={r.id}>
              <RowLink
                to={`/prove/bench/${r.id}`}
                sx={{ gridTemplateColumns: '1fr 1fr auto', minHeight: 'var(--touch)' }}
              >
                <Typography variant="strong">{r.body}</Typography>
                <Typography component="span">{r.label}</Typography>
                <Typography variant="body2" component="span" color="textSecondary">
                  {r.on}
                  {r.person && `, ${r.person}`}
                  {r.keptAt ? ', in the profile' : ', not taken up'}
                </Typography>
              </RowLink>
            </li>
          ))}
        </PlainList>
        {runs[0]?.keptAt && (
          <Box sx={{ mt: 1 }}>
            <Typography variant="body2" color="textSecondary">
              Last taken up <When at={runs[0].keptAt} />.
            </Typography>
          </Box>
        )}
      </Section>
    </Page>
  )
}
