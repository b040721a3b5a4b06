'use client'

import type { Body } from '@/core/bodies'
import { CoverageDrawing } from '@/ui/CoverageDrawing'
import { NumberField, ShareField } from '@/ui/kinds/fields'
import type { Editor } from '../use-editor'
import { DETAILS } from '@/core/vocabulary/values'
import { factChange, FactRow, FactSection, whole } from './parts'
import { Box, Typography } from '@/ui/elements'

/** Where in the frame it can focus, drawn. */
export const CoverageFacts = ({ editor }: { editor: Editor }) => {
  const { sensor, coverage, finds = {} } = editor.form
  const change = factChange(editor, 'coverage')
  const setCoverage = (next: Partial<Body['coverage']>) =>
    change('where the AF points are', b => ({ ...b, coverage: { ...b.coverage, ...next } }))
  const setFinds = (detail: (typeof DETAILS)[number], least: number | string) =>
    change('from what size its detection finds things', ({ finds: before, ...b }) => {
      const { [detail]: _, ...others } = before ?? {}
      const next = typeof least === 'number' ? { ...others, [detail]: Math.min(1, least) } : others
      return Object.keys(next).length > 0 ? { ...b, finds: next } : b
    })
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
        <Box sx={{ width: 'var(--field-long)' }}>
          <CoverageDrawing sensor={sensor} coverage={coverage} onToggle={toggleSensitive} />
          <Typography variant="body2" color="textSecondary">
            Click a point to mark it as one that sees finer or in dimmer light.
          </Typography>
        </Box>
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: 'var(--field-short) var(--field-short)',
            gap: 1.5,
            alignContent: 'start',
          }}
        >
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
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2, mb: 1 }}>
        How high a part of a subject has to be in the frame before its detection finds it, where you know it.
      </Typography>
      <FactRow>
        {DETAILS.map(detail => (
          <NumberField
            key={detail}
            label={`Finds the ${detail} from`}
            unit="% of the height"
            scale={100}
            min={0.001}
            also={['']}
            value={finds[detail] ?? ''}
            onChange={n => setFinds(detail, n)}
          />
        ))}
      </FactRow>
    </FactSection>
  )
}
