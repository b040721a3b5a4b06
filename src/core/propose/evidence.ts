import { type Body, inMenuOrder, menuPath, type Setting } from '../bodies'
import { likeness, prepare, stemOf, stemsIn, tellingStems, wordsIn } from '../language/language'
import { type Dimension, dimension, DIMENSIONS, findDimension, isSigned } from '../vocabulary/dimensions'
import { ELSEWHERE, LEXICON } from '../vocabulary/lexicon'
import { inSentence } from '../vocabulary/words'
import { allOptions, hasFigures, isOfMaker, keyOf, type Knowledge, type KnownSetting, WORK } from './knowledge'
import { fitOfWords } from './values'

/**
 * Everything that speaks for reading a setting one way or another: its words, its options, what others call the same,
 * its neighbours. Each piece of evidence raises the score of a key, which is the dimensions the setting would be about.
 */

const LABEL_STEMS = new Map(
  DIMENSIONS.map(d => [d.id, new Set(tellingStems(`${LEXICON[d.id]?.words ?? ''} ${d.label}`))]),
)
const ELSEWHERE_STEMS = new Set(stemsIn(ELSEWHERE))

/** Rare words say more: a word that many dimensions share hardly points anywhere. */
export const rarity = (stem: string): number => {
  let among = 0
  for (const stems of LABEL_STEMS.values()) if (stems.has(stem)) among++
  return among === 0 ? 0 : Math.log(1 + DIMENSIONS.length / among) / Math.log(1 + DIMENSIONS.length)
}

export interface Evidence {
  score: number
  because: string[]
  /** The known setting whose options the values are taken from. */
  model?: KnownSetting
  /** The same maker calls it the same. */
  sure?: boolean
}

/** How well the number and kind of options fit a dimension. */
const fitOfShape = (d: Dimension, options: readonly string[]): number => {
  const n = options.length
  switch (d.kind) {
    case 'flag':
      return n === 2 ? 1 : n === 1 ? 0.7 : 0.25
    case 'areas':
      return n === 2 ? 1 : 0.1
    case 'choice':
      return n <= d.values.length + 2 ? 1 : 0.4
    case 'scale':
      return n <= d.values.length ? 1 : 0.3
    case 'physical':
      if (isSigned(d)) return hasFigures(options) && n > 2 ? 1.3 : 0.2
      return hasFigures(options) && n > 2 ? 1.2 : n > 2 ? 0.8 : 0.45
    case 'area':
      return n > 2 ? 1 : 0.5
    case 'range':
    case 'magnify':
      return hasFigures(options) ? 1 : 0.4
    case 'position':
    case 'size':
    case 'assign':
      return n <= 4 ? 0.9 : 0.5
  }
}

/** The words of a label that these stems were made from, as they stand there. */
const wordsFor = (label: string, stems: readonly string[]): string =>
  wordsIn(label)
    .filter(w => stems.includes(stemOf(w)))
    .join(', ')

/** What the words of the setting and of its options point to, by the vocabulary's own words. */
export const byWords = (setting: Setting, options: readonly string[], evidence: Map<string, Evidence>): void => {
  const stems = tellingStems(setting.label)
  for (const d of DIMENSIONS) {
    if (d.kind === 'assign' || d.kind === 'size' || d.id === 'area.chooser' || d.id === 'track.preset') continue
    const own = LABEL_STEMS.get(d.id) ?? new Set()
    const met = stems.filter(w => own.has(w))
    const words = 1 - Math.exp(-1.6 * met.reduce((sum, w) => sum + rarity(w), 0))
    const fit = fitOfWords(d, options)
    const score = (0.7 * words + 0.35 * fit) * fitOfShape(d, options)
    if (score < 0.08) continue
    const because: string[] = []
    if (met.length) because.push(`“${wordsFor(setting.label, met)}” in its name`)
    if (fit > 0.3) because.push('the words of its options')
    if (d.kind === 'physical' && hasFigures(options)) because.push('figures in its options')
    add(evidence, d.id, { score: Math.min(0.85, score), because })
  }
}

/** Adds to what speaks for a key; two independent pieces count as either being right. */
export const add = (evidence: Map<string, Evidence>, key: string, more: Evidence): void => {
  const known = evidence.get(key)
  if (!known) evidence.set(key, more)
  else {
    if (more.model && (!known.model || more.score > known.score)) known.model = more.model
    known.score = 1 - (1 - known.score) * (1 - more.score)
    known.sure = Boolean(known.sure) || Boolean(more.sure)
    if (more.sure) known.because.unshift(...more.because)
    else known.because.push(...more.because)
  }
}

