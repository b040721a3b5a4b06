import { dimension } from '../vocabulary/dimensions'
import { kindOf } from '../vocabulary/kinds'
import type { NeutralValue } from '../vocabulary/values'

/** How much of a thing an option stands for, to go one further along it. */
export const amountOf = (id: string, value: NeutralValue): number | undefined => {
  if (typeof value === 'object' && value !== null && 'width' in value && 'height' in value)
    return value.width * value.height
  if (typeof value === 'object' && value !== null && 'nearMetres' in value)
    return (value.farMetres === 'infinity' ? 1000 : value.farMetres) - value.nearMetres
  if (value === 'never') return Infinity
  if (value === 'always') return 0
  const d = dimension(id)
  return kindOf(d).at?.(d, value as never)
}
