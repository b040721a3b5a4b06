import { readLesson } from '@/server/classes'
import { answer, parseQuery } from '@/server/http'
import { lessonQuerySchema } from '@/server/queries'

/** A lesson of a student: the one that is asked for, else where they are. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { student, lesson } = parseQuery(lessonQuerySchema, request)
    return Response.json(await readLesson((await params).id, student, lesson))
  })
