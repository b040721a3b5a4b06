import { GROUPS, type GroupId } from '@/core/vocabulary/dimensions'
import type { Column, Concordance, Row } from '@/core/resolve/concordance'

/** How the Concordance is looked at: which rows, in which order the bodies stand. */
export interface Look {
  readonly onlyDiffering: boolean
  readonly byAgreement: boolean
  readonly folded: ReadonlySet<GroupId>
}

export type Line =
  | {
      readonly kind: 'group'
      readonly id: GroupId
      readonly label: string
      readonly targets: number
      readonly folded: boolean
    }
  | { readonly kind: 'target'; readonly row: Row; readonly index: number }

export interface Arranged {
  readonly lines: readonly Line[]
  /** Columns with their position in the concordance's cells. */
  readonly columns: readonly { readonly column: Column; readonly index: number }[]
}

/** Lays out rows and columns. A row differs when the bodies in hand do not all stand at the grade "same". */
export const arrange = (concordance: Concordance, look: Look): Arranged => {
  const columns = concordance.columns.map((column, index) => ({ column, index }))
  if (look.byAgreement) columns.sort((a, b) => b.column.agreement - a.column.agreement)
  const shown = concordance.rows
    .map((row, index) => ({ row, index }))
    .filter(({ index }) => !look.onlyDiffering || concordance.cells[index]?.some(c => c.grade !== 'same'))
  const lines = GROUPS.flatMap(({ id, label }): Line[] => {
    const rows = shown.filter(({ row }) => row.group === id)
    if (rows.length === 0) return []
    const folded = look.folded.has(id)
    const head: Line = { kind: 'group', id, label, targets: rows.length, folded }
    return [head, ...(folded ? [] : rows.map(({ row, index }): Line => ({ kind: 'target', row, index })))]
  })
  return { lines, columns }
}
