import { gradeOf } from '@/core/vocabulary/grade'
import type { SideBySide } from '@/server/comparison'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { Differences } from './Differences'
import { Side } from './TwoSelections'
import { Box, Typography } from '@/ui/elements'

export const TwoStandards = ({ comparison: c }: { comparison: SideBySide }) => {
  const differing = c.bodies.filter(b => b.lines.length > 0)
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', lg: '1fr 1.3fr' }, gap: 5 }}>
      <section>
        <Typography variant="h2">What they ask</Typography>
        <Differences comparison={c} />
      </section>
      <section>
        <Typography variant="h2">What the bodies do</Typography>
        {differing.length === 0 && <Typography sx={{ mt: 1 }}>The same on every body in hand.</Typography>}
        {differing.map(b => (
          <Box component="section" key={b.body} sx={{ mt: 2 }} aria-label={b.model}>
            <Typography variant="h3">
              {b.model}
              <Typography component="span" variant="value" color="textSecondary">
                {' '}
                agreement {b.agreementBefore.toFixed(2)} and {b.agreementAfter.toFixed(2)}
              </Typography>
            </Typography>
            {b.lines.map(l => (
              <Box
                key={l.dimension}
                sx={{
                  display: 'grid',
                  gridTemplateColumns: { xs: '40px 1fr', sm: '40px var(--field-short) 1fr 1fr' },
                  columnGap: 1.5,
                  py: 0.75,
                  borderBottom: 1,
                  borderColor: 'divider',
                }}
              >
                <Box sx={{ pt: 0.5 }}>
                  <AlignmentMark grade={l.before && l.after ? gradeOf(l.apart) : 'missing'} distance={l.apart} bare />
                </Box>
                <Typography variant="body2" sx={{ fontWeight: 'fontWeightMedium' }}>
                  {l.label}
                </Typography>
                <Side cell={l.before} />
                <Side cell={l.after} />
              </Box>
            ))}
          </Box>
        ))}
      </section>
    </Box>
  )
}
