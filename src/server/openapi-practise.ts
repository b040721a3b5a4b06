import {
  change,
  changeSchema,
  idParameter,
  json,
  list,
  MOVED_ON,
  NOT_THERE,
  ok,
  queryParameters,
  reference,
  UNREADABLE,
  WRONG,
} from './openapi-parts'
import * as queries from './queries'

/** The part of the HTTP interface that is about practice: drills, courses, classes. */

export const practisePaths = {
  '/api/v1/drills/tries': {
    get: {
      summary: 'What somebody tried, oldest first',
      parameters: queryParameters(queries.triesQuerySchema),
      responses: { '200': ok('The tries.', list('tries')), ...WRONG },
    },
    put: {
      summary: 'Keeps a try under the name of whoever sends it; sent again, it changes nothing',
      requestBody: { required: true, ...json(reference('SaveTry')) },
      responses: { '200': ok('Kept.'), ...UNREADABLE, ...WRONG },
    },
  },
  '/api/v1/drills/questions': {
    get: {
      summary: 'What to ask somebody now about a body and those they carry beside it',
      parameters: queryParameters(queries.questionsQuerySchema),
      responses: { '200': ok('The questions, each with its right answer.', list('questions')), ...NOT_THERE, ...WRONG },
    },
  },
  '/api/v1/drills/answers': {
    put: {
      summary: 'Takes an answer in and says when it is asked again',
      requestBody: { required: true, ...json(reference('AnswerQuestion')) },
      responses: { '200': ok('Taken in.'), ...UNREADABLE, ...WRONG },
    },
  },
  '/api/v1/scenes': {
    get: { summary: 'The house’s own scenes', responses: { '200': ok('The scenes.', list('scenes')) } },
    post: {
      summary: 'Keeps a scene for the house',
      requestBody: { required: true, ...json(reference('NewScene')) },
      responses: { '201': ok('Kept.'), ...UNREADABLE, ...WRONG },
    },
  },
  '/api/v1/scenes/{id}': {
    ...change('Stores an edited scene of the house', 'put', 'SaveScene'),
    ...change('Throws a scene of the house away', 'patch', 'ThrowAway'),
  },
  '/api/v1/courses': {
    get: { summary: 'All courses', responses: { '200': ok('The courses.', list('courses')) } },
    post: {
      summary: 'Stores a course from a file, in place of the one with its id',
      requestBody: { required: true, ...json(reference('ImportCourse')) },
      responses: { '201': ok('Stored.'), ...UNREADABLE, ...MOVED_ON, ...WRONG },
    },
  },
  '/api/v1/courses/{id}': {
    get: {
      summary: 'A course in its exchange format',
      parameters: idParameter,
      responses: { '200': ok('The course.', reference('Course')), ...NOT_THERE },
    },
    ...change('Stores an edited course', 'put', 'SaveCourse'),
  },
  '/api/v1/classes': {
    get: { summary: 'All classes, newest first', responses: { '200': ok('The classes.', list('classes')) } },
    post: {
      summary: 'Begins a class that follows a course',
      requestBody: { required: true, ...json(reference('NewClass')) },
      responses: { '201': ok('Begun.'), ...UNREADABLE, ...WRONG },
    },
  },
  '/api/v1/classes/{id}': {
    get: {
      summary: 'A class: every student, lesson by lesson',
      parameters: idParameter,
      responses: { '200': ok('The class.'), ...NOT_THERE },
    },
  },
  '/api/v1/classes/{id}/students': change('Has somebody join, bring another body, or leave', 'put', 'ClassStudent'),
  '/api/v1/classes/{id}/marks': change('Keeps a count or the teacher’s word, or takes it back', 'put', 'ClassMark'),
  '/api/v1/classes/{id}/lessons': {
    get: {
      summary: 'A lesson of a student, with what it sets on their body',
      parameters: [...idParameter, ...queryParameters(queries.lessonQuerySchema)],
      responses: { '200': ok('The lesson.'), ...NOT_THERE, ...WRONG },
    },
  },
  '/api/v1/classes/{id}/handout': {
    get: {
      summary: 'The course on paper for one body',
      parameters: [...idParameter, ...queryParameters(queries.handoutQuerySchema)],
      responses: {
        '200': { description: 'The pages.', content: { 'application/pdf': {} } },
        ...NOT_THERE,
        ...WRONG,
      },
    },
  },
} as const

export const practiseSchemas = {
  NewScene: changeSchema(queries.newSceneSchema, 'NewScene'),
  SaveScene: changeSchema(queries.saveSceneSchema, 'SaveScene'),
  SaveTry: changeSchema(queries.saveTrySchema, 'SaveTry'),
  AnswerQuestion: changeSchema(queries.answerQuestionSchema, 'AnswerQuestion'),
  ImportCourse: changeSchema(queries.importCourseSchema, 'ImportCourse'),
  SaveCourse: changeSchema(queries.saveCourseSchema, 'SaveCourse'),
  NewClass: changeSchema(queries.newClassSchema, 'NewClass'),
  ClassStudent: changeSchema(queries.classStudentSchema, 'ClassStudent'),
  ClassMark: changeSchema(queries.classMarkSchema, 'ClassMark'),
}
