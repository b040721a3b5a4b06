import type { Knex } from 'knex'

/** Practice: tries of drills, what somebody remembers, courses, the classes that follow them, and a house's own scenes. */
export const up = async (knex: Knex): Promise<void> => {
  await knex.schema.createTable('drill_tries', t => {
    /** As the device that ran it calls it: it comes in once, however often it is sent. */
    t.text('id').notNullable()
    t.text('person_id').notNullable().references('people.id')
    t.text('drill').notNullable()
    t.text('made').notNullable()
    t.text('document').notNullable()
    t.primary(['person_id', 'id'])
    t.index(['person_id', 'made'])
    t.index('made')
  })
  await knex.schema.createTable('drill_memories', t => {
    t.text('person_id').notNullable().references('people.id')
    t.text('question').notNullable()
    /** The answer that made it so; sent again, it changes nothing. */
    t.text('answer').notNullable()
    t.text('document').notNullable()
    t.primary(['person_id', 'question'])
  })
  await knex.schema.createTable('courses', t => {
    t.text('id').primary()
    t.text('name').notNullable()
    t.integer('revision').notNullable()
    t.text('document').notNullable()
  })
  await knex.schema.createTable('scenes', t => {
    t.text('id').primary()
    t.text('name').notNullable()
    t.integer('revision').notNullable()
    t.text('document').notNullable()
  })
  await knex.schema.createTable('classes', t => {
    t.increments('id')
    t.text('name').notNullable()
    t.text('course_id').notNullable().references('courses.id')
    t.text('teacher_id').references('people.id')
    t.text('created_at').notNullable()
  })
  await knex.schema.createTable('class_students', t => {
    t.integer('class_id').notNullable().references('classes.id')
    t.text('person_id').notNullable().references('people.id')
    t.text('body_id').references('bodies.id')
    t.text('since').notNullable()
    t.primary(['class_id', 'person_id'])
  })
  await knex.schema.createTable('class_marks', t => {
    t.text('id').notNullable()
    t.integer('class_id').notNullable().references('classes.id')
    t.text('person_id').notNullable().references('people.id')
    t.text('at').notNullable()
    t.text('taken_back_at')
    t.text('document').notNullable()
    t.primary(['class_id', 'person_id', 'id'])
  })
}
