import { folded } from './language'

/**
 * Phrases of a trade, matched in what people write: whatever the order, with hyphens or without, in either spelling.
 *
 * A phrase is written as slots with a space between them. A slot holds alternatives (`track/follow`); `detect*` is any
 * word that begins so; `!film` must not be there; `@film` may also stand on the page or the tab.
 */

/** Ways of writing one thing, brought to one word before anything is matched. */
const ONE_WORD: readonly (readonly [RegExp, string])[] = [
  [/\bauto[ -]?focus(?:ing)?\b/g, 'af'],
  [/\bmanual focus(?:ing)?\b/g, 'mf'],
  [
    /\bae[ -]?l(?:ock)?\s?[/&+]\s?af[ -]?l(?:ock)?\b|\bae\s?[/&+]\s?af[ -]?l(?:ock)?\b|\baf\s?[/&+]\s?ae[ -]?l(?:ock)?\b/g,
    'aelafl',
  ],
  [
    /\b(?:ae|exposure|auto exposure)[ -]?l(?:ock)?\b|\b(?:lock|hold|freeze)s? (?:the )?exposure\b|\bae[ -]fix(?:ing)?\b|\b(?:ae|exposure) hold\b/g,
    'ael',
  ],
  [/\b(?:lock|freeze|hold)s? (?:the )?(?:focus|af)\b|\b(?:focus|af) (?:freeze|hold)\b/g, 'afl'],
  [/\baf-?l\b/g, 'afl'],
  [/\bc-weighted\b/g, 'centre-weighted'],
  [/\bmeasur(?:e|es|ing) (?:the )?light\b/g, 'metering'],
  [/\bv\/h\b|\bh\/v\b/g, 'vertical horizontal'],
  [/\befcs?\b/g, 'electronic first curtain'],
  [/\baf following\b|\bfollowing af\b/g, 'afc'],
  [/\baf single picture\b|\bsingle picture af\b/g, 'afs'],
  [/\bfocus(?:ing)? (?:in advance|beforehand|ahead)\b/g, 'prefocus'],
  [/\bby hand\b|\bby my hand\b/g, 'manual'],
  [/\b(?:af|focus)[ -]?lock\b|\baf-?l\b/g, 'afl'],
  [/\baf[ -]on\b|\bafon\b|\bfocus-on\b/g, 'afon'],
  [/\b(?:s-af|af-?s|single[ -]servo(?: af)?|single[ -]shot af|one[ -]?shot(?: af)?|single af)\b/g, 'afs'],
  [/\b(?:c-af|af-?c|continuous[ -]servo(?: af)?)\b/g, 'afc'],
  [/\b(?:a-af|af-a)\b/g, 'afa'],
  [/\b(?:af-f|full[ -]time(?: servo)? af|full[ -]time servo)\b/g, 'aff'],
  [/\bhalf[ -]?way(?: press(?:ed|ing)?)?\b|\bhalf[ -]?press(?:ed|ing)?\b/g, 'halfpress'],
  [/\blive[ -]?view\b/g, 'liveview'],
  [/\bpre[ -]?(?:af|focus(?:ing)?)\b/g, 'prefocus'],
  [/\bpin[ -]?point\b/g, 'pinpoint'],
  [/\bviewfinder\b|\bevf\b|\bovf\b|\bvf\b/g, 'finder'],
  [/\bcent(?:er|re)(?:d|s)?\b/g, 'centre'],
  [/\bcolor/g, 'colour'],
  [/\bmovies?\b|\bvideos?\b|\bfilm(?! format| basis| size)(?:s|ing)?\b|\bwhile recording\b|\bin video\b/g, 'movie'],
  [/\bfull[ -]time (?:mf|direct manual|manual)\b/g, 'override'],
  [/\bdirect manual(?: focus)?\b|\baf\s?\+\s?mf\b|\bafs\s?\+\s?mf\b/g, 'override'],
  [/\brls\b/g, 'release'],
  [/\bfoc\b/g, 'focus'],
  [/\bshtr\b/g, 'shutter'],
  [/\bmtrx\b/g, 'matrix'],
  // Alone, one letter for a way of focusing.
  [/^ a $/g, ' afa '],
  [/\bctr\b/g, 'centre'],
  [/\b1st\b/g, 'first'],
  [/\b2nd\b/g, 'second'],
  [/\bone[ -](?=point|area)/g, '1 '],
  [/\bframes? (?:per|a) second\b|\bfps\b|(?<=\d)\s?fps\b/g, ' fps'],
]

/** Words that say the same in a menu; the first stands for all. */
const SAME_WORDS: ReadonlyMap<string, string> = new Map(
  [
    'auto automatic automatically',
    'whole entire complete',
    'centre middle',
    'subject object subj',
    'level strength intensity amount degree',
    'colour tint hue col',
    'speed pace tempo',
    'beep chirp',
    'point pt',
    'image img',
    'picture photo shot pic',
    'switch swap',
    'magnifier mag magnify magnification magnified enlarge enlargement enlarged zoom',
    'lamp illuminator illum beam torch',
    'slow gentle sluggish slowly',
    'fast quick rapid quickly',
    'erratic nervous jumpy irregular',
    'steady calm smooth uniform',
    'tight sticky stubborn firm',
    'stickiness tenacity persistence patience',
    'none nothing empty unassigned',
    'exposure ev',
    'press push',
    'priority prio prty',
    'normal normally norm',
    'brief briefly',
    'slight slightly',
    'sensitivity sens sensit',
    'position pos posn',
    'direction dir',
    'mechanical mech',
    'electronic elec elect',
    'transition trans',
    'orientation orient',
    'selection sel',
    'detection det',
    'recognition recog',
    'continuous cont',
    'tracking trk',
    'button btn',
    'display disp',
    'different diff',
    'maximum max',
    'minimum min',
    'acoustic audible',
  ].flatMap(group => {
    const [first = '', ...others] = group.split(' ')
    return others.map(w => [w, first] as const)
  }),
)

