import { answer, MOST_REQUEST_BYTES, readJson } from '@/server/http'
import { levelStateless } from '@/server/stateless'

export const POST = (request: Request) =>
  answer(async () => Response.json(await levelStateless(await readJson(request, 'request', MOST_REQUEST_BYTES))))
