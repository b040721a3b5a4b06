import { listBodySummaries, listPutAway } from '@/server/bodies'
import { BodyList } from './BodyList'

export const metadata = { title: 'Bodies' }

export default async function BodiesPage() {
  const [bodies, putAway] = await Promise.all([listBodySummaries(), listPutAway()])
  return <BodyList bodies={bodies} putAway={putAway} />
}
