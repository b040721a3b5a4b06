import { MILLIONTHS } from '../bodies/search'
import { absentDistance, type PartOnBody } from '../resolve/problem'
import { dimension } from '../vocabulary/dimensions'
import { areaSetDistance, listDistance, standsFor } from '../vocabulary/distance'
import { type Part, partsOf } from '../vocabulary/parts'
import type { Area, NeutralValue, Size } from '../vocabulary/values'

/**
 * What a body does about one target, whatever its settings are called: for each channel the target is judged on, all
 * that is said there. Bodies that say the same behave the same.
 */
export interface Behaviour {
  readonly key: string
  /** By part, in the order of `partsOf`. */
  readonly said: readonly (readonly NeutralValue[])[]
}

/** The behaviour of a body about a target under a complete choice. */
export const behaviourUnder = (parts: readonly PartOnBody[], choice: Int32Array): Behaviour => {
  const said = parts.map(({ readings, fixed }) => {
    const values = fixed.map(f => f.value)
    for (const [setting, byOption] of readings) {
      const reading = byOption.get(choice[setting] ?? -1)
      if (reading) values.push(reading.value)
    }
    return values
  })
  return { key: said.map(values => [...new Set(values.map(keyOf))].sort().join('&')).join('|'), said }
}

const keys = new WeakMap<object, string>()

/** Values are shared by many options; each is written out once. */
export const keyOf = (value: NeutralValue): string => {
  if (typeof value !== 'object') return String(value)
  const known = keys.get(value)
  if (known !== undefined) return known
  const key = JSON.stringify(value)
  keys.set(value, key)
  return key
}

const partDistance = (part: Part, said: readonly NeutralValue[]): number => {
  if (said.length === 0) return absentDistance(part)
  if (part.combine === 'union')
    return Math.round(areaSetDistance(part.wanted as readonly Area[], said.flat() as Area[]) * MILLIONTHS)
  const each = said.map(value => Math.round(part.measure(value) * MILLIONTHS))
  return part.combine === 'nearest' ? Math.min(...each) : Math.max(...each)
}

/**
 * How far a behaviour is from a wanted value, in millionths; measures as the resolver does.
 *
 * @param parts of the wanted value, see `partsOf`
 */
export const behaviourDistance = (parts: readonly Part[], { said }: Behaviour): number => {
  const [decisive] = parts
  if (parts.length === 1 && decisive) return partDistance(decisive, said[0] ?? [])
  if (said[0]?.length === 0) return MILLIONTHS
  const sum = parts.reduce((total, part, i) => total + part.weight * partDistance(part, said[i] ?? []), 0)
  return Math.min(MILLIONTHS, Math.round(sum))
}

/**
 * The value a behaviour comes to, which others can be held to; undefined where the body does nothing about it. Where
 * a body says several things at once, the one that counted against the target.
 */
export const valueOfBehaviour = (
  dimensionId: string,
  target: NeutralValue,
  { said }: Behaviour,
): NeutralValue | undefined => {
  const each = partsOf(dimensionId, target).map((part, i): NeutralValue | undefined => {
    const values = said[i] ?? []
    if (values.length === 0) return part.without
    if (part.combine === 'union') return values.flat() as Area[]
    const counts = (a: NeutralValue, b: NeutralValue) =>
      part.combine === 'nearest' ? part.measure(a) < part.measure(b) : part.measure(a) > part.measure(b)
    return values.reduce((best, value) => (counts(value, best) ? value : best))
  })
  if (dimensionId !== 'area.pattern') return each[0]
  const [size, chooser, follow] = each as [Size | undefined, Area['chooser'], Area['follow']]
  return size && { pattern: 'block', width: size.width, height: size.height, chooser, follow }
}

/**
 * How far each behaviour is from each of several values, in millionths: by behaviour, then by value. Lists share most
 * of their members, so that these are compared once and not in every pair of lists.
 */
export const behaviourDistances = (
  dimensionId: string,
  behaviours: readonly Behaviour[],
  values: readonly NeutralValue[],
): readonly Float64Array[] => {
  if (dimension(dimensionId).kind === 'areas') return listDistances(behaviours, values as readonly (readonly Area[])[])
  const each = values.map(value => partsOf(dimensionId, value))
  return behaviours.map(b => Float64Array.from(each, parts => behaviourDistance(parts, b)))
}

const listDistances = (
  behaviours: readonly Behaviour[],
  lists: readonly (readonly Area[])[],
): readonly Float64Array[] => {
  const numbers = new Map<string, number>()
  const areas: Area[] = []
  const numberOf = (area: Area): number => {
    const known = numbers.get(keyOf(area))
    if (known !== undefined) return known
    numbers.set(keyOf(area), areas.length)
    return areas.push(area) - 1
  }
  const members = behaviours.map(({ said }) => (said[0] ?? []).flatMap(v => (v as readonly Area[]).map(numberOf)))
  const wanted = lists.map(list => list.map(numberOf))
  const near = areas.map(w => areas.map(got => standsFor([w], got) === 1))
  return members.map(got =>
    Float64Array.from(wanted, list =>
      got.length
        ? Math.round(
            MILLIONTHS *
              listDistance(
                list.length,
                got.map(m => bitsOf(list, w => near[w]?.[m] ?? false)),
              ),
          )
        : MILLIONTHS,
    ),
  )
}

const bitsOf = (list: readonly number[], isNear: (wanted: number) => boolean): number =>
  list.reduce((bits, w, i) => (isNear(w) ? bits | (1 << i) : bits), 0)
