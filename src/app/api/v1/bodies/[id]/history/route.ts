import { bodyHistory } from '@/server/authoring'
import { answer } from '@/server/http'

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json({ events: await bodyHistory((await params).id) }))
