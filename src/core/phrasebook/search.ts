import MiniSearch from 'minisearch'
import { folded, tellingWords, wordsIn } from '../language/language'
import { DIMENSIONS } from '../vocabulary/dimensions'
import { LEXICON } from '../vocabulary/lexicon'
import { conceptWords, isConcept, type Term } from './terms'
import labels from './trade-labels.json' with { type: 'json' }

/** What rows about a dimension are called in menus at large, and what they offer; written by `npm run learn-rows`. */
const TRADE_LABELS: Readonly<Record<string, readonly string[]>> = labels

/** Finding a concept from any word of any dialect, a neutral term, or something half remembered and misspelt. */

/** A word as it is searched: the same label with the same meaning on several bodies is one entry. */
interface Entry {
  readonly id: number
  readonly text: string
  readonly kind: 'setting' | 'option' | 'neutral' | 'trade' | 'label'
  readonly concept: string
  readonly bodies: readonly string[]
  readonly settings: readonly string[]
}

export interface Match {
  readonly label: string
  readonly kind: Entry['kind']
  /** Ids of the bodies that call it so; none for neutral terms. */
  readonly bodies: readonly string[]
  /** The settings it stands in, where it is an option. */
  readonly settings: readonly string[]
}

export interface ConceptMatch {
  /** A dimension's id; empty where the words have nothing to do with focus. */
  readonly concept: string
  readonly label: string
  readonly about: string
  readonly score: number
  readonly matches: readonly Match[]
}

export interface PhraseIndex {
  readonly search: (query: string, most?: number) => readonly ConceptMatch[]
  readonly size: number
}

const neutralEntries = (): readonly Omit<Entry, 'id'>[] =>
  DIMENSIONS.filter(d => isConcept(d.id)).flatMap(d => {
    const shared = { concept: d.id, bodies: [], settings: [] }
    const values = 'values' in d ? d.values : []
    return [
      { ...shared, kind: 'neutral' as const, text: d.label },
      ...values.map(v => ({ ...shared, kind: 'neutral' as const, text: v.replaceAll('-', ' ') })),
      { ...shared, kind: 'trade' as const, text: `${LEXICON[d.id]?.words ?? ''} ${d.about}` },
      ...(TRADE_LABELS[d.id] ?? []).map(text => ({ ...shared, kind: 'label' as const, text })),
    ]
  })

const bodyEntries = (terms: readonly Term[]): readonly Omit<Entry, 'id'>[] => {
  const entries = new Map<string, { entry: Omit<Entry, 'id'>; bodies: Set<string>; settings: Set<string> }>()
  for (const t of terms)
    for (const concept of t.concepts.length ? t.concepts : ['']) {
      const key = `${folded(t.label)}\n${concept}\n${t.kind}`
      const known = entries.get(key) ?? {
        entry: { text: t.label, kind: t.kind, concept, bodies: [], settings: [] },
        bodies: new Set<string>(),
        settings: new Set<string>(),
      }
      known.bodies.add(t.body)
      if (t.kind === 'option') known.settings.add(t.setting)
      entries.set(key, known)
    }
  return [...entries.values()].map(({ entry, bodies, settings }) => ({
    ...entry,
    bodies: [...bodies],
    settings: [...settings],
  }))
}

const WEIGHT: Readonly<Record<Entry['kind'], number>> = {
  setting: 1.3,
  option: 1,
  neutral: 1.25,
  trade: 0.5,
  label: 0.45,
}

const MOST_MATCHES = 6

/** An index over the terms of all bodies and the neutral vocabulary. */
export const indexOf = (terms: readonly Term[]): PhraseIndex => {
  const entries = [...neutralEntries(), ...bodyEntries(terms)].map((e, id): Entry => ({ ...e, id }))
  const wordsOf = entries.map(e => wordsIn(e.text))
  const known = new Set(wordsOf.flat())
  const mini = new MiniSearch<Entry>({
    fields: ['text'],
    tokenize: text => [...wordsIn(text)],
    processTerm: term => term,
    searchOptions: {
      // Only the word still being typed may be a beginning; one letter alone begins too much.
      prefix: (term, i, all) => i === all.length - 1 && term.length > 1,
      // A word that somebody uses is taken as it is.
      fuzzy: term => (known.has(term) || term.length < 4 ? false : term.length > 6 ? 0.3 : 0.25),
      maxFuzzy: 2,
      combineWith: 'OR',
      weights: { fuzzy: 0.35, prefix: 0.6 },
    },
  })
  mini.addAll(entries)

  const search = (query: string, most = 12): readonly ConceptMatch[] => {
    const words = tellingWords(query)
    if (words.length === 0) return []
    const asked = words.join(' ')
    const groups = new Map<string, { score: number; exact: number; found: { entry: Entry; score: number }[] }>()
    const strict = mini.search(asked)
    // Two letters that changed places count as two slips; they are forgiven where nothing else is found.
    for (const hit of strict.length ? strict : mini.search(asked, { fuzzy: 0.45 })) {
      const entry = entries[hit.id as number]
      if (!entry) continue
      // Among so many labels there is something like any slip of the pen.
      if (entry.kind === 'label' && !Object.keys(hit.match).some(t => words.some(w => t.startsWith(w)))) continue
      const own = wordsOf[entry.id] ?? []
      const whole = own.length === words.length && own.join(' ') === asked ? 3 : 1
      const share = new Set(hit.queryTerms).size / words.length
      const covered = Math.min(1, Object.keys(hit.match).length / Math.max(1, own.length))
      const score =
        hit.score * WEIGHT[entry.kind] * whole * share * (entry.kind === 'label' ? covered ** 3 : 0.5 + 0.5 * covered)
      const group = groups.get(entry.concept) ?? { score: 0, exact: 0, found: [] }
      // The best entry decides; that others of the concept are met as well helps a little.
      group.score = Math.max(group.score, score) + 0.05 * Math.min(group.score, score)
      group.found.push({ entry, score })
      groups.set(entry.concept, group)
    }
    return [...groups]
      .map(([concept, g]): ConceptMatch => {
        const ranked = g.found
          .filter(f => f.entry.kind !== 'trade' && f.entry.kind !== 'label')
          .sort((a, b) => b.score - a.score)
        return {
          concept,
          ...conceptWords(concept),
          score: concept === '' ? g.score * 0.5 : g.score,
          matches: ranked
            .slice(0, MOST_MATCHES)
            .map(({ entry: { text, kind, bodies, settings } }) => ({ label: text, kind, bodies, settings })),
        }
      })
      .sort((a, b) => b.score - a.score)
      .slice(0, most)
  }
  return { search, size: entries.length }
}
