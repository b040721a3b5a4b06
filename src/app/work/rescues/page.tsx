import { NoBodyYet } from '@/app/practise/NoBodyYet'
import { param, type SearchParams } from '@/app/search-params'
import { readRescueHand } from '@/server/rescues'
import { Rescues } from './Rescues'

export const metadata = { title: 'Rescues' }

export default async function RescuesPage({ searchParams }: { searchParams: SearchParams }) {
  const [body, unit, standard, context, job, scene] = await Promise.all(
    ['body', 'unit', 'standard', 'for', 'job', 'scene'].map(name => param(searchParams, name)),
  )
  const hand = await readRescueHand({ body, unit, standard, for: context, job, scene })
  return hand ? <Rescues key={`${hand.body.id} ${hand.unit}`} hand={hand} /> : <NoBodyYet />
}
