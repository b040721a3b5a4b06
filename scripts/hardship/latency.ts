import { demoBodies, demoStandards } from '../../src/demo/world'
import { entangledBody } from '../../test/fixtures/entangled'
import { HOSTILE_SHEETS } from '../../test/hardship/xlsx'
import { json, type Line, ms, quantile, waitsDuring } from './measure'

const GOAL_MS = 100

/** What others wait while somebody sends what takes long; the server answers them from the thread that only answers. */
export const latency = async (base: string): Promise<readonly Line[]> => {
  const post = (path: string, body: BodyInit, type = json['content-type']) =>
    fetch(base + path, { method: 'POST', headers: { 'content-type': type }, body }).then(async r => {
      await r.arrayBuffer()
      return r.status
    })
  const [standard] = demoStandards()
  const sixty = Array.from({ length: 60 }, (_, i) => {
    const body = demoBodies()[i % demoBodies().length]
    return { ...body, id: `${body?.id}-${i}` }
  })
  const units = (await (await fetch(`${base}/api/v1/units`)).json()) as { units: { id: string; kind: string }[] }
  const ids = units.units.filter(u => u.kind === 'body').map(u => u.id)
  const octets = 'application/octet-stream'
  const cases: readonly { readonly what: string; readonly run: () => Promise<unknown> }[] = [
    ...HOSTILE_SHEETS.map(s => ({
      what: `a spreadsheet: ${s.name}`,
      run: () => post('/api/v1/units/import?file=x.xlsx&preview=1', new Blob([s.bytes() as BlobPart]), octets),
    })),
    {
      what: '20 MB of broken JSON',
      run: () => post('/api/v1/bodies', `{"format": x${'[{]}'.repeat(4_900_000)}`),
    },
    {
      what: 'a profile too entangled to search, taken and resolved',
      run: () => post('/api/v1/resolve', JSON.stringify({ standard, bodies: [entangledBody(50)] })),
    },
    {
      what: 'levelling of 60 bodies',
      run: () => post('/api/v1/level', JSON.stringify({ standard, bodies: sixty, lambdaHundredths: 100 })),
    },
    {
      what: '200 bodies resolved',
      run: () =>
        post(
          '/api/v1/resolve',
          JSON.stringify({ standard, bodies: [...sixty, ...sixty, ...sixty, ...sixty.slice(0, 20)] }),
        ),
    },
    {
      what: `${ids.length * 8} cards as PDF`,
      run: async () => {
        const eightfold = Array.from({ length: 8 }, () => ids).flat()
        const query = new URLSearchParams({ standard: 'ring-action', units: eightfold.join() })
        await (await fetch(`${base}/api/v1/cards/pdf?${query.toString()}`)).arrayBuffer()
      },
    },
    {
      what: 'proposals for a long menu, five at once',
      run: async () => {
        const menu = Array.from({ length: 300 }, (_, i) => `Setting ${i} area tracking: On | Off | Auto`).join('\n')
        const begun = await fetch(`${base}/api/v1/bodies/new`, {
          method: 'POST',
          headers: json,
          body: JSON.stringify({
            maker: 'Marl',
            model: `Reed ${Math.random()}`,
            menu: `A\n  B\n${menu.replaceAll(/^/gm, '    ')}`,
          }),
        })
        const { id } = (await begun.json()) as { id: string }
        const document = await (await fetch(`${base}/api/v1/bodies/${id}`)).text()
        await Promise.all([1, 2, 3, 4, 5].map(() => post('/api/v1/proposals', document)))
      },
    },
  ]
  const paths = ['/api/v1/people', '/api/v1/standards', '/away']
  // The first of anything also loads its program.
  for (const path of paths) await (await fetch(base + path)).arrayBuffer()
  await post('/api/v1/units/import?file=x.csv&preview=1', 'Tag\n', octets)
  const lines: Line[] = []
  for (const { what, run } of cases) {
    const began = performance.now()
    const waits = await waitsDuring(
      base,
      paths,
      run().catch(() => undefined),
    )
    const took = performance.now() - began
    const p99 = quantile(waits, 0.99)
    lines.push({
      what: `others wait, during ${what}`,
      measured: `p50 ${ms(quantile(waits, 0.5))}, p99 ${ms(p99)} of ${waits.length}; it took ${(took / 1000).toFixed(1)} s`,
      goal: `p99 under ${GOAL_MS} ms`,
      holds: p99 < GOAL_MS,
    })
  }
  return lines
}
