import type { Knex } from 'knex'

/** Who usually carries which units, and which units are set for somebody outside the team just now. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('carries', t => {
    t.text('person_id').notNullable().references('people.id')
    t.text('unit_id').notNullable().references('units.id')
    t.primary(['person_id', 'unit_id'])
  })
  await knex.schema.createTable('handovers', t => {
    t.text('unit_id').primary().references('units.id')
    t.text('at').notNullable()
    t.text('person_id').references('people.id')
  })
}
