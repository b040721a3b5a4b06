import { readClass } from '@/server/classes'
import { orNotFound } from '@/server/or-not-found'
import { ClassBoard } from './ClassBoard'

export const metadata = { title: 'Class' }

export default async function ClassPage({ params }: { params: Promise<{ class: string }> }) {
  return <ClassBoard view={await orNotFound(readClass((await params).class))} />
}
