import { expect, it } from 'vitest'
import { isOurHost, refusalOf } from './guard'

const HOUSE = { origins: ['https://focus.example'] }
const status = (method: string, url: string, headers: Record<string, string>) =>
  refusalOf({ method, url, headers }, HOUSE)?.status

it.each([
  ['localhost:3000', true],
  ['127.0.0.1', true],
  ['[::1]:3000', true],
  ['192.168.1.20:3000', true],
  ['focus.example', true],
  ['FOCUS.example', true],
  ['focus.example:8443', false],
  ['evil.example', false],
  ['localhost.evil.example', false],
  ['127.0.0.1.evil.example', false],
  ['evil.example#localhost', false],
  ['', false],
])('the host %s is ours: %s', (host, is) => {
  expect(isOurHost(host, HOUSE)).toBe(is)
})

it.each([
  ['a page of ours changes', 'POST', { origin: 'http://localhost:3000', 'sec-fetch-site': 'same-origin' }, undefined],
  ['a program without a browser changes', 'PUT', {}, undefined],
  ['another site changes', 'POST', { origin: 'http://evil.example', 'sec-fetch-site': 'cross-site' }, 403],
  [
    'another port of this machine changes',
    'POST',
    { origin: 'http://localhost:4000', 'sec-fetch-site': 'same-site' },
    403,
  ],
  ['a page of nowhere changes', 'PATCH', { origin: 'null' }, 403],
  ['another site’s form without an origin changes', 'POST', { 'sec-fetch-site': 'cross-site' }, 403],
  ['another site’s link leads here', 'GET', { 'sec-fetch-site': 'cross-site' }, undefined],
  ['the named address changes by way of a proxy', 'POST', { origin: 'https://focus.example' }, undefined],
])('%s: %s', (_, method, headers, wanted) => {
  expect(status(method, '/api/v1/people', { host: 'localhost:3000', ...headers })).toBe(wanted)
})

it('takes addresses that can be read, and methods it knows', () => {
  const host = { host: 'localhost' }
  expect(status('GET', '/name/bodies/a%20b?q=%ff', host)).toBeUndefined()
  expect(status('GET', '/%ff', host)).toBe(400)
  expect(status('GET', 'http://evil.example/', host)).toBe(400)
  expect(status('GET', '//evil.example/', host)).toBe(400)
  expect(status('GET', `/${'x'.repeat(20_000)}`, host)).toBe(414)
  for (const method of ['TRACE', 'CONNECT', 'PROPFIND', '']) expect(status(method, '/', host)).toBe(405)
  expect(status('GET', '/', {})).toBe(421)
})
