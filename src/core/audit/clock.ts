/** Clocks of cameras that were set wrong: found from a picture of a clock that is right. */

/** Further apart than this it is no wrong clock but a wrong picture. */
const MOST_DAYS = 400

/**
 * What has to be added to a camera's clock.
 *
 * @param taken when the picture of the clock was taken by the camera's clock, ISO 8601
 * @param shown what the clock in the picture says, ISO 8601
 * @returns seconds; undefined where one of them is no time, or they are more than 400 days apart
 * @example clockSeconds('2026-10-09T13:00:10.000Z', '2026-10-09T14:00:00.000Z') // 3590
 */
export const clockSeconds = (taken: string, shown: string): number | undefined => {
  const seconds = Math.round((Date.parse(shown) - Date.parse(taken)) / 1000)
  return Math.abs(seconds) <= MOST_DAYS * 86400 ? seconds : undefined
}

/** In words: `3 min 20 s slow` has so much added. */
export const clockWords = (seconds: number): string => {
  const size = Math.abs(Math.round(seconds))
  if (size === 0) return 'right'
  const parts = [
    [Math.floor(size / 86400), 'd'],
    [Math.floor(size / 3600) % 24, 'h'],
    [Math.floor(size / 60) % 60, 'min'],
    [size % 60, 's'],
  ] as const
  const told = parts.filter(([n]) => n > 0).slice(0, 2)
  return `${told.map(([n, unit]) => `${n} ${unit}`).join(' ')} ${seconds > 0 ? 'slow' : 'fast'}`
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** A time as people on the spot would tell it. @example timeWords('2026-10-09T13:05:00.000Z', 60) // '9 Oct 14:05' */
export const timeWords = (at: string, minutesEast: number): string => {
  const there = new Date(Date.parse(at) + minutesEast * 60_000)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${there.getUTCDate()} ${MONTHS[there.getUTCMonth()] ?? ''} ${two(there.getUTCHours())}:${two(there.getUTCMinutes())}`
}
