import type { Knex } from 'knex'

/** Audits: what pictures said of themselves, and what they were held against. The pictures are not here. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('audits', t => {
    t.increments('id')
    t.text('name').notNullable()
    t.text('person_id').references('people.id')
    t.text('created_at').notNullable()
    /** Scenes, clocks, whose cameras they were. */
    t.text('plan').notNullable()
    t.integer('revision').notNullable()
    /** The cameras among the pictures, and from when to when they were taken. */
    t.text('summary').notNullable()
    t.text('pictures').notNullable()
    /** When what was seen was written into the lives of the units. */
    t.text('taken_over_at')
  })
}
