import { DEMO_IDS, type Description, faultOf, generateRequests } from '../../test/hardship/requests'
import type { Line } from './measure'

/** Requests that nobody should send, over every route of the description. */
export const generated = async (base: string, count: number): Promise<readonly Line[]> => {
  const description = (await (await fetch(`${base}/api/v1/openapi.json`)).json()) as Description
  const waiting = [...generateRequests(description, DEMO_IDS, count, 4711)]
  const statuses = new Map<string, number>()
  const faults: string[] = []
  const send = async () => {
    for (let g = waiting.pop(); g; g = waiting.pop()) {
      const { method, address, headers, body } = g
      const response = await fetch(base + address, { method, headers, ...(body ? { body } : {}) })
      const kind = `${Math.floor(response.status / 100)}xx`
      statuses.set(kind, (statuses.get(kind) ?? 0) + 1)
      const fault = await faultOf(response)
      if (fault) faults.push(`${method} ${address.slice(0, 160)} ${body?.slice(0, 160) ?? ''}: ${fault}`)
    }
  }
  await Promise.all(Array.from({ length: 6 }, send))
  for (const fault of faults.slice(0, 20)) console.error(fault)
  const told = [...statuses].sort().map(([kind, n]) => `${n} × ${kind}`)
  return [
    {
      what: `${count} generated requests over every route`,
      measured: `${told.join(', ')}; ${faults.length} without a sentence or with a 500`,
      goal: 'no 500, and a sentence with every refusal',
      holds: faults.length === 0,
    },
  ]
}
