import { beginClass, listClasses } from '@/server/classes'
import { answer, readChange } from '@/server/http'
import { newClassSchema } from '@/server/queries'

export const GET = () => answer(async () => Response.json({ classes: await listClasses() }))

export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'teach', schema: newClassSchema, what: 'class' })
    return Response.json(await beginClass(sent, actor), { status: 201 })
  })
