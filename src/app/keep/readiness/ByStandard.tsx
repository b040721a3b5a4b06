import { READINESS_ORDER } from '@/core/kit/readiness'
import type { StandardReadiness } from '@/server/readiness'
import { NotReckoned } from '@/ui/NotReckoned'
import { Page, RowLink } from '@/ui/pieces'
import { Grouping } from './Grouping'
import { STATE_LABELS } from './state-labels'
import { Mark } from './UnitRows'
import { Box, Typography } from '@/ui/elements'

const ROW = {
  gridTemplateColumns: { xs: '1fr', md: 'minmax(180px, 1fr) 2fr' },
  columnGap: 3,
  rowGap: 0.5,
  minHeight: 'var(--row-tall)',
} as const

const onceEach = (failed: StandardReadiness['failed']): StandardReadiness['failed'] =>
  failed.filter((f, i) => failed.findIndex(other => other.body === f.body) === i)

/** Every standard in force, and how many units are ready for it. */
export const ByStandard = ({ standards }: { standards: readonly StandardReadiness[] }) => {
  return (
    <Page>
      <Box
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'flex-start', justifyContent: 'space-between' }}
      >
        <Box>
          <Typography variant="h1">Ready for which standard?</Typography>
          <Typography color="textSecondary" sx={{ mt: 0.5 }}>
            A unit is set to one at a time: what is ready for one standard may differ for another.
          </Typography>
        </Box>
        <Grouping by="standard" />
      </Box>
      <NotReckoned failed={onceEach(standards.flatMap(s => s.failed))} sx={{ mt: 2 }} />
      <Box
        component="ul"
        aria-label="Standards"
        sx={{ listStyle: 'none', p: 0, m: 0, mt: 2, borderTop: 1, borderColor: 'divider' }}
      >
        {standards.map(s => (
          <li key={s.id}>
            <RowLink to="/keep/readiness" more={{ standard: s.id }} sx={ROW}>
              <span>
                <Typography variant="strong" component="span">
                  {s.name}
                </Typography>{' '}
                <Typography component="span" variant="value" color="textSecondary">
                  version {s.version}
                </Typography>
                <Typography component="span" sx={{ display: 'block' }}>
                  {s.counts.ready} of {s.of} ready
                </Typography>
              </span>
              <Box component="span" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2.5, rowGap: 0.5 }}>
                {READINESS_ORDER.filter(is => s.counts[is] > 0).map(is => (
                  <Box component="span" key={is} sx={{ display: 'inline-flex', alignItems: 'center', gap: 1 }}>
                    <Mark is={is} />
                    <Typography component="span" variant="body2">
                      {s.counts[is]} {STATE_LABELS[is]}
                    </Typography>
                  </Box>
                ))}
                {s.owed > 0 && (
                  <Typography component="span" variant="body2" sx={{ fontWeight: 'fontWeightMedium' }}>
                    {s.owed} {s.owed === 1 ? 'owes' : 'owe'} a card of the new version
                  </Typography>
                )}
              </Box>
            </RowLink>
          </li>
        ))}
      </Box>
      {standards.length === 0 && (
        <Typography sx={{ mt: 2 }}>No standard is in force yet; approve one in Decide.</Typography>
      )}
    </Page>
  )
}
