import { param, type SearchParams } from '@/app/search-params'
import { readRehearsal } from '@/server/rehearsal'
import { NoBodyYet } from '@/app/practise/NoBodyYet'
import { RehearsalLoader } from './RehearsalLoader'

export const metadata = { title: 'Rehearsal' }

export default async function RehearsalPage({ searchParams }: { searchParams: SearchParams }) {
  const [standard, context, body, otherStandard, otherBody] = await Promise.all(
    ['standard', 'for', 'body', 'against', 'beside'].map(name => param(searchParams, name)),
  )
  const view = await readRehearsal({ standard, for: context, body, otherStandard, otherBody })
  return view ? <RehearsalLoader view={view} /> : <NoBodyYet />
}