/** What other profiles call the same, or nearly; a maker's own words count most. */
export const byOthers = (
  body: Body,
  setting: Setting,
  options: readonly string[],
  knowledge: Knowledge,
  evidence: Map<string, Evidence>,
): void => {
  const [label, all, page] = [prepare(setting.label), allOptions(setting), prepare(menuPath(body, setting)[1])]
  const best = new Map<string, { score: number; known: KnownSetting; name: number }>()
  for (const known of knowledge.settings) {
    const isKin = isOfMaker(known, body)
    const name = likeness(label, known.label)
    const words = likeness(all, known.options)
    const count = known.setting.options.length === options.length ? 1 : 0
    const shape = count * Number(hasFigures(options) === hasFigures(known.setting.options.map(o => o.label)))
    const alike = 0.5 * name + 0.3 * words + 0.12 * shape + 0.08 * likeness(page, known.page)
    const score = alike * (isKin ? 0.98 : 0.7)
    if (score < 0.2) continue
    const former = best.get(known.key)
    if (!former || score > former.score) best.set(known.key, { score, known, name })
  }
  for (const [key, { score, known, name }] of best)
    add(evidence, key, {
      score,
      model: known,
      // The maker's own word for it outweighs everything else.
      sure: name === 1 && isOfMaker(known, body) && known.setting.options.length > 0,
      because: [
        name === 1
          ? `called the same on ${known.name}`
          : `like “${known.setting.label}” on ${known.name}${score < 0.4 ? ', by its number and kind of options' : ''}`,
      ],
    })
}

/** What usually comes after the setting before it. */
export const byOrder = (body: Body, setting: Setting, knowledge: Knowledge, evidence: Map<string, Evidence>): void => {
  const onPage = inMenuOrder(body).filter(s => s.at.tab === setting.at.tab && s.at.page === setting.at.page)
  const before = onPage[onPage.findIndex(s => s.id === setting.id) - 1]
  if (!before || before.undecided) return
  const options = setting.options.map(o => o.label)
  const isSeries = before.options.map(o => o.label).join('|') === options.join('|')
  for (const [key, share] of knowledge.after.get(keyOf(before)) ?? []) {
    const d = findDimension(key)
    const fit = d ? Math.min(1, fitOfShape(d, options)) : 1
    const score = 0.45 * share * fit
    if (score > 0.04)
      add(evidence, key, { score, because: [`on other bodies it often comes after ${keyWords(keyOf(before))}`] })
  }
  if (isSeries && REPEATED.has(keyOf(before)))
    add(evidence, keyOf(before), { score: 0.5, because: [`the same options as “${before.label}” above it`] })
}

const keyWords = (key: string): string =>
  key === WORK
    ? 'the work of a key'
    : key === ''
      ? 'what is not about focus'
      : key
          .split(' ')
          .map(id => inSentence(dimension(id).label))
          .join(', ')

/** Settings that stand together are about the same; what is decided nearby makes its group likelier. */
export const byNeighbours = (body: Body, setting: Setting, evidence: Map<string, Evidence>): void => {
  const near = body.settings.filter(
    s =>
      s.id !== setting.id &&
      !s.undecided &&
      s.at.tab === setting.at.tab &&
      s.at.page === setting.at.page &&
      Math.abs(s.at.row - setting.at.row) <= 3,
  )
  const weights = new Map<string, number>()
  for (const s of near) {
    const group = findDimension(keyOf(s).split(' ')[0] ?? '')?.group
    const weight = 1 / Math.abs(s.at.row - setting.at.row || 1)
    if (group) weights.set(group, (weights.get(group) ?? 0) + weight)
  }
  const total = [...weights.values()].reduce((a, b) => a + b, 0)
  for (const [key, e] of evidence) {
    const group = findDimension(key.split(' ')[0] ?? '')?.group
    const share = group && total ? (weights.get(group) ?? 0) / total : 0
    if (share > 0) {
      e.score = e.score * (1 + 0.35 * share)
      if (share >= 0.5) e.because.push('its neighbours in the menu are about the same')
    }
  }
}

/** What several settings of one body may be about. */
export const REPEATED = new Set([WORK, '', 'area.offered'])

/** One setting for one thing is the rule. */
export const byWhatIsTaken = (body: Body, setting: Setting, evidence: Map<string, Evidence>): void => {
  const taken = new Set(body.settings.filter(s => s.id !== setting.id && !s.undecided).map(keyOf))
  for (const [key, e] of evidence) if (taken.has(key) && !REPEATED.has(key) && !e.sure) e.score *= 0.55
}

/** What speaks for its having nothing to do with focus. */
export const byElsewhere = (setting: Setting, evidence: Map<string, Evidence>): void => {
  const stems = stemsIn(setting.label)
  const met = stems.filter(w => ELSEWHERE_STEMS.has(w))
  const share = met.length / Math.max(1, stems.length)
  add(evidence, '', {
    score: 0.12 + 0.5 * share,
    because: met.length
      ? [`“${wordsFor(setting.label, met)}” is seldom about focus`]
      : ['nothing in it speaks of focus'],
  })
}
