/**
 * Who may ask what: decided from the request line and the headers alone, before anything is read or run.
 *
 * @source RFC 9110 (HTTP semantics), RFC 6454 (the web origin), Fetch Metadata Request Headers (W3C)
 */

/** What a request says about itself. */
export interface Asked {
  readonly method: string
  /** As it stands in the request line. */
  readonly url: string
  readonly headers: Readonly<Record<string, string | readonly string[] | undefined>>
}

/** Where this house is found. */
export interface House {
  /** Origins people use, such as `https://focus.example`, beside loopback names and bare addresses. */
  readonly origins: readonly string[]
}

export interface Refused {
  readonly status: 400 | 403 | 405 | 414 | 421
  readonly title: string
  readonly detail: string
  readonly headers?: Readonly<Record<string, string>>
}

const METHODS = ['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'PATCH', 'DELETE']
/** Methods that change nothing. */
const SAFE = ['GET', 'HEAD', 'OPTIONS']
const MOST_URL = 16_384

const refused = (status: Refused['status'], title: string, detail: string, headers?: Refused['headers']): Refused => ({
  status,
  title,
  detail,
  ...(headers ? { headers } : {}),
})

const single = (value: string | readonly string[] | undefined): string | undefined =>
  typeof value === 'string' ? value : undefined

const LOOPBACK = /^(?:localhost|127(?:\.\d{1,3}){3}|\[::1\])$/
/** No other site's name can be made to lead to a bare address. */
const ADDRESS = /^(?:\d{1,3}(?:\.\d{1,3}){3}|\[[0-9a-f:.]+\])$/

/** Whether a `Host` means this house: a name that somebody else points here does not. */
export const isOurHost = (host: string, { origins }: House): boolean => {
  const match = /^(\[[0-9a-f:.]+\]|[\w.-]+)(?::\d{1,5})?$/i.exec(host)
  const name = match?.[1]?.toLowerCase()
  if (name === undefined) return false
  return LOOPBACK.test(name) || ADDRESS.test(name) || origins.some(o => new URL(o).host === host.toLowerCase())
}

/** Whether a page of this origin is one of ours, as the request reached us. */
const isOurOrigin = (origin: string, host: string, { origins }: House): boolean =>
  origins.includes(origin) || ['http', 'https'].some(scheme => origin === `${scheme}://${host.toLowerCase()}`)

const isDecodable = (url: string): boolean => {
  try {
    return !decodeURIComponent(url.split('?', 1)[0] ?? '').includes('\0')
  } catch {
    return false
  }
}

/** Why a request is not let in; undefined where it is. */
export const refusalOf = (asked: Asked, house: House): Refused | undefined => {
  const { method, url, headers } = asked
  if (!METHODS.includes(method))
    return refused(405, 'Not this way', `${method.slice(0, 20)} is not understood here.`, {
      allow: METHODS.join(', '),
    })
  if (url.length > MOST_URL) return refused(414, 'Too long', `An address may have at most ${MOST_URL} letters.`)
  if (!url.startsWith('/') || url.startsWith('//') || !isDecodable(url))
    return refused(400, 'Not an address', 'The address cannot be read: look at its percent signs and slashes.')
  const host = single(headers['host'])
  if (host === undefined || !isOurHost(host, house))
    return refused(
      421,
      'Another house',
      `This server is not called “${(host ?? '').slice(0, 100)}”. Whoever runs it names its address in COHERION_ORIGIN.`,
    )
  if (SAFE.includes(method)) return undefined
  const site = single(headers['sec-fetch-site'])
  const origin = single(headers['origin'])
  const isOurs =
    (site === undefined || site === 'same-origin' || site === 'none') &&
    (origin === undefined || isOurOrigin(origin, host, house))
  return isOurs
    ? undefined
    : refused(403, 'From another page', 'Another website asked for this change, and nothing was changed.')
}

/** What a name may say of the way a request took; believed only from a proxy that is named. */
export const FORWARDED = /^(?:forwarded|x-forwarded-.*|x-real-ip|x-middleware-.*|x-invoke-.*|x-nonce)$/

/** Headers of every answer. @param nonce of this answer alone */
export const safetyHeaders = (nonce: string): Readonly<Record<string, string>> => ({
  'content-security-policy': policyWith(nonce),
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
})

/** @source Content Security Policy Level 3 (W3C) */
export const policyWith = (nonce: string): string =>
  [
    "default-src 'self'",
    // The reader of makers’ own fields is WebAssembly; that lets no text become a script.
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'`,
    `style-src 'self' 'nonce-${nonce}'`,
    // Places and sizes that are reckoned are written as attributes.
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self' blob:",
    "worker-src 'self'",
    "frame-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
