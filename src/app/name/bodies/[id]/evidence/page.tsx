import type { Metadata } from 'next'
import { firmwareOf, formOf, readBody, revisionOf, units } from '@/server/catalogue'
import { orNotFound } from '@/server/or-not-found'
import { EvidenceView } from './EvidenceView'

interface Props {
  params: Promise<{ id: string }>
}

export const generateMetadata = async ({ params }: Props): Promise<Metadata> => ({
  title: `What pictures of ${(await orNotFound(readBody((await params).id))).document.model} tell`,
})

export default async function EvidencePage({ params }: Props) {
  const [body, all] = await Promise.all([orNotFound(readBody((await params).id)), units()])
  const form = formOf(body, firmwareOf(body.document, all))
  return <EvidenceView profile={body.document} form={form} revision={revisionOf(body)} />
}
