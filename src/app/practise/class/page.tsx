import { listClasses, listCourses } from '@/server/classes'
import { ClassList } from './ClassList'

export const metadata = { title: 'Class' }

export default async function ClassesPage() {
  const [classes, courses] = await Promise.all([listClasses(), listCourses()])
  return <ClassList classes={classes} courses={courses} />
}
