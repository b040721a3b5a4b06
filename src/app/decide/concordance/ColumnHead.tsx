import type { Column } from '@/core/resolve/concordance'
import { Box, Typography } from '@/ui/elements'

export const ColumnHead = ({
  column,
  musts,
  left,
  width,
  position,
}: {
  column: Column
  musts: number
  left: number
  width: number
  position: number
}) => (
  <Box
    role="columnheader"
    aria-colindex={position}
    sx={{ position: 'absolute', left, width, top: 0, height: '100%', px: 1, py: 1 }}
  >
    <Typography variant="h3" component="div" noWrap>
      {column.model}
    </Typography>
    <Typography variant="body2" color="textSecondary" noWrap>
      {column.maker} ·{' '}
      {column.undecided > 0
        ? `${column.undecided} undecided`
        : column.units === 0
          ? 'no unit'
          : column.units === 1
            ? '1 unit'
            : `${column.units} units`}
    </Typography>
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
      <Typography variant="value" noWrap title="Agreement · musts held">
        {column.agreement.toFixed(2)} · {column.mustsHeld}/{musts}
      </Typography>
    </Box>
  </Box>
)
