import type { Knex } from 'knex'

/** Jobs, and what happens on the day. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('jobs', t => {
    t.text('id').primary()
    t.text('name').notNullable()
    t.integer('revision').notNullable()
    t.text('document').notNullable()
  })
  await knex.schema.createTable('job_happenings', t => {
    /** As the device on which it happened calls it: it comes in once, however often it is sent. */
    t.text('id').notNullable()
    t.text('job_id').notNullable().references('jobs.id')
    t.text('person_id').references('people.id')
    t.text('at').notNullable()
    t.text('taken_back_at')
    t.text('document').notNullable()
    t.primary(['job_id', 'id'])
    t.index(['job_id', 'at'])
  })
}
