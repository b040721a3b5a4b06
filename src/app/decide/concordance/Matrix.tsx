'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { type KeyboardEvent, useEffect, useRef, useState } from 'react'
import { Eyebrow } from '@/ui/pieces'
import type { Concordance } from '@/core/resolve/concordance'
import type { Arranged, Line } from './arrange'
import { Scroller, Sticky, Line1, Fold, CellBox } from './matrix-parts'
import { ColumnHead } from './ColumnHead'
import { CellContent } from './CellContent'
import { Box, Typography } from '@/ui/elements'

/** Sizes of the matrix in pixels. */
const HEAD_HEIGHT = 78

const GROUP_HEIGHT = 34

const ROW_HEIGHT = 64

const LEAST_FIRST_WIDTH = 232

const MOST_FIRST_WIDTH = 420

const LEAST_COLUMN_WIDTH = 144

const MOST_COLUMN_WIDTH = 240

/** What the server assumes about the window, so that the first paint already holds the table. */
const ASSUMED = { width: 1280, height: 640 }

const heightOf = (line: Line | undefined): number => (line?.kind === 'group' ? GROUP_HEIGHT : ROW_HEIGHT)

export interface CellRef {
  readonly body: string
  readonly dimension: string
}

/** Where a cell stands among the lines and columns shown; undefined where it is not. */
const placeOf = (cell: CellRef | undefined, lines: Arranged['lines'], columns: Arranged['columns']) => {
  const line = lines.findIndex(l => l.kind === 'target' && l.row.dimension === cell?.dimension)
  const column = columns.findIndex(c => c.column.id === cell?.body)
  return line >= 0 && column >= 0 ? { line, column } : undefined
}

