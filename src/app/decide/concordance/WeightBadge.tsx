import type { Weight } from '@/core/standards'
import { Typography } from '@/ui/elements'

/** How much a target counts, in one word; only a must stands out. */
export const WeightBadge = ({ weight }: { weight: Weight }) => (
  <Typography
    variant="value"
    color={weight === 'must' ? 'textPrimary' : 'textSecondary'}
    sx={{ fontWeight: weight === 'must' ? 700 : 400, fontSize: '0.78rem' }}
  >
    {weight}
  </Typography>
)

/** Said wherever a must is not held. */
export const BrokenMust = () => (
  <Typography variant="body2" noWrap sx={{ color: 'error.main', fontWeight: 'fontWeightMedium' }}>
    must broken
  </Typography>
)
