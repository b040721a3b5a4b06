import { type Db, withRetry } from './connection'
import { recordChange } from './history'

/** What a card is for. A body without units has a card of its own. */
export interface CardKey {
  readonly bodyId: string
  readonly unitId: string | null
  readonly standardId: string
  readonly standardVersion: number
}

export interface TickRow {
  readonly step: string
  readonly personName: string | null
  readonly tickedAt: string
}

/** The same card always has the same id, so that two people who open it at once share one. */
export const cardId = (key: CardKey): string =>
  [key.bodyId, key.unitId ?? 'any', key.standardId, `v${key.standardVersion}`].join('/')

export const readTicks = (db: Db, key: CardKey): Promise<readonly TickRow[]> =>
  withRetry(() =>
    db('ticks')
      .leftJoin('people', 'people.id', 'ticks.person_id')
      .where({ card_id: cardId(key) })
      .select({ step: 'ticks.step', personName: 'people.name', tickedAt: 'ticks.ticked_at' }),
  )

/** How many steps of each card are ticked, by card id. */
export const countTicks = async (db: Db): Promise<ReadonlyMap<string, readonly string[]>> => {
  const rows = await withRetry(() => db<{ card_id: string; step: string }>('ticks').select('card_id', 'step'))
  const byCard = new Map<string, string[]>()
  for (const { card_id, step } of rows) byCard.set(card_id, [...(byCard.get(card_id) ?? []), step])
  return byCard
}

/** Ticks a step or takes the tick back. Doing it twice is the same as once: the first tick keeps its name and time. */
export const setTick = (
  db: Db,
  key: CardKey,
  step: string,
  ticked: boolean,
  at: string,
  personId: string | null,
): Promise<void> =>
  recordChange(db, at, async trx => {
    const card_id = cardId(key)
    await trx('cards')
      .insert({
        id: card_id,
        body_id: key.bodyId,
        unit_id: key.unitId,
        standard_id: key.standardId,
        standard_version: key.standardVersion,
        created_at: at,
      })
      .onConflict('id')
      .ignore()
    const before = await trx<{ card_id: string; step: string; person_id: string | null; ticked_at: string }>('ticks')
      .where({ card_id, step })
      .first()
    if (Boolean(before) === ticked) return undefined
    if (ticked) await trx('ticks').insert({ card_id, step, person_id: personId, ticked_at: at })
    else await trx('ticks').where({ card_id, step }).delete()
    return {
      personId,
      kind: 'card',
      subject: card_id,
      what: ticked ? 'ticked' : 'took a tick back',
      before,
      after: { step },
    }
  })
