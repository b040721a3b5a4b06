import { proposalsFor } from '@/server/authoring'
import { answer, MOST_REQUEST_BYTES, readJsonBytes } from '@/server/http'

export const POST = (request: Request) =>
  answer(async () => Response.json({ proposals: await proposalsFor(await readJsonBytes(request, MOST_REQUEST_BYTES)) }))
