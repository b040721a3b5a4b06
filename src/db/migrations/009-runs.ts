import type { Knex } from 'knex'

/** Measuring runs: what bodies really do, and which of them profiles stand on. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('runs', t => {
    t.increments('id')
    t.text('body_id').notNullable().references('bodies.id').index()
    t.text('firmware').notNullable()
    t.text('dimension').notNullable()
    t.text('setting').notNullable()
    t.text('measured_on').notNullable()
    t.text('person_id').references('people.id')
    t.text('created_at').notNullable()
    /** When the profile took it up. */
    t.text('kept_at')
    t.text('document').notNullable()
  })
}
