import type { Knex } from 'knex'

/** Lenses tested on bodies: where focus lies, and at which aperture they are sharpest. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('lens_tests', t => {
    t.increments('id')
    t.text('kind').notNullable()
    t.text('lens_id').notNullable().references('lenses.id').index()
    t.text('body_id').notNullable().references('bodies.id').index()
    /** The tag of the camera, where it was one of the house. */
    t.text('unit').index()
    t.text('tested_on').notNullable()
    t.text('person_id').references('people.id')
    t.text('created_at').notNullable()
    /** When the lens took it up. */
    t.text('kept_at')
    t.text('document').notNullable()
  })
}
