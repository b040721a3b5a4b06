import { DRILLS, type DrillId, type Standing, type Try } from '@/core/drills/drills'

/** A figure of a drill in words. @example figureWords('hold', 412) // '412 ms' */
export const figureWords = (drill: DrillId, figure: number): string => {
  const { unit } = DRILLS[drill]
  const digits = unit === 'ms' ? 0 : unit === '°' ? 2 : 1
  return unit === '°' ? `${figure.toFixed(digits)}°` : `${figure.toFixed(digits)} ${unit}`
}

export const tryWords = (t: Pick<Try, 'drill' | 'right' | 'of' | 'figure'>): string =>
  `${t.right} of ${t.of} right${t.figure === undefined ? '' : `, ${DRILLS[t.drill].figure} ${figureWords(t.drill, t.figure)}`}`

/** How somebody does, in a sentence. */
export const standingWords = (drill: DrillId, s: Standing | undefined): string => {
  if (!s) return 'Not tried yet.'
  const middle = s.median === undefined ? '' : `, ${DRILLS[drill].figure} ${figureWords(drill, s.median)}`
  // Two tries have no spread worth the name.
  const spread =
    s.tries < 3 || !s.quartiles
      ? ''
      : ` (half of them ${figureWords(drill, s.quartiles[0])} to ${figureWords(drill, s.quartiles[1])})`
  return `${s.tries} ${s.tries === 1 ? 'try' : 'tries'}; the newest: ${Math.round(s.share * 100)} of 100 right${middle}${spread}.`
}
