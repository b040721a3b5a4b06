import type { Metadata } from 'next'
import { orNotFound } from '@/server/or-not-found'
import { trialStandard } from '@/server/authoring'
import { listStandards, readBody, revisionOf, units } from '@/server/catalogue'
import { EditorView } from './EditorView'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<{ standard?: string | string[] }>
}

export const generateMetadata = async ({ params }: Pick<Props, 'params'>): Promise<Metadata> => ({
  title: `Editing ${(await orNotFound(readBody((await params).id))).document.model}`,
})

export default async function EditPage({ params, searchParams }: Props) {
  const [{ id }, { standard: inHand }] = await Promise.all([params, searchParams])
  const [body, all, standards] = await Promise.all([orNotFound(readBody(id)), units(), listStandards()])
  const standard = await trialStandard(
    standards.map(s => s.id),
    inHand,
  )
  return (
    <EditorView
      document={body.document}
      revision={revisionOf(body)}
      standard={standard}
      units={all.filter(u => u.body_id === id).map(({ tag, firmware }) => ({ tag, firmware }))}
    />
  )
}
