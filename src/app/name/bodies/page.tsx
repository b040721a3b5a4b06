import { listBodySummaries } from '@/server/bodies'
import { BodyList } from './BodyList'

export const metadata = { title: 'Bodies' }

export default async function BodiesPage() {
  return <BodyList bodies={await listBodySummaries()} />
}
