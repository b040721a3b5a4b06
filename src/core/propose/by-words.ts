import { type Body, type CountsIn, menuPath, type Setting } from '../bodies'
import { bestMet, isWord, type Phrase, phrasesIn, tokensOf } from '../language/phrases'
import { type Dimension, DIMENSIONS } from '../vocabulary/dimensions'
import { ELSEWHERE_PHRASES, FOCUS_WORDS, UNNAMED_PHRASES } from '../vocabulary/trade-rows'
import type { Meaning } from '../vocabulary/schema'
import { TRADE_WORDS } from '../vocabulary/trade-words'
import { isYesNo } from './figures'
import type { LikeOptions } from './like-options'
import type { ReadOptions } from './options'
import { readOptions } from './read-options'
import type { Candidate } from './reading'

/** What a row of a menu may be about, by the trade's words in its label, its options and its page. */

interface Name {
  readonly phrase: Phrase
  readonly flag?: readonly [string, string]
  readonly polarity: number
}

const namesIn = (written: string): readonly Name[] =>
  written
    .split(',')
    .map(p => p.trim())
    .filter(Boolean)
    .map(p => {
      const [words = '', says = ''] = p.split('=>').map(x => x.trim())
      const [phrase] = phrasesIn(words)
      if (!phrase) throw new RangeError(`no phrase: ${p}`)
      const [yes, no] = says.split(' ')
      return { phrase, polarity: yes === '-' ? -1 : 1, ...(yes && no ? { flag: [yes, no] as const } : {}) }
    })

interface Words {
  readonly d: Dimension
  readonly names: readonly Name[]
  readonly hints: readonly Phrase[]
  readonly not: readonly Phrase[]
  readonly isTelling: boolean
  readonly isFilm: boolean
}

const WORDS: readonly Words[] = DIMENSIONS.flatMap(d => {
  const w = TRADE_WORDS[d.id]
  if (!w) return []
  return [
    {
      d,
      names: namesIn(w.names),
      hints: phrasesIn(w.hints ?? ''),
      not: phrasesIn(w.not ?? ''),
      isTelling: w.telling === true,
      isFilm: w.film === 'only',
    },
  ]
})

/** What has another dimension while filming. */
const FILM_TWINS = new Set([
  'area.pattern',
  'area.follow',
  'subject.class',
  'track.hold',
  'track.acquire',
  'track.response',
  'trigger.touch',
  'trigger.prefocus',
  'mode.drive',
  'mode.override',
  'release.rate',
])

/** What a row for live view says for live view alone. */
const LIVE_TWINS = new Set([
  'area.pattern',
  'area.follow',
  'area.points',
  'subject.class',
  'subject.detail',
  'mode.drive',
])

/** What a row that names one focus drive says for that drive alone. */
const DRIVE_TWINS = new Set(['area.pattern', 'area.follow', 'area.offered', 'see.area'])

/** Where a row says that it counts, when it is about this. */
export const countsOfRow = (row: Row, d: Dimension): CountsIn | undefined => {
  if (row.isFilm && d.group !== 'video') return 'film'
  if (row.isLive && LIVE_TWINS.has(d.id)) return 'live-view'
  return DRIVE_TWINS.has(d.id) ? row.drive : undefined
}

const ELSEWHERE = phrasesIn(ELSEWHERE_PHRASES)
const UNNAMED = phrasesIn(UNNAMED_PHRASES)
const FOCUS = phrasesIn(FOCUS_WORDS)
const IS_NUMBER = /^[a-z]?\d+$/

export interface Row {
  readonly label: readonly string[]
  readonly page: readonly string[]
  readonly isFilm: boolean
  readonly isLive: boolean
  /** It names one focus drive and no other. */
  readonly drive: CountsIn | undefined
}

const LIVE = tokensOf('live view')[0] ?? ''
const FILM = tokensOf('movie')[0] ?? ''

