import { listStandards } from '@/server/catalogue'
import { readCourse } from '@/server/classes'
import { orNotFound } from '@/server/or-not-found'
import { CourseEditor } from './CourseEditor'

export const metadata = { title: 'Course' }

export default async function CoursePage({ params }: { params: Promise<{ course: string }> }) {
  const [{ document, revision }, standards] = await Promise.all([
    params.then(p => orNotFound(readCourse(p.course))),
    listStandards(),
  ])
  return (
    <CourseEditor course={document} revision={revision} standards={standards.map(s => ({ id: s.id, name: s.name }))} />
  )
}
