import { setStudent } from '@/server/classes'
import { answer, readChange } from '@/server/http'
import { classStudentSchema } from '@/server/queries'

export const PUT = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'teach', schema: classStudentSchema, what: 'student' })
    await setStudent((await params).id, sent, actor)
    return Response.json({ outcome: 'done' })
  })
