import { orNotFound } from '@/server/or-not-found'
import { readCounting } from '@/server/trials'
import { JudgeLoader } from './JudgeLoader'

export const metadata = { title: 'Count from pictures' }

export default async function JudgePage({ params }: { params: Promise<{ trial: string }> }) {
  return <JudgeLoader view={await orNotFound(readCounting((await params).trial))} />
}
