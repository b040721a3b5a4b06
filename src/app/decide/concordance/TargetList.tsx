'use client'

import { ButtonBase, FormControl, InputLabel, MenuItem, Select } from '@mui/material'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { Eyebrow } from '@/ui/pieces'
import type { Concordance } from '@/core/resolve/concordance'
import type { Arranged } from './arrange'
import type { CellRef } from './Matrix'
import { BrokenMust, WeightBadge } from './WeightBadge'
import { Box, Typography } from '@/ui/elements'

/** The Concordance on a phone: one body at a time, its targets as a list. */
export const TargetList = ({
  concordance,
  arranged: { lines, columns },
  bodyId,
  onBody,
  onSelect,
}: {
  concordance: Concordance
  arranged: Arranged
  bodyId: string | undefined
  onBody: (id: string) => void
  onSelect: (cell: CellRef) => void
}) => {
  const entry = columns.find(c => c.column.id === bodyId) ?? columns[0]
  if (!entry) return null
  return (
    <Box sx={{ px: 2, pb: 4, flex: 1, minWidth: 0 }}>
      <FormControl fullWidth sx={{ my: 2 }}>
        <InputLabel id="list-body">Body</InputLabel>
        <Select labelId="list-body" label="Body" value={entry.column.id} onChange={e => onBody(e.target.value)}>
          {columns.map(({ column }) => (
            <MenuItem key={column.id} value={column.id}>
              {column.maker} {column.model} · {column.agreement.toFixed(2)}
            </MenuItem>
          ))}
        </Select>
      </FormControl>
      {lines.map(line => {
        if (line.kind === 'group')
          return (
            <Box key={line.id} sx={{ pt: 2 }}>
              <Eyebrow component="h2">{line.label}</Eyebrow>
            </Box>
          )
        const cell = concordance.cells[line.index]?.[entry.index]
        if (!cell) return null
        return (
          <ButtonBase
            key={line.row.dimension}
            onClick={() => onSelect({ body: entry.column.id, dimension: line.row.dimension })}
            sx={{
              display: 'block',
              width: '100%',
              textAlign: 'left',
              py: 1.25,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
              <Typography variant="strong">{line.row.label}</Typography>
              <WeightBadge weight={line.row.weight} />
            </Box>
            <Typography variant="value" color="textSecondary" component="div">
              {line.row.wanted}
            </Typography>
            <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 0.5 }}>
              <AlignmentMark grade={cell.grade} distance={cell.distance} />
              <Box>
                <Typography sx={{ fontWeight: 'fontWeightMedium' }}>{cell.main}</Typography>
                {cell.sub && (
                  <Typography variant="body2" color="textSecondary">
                    {cell.sub}
                  </Typography>
                )}
                {!cell.held && <BrokenMust />}
              </Box>
            </Box>
          </ButtonBase>
        )
      })}
    </Box>
  )
}
