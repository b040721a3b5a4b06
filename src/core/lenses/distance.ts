/**
 * Distances as people and lens barrels write them: metric or imperial, read into metres.
 *
 * @source 1 in = 25.4 mm exactly (international yard and pound agreement, 1959)
 */
export const METRES_PER_FOOT = 0.3048
const METRES_PER_INCH = 0.0254

export type Metres = number | 'infinity'

/**
 * Metres from what somebody typed.
 *
 * @returns undefined where it is no distance; a bare number counts as metres, or as feet for people who use those
 * @example parseDistance('11.02 in') // 0.279908
 * @example parseDistance('3\' 2"') // 0.9652
 */
export const parseDistance = (text: string, bare: 'metric' | 'imperial' = 'metric'): Metres | undefined => {
  const t = text.trim().toLowerCase().replace(',', '.').replaceAll(/[’′]/g, "'").replaceAll(/[”″]/g, '"')
  if (/^(?:∞|inf(?:inity)?)$/.test(t)) return 'infinity'
  const feetAndInches = /^(\d+(?:\.\d+)?)\s*(?:'|ft|feet|foot)\s*(?:(\d+(?:\.\d+)?)\s*(?:"|in(?:ches)?)?)?$/.exec(t)
  if (feetAndInches)
    return positive(Number(feetAndInches[1]) * METRES_PER_FOOT + Number(feetAndInches[2] ?? 0) * METRES_PER_INCH)
  const one = /^(\d+(?:\.\d+)?)\s*(m|cm|mm|"|in|inch|inches)?$/.exec(t)
  if (!one) return undefined
  const n = Number(one[1])
  switch (one[2]) {
    case undefined:
      return positive(bare === 'metric' ? n : n * METRES_PER_FOOT)
    case 'm':
      return positive(n)
    case 'cm':
      return positive(n / 100)
    case 'mm':
      return positive(n / 1000)
    default:
      return positive(n * METRES_PER_INCH)
  }
}

const positive = (metres: number): number | undefined => (metres > 0 ? metres : undefined)

const figure = (n: number): string => String(Number(n < 20 ? n.toFixed(2) : n.toFixed(1)))

/** Metres, or feet for those who use them; below a foot in inches. */
export const distanceWords = (metres: Metres, units: 'metric' | 'imperial'): string => {
  if (metres === 'infinity') return 'infinity'
  if (units === 'metric') return metres < 0.1 ? `${figure(metres * 100)} cm` : `${figure(metres)} m`
  const feet = metres / METRES_PER_FOOT
  return feet < 1 ? `${figure(metres / METRES_PER_INCH)} in` : `${figure(feet)} ft`
}

/** Half of the last place that a figure is written with. @example halfStep(3.15) // 0.005 */
const halfStep = (n: number): number => 0.5 * Math.pow(10, -(String(n).split('.')[1]?.length ?? 0))

/** Rounding of a metric figure explains no more than this share of it. */
const MOST_ROUNDING = 0.05

/**
 * Whether a distance in metres and the same one in feet cannot both be right: they differ by more than two per cent
 * and more than their rounding explains.
 *
 * @example distancesDisagree(0.96, 3.15) // false
 * @example distancesDisagree(3, 10.5) // true
 */
export const distancesDisagree = (metres: number, feet: number): boolean => {
  const rounding = Math.min(halfStep(metres), MOST_ROUNDING * metres) + halfStep(feet) * METRES_PER_FOOT
  return Math.abs(feet * METRES_PER_FOOT - metres) > Math.max(0.02 * metres, rounding)
}

/** Dioptres: how far from infinity, per metre. */
export const dioptres = (metres: Metres): number => (metres === 'infinity' ? 0 : 1 / metres)
