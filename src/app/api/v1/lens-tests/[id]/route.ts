import { answer } from '@/server/http'
import { readLensTestRow } from '@/server/lens-tests'

/** A test in its exchange format. */
export const GET = (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => Response.json((await readLensTestRow((await params).id)).test))
