import { answer } from '@/server/http'
import { standardHistory } from '@/server/standards'

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json({ events: await standardHistory((await params).id) }))
