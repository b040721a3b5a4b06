import type { Metadata } from 'next'
import { orNotFound } from '@/server/or-not-found'
import { param, type SearchParams } from '@/app/search-params'
import { versionsOf } from '@/core/bodies'
import { firmwareOf, formOf, readBody, revisionOf, units } from '@/server/catalogue'
import { readFalseFriends } from '@/server/phrasebook'
import { BodyView } from './BodyView'

interface Props {
  params: Promise<{ id: string }>
  searchParams: SearchParams
}

export const generateMetadata = async ({ params }: Props): Promise<Metadata> => ({
  title: (await orNotFound(readBody((await params).id))).document.model,
})

export default async function BodyPage({ params, searchParams }: Props) {
  const { id } = await params
  const [body, all, friends] = await Promise.all([orNotFound(readBody(id)), units(), readFalseFriends(id)])
  const asked = await param(searchParams, 'firmware')
  const versions = versionsOf(body.document)
  const firmware = versions.find(v => v === asked) ?? firmwareOf(body.document, all)
  return (
    <BodyView
      body={formOf(body, firmware)}
      revision={revisionOf(body)}
      versions={versions}
      firmware={firmware}
      units={all.filter(u => u.body_id === id)}
      friends={friends}
    />
  )
}
