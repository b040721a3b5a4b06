import { answer } from '@/server/http'
import { readConcept } from '@/server/phrasebook'

export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json(await readConcept((await params).id, undefined)))
