import type { Knex } from 'knex'

/** Requests that came in from devices that waited for the network, so that one sent again does nothing more. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('received', t => {
    t.text('id').primary()
    t.text('at').notNullable().index()
    t.text('answer').notNullable()
  })
}
