'use client'

import { Button, MenuItem, TextField } from '@mui/material'
import { useState } from 'react'
import { LENS_TEST_FORMAT } from '@/core/lens-tests/schema'
import { plain } from '@/core/optics/words'
import type { AlikeView, MeasurableView, RunHeading } from '@/server/bench'
import type { LensTestHeading, TestableView } from '@/server/lens-tests'
import { FileButton } from '@/ui/FileButton'
import { TakesDrawing } from '@/ui/TakesDrawing'
import { Trouble } from '@/ui/Trouble'
import { useJsonFile } from '@/ui/use-json-file'
import { LinkButton } from '@/ui/links'
import { Page, PlainList, RowLink, Section, Wrap } from '@/ui/pieces'
import { When } from '@/ui/When'
import { Box, Typography } from '@/ui/elements'

const REPEATS = [3, 5, 7, 9]

/** Measuring what bodies really do: a new run, and those there are. */
export const BenchView = ({
  measurable,
  runs,
  alike,
  tests,
  lenses,
  first,
}: {
  measurable: readonly MeasurableView[]
  runs: readonly RunHeading[]
  alike: readonly AlikeView[]
  tests: readonly LensTestHeading[]
  lenses: TestableView['lenses']
  first: string | undefined
}) => {
  const [bodyId, setBody] = useState(measurable.find(m => m.body === first)?.body ?? measurable[0]?.body ?? '')
  const [what, setWhat] = useState('')
  const [unit, setUnit] = useState('')
  const [lens, setLens] = useState('')
  const [repeats, setRepeats] = useState(5)
  const { take, problem } = useJsonFile(document =>
    (document as { format?: unknown } | null)?.format === LENS_TEST_FORMAT
      ? { address: '/api/v1/lens-tests', view: '/prove/bench/lens' }
      : { address: '/api/v1/runs', view: '/prove/bench' },
  )
  const on = measurable.find(m => m.body === bodyId)
  const keyOf = (s: MeasurableView['scales'][number]) => `${s.dimension} ${s.setting}`
  const scale = on?.scales.find(s => keyOf(s) === what) ?? on?.scales[0]
  const focal = lenses.find(l => l.id === lens)?.focalMm.to ?? 85
  const run = {
    body: on?.body ?? '',
    what: scale?.dimension ?? '',
    setting: scale?.setting ?? '',
    repeats: String(repeats),
    ...(on?.units.includes(unit) ? { unit } : {}),
    ...(lens ? { lens } : {}),
  }
  return (
    <Page>
      <Typography variant="h1">Bench</Typography>
      <Typography color="textSecondary" sx={{ mt: 0.5, maxWidth: 'var(--line)' }}>
        What stands behind a step of a scale is declared until somebody measures it. A run takes a quarter of an hour
        and two people: one moves the board, one films or taps.
      </Typography>
      <Section title="Measure a scale">
        {on && scale ? (
          <>
            <Wrap sx={{ gap: 1.5, maxWidth: 'var(--wide)' }}>
              <TextField
                select
                size="small"
                label="Body"
                value={on.body}
                onChange={e => setBody(e.target.value)}
                sx={{ flex: '1 1 var(--field)' }}
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
                sx={{ flex: '1 1 var(--field)' }}
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
                sx={{ flex: '1 1 var(--field-number)' }}
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
                label="Lens"
                value={lens}
                onChange={e => setLens(e.target.value)}
                sx={{ flex: '1 1 var(--field-short)' }}
              >
                <MenuItem value="">not said</MenuItem>
                {lenses.map(l => (
                  <MenuItem key={l.id} value={l.id}>
                    {l.name}
                  </MenuItem>
                ))}
              </TextField>
              <TextField
                select
                size="small"
                label="Takes of each step"
                value={repeats}
                onChange={e => setRepeats(Number(e.target.value))}
                sx={{ flex: '1 1 var(--field-short)' }}
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
            <Wrap>
              <LinkButton variant="contained" to="/prove/bench/film" more={run}>
                Measure from films
              </LinkButton>
              <LinkButton variant="outlined" to="/prove/bench/run" more={run}>
                Measure by thumb
              </LinkButton>
              {(['a4', 'letter'] as const).map(paper => (
                <Button
                  key={paper}
                  component="a"
                  href={`/api/v1/sheets/rack?paper=${paper}&focal=${focal}`}
                  target="_blank"
                >
                  Charts and arrangement, {paper === 'a4' ? 'A4' : 'Letter'}
                </Button>
              ))}
            </Wrap>
          </>
        ) : (
          <Typography>
            No body here has a scale that can be timed. Add a body, or say of its steps how many seconds they mean.
          </Typography>
        )}
      </Section>
      <Section title="Test a lens on a body">
        <Typography sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
          Two sheets of paper, a tripod, ten pictures each: whether focus lies where it should, and at which aperture
          the lens is sharpest.
        </Typography>
        <Wrap>
          <LinkButton to="/prove/bench/focus">Does it focus where it should</LinkButton>
          <LinkButton to="/prove/bench/sharpness">Where is it sharpest</LinkButton>
        </Wrap>
        {tests.length > 0 && (
          <PlainList component="ul" sx={{ maxWidth: 'var(--wide)', mt: 1.5 }}>
            {tests.map(t => (
              <li key={t.id}>
                <RowLink
                  to={`/prove/bench/lens/${t.id}`}
                  sx={{ gridTemplateColumns: { xs: '1fr', sm: '1.4fr 1fr auto' }, minHeight: 'var(--touch)' }}
                >
                  <Typography variant="strong">
                    {t.lens} on {t.body}
                    {t.unit && ` ${t.unit}`}
                  </Typography>
                  <Typography component="span">
                    {t.kind === 'focus' ? 'where it focuses' : 'where it is sharpest'}
                  </Typography>
                  <Typography variant="body2" component="span" color="textSecondary">
                    {t.on}
                    {t.person && `, ${t.person}`}
                    {t.keptAt ? ', kept on the lens' : ', not kept'}
                  </Typography>
                </RowLink>
              </li>
            ))}
          </PlainList>
        )}
      </Section>
      {alike.length > 0 && (
        <Section title={`Are the bodies in hand alike for ${alike[0]?.standard ?? ''}`}>
          {alike.map(a => (
            <AlikePart key={a.label} alike={a} />
          ))}
        </Section>
      )}
      <Section title="Runs">
        <FileButton
          label="Take a run or a test from a file"
          accept=".json"
          onFiles={([file]) => file && void take(file)}
        />
        <Trouble words={problem} sx={{ mt: 1 }} />
        {runs.length === 0 && <Typography>Nothing has been measured yet.</Typography>}
        <PlainList component="ul" sx={{ maxWidth: 'var(--line)' }}>
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

/** One time on every body, at the step that it uses under the standard in hand. */
const AlikePart = ({ alike: a }: { alike: AlikeView }) => (
  <Box sx={{ mb: 3, maxWidth: 'var(--wide)' }}>
    <Typography variant="h3">
      {a.label}, wanted {a.wanted}
    </Typography>
    <Typography sx={{ mb: 1 }}>
      {a.times.length < 2
        ? 'Fewer than two of them have anything to set it with.'
        : `Alike within a factor of ${plain(a.factor)}. ${a.outside.length === 0 ? 'None is outside what the standard allows.' : `Outside: ${a.outside.join(', ')}.`}`}{' '}
      {a.declared.length > 0 && `Only declared, nobody has measured it: ${a.declared.join(', ')}.`}
      {a.without.length > 0 && ` Nothing to set it with: ${a.without.join(', ')}.`}
    </Typography>
    {a.times.length > 0 && (
      <TakesDrawing
        steps={a.times.map(t => ({
          id: t.body,
          label: `${t.body}: ${t.option}`,
          seconds: t.seconds,
          band: t.band ?? [t.seconds, t.seconds],
          declared: t.band ? undefined : t.seconds,
          takes: [],
        }))}
      />
    )}
  </Box>
)
