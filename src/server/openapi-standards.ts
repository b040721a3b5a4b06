import { schemaOf } from '@/core/exchange/formats'
import {
  changeParameters,
  changeSchema,
  change,
  idParameter,
  json,
  list,
  MOVED_ON,
  NOT_THERE,
  ok,
  queryParameters,
  reference,
  single,
  UNREADABLE,
  WRONG,
} from './openapi-parts'
import * as queries from './queries'
import { levelRequestSchema } from '@/pool/requests'

/** Standards, levelling and comparison in the description of the HTTP interface. */

const inPath = (name: string) => ({ name, in: 'path', required: true, schema: { type: 'string' } })
const version = [...idParameter, inPath('version')]
const file = (description: string, type: string) => ({ description, content: { [type]: {} } })
const body = (schema: string) => ({ requestBody: { required: true, ...json(reference(schema)) } })

const get = (summary: string, parameters: readonly object[], answer: object) => ({
  get: { summary, parameters, responses: { '200': answer, ...NOT_THERE, ...WRONG } },
})
const post = (summary: string, schema: string, parameters: readonly object[] = [], status = '201') => ({
  post: {
    summary,
    parameters,
    ...body(schema),
    responses: { [status]: ok('Done.'), ...NOT_THERE, ...UNREADABLE, ...MOVED_ON, ...WRONG },
  },
})
const put = (summary: string, schema: string, parameters: readonly object[]) => ({
  put: {
    summary,
    parameters,
    ...body(schema),
    responses: { '200': ok('Stored.'), ...NOT_THERE, ...UNREADABLE, ...MOVED_ON, ...WRONG },
  },
})

export const standardPaths = {
  '/api/v1/starter': {
    post: { summary: 'Takes the standard that comes with the house', responses: { '201': ok('Stored.') } },
  },
  '/api/v1/standards': {
    get: {
      summary: 'All standards with the version in force, without their documents',
      responses: { '200': ok('The standards.', list('standards')) },
    },
    post: {
      summary:
        'Takes a standard from a file: a new one, or a draft of its next version; with preview=1 only what would change',
      parameters: changeParameters(queries.standardImportQuerySchema),
      ...body('Standard'),
      responses: { '200': ok('What would change.'), '201': ok('Taken.'), ...UNREADABLE, ...MOVED_ON, ...WRONG },
    },
  },
  '/api/v1/standards/new': post('Begins a standard on top of another one', 'NewStandard'),
  '/api/v1/standards/{id}': single('Standard'),
  '/api/v1/standards/{id}/usual': put('Has a standard in hand wherever nobody chose another', 'Usual', idParameter),
  '/api/v1/standards/{id}/versions': {
    ...get('The versions of a standard, newest first', idParameter, ok('The versions.', list('versions'))),
    ...post('Opens the draft of a standard, or begins one from the version that is named', 'Signed', idParameter),
  },
  '/api/v1/standards/{id}/versions/{version}': put(
    'Stores an edited draft, unless somebody else has stored one since; a 409 holds the one there is now',
    'SaveStandard',
    version,
  ),
  '/api/v1/standards/{id}/versions/{version}/state': post(
    'Moves a version on: draft, in review, approved, retired',
    'State',
    version,
    '200',
  ),
  '/api/v1/standards/{id}/versions/{version}/effect': get(
    'What approving a version will do: bodies, units, steps, musts lost and won, agreement',
    version,
    ok('The effect.'),
  ),
  '/api/v1/standards/{id}/comments': {
    ...get('What was said about a standard', idParameter, ok('The comments.', list('comments'))),
    ...post('Says something about a version, or about one target', 'Comment', idParameter),
  },
  '/api/v1/standards/{id}/comments/{comment}': put('Settles a comment, or opens it again', 'Settled', [
    ...idParameter,
    inPath('comment'),
  ]),
  '/api/v1/standards/{id}/history': get(
    'Who did what to a standard, when and why, newest first',
    idParameter,
    ok('The events.', list('events')),
  ),
  '/api/v1/standards/{id}/on/{below}': get(
    'The standard as it would be on the newest version of one below it; stores nothing',
    [...idParameter, inPath('below')],
    ok('The document.', reference('Standard')),
  ),
  '/api/v1/standards/{id}/level': change('Keeps a common level in the draft', 'put', 'KeepLevel'),
  '/api/v1/standards/{id}/pdf': get(
    'The standard on two pages for the wall',
    idParameter,
    file('The sheet.', 'application/pdf'),
  ),
  '/api/v1/comparisons': get(
    'Two standards, or two versions of one (id@version), compared by what they mean',
    queryParameters(queries.comparisonQuerySchema),
    ok('What differs.'),
  ),
  '/api/v1/concordance': get(
    'A standard on bodies as a table; as JSON or CSV',
    queryParameters(queries.concordanceQuerySchema),
    ok('The table.'),
  ),
  '/api/v1/fleet': get(
    'Bodies whole, with the firmware they run and how many units there are',
    queryParameters(queries.fleetQuerySchema),
    ok('The bodies.', list('bodies')),
  ),
  '/api/v1/level': post(
    'Levels bodies between best on each and alike on all, all of them in the request; stores nothing',
    'LevelRequest',
    [],
    '200',
  ),
  '/api/v1/guide': {
    get: { summary: 'The questions of the guide', responses: { '200': ok('The questions.', list('questions')) } },
    ...post('What the guide proposes for answers; stores nothing', 'Answers', [], '200'),
  },
  '/api/v1/guide/house': {
    ...get('What the house makes of the guide', [], ok('The rules and their revision.')),
    ...put('Stores what the house makes of the guide', 'SaveGuide', []),
  },
  '/api/v1/standards/{id}/calculations': {
    ...get(
      'What the Optics desk worked out for a version, asked again of bodies and lenses as they are now',
      idParameter,
      ok('By layer.', list('layers')),
    ),
    ...post(
      'Keeps an answer of the Optics desk in the draft: as a target, a note, or a figure for the card',
      'KeepCalculation',
      idParameter,
    ),
  },
  '/api/v1/explanations': {
    ...get(
      'Why one body gets what it gets for one target, and why everything else lost',
      queryParameters(queries.explanationQuerySchema),
      ok('The explanation.'),
    ),
    ...post('The same at a common level that is only being tried', 'LevelledExplanation', [], '200'),
  },
}

export const standardSchemas = {
  NewStandard: changeSchema(queries.newStandardSchema, 'NewStandard'),
  SaveStandard: changeSchema(queries.saveStandardSchema, 'SaveStandard'),
  State: changeSchema(queries.stateSchema, 'State'),
  Comment: changeSchema(queries.commentSchema, 'Comment'),
  Settled: changeSchema(queries.settledSchema, 'Settled'),
  Usual: changeSchema(queries.usualSchema, 'Usual'),
  KeepLevel: changeSchema(queries.keepLevelSchema, 'KeepLevel'),
  LevelRequest: schemaOf(levelRequestSchema, 'LevelRequest'),
  LevelledExplanation: schemaOf(queries.levelledExplanationSchema, 'LevelledExplanation'),
  Answers: schemaOf(queries.answersSchema, 'Answers'),
  Optics: schemaOf(queries.opticsSchema, 'Optics'),
  KeepCalculation: changeSchema(queries.keepCalculationSchema, 'KeepCalculation'),
  SaveGuide: changeSchema(queries.saveGuideSchema, 'SaveGuide'),
}
