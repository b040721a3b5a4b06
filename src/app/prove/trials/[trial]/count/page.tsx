import { orNotFound } from '@/server/or-not-found'
import { readCounting } from '@/server/trials'
import { CountLoader } from './CountLoader'

export const metadata = { title: 'Count a trial' }

export default async function CountPage({ params }: { params: Promise<{ trial: string }> }) {
  return <CountLoader view={await orNotFound(readCounting((await params).trial))} />
}
