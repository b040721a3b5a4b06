import { orNotFound } from '@/server/or-not-found'
import { param, type SearchParams } from '@/app/search-params'
import { listBodies } from '@/server/catalogue'
import { readDictionary } from '@/server/phrasebook'
import { Beginning } from '@/app/Beginning'
import { DictionaryView } from './DictionaryView'

export const metadata = { title: 'From one body to another' }

export default async function DictionaryPage({ searchParams }: { searchParams: SearchParams }) {
  const bodies = await listBodies()
  const [from, to] = [await param(searchParams, 'from'), await param(searchParams, 'to')]
  const a = bodies.find(b => b.id === from) ?? bodies[0]
  const b = bodies.find(x => x.id === to) ?? bodies.find(x => x.id !== a?.id)
  if (!a || !b) return <Beginning hasBodies={bodies.length > 0} hasStandards />
  return <DictionaryView dictionary={await orNotFound(readDictionary(a.id, b.id))} />
}
