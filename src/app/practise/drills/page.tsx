import { param, type SearchParams } from '@/app/search-params'
import { NoBodyYet } from '@/app/practise/NoBodyYet'
import { readDrillHand } from '@/server/drills'
import { DrillList } from './DrillList'

export const metadata = { title: 'Drills' }

export default async function DrillsPage({ searchParams }: { searchParams: SearchParams }) {
  const [body, standard] = await Promise.all(['body', 'standard'].map(name => param(searchParams, name)))
  const hand = await readDrillHand({ body, standard })
  if (!hand) return <NoBodyYet />
  const { body: chosen, bodies, standard: by, school } = hand
  return <DrillList hand={{ body: chosen, bodies, standard: by, school }} />
}
