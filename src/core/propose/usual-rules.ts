import { type Body, type Condition, type Option, type Rule, ruleWords, type Setting } from '../bodies'
import { tokensOf } from '../language/phrases'
import type { Area } from '../vocabulary/values'

/**
 * Rules that many bodies have, proposed where a body has the settings they speak of and no rule between them yet. Only a
 * look at the body tells whether it is so.
 *
 * @source common practice, no published source
 */
export interface UsualRule {
  readonly rule: Omit<Rule, 'id'>
  readonly because: string
}

const speaksOf = (o: Option, dimension: string) => o.means[dimension] !== undefined
const settingsOf = (body: Body, dimension: string): readonly Setting[] =>
  body.settings.filter(s => !s.undecided && s.options.some(o => speaksOf(o, dimension)))

const follows = (o: Option): boolean => {
  const follow = (o.means['area.pattern'] as Area | undefined)?.follow ?? o.means['area.follow']
  return follow !== undefined && follow !== 'off'
}

/** A condition on options of a setting, where some of them and not all are meant. */
const whileAt = (setting: Setting, is: (o: Option) => boolean): Condition | undefined => {
  const met = setting.options.filter(is).map(o => o.id)
  return met.length && met.length < setting.options.length ? { setting: setting.id, is: met } : undefined
}

const isThere = (body: Body, rule: Omit<Rule, 'id'>): boolean =>
  body.rules.some(
    r => r.then.setting === rule.then.setting && rule.when.every(c => r.when.some(x => x.setting === c.setting)),
  )

interface Pattern {
  readonly decides: string
  readonly while: (o: Option) => boolean
  readonly bound: string
  /** Options that cannot be chosen then; without it the whole setting cannot be used. */
  readonly options?: (o: Option) => boolean
  readonly because: string
}

const isAt = (dimension: string, ...values: readonly unknown[]) => {
  const known = new Set(values)
  return (o: Option) => speaksOf(o, dimension) && known.has(o.means[dimension])
}
const isNotAt = (dimension: string, ...values: readonly unknown[]) => {
  const known = new Set(values)
  return (o: Option) => speaksOf(o, dimension) && !known.has(o.means[dimension])
}

const PATTERNS: readonly Pattern[] = [
  {
    decides: 'mode.drive',
    while: isNotAt('mode.drive', 'continuous'),
    bound: 'area.pattern',
    options: follows,
    because: 'areas that follow are mostly there in continuous AF only',
  },
  {
    decides: 'mode.drive',
    while: isNotAt('mode.drive', 'continuous'),
    bound: 'area.follow',
    options: follows,
    because: 'following is mostly there in continuous AF only',
  },
  {
    decides: 'subject.class',
    while: isAt('subject.class', 'off'),
    bound: 'subject.eye',
    because: 'which eye is mostly greyed out while nothing is looked for',
  },
  {
    decides: 'subject.class',
    while: isAt('subject.class', 'off'),
    bound: 'see.subject',
    because: 'a frame round the subject needs a subject to be looked for',
  },
  {
    decides: 'meter.pattern',
    while: isNotAt('meter.pattern', 'spot'),
    bound: 'meter.follows',
    because: 'only a spot can follow the focus area',
  },
  {
    decides: 'area.pattern',
    while: o => speaksOf(o, 'area.pattern') && (o.means['area.pattern'] as Area).chooser !== 'camera',
    bound: 'area.inside',
    because: 'a priority inside the area needs an area in which the camera picks',
  },
]

/** Which of its drive modes a row or an option is for; undefined where its words name none. */
const paceOf = (label: string): 'high' | 'mid' | 'low' | undefined => {
  const words = new Set(tokensOf(label))
  const isAny = (...of: readonly string[]) => of.some(w => words.has(w))
  if (isAny('high', 'hi', 'h', 'ch')) return 'high'
  if (isAny('mid', 'medium', 'm', 'cm')) return 'mid'
  return isAny('low', 'lo', 'l', 'cl') ? 'low' : undefined
}

/** Where a menu has a row of frame rates for each drive mode, each counts while the drive is at its own. */
const ratesByDrive = (body: Body): readonly UsualRule[] => {
  const rates = settingsOf(body, 'release.rate').filter(s => paceOf(s.label))
  const drive = body.settings.find(
    s => !rates.includes(s) && new Set(s.options.map(o => paceOf(o.label)).filter(Boolean)).size > 1,
  )
  if (rates.length < 2 || !drive || settingsOf(body, 'release.rate').includes(drive)) return []
  return rates.flatMap((bound): readonly UsualRule[] => {
    const pace = paceOf(bound.label)
    const isIts = drive.options.some(o => paceOf(o.label) === pace)
    const when = isIts ? whileAt(drive, o => paceOf(o.label) !== pace) : undefined
    if (!when) return []
    const rule = { when: [when], then: { effect: 'unavailable' as const, setting: bound.id }, words: '' }
    return isThere(body, rule)
      ? []
      : [
          {
            rule: { ...rule, words: ruleWords(body, rule).slice(0, 300) },
            because: 'a rate for each drive mode counts while the drive is at its own',
          },
        ]
  })
}

/** The usual rules a body may have, beside those it has. */
export const usualRules = (body: Body): readonly UsualRule[] => [...byPatterns(body), ...ratesByDrive(body)]

const byPatterns = (body: Body): readonly UsualRule[] =>
  PATTERNS.flatMap(p =>
    settingsOf(body, p.decides).flatMap(decides =>
      settingsOf(body, p.bound).flatMap((bound): readonly UsualRule[] => {
        const when = whileAt(decides, p.while)
        const options = p.options ? bound.options.filter(p.options).map(o => o.id) : []
        if (
          !when ||
          bound.id === decides.id ||
          (p.options && (!options.length || options.length === bound.options.length))
        )
          return []
        const then: Rule['then'] = p.options
          ? { effect: 'excludes', setting: bound.id, options }
          : { effect: 'unavailable', setting: bound.id }
        const rule = { when: [when], then, words: '' }
        return isThere(body, rule)
          ? []
          : [{ rule: { ...rule, words: ruleWords(body, rule).slice(0, 300) }, because: p.because }]
      }),
    ),
  )
