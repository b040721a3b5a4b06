import { param, type SearchParams } from '@/app/search-params'
import { readLesson } from '@/server/classes'
import { orNotFound } from '@/server/or-not-found'
import { LessonView } from './LessonView'

export const metadata = { title: 'Lesson' }

export default async function LessonPage({
  params,
  searchParams,
}: {
  params: Promise<{ class: string; student: string }>
  searchParams: SearchParams
}) {
  const [{ class: id, student }, lesson] = await Promise.all([params, param(searchParams, 'lesson')])
  const page = await orNotFound(readLesson(id, decodeURIComponent(student), lesson))
  return <LessonView page={page} key={page.lesson.id} />
}
