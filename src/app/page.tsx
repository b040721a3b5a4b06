import { redirect } from 'next/navigation'
import { Beginning } from '@/app/Beginning'
import { listBodies, listStandards } from '@/server/catalogue'
import type { SearchParams } from './search-params'

export default async function HomePage({ searchParams }: { searchParams: SearchParams }) {
  const [bodies, standards] = await Promise.all([listBodies(), listStandards()])
  if (bodies.length === 0 || standards.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={standards.length > 0} />
  const kept = Object.entries(await searchParams).filter((e): e is [string, string] => typeof e[1] === 'string')
  const query = new URLSearchParams(kept).toString()
  redirect(query ? `/keep/readiness?${query}` : '/keep/readiness')
}
