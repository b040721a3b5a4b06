import type { Knex } from 'knex'

/** Field trials: what was planned, and every pass that somebody counted. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('trials', t => {
    t.increments('id')
    t.text('name').notNullable()
    t.text('person_id').references('people.id')
    t.text('created_at').notNullable()
    t.text('document').notNullable()
  })
  await knex.schema.createTable('trial_counts', t => {
    /** As the device that counted it calls it: it comes in once, however often it is sent. */
    t.text('id').notNullable()
    t.integer('trial_id').notNullable().references('trials.id')
    t.text('received_at').notNullable()
    /** A pass that was taken back stays, so that it does not come in again. */
    t.text('taken_back_at')
    t.text('document').notNullable()
    t.primary(['trial_id', 'id'])
  })
  await knex.schema.createTable('trial_notes', t => {
    t.integer('trial_id').notNullable().references('trials.id')
    t.integer('block').notNullable()
    t.text('document').notNullable()
    t.primary(['trial_id', 'block'])
  })
}
