/** What came back from the server, or why nothing did. */
export type Sent<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly detail: string }

const UNREACHABLE = 'The server does not answer. What you did is still here; try again when it is back.'

/** Sends or fetches JSON; a failure comes back as words a person can act on. */
export const sendJson = async <T>(
  method: 'GET' | 'POST' | 'PUT',
  address: string,
  content?: unknown,
  signal?: AbortSignal,
): Promise<Sent<T>> => {
  try {
    const response = await fetch(address, {
      method,
      ...(signal ? { signal } : {}),
      ...(content === undefined
        ? {}
        : {
            headers: { 'content-type': 'application/json' },
            body: typeof content === 'string' ? content : JSON.stringify(content),
          }),
    })
    const value = (await response.json()) as T & { detail?: string }
    return response.ok ? { ok: true, value } : { ok: false, detail: value.detail ?? UNREACHABLE }
  } catch {
    return { ok: false, detail: UNREACHABLE }
  }
}
