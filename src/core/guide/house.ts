import * as v from 'valibot'
import { type Parsed, parseDocument, type Problem } from '../reading/problem'
import { type Argument } from './argument'
import { ARGUMENTS } from './arguments'
import { conditionWords, PACES } from './facts'
import { type Knowledge } from './weigh'
import { QUESTIONS } from './questions'
import { schoolsIn, TOPIC_IDS, type TopicId } from './schools'
import { ADVICE } from './arguments/advice'
import { RESCUES } from './arguments/rescues'

/** What a house makes of the guide, and the file it travels in: schools it holds, rules off, replaced and added. */
export const GUIDE_FORMAT = 'coherion.guide/1'

const text = (most: number) => v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(most))

const conditionSchema = v.union(
  [
    v.pipe(v.array(text(40)), v.minLength(1), v.maxLength(20)),
    v.strictObject({ min: v.optional(v.number()), max: v.optional(v.number()) }),
  ],
  'expected a list of answers, or an object with "min" and "max"',
)

const ruleSchema = v.strictObject({
  id: text(80),
  topic: v.picklist(TOPIC_IDS as [TopicId, ...TopicId[]]),
  /** The schools it speaks for or against. */
  schools: v.pipe(v.array(text(40)), v.minLength(1), v.maxLength(12)),
  /** Question to answers; all of them have to hold. */
  when: v.record(v.string(), conditionSchema),
  points: v.union(
    [v.pipe(v.number(), v.minValue(-10), v.maxValue(10)), v.literal('never')],
    'expected -10 to 10, or "never"',
  ),
  because: text(300),
  /** Begins with “own trial” where the house has measured it: then it comes before what others say. */
  source: text(120),
  /** A rule of the guide that it stands in for. */
  replaces: v.optional(text(80)),
})
export type HouseRule = v.InferOutput<typeof ruleSchema>

export const houseGuideSchema = v.strictObject({
  format: v.literal(GUIDE_FORMAT),
  /** Topic to the school that the house holds. */
  holds: v.record(v.string(), v.string()),
  /** Rules of the guide, advice and rescues that do not count here. */
  off: v.pipe(v.array(text(80)), v.maxLength(500)),
  rules: v.pipe(v.array(ruleSchema), v.maxLength(200)),
})
export type HouseGuide = v.InferOutput<typeof houseGuideSchema>

export const NO_HOUSE_GUIDE: HouseGuide = { format: GUIDE_FORMAT, holds: {}, off: [], rules: [] }

const asArgument = ({ id, topic, schools, when, points, because, source }: HouseRule): Argument => ({
  id,
  topic,
  schools,
  when: when,
  points,
  because,
  source,
})

/** Everything that counts in a house. */
export const knowledgeOf = ({ holds, off, rules }: HouseGuide): Knowledge => {
  const gone = new Set([...off, ...rules.flatMap(r => r.replaces ?? [])])
  const stays = ({ id }: { readonly id: string }) => !gone.has(id)
  return {
    arguments: [...ARGUMENTS.filter(stays), ...rules.map(asArgument)],
    holds,
    advice: ADVICE.filter(stays),
    rescues: RESCUES.filter(stays),
  }
}

const KNOWN_RULES = new Set([...ARGUMENTS, ...ADVICE, ...RESCUES].map(r => r.id))
const DERIVED: Readonly<Record<string, readonly string[] | undefined>> = {
  pace: PACES,
  work: ['stills', 'film', 'both'],
  following: undefined,
}

/** What of a rule’s conditions nobody could ever answer. */
const conditionProblem = (id: string, condition: HouseRule['when'][string]): string | undefined => {
  const question = QUESTIONS.find(q => q.id === id)
  if (!question && !(id in DERIVED)) return 'expected the id of a question of the guide'
  const options = question?.kind === 'amount' ? undefined : (question?.options.map(o => o.id) ?? DERIVED[id])
  if (!Array.isArray(condition)) return options ? `expected a list of some of: ${options.join(', ')}` : undefined
  if (!options) return 'expected an object with "min" and "max"'
  const other = condition.find(c => !options.includes(c))
  return other === undefined ? undefined : `“${other}” is no answer to it; expected some of: ${options.join(', ')}`
}

const problemsIn = (guide: HouseGuide, file: string): readonly Problem[] => {
  const at = (path: string, value: unknown, expected: string): Problem => ({
    file,
    path,
    value: JSON.stringify(value),
    expected,
  })
  const held = Object.entries(guide.holds).flatMap(([topic, school]) => {
    const known = TOPIC_IDS.find(t => t === topic)
    if (!known) return [at(`holds.${topic}`, topic, `expected one of: ${TOPIC_IDS.join(', ')}`)]
    const schools = Object.keys(schoolsIn(known))
    return schools.includes(school) ? [] : [at(`holds.${topic}`, school, `expected one of: ${schools.join(', ')}`)]
  })
  const ids = new Set<string>()
  const rules = guide.rules.flatMap((r, i) => {
    const schools = Object.keys(schoolsIn(r.topic))
    const isTwice = ids.has(r.id) || (KNOWN_RULES.has(r.id) && r.replaces !== r.id)
    ids.add(r.id)
    return [
      ...(isTwice ? [at(`rules.${i}.id`, r.id, 'expected an id that no other rule has')] : []),
      ...r.schools
        .filter(s => !schools.includes(s))
        .map(s => at(`rules.${i}.schools`, s, `expected some of: ${schools.join(', ')}`)),
      ...(r.replaces !== undefined && !KNOWN_RULES.has(r.replaces)
        ? [at(`rules.${i}.replaces`, r.replaces, 'expected the id of a rule of the guide')]
        : []),
      ...Object.entries(r.when).flatMap(([id, c]) => {
        const problem = conditionProblem(id, c)
        return problem ? [at(`rules.${i}.when.${id}`, c, problem)] : []
      }),
    ]
  })
  const off = guide.off
    .filter(id => !KNOWN_RULES.has(id))
    .map(id => at('off', id, 'expected the id of a rule of the guide'))
  return [...held, ...rules, ...off]
}

/**
 * What was stored by another version, without what the guide does not know any more: a rule that was renamed must not
 * take the others along.
 */
export const stillKnown = (value: unknown): HouseGuide => {
  const parsed = parseDocument(houseGuideSchema, GUIDE_FORMAT, value, '')
  if (!parsed.ok) return NO_HOUSE_GUIDE
  const { holds, off, rules } = parsed.value
  const isFine = (part: Partial<HouseGuide>) => problemsIn({ ...NO_HOUSE_GUIDE, ...part }, '').length === 0
  return {
    format: GUIDE_FORMAT,
    holds: Object.fromEntries(Object.entries(holds).filter(([t, s]) => isFine({ holds: { [t]: s } }))),
    off: off.filter(id => isFine({ off: [id] })),
    rules: rules.filter(r => isFine({ rules: [r] })),
  }
}

export const parseHouseGuide = (value: unknown, file: string): Parsed<HouseGuide> => {
  const parsed = parseDocument(houseGuideSchema, GUIDE_FORMAT, value, file)
  if (!parsed.ok) return parsed
  const problems = problemsIn(parsed.value, file)
  return problems.length ? { ok: false, problems: [...problems] } : parsed
}

/** A rule’s conditions as a lead reads them. */
export const whenWords = (when: Readonly<Record<string, unknown>>): string => {
  const words = Object.entries(when).map(([id, c]) => conditionWords(id, c as never))
  return words.length ? words.join(' · ') : 'always'
}
