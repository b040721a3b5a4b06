import type { Body } from '@/core/bodies'
import { bundleOf } from '@/core/exchange/bundle'
import type { Lens } from '@/core/lenses/schema'
import { type Question, wordQuestions } from '@/core/drills/questions'
import { type Entry, dictionaryBetween } from '@/core/phrasebook/dictionary'
import { type FalseFriend, falseFriendsOf } from '@/core/phrasebook/false-friends'
import { documentOf, type Shared } from './documents'

/** Words of many bodies held against each other. */

/** @returns the friends as JSON text, to be kept as it is */
export const friends = ({ bodies }: { readonly bodies: readonly Shared<Body>[] }): string =>
  JSON.stringify(falseFriendsOf(bodies.map(b => documentOf(b))) satisfies readonly FalseFriend[])

/** @returns the entries as JSON text, to be kept as it is */
export const dictionary = ({ from, to }: { readonly from: Shared<Body>; readonly to: Shared<Body> }): string =>
  JSON.stringify(dictionaryBetween(documentOf(from), documentOf(to)) satisfies readonly Entry[])

/** @returns what can be asked from one body to another as JSON text, to be kept as it is */
export const questions = ({ from, to }: { readonly from: Shared<Body>; readonly to: Shared<Body> }): string =>
  JSON.stringify(wordQuestions(documentOf(from), documentOf(to)) satisfies readonly Question[])

/** Bodies and lenses as the text of one file; a single one as a file of its own. */
export const bundleText = ({
  bodies,
  lenses,
}: {
  readonly bodies: readonly Shared<Body>[]
  readonly lenses: readonly Lens[]
}): string => {
  const [only, ...more] = [...bodies.map(b => documentOf(b)), ...lenses]
  const isSingle = only !== undefined && more.length === 0
  return JSON.stringify(
    isSingle
      ? only
      : bundleOf(
          bodies.map(b => documentOf(b)),
          lenses,
        ),
    null,
    2,
  )
}
