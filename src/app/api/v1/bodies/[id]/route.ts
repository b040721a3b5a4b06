import { readBody } from '@/server/catalogue'
import { answer } from '@/server/http'

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json((await readBody((await params).id)).document))
