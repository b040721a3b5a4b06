import { headers } from 'next/headers'
import QRCode from 'qrcode'
import { orNotFound } from '@/app/or-not-found'
import { addressOf } from '@/server/http'
import { readLife } from '@/server/readiness'
import { UnitLife } from './UnitLife'

export const metadata = { title: 'Unit' }

export default async function UnitPage({ params }: { params: Promise<{ unit: string }> }) {
  const life = await orNotFound(readLife((await params).unit))
  const address = `${addressOf({ headers: await headers() })}/set/cards/${life.body}?unit=${life.unit.id}`
  return <UnitLife life={life} code={await QRCode.toDataURL(address, { margin: 2, width: 360 })} />
}
