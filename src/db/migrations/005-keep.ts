import type { Knex } from 'knex'

/** What happened to each unit, so that what it is set to can be known; cards begin from that and are walked more than once. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('unit_events', t => {
    t.increments('id')
    t.text('unit_id').notNullable().references('units.id').index()
    t.text('at').notNullable()
    t.text('person_id').references('people.id')
    t.text('kind').notNullable()
    t.text('data').notNullable()
    /** The tick it came of, so that it goes with it. */
    t.text('card_id').references('cards.id')
    t.text('step')
    t.text('undone_at')
    t.text('undone_by').references('people.id')
    t.index(['card_id', 'step'])
  })
  await knex.schema.alterTable('cards', t => {
    t.integer('walk').notNullable().defaultTo(1)
    /** What the body was assumed to be set to when the walk began; empty for factory defaults. */
    t.text('from_state')
    t.text('closed_at')
  })
}
