import type { Way } from '@/core/phrasebook/nearest'
import { Box, Typography } from './elements'

/** Where a body has nothing: the ways to get the behaviour all the same, the nearest first, and what each costs. */
export const NearestWays = ({ ways, withChanges = false }: { ways: readonly Way[]; withChanges?: boolean }) =>
  ways.map((w, i) => (
    <Box key={w.how} sx={{ mt: 1 }}>
      <Typography variant={withChanges ? 'body2' : 'body1'}>
        <strong>{i === 0 ? 'Nearest way: ' : 'Or: '}</strong>
        {w.how}
      </Typography>
      {w.choices.length > 0 && (
        <Typography variant="value" component="div">
          {w.choices.map(c => c.words).join(' · ')}
        </Typography>
      )}
      <Typography variant="body2" color="textSecondary">
        {w.costs}
        {withChanges && w.changes > 0 && ` ${w.changes} ${w.changes === 1 ? 'change' : 'changes'} in the menu.`}
        {withChanges && w.blocks.length > 0 && ` No longer to be had then: ${w.blocks.join(', ')}.`}
      </Typography>
    </Box>
  ))
