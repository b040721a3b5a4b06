import { LENS_TEST_FORMAT } from '@/core/lens-tests/schema'
import type { AlikeView, MeasurableView, RunHeading } from '@/server/bench'
import type { LensTestHeading, TestableView } from '@/server/lens-tests'
import { TakeFile } from '@/ui/TakeFile'
import { Page, PlainList, RowLink, Section } from '@/ui/pieces'
import { When } from '@/ui/When'
import { Box, Typography } from '@/ui/elements'
import { AlikePart } from './AlikePart'
import { LensTests } from './LensTests'
import { NewRun } from './NewRun'

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
  return (
    <Page>
      <Typography variant="h1">Bench</Typography>
      <Typography color="textSecondary" sx={{ mt: 0.5, maxWidth: 'var(--line)' }}>
        What stands behind a step of a scale is declared until somebody measures it. A run takes a quarter of an hour
        and two people: one moves the board, one films or taps.
      </Typography>
      <Section title="Measure a scale">
        <NewRun measurable={measurable} lenses={lenses} first={first} />
      </Section>
      <LensTests tests={tests} />
      {alike.length > 0 && (
        <Section title={`Are the bodies in hand alike for ${alike[0]?.standard ?? ''}`}>
          {alike.map(a => (
            <AlikePart key={a.label} alike={a} />
          ))}
        </Section>
      )}
      <Section title="Runs">
        <TakeFile
          label="Take a run or a test from a file"
          to={{ address: '/api/v1/runs', view: '/prove/bench' }}
          others={{ [LENS_TEST_FORMAT]: { address: '/api/v1/lens-tests', view: '/prove/bench/lens' } }}
        />
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
