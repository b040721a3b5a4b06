import { type Body, menuPath } from '../bodies'
import { random } from '../numeric/random'

/** Finding rows in the menus of a body. */

export interface MenuRow {
  readonly id: string
  readonly label: string
  readonly options: readonly { readonly id: string; readonly label: string }[]
}

/** The menus as a tree, in the body's own words and order. */
export interface MenuTree {
  readonly tabs: readonly {
    readonly label: string
    readonly pages: readonly { readonly label: string; readonly rows: readonly MenuRow[] }[]
  }[]
}

export const menuTreeOf = (body: Body): MenuTree => {
  const placed = body.settings.map(s => ({ s, path: menuPath(body, s) }))
  return {
    tabs: body.menu.tabs.map(tab => ({
      label: tab.label,
      pages: tab.pages.map(page => ({
        label: page,
        rows: placed
          .filter(({ path }) => path[0] === tab.label && path[1] === page)
          .toSorted((a, b) => a.path[2] - b.path[2])
          .map(({ s }) => ({
            id: s.id,
            label: s.label,
            options: s.options.map(o => ({ id: o.id, label: o.label })),
          })),
      })),
    })),
  }
}

/** One row to be found, and what to set it to where that is asked. */
export interface RaceTarget {
  readonly setting: string
  readonly option: string | undefined
}

/** Rows of a body in no order that anybody knows. */
export const anyRows = (tree: MenuTree, seed: number, most: number): readonly RaceTarget[] =>
  random(seed)
    .shuffle(tree.tabs.flatMap(t => t.pages.flatMap(p => p.rows.map(r => r.id))))
    .slice(0, most)
    .map(setting => ({ setting, option: undefined }))

/** How one row was found. */
export interface Found {
  readonly seconds: number
  /** Pages that were opened although it is not there, and rows and options that it is not. */
  readonly wrongTurns: number
}

/** A race in figures: rows found without a wrong turn, and seconds for each. */
export const raceFigures = (found: readonly Found[]) => {
  const seconds = found.reduce((n, f) => n + f.seconds, 0)
  return {
    right: found.filter(f => f.wrongTurns === 0).length,
    of: found.length,
    seconds,
    figure: found.length ? seconds / found.length : undefined,
  }
}
