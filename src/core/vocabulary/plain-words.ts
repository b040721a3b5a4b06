/** Figures and names as people write them. */

/** @example figure(1.204) // '1.2' */
export const figure = (n: number, digits = 2): string => String(Number(n.toFixed(digits)))

/** @example spaced('af-point') // 'AF point' */
export const spaced = (id: string): string => id.replaceAll('-', ' ').replace(/\baf\b/, 'AF')

/** @example percent(0.0241) // '2.4 %' */
export const percent = (share: number): string => {
  const p = share * 100
  return `${p >= 10 ? p.toFixed(0) : figure(p, 1)} %`
}

/** Metres as people write them, "infinity" in words. */
export const metres = (m: number | 'infinity'): string => (m === 'infinity' ? 'infinity' : `${figure(m)} m`)

/** @example counted(1, 'setting', 'settings') // '1 setting' */
export const counted = (n: number, one: string, many: string): string => (n === 1 ? `1 ${one}` : `${n} ${many}`)

/** A label inside a sentence: its first letter small, unless it is an abbreviation. */
export const inSentence = (label: string): string =>
  /^\p{Lu}\p{Lu}/u.test(label) ? label : label.charAt(0).toLowerCase() + label.slice(1)
