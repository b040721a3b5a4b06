import { Agent, get } from 'node:http'

/** One line of the table. */
export interface Line {
  readonly what: string
  readonly measured: string
  /** What it has to be; undefined where it is only told. */
  readonly goal?: string
  readonly holds?: boolean
}

export const quantile = (values: readonly number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? 0

export const ms = (value: number): string => `${Math.round(value)} ms`

export const json = { 'content-type': 'application/json' }

export const sendTo = (base: string, method: string, path: string, content: unknown): Promise<Response> =>
  fetch(base + path, { method, headers: json, body: JSON.stringify(content) })

const agent = new Agent({ keepAlive: true })

/**
 * An answer to its last byte, zipped as a browser asks for it. Fifty people unpack and draw it on fifty machines; here it
 * would be one thread that does it for all, and its waits would be taken for the server's.
 */
export const drained = (url: string): Promise<{ readonly ok: boolean }> =>
  new Promise((done, fail) => {
    const request = get(url, { agent, headers: { 'accept-encoding': 'gzip' } }, response => {
      response.resume()
      response.on('end', () => done({ ok: response.statusCode === 200 }))
      response.on('error', fail)
    })
    request.on('error', fail)
  })

/** How long others wait for small and for usual answers while something goes on. */
export const waitsDuring = async (
  base: string,
  paths: readonly string[],
  work: Promise<unknown>,
): Promise<readonly number[]> => {
  const waits: number[] = []
  const state = { isOver: false }
  void work.then(
    () => (state.isOver = true),
    () => (state.isOver = true),
  )
  const ask = async (path: string) => {
    while (!state.isOver) {
      const began = performance.now()
      await fetch(base + path).then(r => r.arrayBuffer())
      waits.push(performance.now() - began)
      await new Promise(go => setTimeout(go, 10))
    }
  }
  await Promise.all(paths.map(ask))
  return waits
}
