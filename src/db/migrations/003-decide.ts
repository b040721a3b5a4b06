import type { Knex } from 'knex'

/** Standards in versions with a state, comments on their targets; what was there becomes an approved version. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('standards_2', t => {
    t.text('id').primary()
    t.text('created_at').notNullable()
  })
  await knex.schema.createTable('standard_versions', t => {
    t.text('standard_id').notNullable().references('standards.id')
    t.integer('version').notNullable()
    t.text('state').notNullable().checkIn(['draft', 'in-review', 'approved', 'retired'])
    t.text('name').notNullable()
    t.text('format').notNullable()
    t.text('document').notNullable()
    t.integer('revision').notNullable()
    t.text('why').notNullable().defaultTo('')
    t.text('created_at').notNullable()
    t.text('changed_at').notNullable()
    t.text('approved_at')
    t.text('approved_by').references('people.id')
    t.primary(['standard_id', 'version'])
  })
  await knex.raw('insert into standards_2 (id, created_at) select id, created_at from standards')
  await knex.raw(
    `insert into standard_versions
       (standard_id, version, state, name, format, document, revision, created_at, changed_at, approved_at)
     select id, version, 'approved', name, format, document, revision, created_at, updated_at, updated_at from standards`,
  )
  await knex.schema.dropTable('standards')
  await knex.schema.renameTable('standards_2', 'standards')
  await knex.raw(
    `create trigger approved_versions_stay before update of document on standard_versions
     when old.state in ('approved', 'retired') and old.document <> new.document
     begin select raise(abort, 'an approved version never changes'); end`,
  )
  await knex.schema.createTable('comments', t => {
    t.increments('id')
    t.text('standard_id').notNullable()
    t.integer('version').notNullable()
    t.text('dimension')
    t.text('person_id').references('people.id')
    t.text('text').notNullable()
    t.text('at').notNullable()
    t.text('settled_at')
    t.text('settled_by').references('people.id')
    t.foreign(['standard_id', 'version']).references(['standard_id', 'version']).inTable('standard_versions')
  })
}
