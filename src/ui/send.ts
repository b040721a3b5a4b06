/** What came back from the server, or why nothing did. */
export type Sent<T> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false
      readonly detail: string
      /** 0 where the server did not answer. */
      readonly status: number
      readonly more: Readonly<Record<string, unknown>>
    }

const UNREACHABLE = 'The server does not answer. What you did is still here; try again when it is back.'

const asBody = (content: unknown): RequestInit => {
  if (content === undefined) return {}
  if (content instanceof Blob || content instanceof ArrayBuffer)
    return { headers: { 'content-type': 'application/octet-stream' }, body: content }
  return {
    headers: { 'content-type': 'application/json' },
    body: typeof content === 'string' ? content : JSON.stringify(content),
  }
}

export type Method = 'GET' | 'POST' | 'PUT' | 'PATCH'

/** Sends or fetches JSON, or sends a file; a failure comes back as words a person can act on. */
export const sendJson = async <T>(
  method: Method,
  address: string,
  content?: unknown,
  signal?: AbortSignal,
): Promise<Sent<T>> => {
  try {
    const response = await fetch(address, { method, ...(signal ? { signal } : {}), ...asBody(content) })
    const value = (await response.json()) as T & { detail?: string }
    return response.ok
      ? { ok: true, value }
      : { ok: false, detail: value.detail ?? UNREACHABLE, status: response.status, more: value }
  } catch {
    return { ok: false, detail: UNREACHABLE, status: 0, more: {} }
  }
}
