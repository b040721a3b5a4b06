import { param, type SearchParams } from '@/app/search-params'
import { readExactJob, sent } from '@/server/jobs'
import { orNotFound } from '@/server/or-not-found'
import { SheetView } from './SheetView'

export const metadata = { title: 'Call sheet' }

export default async function SheetPage({
  params,
  searchParams,
}: {
  params: Promise<{ job: string }>
  searchParams: SearchParams
}) {
  const [{ job }, person] = await Promise.all([params, param(searchParams, 'person')])
  return <SheetView key={person ?? ''} view={await orNotFound(sent(readExactJob(job)))} person={person} />
}
