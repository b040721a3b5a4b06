import {
  change,
  changeParameters,
  changeSchema,
  idParameter,
  json,
  list,
  NOT_THERE,
  ok,
  queryParameters,
  reference,
  UNREADABLE,
  WRONG,
} from './openapi-parts'
import { schemaOf } from '@/core/exchange/formats'
import * as queries from './queries'

/** The part of the HTTP interface that is about work: jobs, what happens on the day, rescues. */

export const workPaths = {
  '/api/v1/jobs': {
    get: { summary: 'All jobs, the newest day first', responses: { '200': ok('The jobs.', list('jobs')) } },
    post: {
      summary: 'Begins a job, or stores one from a file in place of the one with its id',
      requestBody: { required: true, ...json(reference('NewJob')) },
      responses: { '201': ok('Stored.'), ...UNREADABLE, ...WRONG },
    },
  },
  '/api/v1/jobs/{id}': {
    get: {
      summary: 'A job in its exchange format',
      parameters: idParameter,
      responses: { '200': ok('The job.', reference('Job')), ...NOT_THERE },
    },
    ...change('Stores an edited job', 'put', 'SaveJob'),
    ...change('Throws a job away on which nothing happened yet', 'patch', 'ThrowAway'),
  },
  '/api/v1/jobs/{id}/plan': {
    get: {
      summary: 'A job with all that a device needs to plan it: set-ups, cameras, lenses, rough walks, what happened',
      parameters: idParameter,
      responses: { '200': ok('The job and what is known.'), ...NOT_THERE },
    },
  },
  '/api/v1/jobs/{id}/walks': {
    get: {
      summary: 'The walks with the fewest presses between the set-ups of a job on one model',
      parameters: [...idParameter, ...queryParameters(queries.walksQuerySchema)],
      responses: { '200': ok('The walks.'), ...NOT_THERE, ...WRONG },
    },
  },
  '/api/v1/jobs/{id}/scenes': {
    post: {
      summary: 'Reads scenes from a list, a spreadsheet or a calendar; nothing is stored',
      parameters: [...idParameter, ...changeParameters(queries.jobFileQuerySchema)],
      requestBody: {
        required: true,
        content: { 'application/json': { schema: reference('JobList') }, 'application/octet-stream': {} },
      },
      responses: { '200': ok('The scenes, and what could not be read.'), ...NOT_THERE, ...UNREADABLE, ...WRONG },
    },
  },
  '/api/v1/jobs/{id}/happenings': change('Says what happened on the day, or takes it back', 'put', 'JobHappening'),
  '/api/v1/jobs/{id}/sheets': {
    get: {
      summary: 'Call sheets on paper',
      parameters: [...idParameter, ...queryParameters(queries.callSheetsQuerySchema)],
      responses: {
        '200': { description: 'The pages.', content: { 'application/pdf': {} } },
        ...NOT_THERE,
        ...WRONG,
      },
    },
  },
  '/api/v1/jobs/{id}/calendar': {
    get: {
      summary: 'A job as a calendar (RFC 5545), for everybody or for one',
      parameters: [...idParameter, ...queryParameters(queries.jobCalendarQuerySchema)],
      responses: {
        '200': { description: 'The calendar.', content: { 'text/calendar': {} } },
        ...NOT_THERE,
        ...WRONG,
      },
    },
  },
  '/api/v1/jobs/{id}/debrief': {
    get: {
      summary: 'What a job taught',
      parameters: idParameter,
      responses: { '200': ok('What was used, changed, signed and missed.'), ...NOT_THERE },
    },
  },
  '/api/v1/film/strip': {
    post: {
      summary: 'The strip for a focus ring with the marks of a take, at true scale; nothing is stored',
      requestBody: { required: true, ...json(reference('RingStrip')) },
      responses: { '200': { description: 'The page.', content: { 'application/pdf': {} } }, ...UNREADABLE, ...WRONG },
    },
  },
  '/api/v1/rescues': {
    get: {
      summary: 'What a camera is set to, as far as it matters when something goes wrong, and how it is changed there',
      parameters: queryParameters(queries.rescuesQuerySchema),
      responses: { '200': ok('The camera.'), ...NOT_THERE, ...WRONG },
    },
  },
} as const

export const workSchemas = {
  NewJob: changeSchema(queries.newJobSchema, 'NewJob'),
  SaveJob: changeSchema(queries.saveJobSchema, 'SaveJob'),
  JobList: changeSchema(queries.jobListSchema, 'JobList'),
  JobHappening: changeSchema(queries.happenedSchema, 'JobHappening'),
  RingStrip: schemaOf(queries.ringStripSchema, 'RingStrip'),
}
