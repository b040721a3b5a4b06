import { inHandOf, type SearchParams } from '@/app/search-params'
import { readTestable } from '@/server/lens-tests'
import { FocusTest } from './FocusTest'

export const metadata = { title: 'Does the lens focus where it should' }

export default async function FocusTestPage({ searchParams }: { searchParams: SearchParams }) {
  const [testable, asked] = await Promise.all([readTestable(), inHandOf(searchParams)])
  return <FocusTest testable={testable} first={asked.bodies?.[0]} />
}
