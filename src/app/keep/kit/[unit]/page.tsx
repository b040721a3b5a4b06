import { headers } from 'next/headers'
import QRCode from 'qrcode'
import { orNotFound } from '@/server/or-not-found'
import { addressOf } from '@/server/http'
import { inHandOf, type SearchParams } from '@/app/search-params'
import { readInHand } from '@/server/concordance'
import { readLife } from '@/server/life'
import { readUnitBench } from '@/server/lens-tests'
import { UnitLife } from './UnitLife'

export const metadata = { title: 'Unit' }

export default async function UnitPage({
  params,
  searchParams,
}: {
  params: Promise<{ unit: string }>
  searchParams: SearchParams
}) {
  const { ref, context } = await readInHand(await inHandOf(searchParams))
  const life = await orNotFound(readLife((await params).unit, ref, context))
  const bench = await readUnitBench(life.unit.tag, life.body)
  const address = `${addressOf({ headers: await headers() })}/set/cards/${life.body}?unit=${life.unit.id}`
  return <UnitLife life={life} bench={bench} code={await QRCode.toDataURL(address, { margin: 2, width: 360 })} />
}
