/** One body's time under a standard: what it is set to, and how that is known. */
export interface TimeOnBody {
  readonly body: string
  readonly seconds: number
  /** Where it was measured. */
  readonly band: readonly [number, number] | undefined
}

export interface Alike {
  /** The longest time over the shortest: 1 is alike. */
  readonly factor: number
  /** Bodies whose whole band lies outside what the standard tolerates; a declared time counts as itself. */
  readonly outside: readonly string[]
  /** Bodies of which nobody has measured it. */
  readonly declared: readonly string[]
}

/**
 * How alike bodies are in one time, by what was measured where it was.
 *
 * @param target seconds that the standard wants
 * @param tolerance share up and down that still counts as held; as a factor of two where none is given
 * @example alikeOf([{ body: 'a', seconds: 1, band: undefined }, { body: 'b', seconds: 2, band: undefined }], 1, 0.3).factor // 2
 */
export const alikeOf = (times: readonly TimeOnBody[], target: number, tolerance = 1): Alike => {
  const seconds = times.map(t => t.seconds)
  const [least, most] = [target / (1 + tolerance), target * (1 + tolerance)]
  return {
    factor: times.length === 0 ? 1 : Math.max(...seconds) / Math.min(...seconds),
    outside: times
      .filter(t => {
        const [low, high] = t.band ?? [t.seconds, t.seconds]
        return high < least || low > most
      })
      .map(t => t.body),
    declared: times.filter(t => !t.band).map(t => t.body),
  }
}
