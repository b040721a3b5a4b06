import { answer, MOST_REQUEST_BYTES, readJsonBytes } from '@/server/http'
import { levelStateless } from '@/server/stateless'

export const POST = (request: Request) =>
  answer(async () => Response.json(await levelStateless(await readJsonBytes(request, MOST_REQUEST_BYTES))))
