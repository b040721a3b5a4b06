import type { SetUpChange } from '@/server/trial-changes'
import { MenuPath, PlainList } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

/** What is changed on the camera before this block, step by step. */
export const ToSet = ({ change, unit }: { change: SetUpChange; unit: string }) => (
  <Box component="section" aria-label="To set before this block" sx={{ my: 1.5 }}>
    <Typography variant="strong">
      {change.steps.length === 0
        ? `Nothing to set on ${unit}: both ways come to the same there.`
        : `To set on ${unit} now, ${change.presses} presses:`}
    </Typography>
    <PlainList component="ol">
      {change.steps.map((s, i) => (
        <Box component="li" key={i} sx={{ py: 0.5, borderBottom: 1, borderColor: 'divider' }}>
          <MenuPath path={s.path} />
          <Typography sx={{ overflowWrap: 'anywhere' }}>
            {s.setting}: <strong>{s.option}</strong>
          </Typography>
        </Box>
      ))}
    </PlainList>
  </Box>
)
