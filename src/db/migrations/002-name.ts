import type { Knex } from 'knex'

/** Drafts of bodies, lenses, and units that may be lenses, be hired and carry notes. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.alterTable('bodies', t => {
    t.integer('draft').notNullable().defaultTo(0)
    t.text('archived_at')
  })
  await knex.schema.createTable('lenses', t => {
    t.text('id').primary()
    t.text('maker').notNullable()
    t.text('model').notNullable()
    t.text('format').notNullable()
    t.text('document').notNullable()
    t.integer('revision').notNullable()
    t.text('created_at').notNullable()
    t.text('updated_at').notNullable()
    t.text('archived_at')
  })
  // A unit's body may now be missing, which SQLite can only do with a new table.
  await knex.schema.createTable('units_2', t => {
    t.text('id').primary()
    t.text('kind').notNullable().checkIn(['body', 'lens'])
    t.text('body_id').references('bodies.id').index()
    t.text('lens_id').references('lenses.id').index()
    t.text('tag').notNullable().unique()
    t.text('serial').notNullable()
    t.text('firmware').notNullable()
    t.text('owner').notNullable().defaultTo('')
    t.text('hired_until').notNullable().defaultTo('')
    t.text('notes').notNullable().defaultTo('')
    t.integer('revision').notNullable().defaultTo(1)
    t.text('created_at').notNullable()
    t.text('archived_at')
  })
  await knex.raw(
    `insert into units_2 (id, kind, body_id, tag, serial, firmware, created_at)
     select id, 'body', body_id, tag, serial, firmware, created_at from units`,
  )
  await knex.schema.dropTable('units')
  await knex.schema.renameTable('units_2', 'units')
}
