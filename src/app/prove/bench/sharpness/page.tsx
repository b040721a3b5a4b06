import { inHandOf, type SearchParams } from '@/app/search-params'
import { readTestable } from '@/server/lens-tests'
import { SharpnessTest } from './SharpnessTest'

export const metadata = { title: 'Where the lens is sharpest' }

export default async function SharpnessTestPage({ searchParams }: { searchParams: SearchParams }) {
  const [testable, asked] = await Promise.all([readTestable(), inHandOf(searchParams)])
  return <SharpnessTest testable={testable} first={asked.bodies?.[0]} />
}