/** What a small screen cuts short, the commoner first; a dot says that something was cut. */
const CUT_WORDS = `
  focus continuous single automatic standard registered magnifier peaking metering exposure detection recognition
  tracking sensitivity priority display colour point selection function frame acceleration orientation highlight
  mechanical electronic responsive speed level subject button movement shutter release limiter distance position
  brightness transition vertical horizontal initial confirmation manual correction illuminator operation switch
  direction preset stabiliser sequential individual minimum maximum permanent normal
`
  .trim()
  .split(/\s+/)

const uncut = (text: string): string =>
  text.replaceAll(
    /(?<!\p{L})(\p{L}{3,8})\.(?!\p{L})/gu,
    (written, start: string) => CUT_WORDS.find(w => w.length > start.length && w.startsWith(start)) ?? written,
  )

const normal = (text: string): string => {
  let plain = ` ${uncut(folded(text).replaceAll('×', 'x').replaceAll('−', '-'))} `.replaceAll(
    /(?<=\p{L})\+(?!\s?\p{L})/gu,
    ' plus',
  )
  for (const [written, word] of ONE_WORD) plain = plain.replace(written, word)
  return plain
}

/**
 * Endings that menus use freely are taken off; unlike the stems that likeness goes by, a word never loses what tells it
 * from another (meter and metre, focus and foci).
 *
 * @example endless('focuses') // 'focus'
 */
const endless = (word: string): string => {
  if (word.length < 4) return word
  const bare = word
    .replace(/(?<=.{3})ing$/, '')
    .replace(/(?<=.{3})ed$/, '')
    .replace(/(?<=.{2})(?<![sui])s$/, '')
    .replace(/([bdgmnprt])\1$/, '$1')
  return bare.length > 3 ? bare.replace(/e$/, '') : bare
}

const singular = (word: string): string => word.replace(/(?<=.{2})(?<![sui])s$/, '')

/** The words of a text as phrases meet them: one spelling, reduced to stems; figures by themselves. */
export const tokensOf = (text: string): readonly string[] => {
  const known = MEMORY.get(text)
  if (known) return known
  const words = normal(text).match(/\d+(?:x\d+|\.\d+)?|\p{L}+/gu) ?? []
  const made = words.map(w => (/^\d/.test(w) ? w : endless(SAME_WORDS.get(w) ?? SAME_WORDS.get(singular(w)) ?? w)))
  if (MEMORY.size >= MOST_REMEMBERED) MEMORY.clear()
  MEMORY.set(text, made)
  return made
}
const MEMORY = new Map<string, readonly string[]>()
const MOST_REMEMBERED = 20_000

type Slot = { readonly absent: boolean; readonly aside: boolean; readonly any: readonly string[] }
export interface Phrase {
  readonly written: string
  readonly slots: readonly Slot[]
  /** How many words have to be there: of two phrases that match, the one that asks for more tells more. */
  readonly asks: number
}

const slotOf = (written: string): Slot => {
  const bare = written.replace(/^[!@]/, '')
  return {
    absent: written.startsWith('!'),
    aside: written.startsWith('@'),
    any: bare.split('/').map(w => (w.endsWith('*') ? w.replace(/e\*$/, '*') : (tokensOf(w)[0] ?? w))),
  }
}

/** @example phraseOf('track/follow sensitiv*').asks // 2 */
export const phraseOf = (written: string): Phrase => {
  const slots = written.split(' ').filter(Boolean).map(slotOf)
  return { written, slots, asks: slots.filter(s => !s.absent).length }
}

/** Several phrases with a comma between them. */
export const phrasesIn = (written: string): readonly Phrase[] =>
  written
    .split(',')
    .map(p => p.trim())
    .filter(Boolean)
    .map(phraseOf)

/** Whether a token is the word, or begins as the word does where it ends in a star. */
export const isWord = (word: string, token: string): boolean =>
  word.endsWith('*') ? token.startsWith(word.slice(0, -1)) : token === word

const meets = (any: readonly string[], tokens: readonly string[]): boolean =>
  any.some(a => tokens.some(t => isWord(a, t)))

/**
 * Whether a phrase is met by the tokens of a text.
 *
 * @param aside tokens that only slots with `@` may use, such as those of the page
 */
export const isMet = (phrase: Phrase, tokens: readonly string[], aside: readonly string[] = []): boolean =>
  phrase.slots.every(s => {
    const there = meets(s.any, tokens) || (s.aside && meets(s.any, aside))
    return s.absent ? !there : there
  })

/** The phrase that asks for most among those that are met. */
export const bestMet = (
  phrases: readonly Phrase[],
  tokens: readonly string[],
  aside: readonly string[] = [],
): Phrase | undefined => {
  let best: Phrase | undefined
  for (const p of phrases) if ((!best || p.asks > best.asks) && isMet(p, tokens, aside)) best = p
  return best
}
