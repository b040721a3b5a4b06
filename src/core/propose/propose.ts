import {
  type Body,
  type Control,
  controlAt,
  decided,
  editSetting,
  inMenuOrder,
  menuPath,
  type Setting,
} from '../bodies'
import {
  folded,
  likeness,
  type Prepared,
  prepare,
  stemOf,
  stemsIn,
  tellingStems,
  uniqueSlug,
  wordsIn,
} from '../language/language'
import { type Dimension, dimension, DIMENSIONS, findDimension } from '../vocabulary/dimensions'
import { ELSEWHERE, LEXICON } from '../vocabulary/lexicon'
import type { Place } from '../vocabulary/places'
import { typicalArea } from '../vocabulary/typical'
import { inSentence } from '../vocabulary/words'
import type { Meaning } from '../vocabulary/schema'
import type { Area, ControlAssignment, NeutralValue, Position } from '../vocabulary/values'
import { figuresIn, fitOfWords, flagsByWords, pressOf, settledByWords, valuesByWords } from './values'

/**
 * Proposed meanings for settings nobody has decided yet. Evidence comes from the words of the label and the options,
 * their number and order, the neighbours in the menu, and what other profiles call the same; a maker's own words
 * count most. A proposal says why; only a person accepts it.
 */

/** One way to read a whole setting. */
export interface Reading {
  /** The dimensions its options speak about; none where it has nothing to do with focus. */
  readonly dimensions: readonly string[]
  /** One meaning for each option, in their order. */
  readonly means: readonly Meaning[]
  /** Only the order of readings matters. */
  readonly score: number
  readonly because: readonly string[]
  /** A control the body does not have yet and the reading needs. */
  readonly control?: Control | undefined
}

interface KnownSetting {
  readonly maker: string
  readonly name: string
  readonly setting: Setting
  readonly label: Prepared
  readonly options: Prepared
  readonly optionLabels: readonly Prepared[]
  readonly page: Prepared
  readonly key: string
}

/** What other profiles know, prepared for many questions. */
export interface Knowledge {
  readonly settings: readonly KnownSetting[]
  /** How often a setting of the second kind comes right after one of the first, as a share. */
  readonly after: ReadonlyMap<string, ReadonlyMap<string, number>>
}

const WORK = 'work'

/** The dimensions a setting speaks about; all functions of a button count as one. */
const keyOf = (setting: Setting): string => {
  const ids = new Set(setting.options.flatMap(o => Object.keys(o.means)))
  ids.delete('track.preset')
  const kinds = [...ids].map(id => dimension(id).kind)
  return kinds.includes('assign') ? WORK : [...ids].sort().join(' ')
}

const allOptions = (s: Setting): Prepared => prepare(s.options.map(o => o.label).join(' '))

const knownOf = (b: Body): readonly KnownSetting[] =>
  inMenuOrder(b)
    .filter(s => !s.undecided)
    .map(setting => ({
      maker: b.maker,
      name: `${b.maker} ${b.model}`,
      setting,
      label: prepare(setting.label),
      options: allOptions(setting),
      optionLabels: setting.options.map(o => prepare(o.label)),
      page: prepare(menuPath(b, setting)[1]),
      key: keyOf(setting),
    }))

export const knowledgeOf = (bodies: readonly Body[]): Knowledge => {
  const each = bodies.map(knownOf)
  const counts = new Map<string, Map<string, number>>()
  for (const settings of each)
    settings.forEach((s, i) => {
      const next = settings[i + 1]
      if (!next || next.setting.at.page !== s.setting.at.page || next.setting.at.tab !== s.setting.at.tab) return
      const row = counts.get(s.key) ?? new Map<string, number>()
      counts.set(s.key, row.set(next.key, (row.get(next.key) ?? 0) + 1))
    })
  const shares = [...counts].map(([key, row]) => {
    const total = [...row.values()].reduce((a, b) => a + b, 0)
    return [key, new Map([...row].map(([k, n]) => [k, n / (total + 1)]))] as const
  })
  return { settings: each.flat(), after: new Map(shares) }
}

const LABEL_STEMS = new Map(
  DIMENSIONS.map(d => [d.id, new Set(tellingStems(`${LEXICON[d.id]?.words ?? ''} ${d.label}`))]),
)
const ELSEWHERE_STEMS = new Set(stemsIn(ELSEWHERE))

/** Rare words say more: a word that many dimensions share hardly points anywhere. */
const rarity = (stem: string): number => {
  let among = 0
  for (const stems of LABEL_STEMS.values()) if (stems.has(stem)) among++
  return among === 0 ? 0 : Math.log(1 + DIMENSIONS.length / among) / Math.log(1 + DIMENSIONS.length)
}

