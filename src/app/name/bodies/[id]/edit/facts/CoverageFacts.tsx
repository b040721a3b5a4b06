'use client'

import { Box, Typography } from '@mui/material'
import type { Body } from '@/core/bodies'
import { CoverageDrawing } from '@/ui/CoverageDrawing'
import { NumberField, ShareField } from '@/ui/kinds/fields'
import type { Editor } from '../use-editor'
import { factChange, FactSection, whole } from './parts'

/** Where in the frame it can focus, drawn. */
export const CoverageFacts = ({ editor }: { editor: Editor }) => {
  const { sensor, coverage } = editor.form
  const change = factChange(editor, 'coverage')
  const setCoverage = (next: Partial<Body['coverage']>) =>
    change('where the AF points are', b => ({ ...b, coverage: { ...b.coverage, ...next } }))
  const toggleSensitive = (column: number, row: number) => {
    const isThere = coverage.sensitive.some(p => p.column === column && p.row === row)
    setCoverage({
      sensitive: isThere
        ? coverage.sensitive.filter(p => p.column !== column || p.row !== row)
        : [...coverage.sensitive, { column, row }],
    })
  }
  return (
    <FactSection id="coverage" title="Where the AF points are" editor={editor}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3 }}>
        <Box sx={{ width: 320 }}>
          <CoverageDrawing sensor={sensor} coverage={coverage} onToggle={toggleSensitive} />
          <Typography variant="body2" color="textSecondary">
            Click a point to mark it as one that sees finer or in dimmer light.
          </Typography>
        </Box>
        <Box sx={{ display: 'grid', gridTemplateColumns: '150px 150px', gap: 1.5, alignContent: 'start' }}>
          <ShareField
            label="Reach across"
            value={coverage.width}
            onChange={n => setCoverage({ width: Math.min(1, n) })}
          />
          <ShareField
            label="Reach down"
            value={coverage.height}
            onChange={n => setCoverage({ height: Math.min(1, n) })}
          />
          <NumberField
            label="Columns"
            min={1}
            value={coverage.columns}
            onChange={n => setCoverage({ columns: whole(n), sensitive: [] })}
          />
          <NumberField
            label="Rows"
            min={1}
            value={coverage.rows}
            onChange={n => setCoverage({ rows: whole(n), sensitive: [] })}
          />
        </Box>
      </Box>
    </FactSection>
  )
}
