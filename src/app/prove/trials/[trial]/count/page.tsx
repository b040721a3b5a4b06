import { orNotFound } from '@/server/or-not-found'
import { readTrial } from '@/server/trials'
import { CountLoader } from './CountLoader'

export const metadata = { title: 'Count a trial' }

export default async function CountPage({ params }: { params: Promise<{ trial: string }> }) {
  return <CountLoader view={await orNotFound(readTrial((await params).trial))} />
}