interface Evidence {
  score: number
  because: string[]
  /** The known setting whose options the values are taken from. */
  model?: KnownSetting
  /** The same maker calls it the same. */
  sure?: boolean
}

const hasFigures = (labels: readonly string[]): boolean =>
  labels.filter(l => figuresIn(l).length > 0).length > labels.length / 2

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
      if (d.measure !== 'ratio') return hasFigures(options) && n > 2 ? 1.3 : 0.2
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

const byWords = (setting: Setting, options: readonly string[], evidence: Map<string, Evidence>): void => {
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

const add = (evidence: Map<string, Evidence>, key: string, more: Evidence): void => {
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

const byOthers = (
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

const isOfMaker = (known: KnownSetting, body: Body): boolean => known.maker.toLowerCase() === body.maker.toLowerCase()

/** What usually comes after the setting before it. */
const byOrder = (body: Body, setting: Setting, knowledge: Knowledge, evidence: Map<string, Evidence>): void => {
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
const byNeighbours = (body: Body, setting: Setting, evidence: Map<string, Evidence>): void => {
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

const REPEATED = new Set([WORK, '', 'area.offered'])

/** One setting for one thing is the rule. */
const byWhatIsTaken = (body: Body, setting: Setting, evidence: Map<string, Evidence>): void => {
  const taken = new Set(body.settings.filter(s => s.id !== setting.id && !s.undecided).map(keyOf))
  for (const [key, e] of evidence) if (taken.has(key) && !REPEATED.has(key) && !e.sure) e.score *= 0.55
}

const BUTTON = new Set(
  stemsIn('key button press pad dial knob lever wheel does function custom fn assign thumb finger'),
)

const PLACE_WORDS: readonly (readonly [RegExp, Place])[] = [
  [/lens|collar|ferrule|barrel/, 'lens'],
  [/top|crown|brow|plate/, 'top-plate'],
  [/front|crest|beak|gate/, 'index-front'],
  [/ring finger|heel|sill|lower front/, 'ring-finger-front'],
  [/left|side lever/, 'left-hand'],
  [/lower|bottom|pad 3|key 3/, 'thumb-lower'],
  [/stick|centre|center|dial|middle|pad 2|key 2|key b\b/, 'thumb-centre'],
]

/** The control whose work a setting chooses: one of the body by its name, or a new one. */
const controlFor = (body: Body, setting: Setting): { control: Control; isNew: boolean } => {
  const label = prepare(setting.label)
  const ranked = body.controls
    .filter(c => c.functions.length > 1)
    .map(c => ({ control: c, alike: likeness(label, prepare(c.label)) }))
    .sort((a, b) => b.alike - a.alike)
  const [first] = ranked
  if (first && first.alike > 0.6) return { control: first.control, isNew: false }
  const text = wordsIn(setting.label).join(' ')
  const place = PLACE_WORDS.find(([words]) => words.test(text))?.[1] ?? 'thumb-upper-right'
  const name = setting.label.replace(/\s+(?:does|press|function|work)$/i, '')
  const id = uniqueSlug(name, new Set(body.controls.map(c => c.id)), 'control')
  return { control: controlAt(id, name, place), isNew: true }
}

const FUNCTION_STEMS = DIMENSIONS.filter(d => d.kind === 'assign').map(d => ({
  id: d.id,
  stems: new Set(stemsIn(`${LEXICON[d.id]?.words ?? ''} ${d.label}`)),
}))

const byWork = (
  body: Body,
  setting: Setting,
  knowledge: Knowledge,
  evidence: Map<string, Evidence>,
): Omit<Reading, 'score' | 'because'> => {
  const stems = stemsIn(setting.label)
  const { control, isNew } = controlFor(body, setting)
  const named = stems.filter(s => BUTTON.has(s)).length
  const isLikely = named > 0 || !isNew
  // Without any sign of a key only words that are the same elsewhere count.
  const works = knowledge.settings.filter(k => k.key === WORK && (isLikely || isOfMaker(k, body)))
  let readable = 0
  const means = setting.options.map((o): Meaning => {
    const label = prepare(o.label)
    let best: { alike: number; means: Meaning } = { alike: 0.62, means: {} }
    for (const known of works) {
      const share = isOfMaker(known, body) ? 1 : 0.8
      for (let i = 0; i < known.optionLabels.length && best.alike < 1; i++) {
        const alike = likeness(label, known.optionLabels[i] ?? label) * share
        if (alike > best.alike) best = { alike, means: known.setting.options[i]?.means ?? {} }
      }
    }
    const found = Object.entries(best.means).map(([id, value]) => [
      id,
      { ...(value as ControlAssignment), control: control.id },
    ])
    if (found.length) {
      readable++
      return Object.fromEntries(found) as Meaning
    }
    const own = stemsIn(o.label)
    const ranked = FUNCTION_STEMS.map(f => ({
      id: f.id,
      hits: own.filter(w => f.stems.has(w)).reduce((sum, w) => sum + rarity(w), 0),
    })).sort((a, b) => b.hits - a.hits)
    const [first] = ranked
    if (!first || first.hits < 0.5) return {}
    readable++
    return { [first.id]: { control: control.id, press: pressOf(o.label) } satisfies ControlAssignment }
  })
  const score = (isLikely ? 0.45 : 0) + 0.4 * (readable / setting.options.length) * (isLikely ? 1 : 0.5)
  if (score > 0.1)
    add(evidence, WORK, {
      score,
      because: [isNew ? 'it reads like the work of a key' : `${control.label} is one of its controls`],
    })
  return {
    dimensions: [...new Set(means.flatMap(m => Object.keys(m)))],
    means,
    ...(isNew ? { control } : {}),
  }
}

const byElsewhere = (setting: Setting, evidence: Map<string, Evidence>): void => {
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

/** Between two amounts of a scale, as a ratio. */
const amountBetween = (
  a: NeutralValue | undefined,
  b: NeutralValue | undefined,
  share: number,
): NeutralValue | undefined =>
  typeof a === 'number' && typeof b === 'number' && a > 0 && b > 0
    ? Number((a * Math.pow(b / a, share)).toPrecision(2))
    : share < 0.5
      ? a
      : b

/** The meaning at a place of another body's list that may lie between two of its options. */
const meaningAt = (options: readonly { readonly means: Meaning }[], place: number): Meaning => {
  const low = options[Math.floor(place)]?.means ?? {}
  const high = options[Math.ceil(place)]?.means ?? low
  const ids = place % 1 < 0.5 ? Object.keys(low) : Object.keys(high)
  return Object.fromEntries(
    ids.flatMap(id => {
      const value = amountBetween(low[id] ?? high[id], high[id] ?? low[id], place % 1)
      return value === undefined ? [] : [[id, value]]
    }),
  )
}

/** A known setting's meanings for other options: by their words, else by their place in the list. */
const borrowed = (setting: Setting, known: KnownSetting): readonly Meaning[] => {
  const theirs = known.setting.options
  const n = setting.options.length
  const scaled = hasFigures(setting.options.map(o => o.label))
  return setting.options.map((o, i): Meaning => {
    const same = n === theirs.length || !scaled ? theirs.find(t => folded(t.label) === folded(o.label)) : undefined
    if (same) return same.means
    const label = prepare(o.label)
    let [best, alike] = [-1, 0.6]
    if (!scaled)
      known.optionLabels.forEach((l, k) => {
        const a = likeness(label, l)
        if (a > alike) [best, alike] = [k, a]
      })
    return best >= 0 ? (theirs[best]?.means ?? {}) : meaningAt(theirs, n < 2 ? 0 : (i * (theirs.length - 1)) / (n - 1))
  })
}

const withFigures = (setting: Setting, key: string, means: readonly Meaning[]): readonly Meaning[] => {
  const d = findDimension(key)
  if (d?.kind !== 'physical') return means
  const labels = setting.options.map(o => o.label)
  const isPlain = d.measure !== 'ratio' || d.unit === 's' || d.unit === 'frames/s'
  if (!isPlain || !hasFigures(labels) || labels.some(l => /\bof\b|^[^\d]*[-+−]/.test(l) && d.measure === 'ratio'))
    return means
  const values = valuesByWords(d, setting.label, labels)
  return values.every(v => v !== undefined) ? values.map(v => ({ [key]: v })) : means
}

/** An area on the list is the area of that name on this body. */
const offeredArea = (body: Body, setting: Setting): Area | undefined => {
  const label = prepare(setting.label)
  const areas = body.settings.flatMap(s =>
    s.options.flatMap(o => {
      const area = o.means['area.pattern'] as Area | undefined
      return area ? [{ area, alike: likeness(label, prepare(o.label)) }] : []
    }),
  )
  return areas.sort((a, b) => b.alike - a.alike)[0]?.area
}

const meansFor = (body: Body, setting: Setting, key: string, evidence: Evidence): readonly Meaning[] => {
  if (key === '') return setting.options.map(() => ({}))
  if (key === 'area.offered') {
    const area = offeredArea(body, setting) ?? typicalArea('point')
    const model = evidence.model && borrowed(setting, evidence.model)
    const own = flagsByWords(setting.options.map(o => o.label))
    return setting.options.map((_, i): Meaning => {
      const isOffered = model ? model[i]?.[key] !== undefined : own[i]
      return isOffered ? { [key]: [area] } : {}
    })
  }
  const d = findDimension(key)
  const words = d
    ? valuesByWords(
        d,
        setting.label,
        setting.options.map(o => o.label),
      ).map((v): Meaning => (v === undefined ? {} : { [key]: v }))
    : undefined
  const labels = setting.options.map(o => o.label)
  const isSettled = d !== undefined && !evidence.sure && settledByWords(d, labels)
  if (!evidence.model || isSettled) return words ?? setting.options.map(() => ({}))
  const theirs = borrowed(setting, evidence.model)
  // Where another body leaves an option open, the option's own words may still tell.
  const filled = theirs.map((m, i) => (Object.keys(m).length || !words ? m : (words[i] ?? m)))
  const isKin = isOfMaker(evidence.model, body)
  return withFigures(setting, key, isKin || evidence.sure ? theirs : filled.map(withoutRecall))
}

/** Which control recalls the resting place is told by each body for itself. */
const withoutRecall = (means: Meaning): Meaning =>
  Object.fromEntries(
    Object.entries(means).map(([id, v]) => {
      if (id !== 'area.home') return [id, v]
      const { x, y } = v as Position
      return [id, { x, y }]
    }),
  )

/** Scales run either way and their words seldom tell: the other direction is offered beside the first. */
const turned = (setting: Setting, reading: Reading): Reading | undefined => {
  const [id, ...more] = reading.dimensions
  const d = id === undefined ? undefined : findDimension(id)
  if (!d || more.length || setting.options.length < 2) return undefined
  const isScale = d.kind === 'scale' || d.kind === 'flag' || (d.kind === 'physical' && d.measure === 'ratio')
  const means = [...reading.means].reverse()
  if (!isScale || JSON.stringify(means) === JSON.stringify(reading.means)) return undefined
  return { ...reading, means, score: reading.score * 0.72, because: ['the same, running the other way'] }
}

/** Readings of one setting, likeliest first; "nothing to do with focus" is always among them. */
export const proposeFor = (body: Body, setting: Setting, others: Knowledge): readonly Reading[] => {
  // What has been decided on this body already is known as well, and is of its maker.
  const knowledge = { ...others, settings: [...others.settings, ...knownOf(body).filter(k => REPEATED.has(k.key))] }
  const evidence = new Map<string, Evidence>()
  const options = setting.options.map(o => o.label)
  byWords(setting, options, evidence)
  byOthers(body, setting, options, knowledge, evidence)
  byElsewhere(setting, evidence)
  byOrder(body, setting, knowledge, evidence)
  const work = byWork(body, setting, knowledge, evidence)
  byNeighbours(body, setting, evidence)
  byWhatIsTaken(body, setting, evidence)
  const readings = [...evidence].flatMap(([key, e]): readonly Reading[] => {
    const shared = { score: e.score + (e.sure ? 1 : 0), because: [...new Set(e.because)].slice(0, 3) }
    if (key === WORK) return [{ ...work, ...shared }]
    const reading = { dimensions: key === '' ? [] : key.split(' '), means: meansFor(body, setting, key, e), ...shared }
    const other = e.model && e.score > 0.8 ? undefined : turned(setting, reading)
    return other ? [reading, other] : [reading]
  })
  const ranked = readings
    .filter(r => r.dimensions.length === 0 || r.means.some(m => Object.keys(m).length > 0))
    .sort((a, b) => b.score - a.score)
  const nothing = ranked.find(r => r.dimensions.length === 0)
  const first = ranked.slice(0, 6)
  return nothing && !first.includes(nothing) ? [...first, nothing] : first
}

/** Readings of every setting that nobody has decided, in menu order. */
export const proposeAll = (body: Body, knowledge: Knowledge): ReadonlyMap<string, readonly Reading[]> =>
  new Map(
    inMenuOrder(body)
      .filter(s => s.undecided)
      .map(s => [s.id, proposeFor(body, s, knowledge)]),
  )

/** A control that a menu gives work to accepts that work, whatever was written down before. */
const acceptingWork = (control: Control, reading: Reading): Control => {
  const given = reading.means.flatMap(m =>
    Object.keys(m).filter(id => (m[id] as Partial<ControlAssignment>).control === control.id),
  )
  const missing = [...new Set(given)].filter(id => !control.functions.includes(id))
  return missing.length ? { ...control, functions: [...control.functions, ...missing] } : control
}

/** The body once a person has accepted a reading. */
export const acceptReading = (body: Body, settingId: string, reading: Reading): Body => {
  const { control } = reading
  const isNew = control && !body.controls.some(c => c.id === control.id)
  const controls = (isNew ? [...body.controls, control] : body.controls).map(c => acceptingWork(c, reading))
  return editSetting({ ...body, controls }, settingId, s => ({
    ...decided(s),
    options: s.options.map((o, i) => ({ ...o, means: { ...(reading.means[i] ?? {}) } })),
  }))
}
