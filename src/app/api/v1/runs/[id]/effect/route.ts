import { effectOfRun } from '@/server/bench'
import { answer } from '@/server/http'

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json({ standards: await effectOfRun((await params).id) }))
