import type { Metadata } from 'next'
import { orNotFound } from '@/app/or-not-found'
import { readBody, units } from '@/server/catalogue'
import { BodyView } from './BodyView'

interface Props {
  params: Promise<{ id: string }>
}

export const generateMetadata = async ({ params }: Props): Promise<Metadata> => ({
  title: (await orNotFound(readBody((await params).id))).document.model,
})

export default async function BodyPage({ params }: Props) {
  const { id } = await params
  const [{ document }, all] = await Promise.all([orNotFound(readBody(id)), units()])
  return <BodyView body={document} units={all.filter(u => u.body_id === id)} />
}
