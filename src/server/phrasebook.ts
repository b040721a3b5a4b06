import 'server-only'
import { type Body, menuPath } from '@/core/bodies'
import type { Entry } from '@/core/phrasebook/dictionary'
import type { FalseFriend } from '@/core/phrasebook/false-friends'
import { nearestWays, type Presence, presenceOf, type Way } from '@/core/phrasebook/nearest'
import { lensNameIn } from '@/core/lenses/schema'
import { type Axis, axisOf, type BodyScale, hasAxis, scalesOf } from '@/core/phrasebook/scales'
import { conceptsOfSetting, isConcept, saidAbout, spokenWords, type Term, termsOf } from '@/core/phrasebook/terms'
import { type Dimension, dimension, DIMENSIONS } from '@/core/vocabulary/dimensions'
import { inSentence, valueWords } from '@/core/vocabulary/words'
import { share } from '@/pool/documents'
import { work } from '@/pool/pool'
import { firmwareOf, formOf, listLenses, readBodies, readBody, units } from './catalogue'
import { notFound } from './problems'
import { remember } from './remember'
import { workedOut } from './worked-out'

/** What everybody calls everything. */

/** All bodies as they are on the firmware they run, and a stamp that changes whenever any of them does. */
const forms = async (): Promise<{
  readonly bodies: readonly Body[]
  readonly stamp: string
  /** Changes with the body alone. */
  readonly stamps: ReadonlyMap<string, string>
}> => {
  const [all, owned] = await Promise.all([readBodies(), units()])
  const each = all.map(b => ({ b, firmware: firmwareOf(b.document, owned) }))
  return {
    bodies: each.map(({ b, firmware }) => formOf(b, firmware)),
    stamp: each.map(({ b, firmware }) => `${b.stamp}|${firmware}`).join(),
    stamps: new Map(each.map(({ b, firmware }) => [b.document.id, `${b.stamp}|${firmware}`])),
  }
}

/** Terms as they travel to the worker that searches them. */
export interface PhraseData {
  readonly stamp: string
  readonly terms: readonly Term[]
}

const phraseData = remember<string>('phrases', 4)

/** The terms of all bodies as JSON text, made once for each state of the profiles. */
export const phrasesText = async (): Promise<string> => {
  const { bodies, stamp } = await forms()
  return phraseData.getOr(stamp, () => JSON.stringify({ stamp, terms: bodies.flatMap(termsOf) } satisfies PhraseData))
}

const allFriends = async (): Promise<readonly FalseFriend[]> => {
  const bodies = (await forms()).bodies.map(b => share(b))
  return workedOut<readonly FalseFriend[]>(['friends', ...bodies.map(b => b.digest)], () =>
    work('friends', { bodies }, { isForAll: true }),
  )
}

/** One word and what it means where it means something else. */
export interface FriendView {
  readonly word: string
  readonly senses: readonly {
    readonly meaning: string
    readonly concepts: readonly string[]
    readonly uses: readonly {
      readonly body: string
      readonly model: string
      readonly label: string
      readonly setting: string
    }[]
  }[]
  /** Spelt alike on all bodies; otherwise only nearly. */
  readonly exact: boolean
}

const groupFriends = (friends: readonly FalseFriend[]): readonly FriendView[] => {
  const words = new Map<string, FalseFriend[]>()
  for (const f of friends) words.set(f.word, [...(words.get(f.word) ?? []), f])
  return [...words].map(([word, group]) => {
    const senses = new Map<string, Map<string, FalseFriend['here']>>()
    for (const usage of group.flatMap(f => [f.here, f.there])) {
      const meaning = isFigure(group) ? `${usage.meaning}: ${usage.label}` : usage.meaning
      senses.set(meaning, (senses.get(meaning) ?? new Map<string, FalseFriend['here']>()).set(usage.body, usage))
    }
    return {
      word,
      exact: group.every(f => f.exact),
      senses: [...senses].map(([meaning, uses]) => ({
        meaning,
        concepts: [...uses.values()][0]?.concepts ?? [],
        uses: [...uses.values()].map(({ body, model, label, settingId }) => ({
          body,
          model,
          label,
          setting: settingId,
        })),
      })),
    }
  })
}

/** The same concept on both sides: the word differs only in how much it stands for. */
const isFigure = (group: readonly FalseFriend[]): boolean => group.every(f => f.here.meaning === f.there.meaning)

/** Words that mislead between any two bodies; `body` keeps to those that appear on that one. */
export const readFalseFriends = async (body?: string): Promise<readonly FriendView[]> => {
  const all = await allFriends()
  return groupFriends(body === undefined ? all : all.filter(f => f.here.body === body || f.there.body === body)).filter(
    f => f.senses.length > 1,
  )
}

export interface Saying {
  readonly words: string
  readonly value: string
  readonly path: readonly [string, string, number]
  readonly settingLabel: string
}

export interface ConceptRow {
  readonly body: string
  readonly maker: string
  readonly model: string
  readonly sayings: readonly Saying[]
  readonly settings: readonly {
    readonly label: string
    readonly path: readonly [string, string, number]
    readonly along: readonly string[]
  }[]
  readonly presence: Presence
  readonly presenceWords: string
  readonly ways: readonly Way[]
}

