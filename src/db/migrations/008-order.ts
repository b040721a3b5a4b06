import type { Knex } from 'knex'

const GAP = 2 ** 20

/** The order of a unit's life is the server's own, so that a clock that is wrong for a while does not turn it around. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.alterTable('unit_events', t => {
    t.integer('seq').notNullable().defaultTo(0)
  })
  await knex.raw(
    `update unit_events set seq = ${GAP} * (
       select count(*) from unit_events as e
       where e.unit_id = unit_events.unit_id and (e.at < unit_events.at or (e.at = unit_events.at and e.id <= unit_events.id))
     )`,
  )
  await knex.schema.alterTable('unit_events', t => {
    t.unique(['unit_id', 'seq'])
  })
}
