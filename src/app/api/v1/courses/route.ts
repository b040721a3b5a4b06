import { importCourse, listCourses } from '@/server/classes'
import { answer, readChange } from '@/server/http'
import { importCourseSchema } from '@/server/queries'

export const GET = () => answer(async () => Response.json({ courses: await listCourses() }))

export const POST = (request: Request) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'teach', schema: importCourseSchema, what: 'course' })
    return Response.json(await importCourse(sent.document, actor), { status: 201 })
  })
