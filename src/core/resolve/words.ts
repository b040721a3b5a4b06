import { type Body, choiceWords, choiceWordsById, isNotLookedFor, menuPath } from '../bodies'
import { dimension } from '../vocabulary/dimensions'
import type { Grade } from '../vocabulary/grade'
import { distanceReason } from '../vocabulary/distance'
import { inSentence, valueWords } from '../vocabulary/words'
import type { Alternative, WhyLost } from './explain'
import type { Conflict } from './conflicts'
import type { Outcome } from './resolve'

/** Outcomes and explanations in words, in the dialect of the body. */

export const GRADE_WORDS: Readonly<Record<Grade, string>> = {
  same: 'Same',
  near: 'Near',
  'stand-in': 'Stand-in',
  different: 'Different',
  missing: 'Missing',
}

const label = (dimensionId: string): string => dimension(dimensionId).label

/** One setting of the body, what it is set to, and where it is. */
export interface PlacedChoice {
  readonly setting: string
  readonly label: string
  readonly option: string
  /** The option, with its setting where the option alone says too little. */
  readonly words: string
  readonly path: readonly [tab: string, page: string, row: number]
}

const placed = (body: Body, settingId: string, optionId: string): PlacedChoice | undefined => {
  const setting = body.settings.find(s => s.id === settingId)
  const option = setting?.options.find(o => o.id === optionId)
  return setting && option
    ? {
        setting: setting.id,
        label: setting.label,
        option: option.label,
        words: choiceWords(setting, option),
        path: menuPath(body, setting),
      }
    : undefined
}

/** The settings that bring about an outcome, each once, in the body's own words. */
export const deliveredBy = (body: Body, outcome: Outcome): readonly PlacedChoice[] => {
  const seen = new Set<string>()
  return outcome.parts
    .flatMap(p => p.deliveries)
    .flatMap(d => {
      if (seen.has(d.setting)) return []
      seen.add(d.setting)
      return placed(body, d.setting, d.option) ?? []
    })
}

/** Whether what brings an outcome about is an amount that somebody only guessed. */
export const isGuessed = (body: Body, outcome: Outcome): boolean =>
  outcome.parts.some(p =>
    p.deliveries.some(d =>
      body.settings
        .find(s => s.id === d.setting)
        ?.options.find(o => o.id === d.option)
        ?.guessed?.includes(outcome.target.dimension),
    ),
  )

/** What a cell of the Concordance says: what the body will do, and below it where that comes from. */
export interface CellWords {
  readonly main: string
  readonly sub: string
}

export const cellWords = (body: Body, outcome: Outcome): CellWords => {
  const { missing } = outcome
  if (missing) {
    switch (missing.why) {
      case 'no-setting':
        return { main: 'no such setting', sub: '' }
      case 'not-looked-for':
        return { main: 'not known yet', sub: '' }
      case 'needs-firmware':
        return { main: 'needs newer firmware', sub: missing.version }
      case 'blocked':
        return { main: 'blocked', sub: missing.rules[0]?.words ?? '' }
      case 'not-chosen':
        return { main: 'given up', sub: 'other targets weigh more' }
    }
  }
  const delivered = deliveredBy(body, outcome)
  const [first] = outcome.parts
  if (delivered.length === 0) {
    if (first?.fixed) return { main: 'always so', sub: first.fixed }
    const got = first?.got === undefined ? '' : `counts as ${valueWords(dimension(first.channel), first.got)}`
    return isNotLookedFor(body, outcome.target.dimension)
      ? { main: 'not known yet', sub: got && `${got} until somebody looks` }
      : { main: '—', sub: got }
  }
  const join = (parts: readonly string[]) => [...new Set(parts)].join(' · ')
  if (dimension(outcome.target.dimension).kind === 'areas' && delivered.length > 1)
    return { main: join(delivered.map(d => d.label)), sub: '' }
  const [decisive, ...others] = delivered
  const setting = decisive && decisive.words !== decisive.option ? [decisive.label] : []
  const guess = isGuessed(body, outcome) ? ['a guess'] : []
  return {
    main: decisive?.option ?? '',
    sub: join([...(others.length ? others.map(d => d.words) : setting), ...guess]),
  }
}

/** The same in one line. */
export const outcomeWords = (body: Body, outcome: Outcome): string => {
  const { main, sub } = cellWords(body, outcome)
  return sub ? `${main} (${sub})` : main
}

