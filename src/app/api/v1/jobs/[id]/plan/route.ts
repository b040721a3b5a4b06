import { answer } from '@/server/http'
import { readJobView } from '@/server/jobs'

/** All that a device needs to plan a job by itself. */
export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json(await readJobView((await params).id)))