export interface ConceptView {
  readonly id: string
  readonly label: string
  readonly about: string
  readonly group: Dimension['group']
  readonly kind: Dimension['kind']
  /** Neutral values in order, for dimensions that have a list of them. */
  readonly values: readonly { readonly id: string; readonly words: string }[]
  readonly rows: readonly ConceptRow[]
  readonly scales: readonly BodyScale[]
  readonly axis: Axis | undefined
  readonly friends: readonly FriendView[]
  readonly siblings: readonly { readonly id: string; readonly label: string }[]
}

const presenceWords = (d: Dimension, presence: Presence): string => {
  switch (presence.how) {
    case 'set':
      return ''
    case 'fixed':
      return presence.words
    case 'implied':
      return `No setting; comes to “${valueWords(d, presence.value)}”.`
    case 'not-looked-for':
      return 'Not known yet: nobody has looked for it.'
    case 'none':
      return 'No such thing.'
  }
}

const rowFor = (body: Body, d: Dimension): ConceptRow => {
  const control = (id: string) => body.controls.find(c => c.id === id)?.label ?? id
  const said = saidAbout(body, d.id)
  const ids = new Set(said.map(s => s.setting.id))
  const presence = presenceOf(body, d.id)
  return {
    body: body.id,
    maker: body.maker,
    model: body.model,
    sayings: said.map(s => ({
      words: spokenWords(s, d.id),
      value: valueWords(d, s.value, control),
      path: menuPath(body, s.setting),
      settingLabel: s.setting.label,
    })),
    settings: body.settings
      .filter(s => ids.has(s.id))
      .map(s => ({
        label: s.label,
        path: menuPath(body, s),
        along: alongWith(conceptsOfSetting(s), d.id),
      })),
    presence,
    presenceWords: presenceWords(d, presence),
    ways: nearestWays(body, d.id),
  }
}

/** Other concepts set by the same choice; the many works of a key are not told one by one. */
const alongWith = (concepts: readonly string[], id: string): readonly string[] => {
  const others = concepts.filter(c => c !== id)
  return others.length > 3 ? [] : others.map(c => dimension(c).label)
}

/** What a word of one body means on the others, in a sentence. */
/** What of a false friend concerns a hand that carries these bodies beside this one. */
export const friendsBeside = (friend: FriendView, body: string, beside: ReadonlySet<string>): FriendView => ({
  ...friend,
  senses: friend.senses
    .map(s => ({ ...s, uses: s.uses.filter(u => u.body === body || beside.has(u.body)) }))
    .filter(s => s.uses.length > 0),
})

export const friendWords = (friend: FriendView, body: string): string => {
  const elsewhere = friend.senses
    .filter(s => s.uses.every(u => u.body !== body))
    .map(s => `${inSentence(s.meaning)} on ${[...new Set(s.uses.map(u => u.model))].join(', ')}`)
  const here = friend.senses.filter(s => s.uses.some(u => u.body === body)).map(s => inSentence(s.meaning))
  return `False friend: “${friend.word}” is about ${here.join(' and ')} here, but about ${elsewhere.join(', and ')}.`
}

const rowCache = remember<ConceptRow>('concept rows', 20_000)

/** One concept on all bodies in hand. */
export const readConcept = async (id: string, inHand: readonly string[] | undefined): Promise<ConceptView> => {
  if (!isConcept(id)) throw notFound('concept', id)
  const d = dimension(id)
  const { bodies, stamps } = await forms()
  const chosen = inHand ? bodies.filter(b => inHand.includes(b.id)) : bodies
  const scales = hasAxis(d) ? scalesOf(chosen, id, lensNameIn(await listLenses())) : []
  const friends = (await readFalseFriends()).filter(f =>
    f.senses.some(s => s.concepts.includes(id) && s.concepts.length < 4),
  )
  return {
    id,
    label: d.label,
    about: d.about,
    group: d.group,
    kind: d.kind,
    values: 'values' in d ? d.values.map(v => ({ id: v, words: valueWords(d, v) })) : [],
    rows: chosen.map(b => rowCache.getOr(`${id}|${stamps.get(b.id) ?? ''}`, () => rowFor(b, d))),
    scales,
    axis: scales.length ? axisOf(id, scales) : undefined,
    friends,
    siblings: DIMENSIONS.filter(x => x.group === d.group && isConcept(x.id)).map(x => ({ id: x.id, label: x.label })),
  }
}

export interface DictionaryView {
  readonly from: { readonly id: string; readonly maker: string; readonly model: string }
  readonly to: { readonly id: string; readonly maker: string; readonly model: string }
  readonly entries: readonly Entry[]
  readonly friends: readonly FriendView[]
}

/** From the body somebody knows to the one in the hand. */
export const readDictionary = async (from: string, to: string): Promise<DictionaryView> => {
  const [a, b, owned] = await Promise.all([readBody(from), readBody(to), units()])
  const [x, y] = [a, b].map(r => formOf(r, firmwareOf(r.document, owned))) as [Body, Body]
  const name = ({ id, maker, model }: Body) => ({ id, maker, model })
  return {
    from: name(x),
    to: name(y),
    entries: await workedOut<readonly Entry[]>(['dictionary', share(x).digest, share(y).digest], () =>
      work('dictionary', { from: share(x), to: share(y) }, { isForAll: true }),
    ),
    friends: groupFriends(
      (await allFriends()).filter(f => [f.here.body, f.there.body].every(id => id === from || id === to)),
    ).filter(f => f.senses.length > 1),
  }
}
