import { readStandard } from '@/server/catalogue'
import { answer } from '@/server/http'

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json((await readStandard((await params).id)).document))
