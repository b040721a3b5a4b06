import {
  type Body,
  choiceWords,
  COUNTS_WORDS,
  countsOf,
  inMenuOrder,
  menuPath,
  type Option,
  type Setting,
} from '../bodies'
import { findDimension } from '../vocabulary/dimensions'
import type { NeutralValue } from '../vocabulary/values'

/** What bodies call things: one term for each word of a menu, with the concepts behind it. */
export interface Term {
  readonly body: string
  readonly maker: string
  readonly model: string
  readonly kind: 'setting' | 'option'
  readonly label: string
  /** The setting it stands in; itself for settings. */
  readonly setting: string
  readonly settingId: string
  readonly optionId?: string
  /** Dimensions it speaks about; none where it has nothing to do with focus. */
  readonly concepts: readonly string[]
  readonly path: readonly [tab: string, page: string, row: number]
}

/** Dimensions that are no concept of their own: parts and bundles are found with what they belong to. */
const NO_CONCEPT = new Set(['track.preset', 'area.size'])

/** The concepts that a meaning speaks about. */
export const conceptsOf = (means: Readonly<Record<string, unknown>>): readonly string[] =>
  Object.keys(means).filter(id => !NO_CONCEPT.has(id))

/** The concepts that the options of a setting speak about. */
export const conceptsOfSetting = (setting: Setting): readonly string[] => [
  ...new Set(setting.options.flatMap(o => conceptsOf(o.means))),
]

export const termsOf = (body: Body): readonly Term[] =>
  inMenuOrder(body).flatMap(setting => {
    const shared = {
      body: body.id,
      maker: body.maker,
      model: body.model,
      setting: setting.label,
      settingId: setting.id,
      path: menuPath(body, setting),
    }
    return [
      { ...shared, kind: 'setting' as const, label: setting.label, concepts: conceptsOfSetting(setting) },
      ...setting.options.map(o => ({
        ...shared,
        kind: 'option' as const,
        label: o.label,
        optionId: o.id,
        concepts: conceptsOf(o.means),
      })),
    ]
  })

/** What one option of a body says about a concept. */
export interface Said {
  readonly setting: Setting
  readonly option: Option
  readonly value: NeutralValue
}

/** Everything the menus of a body say about a concept, in menu order. */
export const saidAbout = (body: Body, concept: string): readonly Said[] =>
  inMenuOrder(body).flatMap(setting =>
    setting.options.flatMap(option => {
      const value = option.means[concept]
      if (value !== undefined) return [{ setting, option, value }]
      // Following and choosing may come with the area.
      const area = option.means['area.pattern'] as { chooser?: string; follow?: string } | undefined
      const part = concept === 'area.chooser' ? area?.chooser : concept === 'area.follow' ? area?.follow : undefined
      return part === undefined ? [] : [{ setting, option, value: part }]
    }),
  )

/** What the rows are called in which a body speaks of a concept, the first ones in menu order; none where it does not. */
export const rowsAbout = (body: Body, concept: string, most = 2): readonly string[] =>
  [...new Set(saidAbout(body, concept).map(s => s.setting.label))].slice(0, most)

/**
 * An option in its body's own words, with what has to be known beside them: where alone it counts, and that its amount is
 * only guessed.
 *
 * @example "Grip: 4 of 7 (only while filming, a guess)"
 */
export const spokenWords = ({ setting, option }: Said, concept: string): string => {
  const counts = countsOf(setting, option)
  const notes = [...(counts ? [COUNTS_WORDS[counts]] : []), ...(option.guessed?.includes(concept) ? ['a guess'] : [])]
  const words = choiceWords(setting, option)
  return notes.length ? `${words} (${notes.join(', ')})` : words
}

/** What a body always does about a concept, where no setting changes it. */
export const fixedAbout = (body: Body, concept: string) => body.fixed.find(f => f.means[concept] !== undefined)

/** A concept's name and what it means. */
export const conceptWords = (concept: string): { readonly label: string; readonly about: string } => {
  const d = findDimension(concept)
  return d
    ? { label: d.label, about: d.about }
    : { label: 'Not about focus', about: 'what has nothing to do with focus' }
}

export const isConcept = (id: string): boolean => findDimension(id) !== undefined && !NO_CONCEPT.has(id)
