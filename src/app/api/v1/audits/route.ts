import { answer, MOST_REQUEST_BYTES, readFileChange, readJsonBytes } from '@/server/http'
import { listAudits, saveAudit } from '@/server/audits'
import { auditQuerySchema } from '@/server/queries'

export const GET = () => answer(async () => Response.json({ audits: await listAudits() }))

/** Thousands of pictures: whoever sends them stands in the address, and what was sent is read away from here. */
export const POST = (request: Request) =>
  answer(async () => {
    const { actor } = await readFileChange(request, 'prove', auditQuerySchema)
    return Response.json(await saveAudit(await readJsonBytes(request, MOST_REQUEST_BYTES), actor), { status: 201 })
  })
