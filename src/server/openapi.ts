import { bodyJsonSchema, schemaOf, standardJsonSchema } from '@/core/formats/json-schema'
import { cardQuerySchema, explanationQuerySchema, personSchema, resolutionsQuerySchema, tickSchema } from './queries'
import { resolveRequestSchema } from './stateless'

/** The HTTP interface as an OpenAPI 3.1 document, built from the schemas that check the requests. */

const reference = (name: string) => ({ $ref: `#/components/schemas/${name}` })
const json = (schema: object) => ({ content: { 'application/json': { schema } } })
const ok = (description: string, schema: object = { type: 'object' }) => ({ description, ...json(schema) })
const problem = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: reference('Problem') } },
})
const WRONG = { '422': problem('The content cannot be used; every problem is named.') }
const NOT_THERE = { '404': problem('There is no such thing.') }
const UNREADABLE = {
  '400': problem('The request is not JSON.'),
  '413': problem('The request is too large.'),
  '415': problem('The request is not sent as JSON.'),
}

const queryParameters = (schema: Parameters<typeof schemaOf>[0]) => {
  const { properties = {}, required = [] } = schemaOf(schema, 'query') as {
    properties?: Record<string, object>
    required?: string[]
  }
  return Object.entries(properties).map(([name, s]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema: s,
  }))
}
const idParameter = [{ name: 'id', in: 'path', required: true, schema: { type: 'string' } }]
const list = (name: string) => ({
  type: 'object',
  properties: { [name]: { type: 'array', items: { type: 'object' } } },
  required: [name],
})

const collection = (name: string, schema: string) => ({
  get: { summary: `All ${name}, without their documents`, responses: { '200': ok(`The ${name}.`, list(name)) } },
  post: {
    summary: 'Stores a document, new or in place of the one with the same id; a wrong one changes nothing',
    requestBody: { required: true, ...json(reference(schema)) },
    responses: { '201': ok('Stored.'), ...UNREADABLE, ...WRONG },
  },
})
const single = (schema: string) => ({
  get: {
    summary: 'One document in its exchange format',
    parameters: idParameter,
    responses: { '200': ok('The document.', reference(schema)), ...NOT_THERE },
  },
})

export const openApiDocument = () => ({
  openapi: '3.1.0',
  info: {
    title: 'Coherion',
    version: '1',
    description:
      'State once how autofocus should behave; get it on every camera body. Errors are problem documents (RFC 9457).',
  },
  paths: {
    '/api/v1/bodies': collection('bodies', 'Body'),
    '/api/v1/bodies/{id}': single('Body'),
    '/api/v1/standards': collection('standards', 'Standard'),
    '/api/v1/standards/{id}': single('Standard'),
    '/api/v1/resolve': {
      post: {
        summary: 'Resolves a standard on bodies, all of them in the request; stores nothing',
        requestBody: { required: true, ...json(reference('ResolveRequest')) },
        responses: {
          '200': ok('The resolutions, in the order of the bodies.', list('resolutions')),
          ...UNREADABLE,
          ...WRONG,
        },
      },
    },
    '/api/v1/resolutions': {
      get: {
        summary: 'A stored standard resolved on stored bodies; all bodies where none are named (comma between ids)',
        parameters: queryParameters(resolutionsQuerySchema),
        responses: { '200': ok('The resolutions.', list('resolutions')), ...NOT_THERE, ...WRONG },
      },
    },
    '/api/v1/explanations': {
      get: {
        summary: 'Why one body gets what it gets for one target, and why everything else lost',
        parameters: queryParameters(explanationQuerySchema),
        responses: { '200': ok('The explanation.'), ...NOT_THERE, ...WRONG },
      },
    },
    '/api/v1/cards': {
      get: {
        summary: 'The steps from factory defaults to a standard on one body or unit, with the ticks so far',
        parameters: queryParameters(cardQuerySchema),
        responses: { '200': ok('The card.'), ...NOT_THERE, ...WRONG },
      },
    },
    '/api/v1/ticks': {
      put: {
        summary:
          'Ticks a step of a card or takes the tick back; answered once it is on disk; twice is the same as once',
        requestBody: { required: true, ...json(reference('Tick')) },
        responses: { '200': ok('On disk.'), ...NOT_THERE, ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/people': {
      get: { summary: 'Everybody who signs', responses: { '200': ok('The people.', list('people')) } },
      post: {
        summary: 'Adds a person, or finds the one with that name',
        requestBody: { required: true, ...json(reference('Person')) },
        responses: { '201': ok('The person.'), ...UNREADABLE, ...WRONG },
      },
    },
  },
  components: {
    schemas: {
      Body: bodyJsonSchema(),
      Standard: standardJsonSchema(),
      ResolveRequest: schemaOf(resolveRequestSchema, 'ResolveRequest'),
      Tick: schemaOf(tickSchema, 'Tick'),
      Person: schemaOf(personSchema, 'Person'),
      Problem: {
        type: 'object',
        properties: {
          type: { type: 'string' },
          title: { type: 'string' },
          status: { type: 'integer' },
          detail: { type: 'string' },
          problems: {
            type: 'array',
            items: {
              type: 'object',
              properties: {
                file: { type: 'string' },
                path: { type: 'string' },
                value: { type: 'string' },
                expected: { type: 'string' },
              },
            },
          },
        },
        required: ['type', 'title', 'status', 'detail'],
      },
    },
  },
})
