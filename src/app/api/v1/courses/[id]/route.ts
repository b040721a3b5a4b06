import { readCourse, saveCourse } from '@/server/classes'
import { answer, readChange } from '@/server/http'
import { saveCourseSchema } from '@/server/queries'

type Given = { params: Promise<{ id: string }> }

/** The course in its exchange format. */
export const GET = (_request: Request, { params }: Given) =>
  answer(async () => Response.json((await readCourse((await params).id)).document))

export const PUT = (request: Request, { params }: Given) =>
  answer(async () => {
    const { sent, actor } = await readChange(request, { deed: 'teach', schema: saveCourseSchema, what: 'course' })
    const { id } = await params
    return Response.json(await saveCourse({ ...sent, document: withId(sent.document, id) }, actor))
  })

/** Under this address it is this course, whatever it calls itself. */
const withId = (document: unknown, id: string): unknown =>
  typeof document === 'object' && document !== null ? { ...document, id } : document
