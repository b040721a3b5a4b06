import { readClass } from '@/server/classes'
import { answer } from '@/server/http'

export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json(await readClass((await params).id)))
