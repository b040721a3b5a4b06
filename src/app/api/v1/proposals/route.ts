import { proposalsFor } from '@/server/authoring'
import { answer, MOST_REQUEST_BYTES, readJson } from '@/server/http'

export const POST = (request: Request) =>
  answer(async () =>
    Response.json({ proposals: await proposalsFor(await readJson(request, 'profile', MOST_REQUEST_BYTES)) }),
  )
