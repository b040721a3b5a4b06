import type { UnitBenchView } from '@/server/lens-tests'
import { PlainList, RowLink, Section } from '@/ui/pieces'
import { Typography } from '@/ui/elements'

const COLUMNS = { gridTemplateColumns: { xs: '1fr', sm: '1.4fr 1fr auto' }, minHeight: 'var(--touch)' }

/** What was measured on this camera, and what is to be set with which lens. */
export const UnitBench = ({ bench: { offsets, tests, runs } }: { bench: UnitBenchView }) => {
  if (offsets.length + tests.length + runs.length === 0) return null
  const row = (key: string, to: string, what: string, middle: string, end: string) => (
    <li key={key}>
      <RowLink to={to} sx={COLUMNS}>
        <Typography variant="strong">{what}</Typography>
        <Typography component="span">{middle}</Typography>
        <Typography variant="body2" component="span" color="textSecondary">
          {end}
        </Typography>
      </RowLink>
    </li>
  )
  return (
    <Section title="Measured on it">
      <PlainList component="ul" sx={{ maxWidth: 'var(--wide)' }}>
        {offsets.map(o =>
          row(
            `offset ${o.lens}`,
            `/name/lenses/${o.lens}`,
            o.name,
            `AF offset ${o.steps > 0 ? '+' : ''}${o.steps}`,
            `${o.on ?? 'day unknown'}, ${o.isOwn ? 'on this camera' : 'for the model'}`,
          ),
        )}
        {tests.map(t =>
          row(
            `test ${t.id}`,
            `/prove/bench/lens/${t.id}`,
            t.lens,
            t.kind === 'focus' ? 'where it focuses' : 'where it is sharpest',
            `${t.on}${t.keptAt ? ', kept' : ''}`,
          ),
        )}
        {runs.map(r =>
          row(`run ${r.id}`, `/prove/bench/${r.id}`, r.label, 'a run', `${r.on}${r.keptAt ? ', in the profile' : ''}`),
        )}
      </PlainList>
    </Section>
  )
}