/** Targets by bodies. Only what is in view is rendered; the head and the first column stay in sight. */
export const Matrix = ({
  concordance,
  arranged: { lines, columns },
  selected,
  onSelect,
  onFold,
}: {
  concordance: Concordance
  arranged: Arranged
  selected: CellRef | undefined
  onSelect: (cell: CellRef) => void
  onFold: (group: Extract<Line, { kind: 'group' }>['id']) => void
}) => {
  const scroller = useRef<HTMLDivElement>(null)
  const [active, setActive] = useState(() => placeOf(selected, lines, columns) ?? { line: 1, column: 0 })
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: i => heightOf(lines[i]),
    getItemKey: i => {
      const line = lines[i]
      return line?.kind === 'group' ? `group ${line.id}` : (line?.row.dimension ?? i)
    },
    scrollMargin: HEAD_HEIGHT,
    scrollPaddingStart: HEAD_HEIGHT,
    overscan: 4,
    initialRect: ASSUMED,
  })
  const inSight = rows.scrollRect?.width ?? ASSUMED.width
  const room = inSight - LEAST_FIRST_WIDTH
  const width = Math.min(
    MOST_COLUMN_WIDTH,
    Math.max(LEAST_COLUMN_WIDTH, Math.floor(room / Math.max(1, columns.length)) - 1),
  )
  // What few bodies leave free goes to what is wanted.
  const firstWidth = Math.min(MOST_FIRST_WIDTH, Math.max(LEAST_FIRST_WIDTH, inSight - columns.length * width))
  const across = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => width,
    getItemKey: i => `${columns[i]?.column.id ?? i} ${width}`,
    scrollPaddingStart: firstWidth,
    overscan: 2,
    initialRect: ASSUMED,
  })
  const totalWidth = firstWidth + columns.length * width
  const totalHeight = HEAD_HEIGHT + lines.reduce((sum, l) => sum + heightOf(l), 0)
  const columnsInView = across.getVirtualItems()

  // A link to a cell brings it into view.
  useEffect(() => {
    const place = placeOf(selected, lines, columns)
    if (!place) return
    rows.scrollToIndex(place.line)
    across.scrollToIndex(place.column)
    // Only when the view opens: later selections are in view already.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [])

  const move = (event: KeyboardEvent) => {
    const step = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key]
    if (event.target !== scroller.current) return
    if (event.key === 'Enter') {
      const line = lines[active.line]
      const column = columns[active.column]
      if (line?.kind === 'target' && column) onSelect({ body: column.column.id, dimension: line.row.dimension })
      return
    }
    if (!step) return
    event.preventDefault()
    const [down = 0, right = 0] = step
    let line = active.line + down
    while (lines[line]?.kind === 'group') line += down
    if (!lines[line]) line = active.line
    const column = Math.max(0, Math.min(columns.length - 1, active.column + right))
    setActive({ line, column })
    rows.scrollToIndex(line)
    across.scrollToIndex(column)
  }

  return (
    <Scroller
      ref={scroller}
      role="grid"
      tabIndex={0}
      aria-label={`${concordance.standard.name} on ${columns.length} bodies`}
      aria-rowcount={lines.length + 1}
      aria-colcount={columns.length + 1}
      aria-activedescendant={`cell-${active.line}-${active.column}`}
      onKeyDown={move}
    >
      <div
        role="presentation"
        style={{ position: 'relative', width: totalWidth, height: totalHeight, minWidth: '100%' }}
      >
        <Box
          role="row"
          aria-rowindex={1}
          sx={{
            position: 'sticky',
            top: 0,
            height: HEAD_HEIGHT,
            zIndex: 2,
            bgcolor: 'background.paper',
            borderBottom: 2,
            borderColor: 'text.primary',
          }}
        >
          <Sticky role="columnheader" aria-colindex={1} style={{ width: firstWidth }}>
            <Typography variant="h3" component="div">
              Target
            </Typography>
          </Sticky>
          {columnsInView.map(c => {
            const entry = columns[c.index]
            return (
              entry && (
                <ColumnHead
                  key={entry.column.id}
                  column={entry.column}
                  musts={concordance.summary.musts}
                  left={firstWidth + c.index * width}
                  width={width}
                  position={c.index + 2}
                />
              )
            )
          })}
        </Box>
        {rows.getVirtualItems().map(r => {
          const line = lines[r.index]
          if (!line) return null
          if (line.kind === 'group')
            return (
              <Line1 key={r.key} role="row" aria-rowindex={r.index + 2} style={{ top: r.start, height: GROUP_HEIGHT }}>
                <Box
                  role="rowheader"
                  aria-colspan={columns.length + 1}
                  sx={{
                    position: 'sticky',
                    left: 0,
                    width: firstWidth,
                    height: '100%',
                    pl: 2.5,
                    bgcolor: 'background.paper',
                    zIndex: 1,
                  }}
                >
                  <Fold type="button" aria-expanded={!line.folded} onClick={() => onFold(line.id)}>
                    <span aria-hidden>{line.folded ? '▸' : '▾'}</span>
                    <Eyebrow component="span">{line.label}</Eyebrow>
                    {line.folded && <Typography variant="value">{line.targets}</Typography>}
                  </Fold>
                </Box>
              </Line1>
            )
          return (
            <Line1 key={r.key} role="row" aria-rowindex={r.index + 2} style={{ top: r.start, height: ROW_HEIGHT }}>
              <Sticky role="rowheader" aria-colindex={1} style={{ width: firstWidth }}>
                <div className="target" title={line.row.label}>
                  {line.row.label}
                </div>
                <div className="wanted" title={line.row.wanted}>
                  <span className={line.row.weight}>{line.row.weight}</span> {line.row.wanted}
                </div>
              </Sticky>
              {columnsInView.map(c => {
                const entry = columns[c.index]
                const cell = entry && concordance.cells[line.index]?.[entry.index]
                if (!entry || !cell) return null
                const isSelected = selected?.body === entry.column.id && selected.dimension === line.row.dimension
                return (
                  <CellBox
                    key={entry.column.id}
                    id={`cell-${r.index}-${c.index}`}
                    role="gridcell"
                    aria-colindex={c.index + 2}
                    aria-selected={isSelected}
                    data-active={active.line === r.index && active.column === c.index}
                    style={{ left: firstWidth + c.index * width, width }}
                    onClick={() => {
                      setActive({ line: r.index, column: c.index })
                      onSelect({ body: entry.column.id, dimension: line.row.dimension })
                    }}
                  >
                    <CellContent cell={cell} />
                  </CellBox>
                )
              })}
            </Line1>
          )
        })}
      </div>
    </Scroller>
  )
}
