import { redirect } from 'next/navigation'
import { Beginning } from '@/app/Beginning'
import { listBodies, listStandards, units } from '@/server/catalogue'
import type { SearchParams } from './search-params'

export default async function HomePage({ searchParams }: { searchParams: SearchParams }) {
  const [bodies, standards, all] = await Promise.all([listBodies(), listStandards(), units()])
  if (bodies.length === 0 || standards.length === 0)
    return <Beginning hasBodies={bodies.length > 0} hasStandards={standards.length > 0} />
  const kept = Object.entries(await searchParams).filter((e): e is [string, string] => typeof e[1] === 'string')
  const query = new URLSearchParams(kept).toString()
  // Whether somebody is ready is the first question; without units there is nobody to ask it of.
  const first = all.some(u => u.body_id !== null) ? '/keep/readiness' : '/decide/concordance'
  redirect(query ? `${first}?${query}` : first)
}
