/** Words as people type them: split, reduced to their stems, compared when they are only nearly the same. */

/** Ordinary words: they mean the same to everybody, so that two bodies sharing one says nothing. */
const ORDINARY = new Set(
  `about across against almost apart around a after again all alike along also always an and any as at automatic away back be before below bottom box bright but by camera can
  clear dark do does down each edge either else even ever every everywhere eye face faces few film first focus for free from full
  general get go goes half high hold home how i if in inside into is it its itself just keep key keys last left lens less let level
  light lights like likes list lit little long look low make makes menu mid middle mode more moves moving much near nearer nearest
  never new next no none not nothing now of off ok old on once one only open or other out outside over own pan people picture
  pictures plain press put quick quiet rear red rest right ring round same second select set setting settings several short show
  shown shutter side sideways single slow small so soft some spot start starts stay still stop straight sun take takes than that the
  their them then there these they this through till time times to too top turn turned two under until up upright use used very
  wait waits way well what when where which while white whole wide will with within work works yes you your zero
  screen direct multi live switch display button menu view image photo function selection choice area frame mode custom image info
  blue green yellow black strong weak thin thick fast early late large thumb`.split(/\s+/),
)

export const isOrdinary = (word: string): boolean => ORDINARY.has(word) || word.length < 3 || /^\d/.test(word)

/** Lower case, without accents. */
export const folded = (text: string): string => text.normalize('NFKD').replaceAll(/\p{M}/gu, '').toLowerCase()

/** @example wordsIn('Grip 5 of 7') // ['grip', '5', 'of', '7'] */
export const wordsIn = (text: string): readonly string[] => folded(text).match(/[\p{L}\p{N}]+/gu) ?? []

/** @example stemOf('follows') // 'follow' */
export const stemOf = (word: string): string => {
  if (word.length <= 4) return word.endsWith('s') && !word.endsWith('ss') && word.length > 3 ? word.slice(0, -1) : word
  return word
    .replace(/(?:ies)$/, 'y')
    .replace(/(?:ing|ed|es|er)$/, '')
    .replace(/(?<!s)s$/, '')
    .replace(/(.)\1$/, '$1')
    .replace(/e$/, '')
}

export const stemsIn = (text: string): readonly string[] => wordsIn(text).map(stemOf)

const trigrams = (text: string): ReadonlySet<string> => {
  const padded = ` ${wordsIn(text).join(' ')} `
  return new Set(Array.from({ length: Math.max(1, padded.length - 2) }, (_, i) => padded.slice(i, i + 3)))
}

/** A label prepared for comparison with many others. */
export interface PreparedLabel {
  readonly stems: ReadonlySet<string>
  readonly grams: ReadonlySet<string>
}

export const prepare = (text: string): PreparedLabel => {
  const known = MEMORY.get(text)
  if (known) return known
  const made = { stems: new Set(stemsIn(text)), grams: trigrams(text) }
  if (MEMORY.size >= MOST_REMEMBERED) MEMORY.clear()
  MEMORY.set(text, made)
  return made
}

/** Labels come again and again; preparing one costs more than comparing it. */
const MEMORY = new Map<string, PreparedLabel>()
const MOST_REMEMBERED = 20_000

/** Words that join others and point nowhere. */
const JOINING = new Set('the a an of to it its is at as by for in on with and or this that'.split(' '))

/** The words of a text without those that only join; all of them where nothing else is there. */
export const tellingWords = (text: string): readonly string[] => {
  const words = wordsIn(text)
  const telling = words.filter(w => !JOINING.has(w))
  return telling.length ? telling : words
}

/** The stems of the words that say something. */
export const tellingStems = (text: string): readonly string[] => [
  ...new Set(
    wordsIn(text)
      .filter(w => !JOINING.has(w))
      .map(stemOf),
  ),
]

const dice = (a: ReadonlySet<string>, b: ReadonlySet<string>): number => {
  if (a.size === 0 || b.size === 0) return 0
  const [few, many] = a.size < b.size ? [a, b] : [b, a]
  let shared = 0
  for (const x of few) if (many.has(x)) shared++
  return (2 * shared) / (a.size + b.size)
}

/** How alike two labels are, 0 to 1: shared words, or shared groups of three letters where words are misspelt. */
export const likeness = (a: PreparedLabel, b: PreparedLabel): number =>
  Math.max(dice(a.stems, b.stems), 0.9 * dice(a.grams, b.grams))

/** Whether two words differ by at most one letter added, dropped, changed or swapped with its neighbour. */
export const isNearWord = (a: string, b: string): boolean => {
  if (a === b) return true
  if (Math.abs(a.length - b.length) > 1) return false
  let i = 0
  while (i < a.length && i < b.length && a[i] === b[i]) i++
  let k = 0
  while (k < a.length - i && k < b.length - i && a[a.length - 1 - k] === b[b.length - 1 - k]) k++
  const [left, right] = [a.slice(i, a.length - k), b.slice(i, b.length - k)]
  return left.length <= 1 && right.length <= 1
    ? true
    : left.length === 2 && right.length === 2 && left[0] === right[1] && left[1] === right[0]
}

/** @example slugOf('Ring after settling') // 'ring-after-settling' */
export const slugOf = (text: string, otherwise = 'item'): string =>
  folded(text)
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '')
    .slice(0, 50)
    .replace(/-$/, '') || otherwise

/** A slug that none of the taken ones equals; it is taken then. */
export const uniqueSlug = (text: string, taken: Set<string>, otherwise = 'item'): string => {
  const slug = slugOf(text, otherwise)
  let id = slug
  for (let n = 2; taken.has(id); n++) id = `${slug}-${n}`
  taken.add(id)
  return id
}