/** Why a body gets what it gets for a target, in a sentence or two. */
export const whyWords = (body: Body, outcome: Outcome): string => {
  const { missing } = outcome
  const name = body.model
  if (missing) {
    switch (missing.why) {
      case 'no-setting':
        return `${name} has no such setting, and nothing else of its settings comes near.`
      case 'not-looked-for':
        return `Nobody has looked yet whether ${name} has a setting for this; its profile is not whole.`
      case 'needs-firmware':
        return `${name} gets this with firmware ${missing.version}; the units run an older one.`
      case 'blocked':
        return `${name} has a setting for this, but it is greyed out. ${missing.rules.map(r => r.words).join(' ')}`
      case 'not-chosen':
        return `${name} can do this, but only at the price of targets that weigh more; see below what was considered.`
    }
  }
  const [first] = outcome.parts
  const delivered = deliveredBy(body, outcome)
  if (first?.implied && !delivered.length && isNotLookedFor(body, outcome.target.dimension))
    return `Nobody has looked yet whether ${name} has a setting for this; without one it comes to “${valueWords(dimension(first.channel), first.got ?? '')}”.`
  if (first?.implied && !delivered.length)
    return `${name} has no setting for this, which comes to the same as “${valueWords(dimension(first.channel), first.got ?? '')}”.`
  if (first?.fixed && !delivered.length) return `${name} always behaves so: ${first.fixed}`
  const others = bundledWith(body, outcome)
  const bundle = others.length
    ? ` One choice on ${name} also sets ${others.map(inSentence).join(', ')}, so they were weighed together.`
    : ''
  const verdict =
    outcome.distance === 0
      ? 'This is exactly what is wanted.'
      : outcome.grade === 'same'
        ? 'The difference is too small to notice.'
        : 'Of everything the rules of this body allow, this costs least over all targets.'
  return verdict + bundle
}

/** Labels of other dimensions that the delivering options set as well. */
const bundledWith = (body: Body, outcome: Outcome): readonly string[] => {
  const own = new Set(['area.pattern', outcome.target.dimension, ...outcome.parts.map(p => p.channel)])
  const ids = outcome.parts
    .flatMap(p => p.deliveries)
    .flatMap(d => {
      const option = body.settings.find(s => s.id === d.setting)?.options.find(o => o.id === d.option)
      return Object.keys(option?.means ?? {})
    })
  return [...new Set(ids)].filter(id => !own.has(id) && id !== 'track.preset').map(label)
}

/** How each part of the distance came about. */
export interface PartWords {
  readonly label: string
  readonly wanted: string
  readonly got: string
  readonly weight: number
  readonly distance: number
  readonly how: string
}

export const partWords = (outcome: Outcome): readonly PartWords[] =>
  outcome.parts.map(p => {
    const d = dimension(p.channel)
    return {
      label: d.label,
      wanted: valueWords(d, p.wanted),
      got: p.got === undefined ? 'nothing' : valueWords(d, p.got),
      weight: p.weight,
      distance: p.distance,
      how: p.got === undefined ? 'absent counts as 1' : distanceReason(d, p.wanted, p.got),
    }
  })

/** Most other targets named when an alternative lost because of them. */
const MOST_NAMED = 3

export const whyLostWords = (lost: WhyLost): string => {
  switch (lost.why) {
    case 'needs-firmware':
      return `Needs firmware ${lost.version}.`
    case 'blocked':
      return `Blocked: ${lost.rules.join(' ') || 'no state of this body has it.'}`
    case 'further':
      return 'Further from the target.'
    case 'agreed':
      return lost.by === 'level'
        ? 'Nearer here; the common level has all bodies do the same.'
        : 'Nearer here; the control map has it otherwise.'
    case 'tie':
      return 'As near to what is asked, if not the same; a bigger change from what the body is set to, or later in its menu.'
    case 'costs-elsewhere': {
      const ranked = [...lost.worse].sort(
        (a, b) =>
          Number(b.breaksMust) - Number(a.breaksMust) ||
          b.after.distance - b.before.distance - a.after.distance + a.before.distance,
      )
      const named = ranked
        .slice(0, MOST_NAMED)
        .map(
          c =>
            `${inSentence(label(c.dimension))} would go from ${c.before.grade} to ${c.after.grade}${c.breaksMust ? ', a must' : ''}`,
        )
      const more = ranked.length > MOST_NAMED ? `, and ${ranked.length - MOST_NAMED} more would get worse` : ''
      return `${lost.rules.join(' ')} It would cost more elsewhere: ${named.join('; ')}${more}.`.trim()
    }
  }
}

export const alternativeWords = (body: Body, a: Alternative): string => choiceWordsById(body, a.setting, a.option)

export const conflictWords = (conflict: Conflict): string => {
  const must = `“${label(conflict.must)}”`
  if (!conflict.against.length && !conflict.rules.length) return `No option of this body meets the must ${must}.`
  const sides = [
    ...conflict.against.map(d => `the must “${label(d)}”`),
    ...conflict.rules.map(r => `the rule “${r.words}”`),
  ]
  const claim = conflict.smallest ? 'cannot hold together with' : 'cannot hold together with all of'
  return `The must ${must} ${claim} ${sides.join(' and ')}.`
}
