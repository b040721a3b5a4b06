import { answer, MOST_REQUEST_BYTES, readJsonBytes } from '@/server/http'
import { resolveStateless } from '@/server/stateless'

export const POST = (request: Request) =>
  answer(async () => {
    const input = await readJsonBytes(request, MOST_REQUEST_BYTES)
    return Response.json({ format: 'coherion.resolution/1', resolutions: await resolveStateless(input) })
  })
