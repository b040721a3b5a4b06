import { schemaOf } from '@/core/exchange/formats'

/** Pieces that the description of the HTTP interface is made of. */

export const reference = (name: string) => ({ $ref: `#/components/schemas/${name}` })
export const json = (schema: object) => ({ content: { 'application/json': { schema } } })
export const ok = (description: string, schema: object = { type: 'object' }) => ({ description, ...json(schema) })
export const problem = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: reference('Problem') } },
})
export const WRONG = { '422': problem('The content cannot be used; every problem is named.') }
export const NOT_THERE = { '404': problem('There is no such thing.') }
export const MOVED_ON = { '409': problem('It is not what it was when this was sent; nothing was changed.') }
export const UNREADABLE = {
  '400': problem('The request is not JSON.'),
  '413': problem('The request is too large.'),
  '415': problem('The request is not sent as JSON.'),
}

const WHO = { type: 'string', description: 'Who makes the change, by id.' }

/** What a change looks like: what it is, and who makes it. */
export const changeSchema = (schema: Parameters<typeof schemaOf>[0], title: string): Record<string, unknown> => {
  const signed = (s: Record<string, unknown>) => ({ ...s, properties: { ...(s['properties'] as object), person: WHO } })
  const described = schemaOf(schema, title)
  const variants = described['anyOf'] as readonly Record<string, unknown>[] | undefined
  return variants ? { ...described, anyOf: variants.map(signed) } : signed(described)
}

/** What the address says of a change by a file. */
export const changeParameters = (schema: Parameters<typeof schemaOf>[0]) => [
  ...queryParameters(schema),
  { name: 'person', in: 'query', required: false, schema: WHO },
]

export const queryParameters = (schema: Parameters<typeof schemaOf>[0]) => {
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
export const idParameter = [{ name: 'id', in: 'path', required: true, schema: { type: 'string' } }]
export const list = (name: string) => ({
  type: 'object',
  properties: { [name]: { type: 'array', items: { type: 'object' } } },
  required: [name],
})

export const collection = (name: string, schema: string) => ({
  get: { summary: `All ${name}, without their documents`, responses: { '200': ok(`The ${name}.`, list(name)) } },
  post: {
    summary: 'Stores a document, new or in place of the one with the same id; a wrong one changes nothing',
    requestBody: { required: true, ...json(reference(schema)) },
    responses: { '201': ok('Stored.'), ...UNREADABLE, ...WRONG },
  },
})
export const single = (schema: string) => ({
  get: {
    summary: 'One document in its exchange format',
    parameters: idParameter,
    responses: { '200': ok('The document.', reference(schema)), ...NOT_THERE },
  },
})

/** A request that changes one thing that has an id. */
export const change = (summary: string, method: 'put' | 'patch' | 'post', schema: string) => ({
  [method]: {
    summary,
    parameters: idParameter,
    requestBody: { required: true, ...json(reference(schema)) },
    responses: { '200': ok('Done.'), ...NOT_THERE, ...UNREADABLE, ...MOVED_ON, ...WRONG },
  },
})
