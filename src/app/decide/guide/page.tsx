import { readHouseGuide } from '@/server/guide'
import { ReasoningView } from './ReasoningView'

export const metadata = { title: 'The guide’s reasoning' }

export default async function ReasoningPage() {
  const { document, revision } = await readHouseGuide()
  return <ReasoningView house={document} revision={revision} />
}
