import type { SearchParams } from '@/app/search-params'
import { param } from '@/app/search-params'
import { readFalseFriends } from '@/server/phrasebook'
import { PhrasebookView } from './PhrasebookView'

export const metadata = { title: 'Phrasebook' }

export default async function PhrasebookPage({ searchParams }: { searchParams: SearchParams }) {
  const [friends, query] = await Promise.all([readFalseFriends(), param(searchParams, 'q')])
  return <PhrasebookView friends={friends} query={query ?? ''} />
}
