import type { listClasses, listCourses } from '@/server/classes'
import { TallLink } from '@/ui/links'
import { Empty, Page, PlainList, RowLink, Section } from '@/ui/pieces'
import { TakeFile } from '@/ui/TakeFile'
import { Typography } from '@/ui/elements'
import { NewClass } from './NewClass'

type Classes = Awaited<ReturnType<typeof listClasses>>
type Courses = Awaited<ReturnType<typeof listCourses>>

/** Classes and the courses they follow. */
export const ClassList = ({ classes, courses }: { classes: Classes; courses: Courses }) => {
  return (
    <Page>
      <Typography variant="h1">Class</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        Lessons in an order: something to read, to see, to set on the body in hand, a drill to pass, and a count
        outdoors. Whoever teaches sees who is where.
      </Typography>
      {classes.length === 0 && <Empty>No class yet. It takes a course, a name, and whoever learns.</Empty>}
      <PlainList component="ul" sx={{ maxWidth: 'var(--line)' }}>
        {classes.map(c => (
          <li key={c.id}>
            <RowLink to={`/practise/class/${c.id}`}>
              <span>
                <Typography component="span" variant="strong" sx={{ display: 'block' }}>
                  {c.name}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary">
                  {c.course}
                  {c.teacher && `, with ${c.teacher}`}
                </Typography>
              </span>
            </RowLink>
          </li>
        ))}
      </PlainList>
      {courses.length > 0 && <NewClass courses={courses} />}
      <Section title="Courses">
        <PlainList component="ul" sx={{ mb: 1.5 }}>
          {courses.map(c => (
            <li key={c.id}>
              <TallLink to={`/practise/class/course/${c.id}`}>{c.name}</TallLink>
            </li>
          ))}
        </PlainList>
        <TakeFile
          label="Read a course from a file"
          to={{ address: '/api/v1/courses', view: '/practise/class/course' }}
        />
      </Section>
    </Page>
  )
}