export const rowOf = (body: Body, setting: Setting): Row => {
  const [tab, page] = menuPath(body, setting)
  const label = tokensOf(setting.label)
  const around = tokensOf(`${tab} ${page}`)
  const [isSingle, isContinuous] = [label.includes('afs'), label.includes('afc')]
  const isStill = (t: readonly string[]) => t.some(w => /^(?:still|pictur|liveview)/.test(w))
  return {
    label,
    page: around,
    isLive: label.includes(LIVE) || around.includes(LIVE),
    drive: isSingle === isContinuous ? undefined : isSingle ? 'single-af' : 'continuous-af',
    isFilm: label.includes(FILM) || (around.includes(FILM) && !isStill(around) && !isStill(label)),
  }
}

/** How much of a label a phrase accounts for, 0 to 1; a number before it and joining words count for nothing. */
const coverage = (phrase: Phrase, label: readonly string[]): number => {
  const telling = label.filter(w => !IS_NUMBER.test(w) && !JOINING.has(w))
  return Math.min(1, phrase.asks / Math.max(1, telling.length))
}
const JOINING = new Set(['in', 'of', 'the', 'on', 'at', 'to', 'for', 'a', 'with', 'by', 'and', 'set', 'up', 'mode'])

const named = (phrase: Phrase, label: readonly string[]): number =>
  0.66 + 0.035 * Math.min(4, phrase.asks) + 0.19 * coverage(phrase, label)

/** For what is no dimension, a word says little where the label says more. */
const loosely = (phrase: Phrase, label: readonly string[]): number =>
  0.53 + 0.04 * Math.min(4, phrase.asks) + 0.32 * coverage(phrase, label)

/** The words of a label that a phrase meets, as they stand there; all of them where it meets them only together. */
const quoted = (phrase: Phrase, label: string): string => {
  const said = label.split(/[\s/]+/).filter(w => {
    const own = tokensOf(w)
    return own.some(t => phrase.slots.some(s => !s.absent && s.any.some(a => isWord(a, t))))
  })
  return said.length ? said.join(' ') : label
}

const candidate = (w: Words, row: Row, score: number, because: string, read: ReadOptions): Candidate => ({
  dimensions: [w.d.id],
  score,
  because: [because],
  means: read.means,
  ...(read.isGuess ? { isGuess: true } : {}),
  ...(read.isEitherWay ? { isEitherWay: true } : {}),
  ...(read.isDoubted ? { isDoubted: true } : {}),
  ...(countsOfRow(row, w.d) ? { counts: countsOfRow(row, w.d) } : {}),
})

/** A name whose options nobody understands still names it, unless they are of another kind altogether. */
const unread = (d: Dimension, setting: Setting): number =>
  d.kind === 'physical' || isYesNo(setting.options.map(o => o.label)) ? 0.3 : 0.66

/** Of a label with a yes and a no, what a name has to account for to be sure; and what it is worth else. */
const LEAST_COVERED = 0.6
const LOOSE = 0.93

/** One row read as one dimension; undefined where nothing speaks for it. */
const asDimension = (
  body: Body,
  setting: Setting,
  row: Row,
  w: Words,
  like: LikeOptions | undefined,
): Candidate | undefined => {
  if (row.isFilm ? FILM_TWINS.has(w.d.id) : w.isFilm) return undefined
  if (bestMet(w.not, row.label)) return undefined
  let best: Name | undefined
  for (const n of w.names)
    if (bestMet([n.phrase], row.label, row.page) && (!best || n.phrase.asks > best.phrase.asks)) best = n
  const hint = best ? undefined : bestMet(w.hints, row.label)
  if (!best && !hint && !w.isTelling) return undefined
  const read = readOptions(body, w.d, setting, { polarity: best?.polarity ?? 1, flag: best?.flag, like })
  // A yes and a no bear nothing out: where the label says much else, it may be about that.
  const isLoose = best && isYesNo(setting.options.map(o => o.label)) && coverage(best.phrase, row.label) < LEAST_COVERED
  if (best)
    return candidate(
      w,
      row,
      (isLoose ? LOOSE : 1) *
        named(best.phrase, row.label) *
        (read.fit === 0 ? unread(w.d, setting) : 0.4 + 0.6 * read.fit),
      `“${quoted(best.phrase, setting.label)}” names it${read.fit > 0.8 ? ', and its options fit' : ''}`,
      read,
    )
  const many = read.distinct >= 3 && read.fit >= 0.7
  if (hint && read.fit > 0.5)
    return candidate(
      w,
      row,
      w.isTelling && many ? 0.56 + 0.28 * read.fit : 0.35 + 0.35 * read.fit,
      `“${quoted(hint, setting.label)}” and its options fit`,
      read,
    )
  if (w.isTelling && many)
    return candidate(w, row, 0.45 + 0.25 * read.fit, 'its options are the usual ones for it', read)
  return undefined
}

