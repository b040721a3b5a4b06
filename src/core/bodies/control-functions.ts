import { DIMENSIONS } from '../vocabulary/dimensions'

/** What a control can be given: every dimension of kind assign, and work in the menus. */
export const CONTROL_FUNCTIONS: readonly string[] = [
  ...DIMENSIONS.filter(d => d.kind === 'assign').map(d => d.id),
  'menu',
]

/** What profiles called a function before it had a dimension of its own; still read. */
const FORMERLY: Readonly<Record<string, string>> = {
  'area.recall': 'area.home',
  'see.enlarge': 'see.magnify',
  'see.outline': 'see.peaking',
}
export const FORMER_FUNCTIONS: readonly string[] = Object.values(FORMERLY)

/** The same functions by their present names. */
export const presentFunctions = (functions: readonly string[]): string[] => [
  ...new Set(functions.map(f => Object.entries(FORMERLY).find(([, former]) => former === f)?.[0] ?? f)),
]

export const accepts = (control: { readonly functions: readonly string[] }, f: string): boolean =>
  presentFunctions(control.functions).includes(f)
