import type { Body } from '../bodies'
import type { FunctionId } from '../functions/functions'
import { random } from '../numeric/random'
import { dictionaryBetween, type Entry } from '../phrasebook/dictionary'
import { falseFriendsBetween } from '../phrasebook/false-friends'
import { isConcept, rowsAbout } from '../phrasebook/terms'
import { dimension, DIMENSIONS } from '../vocabulary/dimensions'
import { placeDistance, PLACES } from '../vocabulary/places'
import { inSentence } from '../vocabulary/words'
import type { Askable } from './memory'

/** What can be asked of somebody who carries these bodies. */
export interface Question extends Askable {
  readonly about: 'which-key' | 'called'
  readonly ask: string
  readonly right: string
  /** With the right one among them, in an order of their own. */
  readonly choices: readonly string[]
  /** What is right, and why it is easily mistaken. */
  readonly why: string
}

/** A body, and on which control each function is. */
export interface InHand {
  readonly body: Body
  readonly keys: Readonly<Record<FunctionId, string>>
}

const MOST_CHOICES = 4

/** A number that a text always comes to. */
const seedOf = (text: string): number => [...text].reduce((n, c) => (Math.imul(n, 31) + c.charCodeAt(0)) >>> 0, 7)

/** The right one and up to three others, the likeliest to be mistaken first in `others`; undefined where there is none. */
const withChoices = (q: Omit<Question, 'choices'>, others: readonly string[]): readonly Question[] => {
  const wrong = [...new Set(others)].filter(o => o !== q.right).slice(0, MOST_CHOICES - 1)
  return wrong.length === 0 ? [] : [{ ...q, choices: random(seedOf(q.key)).shuffle([q.right, ...wrong]) }]
}

const controlIn = (body: Body, id: string | undefined) => body.controls.find(c => c.id === id)

/** Where functions are: what is somewhere else on another body surprises most. */
export const keyQuestions = (inHand: readonly InHand[]): readonly Question[] =>
  inHand.flatMap(({ body, keys }) =>
    Object.entries(keys).flatMap(([fn, id]) => {
      const control = controlIn(body, id)
      if (!control) return []
      const elsewhere = inHand.flatMap(o => {
        const c = o.body.id === body.id ? undefined : controlIn(o.body, o.keys[fn])
        return c ? [{ model: o.body.model, control: c, far: placeDistance(control.place, c.place) }] : []
      })
      const farthest = elsewhere.toSorted((a, b) => b.far - a.far)[0]
      // First what lies where another body has it, then the other keys in use, then the rest.
      const used = new Set(Object.values(keys))
      const others = body.controls
        .filter(c => c.id !== control.id)
        .toSorted((a, b) => {
          const rank = (c: typeof a) =>
            (elsewhere.some(e => e.control.place === c.place) ? 0 : 2) + (used.has(c.id) ? 0 : 1)
          return rank(a) - rank(b)
        })
        .map(c => c.label)
      return withChoices(
        {
          key: `key ${body.id} ${fn}`,
          about: 'which-key',
          surprise: farthest?.far ?? 0,
          ask: `${body.model}: which key is “${inSentence(dimension(fn).label)}”?`,
          right: control.label,
          why: `On the ${body.model} it is ${control.label} (${PLACES[control.place].label})${
            farthest && farthest.far > 0
              ? `; on the ${farthest.model} it is ${farthest.control.label} (${PLACES[farthest.control.place].label})`
              : ''
          }.`,
        },
        others,
      )
    }),
  )

const NONE = 'It has none'

/** One thing in the words of two bodies. */
const wordQuestion = (a: Body, b: Body, entry: Entry, all: readonly Entry[]): readonly Question[] => {
  const [here] = entry.here.settings
  const [there] = entry.there.settings
  if (!here) return []
  // What the body always does has no name to be asked for.
  if (!there && entry.there.otherwise !== undefined) return []
  const right = there?.label ?? NONE
  const rows = (group: boolean) =>
    all
      .filter(e => e.concept !== entry.concept && (e.group === entry.group) === group)
      .flatMap(e => e.there.settings.map(s => s.label))
  const also = new Set(entry.there.settings.map(s => s.label))
  const others = [...rows(true), ...(there ? [NONE] : []), ...rows(false)].filter(label => !also.has(label))
  return withChoices(
    {
      key: `word ${a.id} ${b.id} ${entry.concept}`,
      about: 'called',
      surprise: entry.surprise,
      ask: `“${here.label}” on the ${a.model}, ${inSentence(entry.label)}: what is it called on the ${b.model}?`,
      right,
      why: [
        there
          ? `It is in ${there.path[0]} › ${there.path[1]}, row ${there.path[2]}.`
          : `The ${b.model} has no row for it.`,
        ...entry.why,
      ].join(' '),
    },
    // Near words first: they are what one falls for.
    others.slice(0, 2).includes(here.label)
      ? others
      : [
          ...(b.settings.some(s => s.label === here.label) && here.label !== right && !also.has(here.label)
            ? [here.label]
            : []),
          ...others,
        ],
  )
}

/** Words from one body to another, and words that both have and mean otherwise. */
export const wordQuestions = (a: Body, b: Body): readonly Question[] => {
  const entries = dictionaryBetween(a, b)
  const meanings = entries.map(e => inSentence(e.label))
  const friends = falseFriendsBetween(a, b).flatMap(f => {
    const [here, there] = f.here.body === a.id ? [f.here, f.there] : [f.there, f.here]
    if (here.meaning === there.meaning) return []
    return withChoices(
      {
        key: `friend ${a.id} ${b.id} ${there.settingId} ${there.label}`.slice(0, 200),
        about: 'called',
        surprise: 2,
        ask: `“${there.label}” on the ${b.model}: what is it about?`,
        right: there.meaning,
        why: `On the ${a.model}, “${here.label}” is about ${here.meaning}.`,
      },
      [
        here.meaning,
        ...random(seedOf(f.word)).shuffle(
          meanings.filter(m => !there.concepts.some(c => inSentence(dimension(c).label) === m)),
        ),
      ],
    )
  })
  const seen = new Set<string>()
  return [...entries.flatMap(e => wordQuestion(a, b, e, entries)), ...friends].filter(q => {
    if (seen.has(q.key)) return false
    seen.add(q.key)
    return true
  })
}

/** A body in its own words, for somebody who carries only one: from what a thing is to what it is called here. */
export const ownQuestions = (body: Body): readonly Question[] => {
  const rows = DIMENSIONS.filter(d => isConcept(d.id)).flatMap(d => {
    const labels = rowsAbout(body, d.id, Infinity)
    return labels[0] === undefined ? [] : [{ d, right: labels[0], labels }]
  })
  return rows.flatMap(({ d, right, labels }) =>
    withChoices(
      {
        key: `own ${body.id} ${d.id}`,
        about: 'called',
        surprise: right.toLowerCase().includes(d.label.toLowerCase()) ? 0 : 1,
        ask: `${d.about[0]?.toUpperCase()}${d.about.slice(1)}: what is it called on the ${body.model}?`,
        right,
        why: `Coherion calls it “${inSentence(d.label)}”; on the ${body.model} it is “${right}”.`,
      },
      [...rows.filter(o => o.d.group === d.group), ...random(seedOf(d.id)).shuffle(rows)]
        .map(o => o.right)
        .filter(label => !labels.includes(label)),
    ),
  )
}
