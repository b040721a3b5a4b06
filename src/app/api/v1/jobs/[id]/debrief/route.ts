import { answer } from '@/server/http'
import { readDebrief } from '@/server/jobs'

/** What a job taught. */
export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json(await readDebrief((await params).id)))
