import { type Body, type Control, controlAt, type Setting } from '../bodies'
import { likeness, prepare, stemsIn, uniqueSlug, wordsIn } from '../language/language'
import { DIMENSIONS } from '../vocabulary/dimensions'
import { LEXICON } from '../vocabulary/lexicon'
import type { Place } from '../vocabulary/places'
import type { Meaning } from '../vocabulary/schema'
import type { ControlAssignment } from '../vocabulary/values'
import { add, type Evidence, rarity } from './evidence'
import { isOfMaker, type Knowledge, WORK } from './knowledge'
import type { Reading } from './reading'
import { pressOf } from './values'

/** Settings that give a key its work: which control they speak of, and what each option puts on it. */

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

/** The reading of a setting as the work of a key, and what speaks for it. */
export const byWork = (
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
