import { orNotFound } from '@/app/or-not-found'
import { readLife } from '@/server/readiness'
import { UnitLife } from './UnitLife'

export const metadata = { title: 'Unit' }

export default async function UnitPage({ params }: { params: Promise<{ unit: string }> }) {
  return <UnitLife life={await orNotFound(readLife((await params).unit))} />
}
