import type { Knex } from 'knex'

/** People, bodies, units, standards, cards with ticks, and the history of every change. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('meta', t => {
    t.text('key').primary()
    t.text('value').notNullable()
  })
  await knex.schema.createTable('people', t => {
    t.text('id').primary()
    t.text('name').notNullable().unique()
    t.text('created_at').notNullable()
  })
  await knex.schema.createTable('bodies', t => {
    t.text('id').primary()
    t.text('maker').notNullable()
    t.text('model').notNullable()
    t.text('format').notNullable()
    t.text('document').notNullable()
    t.integer('revision').notNullable()
    t.text('created_at').notNullable()
    t.text('updated_at').notNullable()
  })
  await knex.schema.createTable('units', t => {
    t.text('id').primary()
    t.text('body_id').notNullable().references('bodies.id').index()
    t.text('tag').notNullable().unique()
    t.text('serial').notNullable()
    t.text('firmware').notNullable()
    t.text('created_at').notNullable()
  })
  await knex.schema.createTable('standards', t => {
    t.text('id').primary()
    t.text('name').notNullable()
    t.integer('version').notNullable()
    t.text('format').notNullable()
    t.text('document').notNullable()
    t.integer('revision').notNullable()
    t.text('created_at').notNullable()
    t.text('updated_at').notNullable()
  })
  await knex.schema.createTable('cards', t => {
    t.text('id').primary()
    t.text('body_id').notNullable().references('bodies.id')
    t.text('unit_id').references('units.id')
    t.text('standard_id').notNullable().references('standards.id')
    t.integer('standard_version').notNullable()
    t.text('created_at').notNullable()
  })
  await knex.schema.createTable('ticks', t => {
    t.text('card_id').notNullable().references('cards.id')
    t.text('step').notNullable()
    t.text('person_id').references('people.id')
    t.text('ticked_at').notNullable()
    t.primary(['card_id', 'step'])
  })
  await knex.schema.createTable('history', t => {
    t.increments('id')
    t.text('at').notNullable()
    t.text('person_id').references('people.id')
    t.text('kind').notNullable()
    t.text('subject').notNullable()
    t.text('what').notNullable()
    t.text('before')
    t.text('after')
    t.index(['kind', 'subject'])
  })
}
