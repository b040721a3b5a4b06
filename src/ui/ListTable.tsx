'use client'

import { styled } from '@mui/material/styles'
import { Box } from './elements'

/**
 * A table over the whole width with one line under each row. How its rows are laid out where the screen is narrow is said
 * by the view, with `styled(ListTable)`.
 */
export const ListTable = styled('table')(({ theme }) => ({
  width: '100%',
  borderCollapse: 'collapse',
  tableLayout: 'fixed',
  '& th': {
    ...theme.typography.body2,
    color: theme.vars?.palette.text.secondary,
    textAlign: 'left',
  },
  '& th, & td': { padding: theme.spacing(0.5, 1), overflowWrap: 'anywhere' },
  '& tr': { height: 'var(--touch)', borderBottom: `1px solid ${theme.vars?.palette.divider}` },
}))

export interface Column {
  readonly heading: string
  /** In pixels, or a share of the table; what has none shares what is left. */
  readonly width?: number | `${number}%`
  /** Said to those who cannot see what the column is by looking at it. */
  readonly isHeadingHidden?: boolean
}

/** The widths of a table's columns, and what stands above them. */
export const ListHead = ({ columns }: { columns: readonly Column[] }) => (
  <>
    <colgroup>
      {columns.map(c => (
        <col key={c.heading} style={{ width: c.width }} />
      ))}
    </colgroup>
    <thead>
      <tr>
        {columns.map(c => (
          <th key={c.heading} scope="col">
            {c.isHeadingHidden ? (
              <Box component="span" className="visually-hidden">
                {c.heading}
              </Box>
            ) : (
              c.heading
            )}
          </th>
        ))}
      </tr>
    </thead>
  </>
)
