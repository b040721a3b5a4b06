import { headers } from 'next/headers'
import { orNotFound } from '@/server/or-not-found'
import { addressOf } from '@/server/http'
import { inHandOf, param, type SearchParams } from '@/app/search-params'
import { codeOf } from '@/server/code'
import { readInHand } from '@/server/concordance'
import { readLife } from '@/server/life'
import { readUnitBench } from '@/server/lens-tests'
import { UnitLife } from './UnitLife'

export const metadata = { title: 'Unit' }

/** So much is looked at; what came before is a tap away. */
const LATEST = 40

export default async function UnitPage({
  params,
  searchParams,
}: {
  params: Promise<{ unit: string }>
  searchParams: SearchParams
}) {
  const { ref, context } = await readInHand(await inHandOf(searchParams))
  const { events, ...life } = await orNotFound(readLife((await params).unit, ref, context))
  const shown = (await param(searchParams, 'history')) === 'all' ? events : events.slice(0, LATEST)
  const bench = await readUnitBench(life.unit.tag, life.body)
  const address = `${addressOf({ headers: await headers() })}/set/cards/${life.body}?unit=${life.unit.id}`
  return (
    <UnitLife
      life={{ ...life, events: shown }}
      earlier={events.length - shown.length}
      bench={bench}
      code={await codeOf(address)}
    />
  )
}
