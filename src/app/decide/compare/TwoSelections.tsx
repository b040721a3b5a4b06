import type { Selections, SideCell } from '@/server/comparison'
import { Box, Typography } from '@/ui/elements'

export const Side = ({ cell }: { cell: SideCell | undefined }) => (
  <Typography variant="body2" color={cell ? 'textPrimary' : 'textSecondary'} sx={{ gridColumn: { xs: 2, sm: 'auto' } }}>
    {cell?.words ?? 'not asked'}
  </Typography>
)

export const TwoSelections = ({ selections: s }: { selections: Selections }) => (
  <Box>
    {s.sides.some(side => side.bodies.length === 0) ? (
      <Typography>Choose at least one body on each side.</Typography>
    ) : (
      <Typography color="textSecondary">
        {s.standard.name}, version {s.standard.version}: agreement {s.sides[0]?.agreement.toFixed(2)} and{' '}
        {s.sides[1]?.agreement.toFixed(2)}. {s.lines.length === 0 && 'Both do exactly the same.'}
      </Typography>
    )}
    {s.lines.map(l => (
      <Box
        key={l.dimension}
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', sm: 'var(--field) 1fr 1fr' },
          gap: { xs: 0.5, sm: 3 },
          py: 1.25,
          borderBottom: 1,
          borderColor: 'divider',
        }}
      >
        <div>
          <Typography variant="strong">{l.label}</Typography>
          <Typography variant="value" color="textSecondary">
            {l.wanted}
          </Typography>
        </div>
        {l.sides.map((side, i) => (
          <div key={i}>
            {side.does.map(x => (
              <Typography key={x.value} variant="body2">
                <b>{x.value}</b> · {x.bodies.join(', ')}
              </Typography>
            ))}
          </div>
        ))}
      </Box>
    ))}
  </Box>
)
