import type { Metadata } from 'next'
import { orNotFound } from '@/server/or-not-found'
import { inHandOf, type SearchParams } from '@/app/search-params'
import { readConcept } from '@/server/phrasebook'
import { ConceptView } from './ConceptView'

interface Props {
  params: Promise<{ concept: string }>
  searchParams: SearchParams
}

export const generateMetadata = async ({ params }: Props): Promise<Metadata> => ({
  title: (await orNotFound(readConcept((await params).concept, []))).label,
})

export default async function ConceptPage({ params, searchParams }: Props) {
  const { bodies } = await inHandOf(searchParams)
  return <ConceptView concept={await orNotFound(readConcept((await params).concept, bodies))} />
}