const FIRST_FRAME = WORDS.find(w => w.d.id === 'release.first')?.names.map(n => n.phrase) ?? []

/** A row about later frames speaks of the first one as well, where the menu has no row of its own for that. */
const forAllFrames = (body: Body, setting: Setting, c: Candidate): Candidate => {
  if (c.dimensions.join() !== 'release.next') return c
  const isApart = body.settings.some(s => s.id !== setting.id && bestMet(FIRST_FRAME, tokensOf(s.label)))
  if (isApart) return c
  const means = c.means.map((m): Meaning => {
    const value = m['release.next']
    return value === undefined ? m : { 'release.first': value, ...m }
  })
  return { ...c, dimensions: ['release.first', 'release.next'], means }
}

/** Whether the options themselves say what a row is about, and not only yes and no. */
const isTold = ({ means }: Candidate, { options }: Setting): boolean => {
  const told = means.filter(m => Object.keys(m).length > 0).map(m => JSON.stringify(m))
  return told.length >= 0.6 * means.length && new Set(told).size > 1 && !isYesNo(options.map(o => o.label))
}

/** @property isForWantOfWords no word of the row says so: only that none says anything else */
export type WordCandidate = Candidate & { readonly isForWantOfWords?: true }

/** Everything a row may be about by its words: dimensions, not focus at all, or focus without a word for it. */
export const byWords = (body: Body, setting: Setting, like?: LikeOptions): readonly WordCandidate[] => {
  const row = rowOf(body, setting)
  const found = WORDS.flatMap(w => asDimension(body, setting, row, w, like) ?? []).map(c =>
    forAllFrames(body, setting, c),
  )
  const nothing = setting.options.map(() => ({}))
  const elsewhere = bestMet(ELSEWHERE, row.label, row.page)
  const unnamed = bestMet(UNNAMED, row.label)
  const focus = bestMet(FOCUS, row.label)
  const onPage = bestMet(FOCUS, row.page)
  const best = Math.max(0, ...found.map(c => c.score))
  const isBorneOut = found.some(c => c.score > 0.5 && isTold(c, setting))
  const none = (
    about: 'elsewhere' | 'unnamed',
    score: number,
    because: string,
    isForWantOfWords?: true,
  ): WordCandidate => ({
    dimensions: [],
    about,
    score,
    because: [because],
    means: nothing,
    ...(isForWantOfWords ? { isForWantOfWords } : {}),
  })
  return [
    ...found,
    elsewhere
      ? none(
          'elsewhere',
          loosely(elsewhere, row.label) - (focus ? 0.2 : 0),
          `“${quoted(elsewhere, setting.label)}” is not about focus`,
        )
      : none('elsewhere', focus || onPage || best > 0.5 ? 0.1 : 0.62, 'nothing in it speaks of focus', true),
    unnamed
      ? none(
          'unnamed',
          loosely(unnamed, row.label) - (isBorneOut ? 0.3 : 0),
          'about focus, and nothing in the vocabulary says it',
        )
      : none(
          'unnamed',
          focus && best < 0.4 ? 0.6 : onPage && best < 0.4 ? 0.4 : 0.15,
          'it speaks of focus, and nothing in the vocabulary says it',
          true,
        ),
  ]
}
