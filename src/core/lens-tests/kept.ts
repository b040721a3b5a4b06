import type { Lens } from '../lenses/schema'
import type { FocusResult } from './focus'
import type { LensTest } from './schema'
import type { SharpnessResult } from './sharpness'

/** What a lens says after a test is kept: the correction for this body, or the aperture at which it is sharpest. */
export const withTest = (
  lens: Lens,
  test: LensTest,
  result: { readonly focus?: FocusResult; readonly sharpness?: SharpnessResult },
): Lens => {
  const { focus, sharpness } = result
  if (test.kind === 'sharpness') {
    const whole = sharpness?.best.whole ?? sharpness?.best.centre
    if (whole === undefined) return lens
    return { ...lens, bestAperture: { fNumber: whole, on: `chart, ${test.on}` } }
  }
  const steps = focus && stepsOf(focus)
  if (steps === undefined) return lens
  const at = focus?.at.find(a => a.setting === steps)
  const entry = {
    id: test.body,
    steps,
    on: test.on,
    firmware: test.firmware,
    ...(test.unit ? { unit: test.unit } : {}),
    ...(at ? { millimetres: Number(at.mean.toFixed(2)), pictures: at.pictures } : {}),
  }
  const others = lens.offsets.filter(o => o.id !== test.body || o.unit !== test.unit)
  return { ...lens, offsets: [...others, entry] }
}

/** The steps that a test ends in; undefined where it has not ended. */
export const stepsOf = ({ verdict }: FocusResult): number | undefined => {
  switch (verdict.kind) {
    case 'leave':
    case 'set':
      return verdict.setting
    case 'fixed':
      return 0
    case 'try':
    case 'more':
      return undefined
  }
}
